import { above, all, any, anyOf, below, between, is, not } from '../../rules/fuzzy.js';
import type { Occasions } from './occasion.js';
import * as day from './situations.js';

const { clear, dock, grass, hanging, lowLight, onBottom, windy } = day;

const moving = anyOf('tide:rising', 'tide:falling');
const slack = anyOf('tide:low-slack', 'tide:high-slack');
const current = all(anyOf('structure:pass', 'structure:bridge'), moving);
const shell = anyOf('cover:oyster', 'cover:shell', 'structure:oyster-bar');
const drum = is('species:red-drum');
const trout = is('species:spotted-seatrout');
const snook = is('species:snook');
const striper = is('species:striped-bass');
const flatfish = is('species:flatfish');
const baitfish = anyOf('forage:mullet', 'forage:menhaden', 'forage:pinfish');

/** Lures for the salt, by species, tide and bottom. */
export const INSHORE_OCCASIONS = {
  'popping-cork-shrimp': {
    suits: [
      {
        id: 'cork-stain',
        when: all(below('sightM', 0.75, 1.1), above('surfaceTempC', 15, 18), below('holdingDepthM', 1.5, 2.2)),
        effect: 2.4,
        text: 'Stain: the pop calls them to the shrimp',
      },
      {
        id: 'cork-shrimp-seen',
        when: all(
          is('forage:shrimp'),
          is('forage-named'),
          above('surfaceTempC', 15, 18),
          below('holdingDepthM', 1.5, 2.2),
        ),
        effect: 2.3,
        text: 'Shrimp are about: one under a cork',
      },
      {
        id: 'cork-shell',
        when: all(any(shell, grass), above('surfaceTempC', 15, 18), any(trout, drum), below('holdingDepthM', 1.5, 2.2)),
        effect: 1.5,
        text: 'Over shell and grass it hangs above what would catch it',
      },
      {
        id: 'cork-wind',
        when: all(windy, below('sightM', 1, 1.4), above('surfaceTempC', 15, 18)),
        effect: 1.6,
        text: 'Wind-broken water: noise calls them in',
      },
    ],
    spoils: [
      { id: 'cork-cold', when: below('surfaceTempC', 13, 16), effect: -2, text: 'Too lively for cold fish' },
      { id: 'cork-deep', when: above('holdingDepthM', 1.6, 2.4), effect: -1.5, text: 'It hangs over fish that deep' },
      { id: 'cork-bottom-species', when: any(flatfish, striper), effect: -2.5, text: 'These do not come up to it' },
      {
        id: 'cork-clear-calm',
        when: all(above('sightM', 1.2, 1.8), day.calm),
        effect: -1.2,
        text: 'Too loud for clear calm water',
      },
      { id: 'cork-snook', when: snook, effect: -1, text: 'Snook are under the cover, not out here' },
      { id: 'cork-current', when: current, effect: -1, text: 'The current drags it away' },
    ],
    excludes: [{ id: 'cork-flatfish', when: flatfish, effect: 1, text: 'Flatfish do not come up to it' }],
  },
  'weedless-spoon': {
    suits: [
      {
        id: 'spoon-drum-grass',
        when: all(drum, grass, above('surfaceTempC', 16, 19)),
        effect: 2.2,
        text: 'Red drum on grass: it covers the flat and comes through',
      },
      {
        id: 'spoon-search-flats',
        when: all(
          any(grass, is('structure:flat'), is('structure:grass-edge')),
          moving,
          above('surfaceTempC', 16, 19),
          above('sightM', 0.5, 0.8),
          not(trout),
        ),
        effect: 1.3,
        text: 'It covers grass flats',
      },
      {
        id: 'spoon-sun-flash',
        when: all(anyOf('sky:clear', 'sky:partly-cloudy'), grass, clear, drum),
        effect: 1.6,
        text: 'Sun on clear grass: its flash is seen from far',
      },
    ],
    spoils: [
      { id: 'spoon-cold', when: below('surfaceTempC', 14, 17), effect: -2, text: 'Too quick for cold fish' },
      { id: 'spoon-slack', when: slack, effect: -0.9, text: 'Slack water: too quick' },
      { id: 'spoon-bottom-species', when: flatfish, effect: -2.5, text: 'It runs over them' },
      { id: 'spoon-striper', when: striper, effect: -1.5, text: 'Too small for them' },
      { id: 'spoon-trout', when: trout, effect: -1.3, text: 'Seatrout want something softer' },
      { id: 'spoon-deep', when: above('holdingDepthM', 1.4, 2), effect: -1.3, text: 'It rides over fish that deep' },
      { id: 'spoon-shell', when: all(shell, not(grass)), effect: -0.8, text: 'Nothing to be weedless for' },
    ],
  },
  'weedless-jerk-shad': {
    suits: [
      {
        id: 'jerk-shad-clear-grass',
        when: all(grass, above('sightM', 0.6, 0.95), above('surfaceTempC', 14, 17)),
        effect: 1.9,
        text: 'Weedless through clear grass',
      },
      {
        id: 'jerk-shad-skip',
        when: all(any(dock, is('cover:mangrove')), above('surfaceTempC', 15, 18)),
        effect: 2.3,
        text: 'Skipped under docks and mangroves',
      },
      {
        id: 'jerk-shad-drum-tail',
        when: all(drum, below('holdingDepthM', 0.9, 1.4), above('sightM', 0.6, 0.95), above('surfaceTempC', 14, 17)),
        effect: 1.7,
        text: 'Laid down quietly in front of shallow fish',
      },
      {
        id: 'jerk-shad-glare',
        when: all(day.brightCalm, clear),
        effect: 1.3,
        text: 'Bright and calm: it lands softly',
      },
    ],
    spoils: [
      { id: 'jerk-shad-dirty', when: below('sightM', 0.5, 0.8), effect: -1.6, text: 'Too quiet for stained water' },
      {
        id: 'jerk-shad-current',
        when: any(current, above('holdingDepthM', 1.5, 2.2)),
        effect: -1.6,
        text: 'It does not get down there',
      },
      { id: 'jerk-shad-flatfish', when: flatfish, effect: -1.3, text: 'It glides over them' },
      { id: 'jerk-shad-striper', when: striper, effect: -0.6, text: 'Small for them' },
      { id: 'jerk-shad-cold', when: below('surfaceTempC', 12, 15), effect: -1, text: 'Others are slower' },
    ],
  },
  'jighead-paddle-tail': {
    suits: [
      {
        id: 'jighead-tail-drain',
        when: all(
          is('tide:falling'),
          anyOf(
            'structure:drain-mouth',
            'structure:marsh-point',
            'structure:trough',
            'structure:oyster-bar',
            'structure:creek-back',
          ),
        ),
        effect: 1.9,
        text: 'The ebb washes bait out to them: swum past the mouth',
      },
      {
        id: 'jighead-tail-baitfish',
        when: all(baitfish, moving, above('surfaceTempC', 14, 17)),
        effect: 1.5,
        text: 'Baitfish on the move: swum with them',
      },
      {
        id: 'jighead-tail-edges',
        when: all(moving, above('surfaceTempC', 14, 17), not(flatfish)),
        effect: 1.2,
        text: 'Swum along edges in moving water',
      },
      {
        id: 'jighead-tail-current',
        when: all(current, any(striper, snook, drum)),
        effect: 1.7,
        text: 'Swung down in the current',
      },
      { id: 'jighead-tail-flatfish', when: all(flatfish, onBottom), effect: 1.7, text: 'Crept along the bottom' },
      {
        id: 'jighead-tail-stain',
        when: all(below('sightM', 0.7, 1), above('surfaceTempC', 14, 17)),
        effect: 1.2,
        text: 'Its tail is felt in stain',
      },
    ],
    spoils: [
      { id: 'jighead-tail-grass', when: grass, effect: -0.8, text: 'Grass fouls its hook' },
      { id: 'jighead-tail-cold', when: below('surfaceTempC', 10, 13), effect: -0.8, text: 'Lively for the cold' },
    ],
  },
  'jighead-jerk-shad': {
    suits: [
      {
        id: 'jighead-shad-cold',
        when: all(below('surfaceTempC', 14, 17), onBottom),
        effect: 2,
        text: 'Cold: crept and hopped along the bottom',
      },
      {
        id: 'jighead-shad-flatfish',
        when: all(flatfish, onBottom),
        effect: 2.4,
        text: 'Flatfish: hopped over the bottom',
      },
      {
        id: 'jighead-shad-trout',
        when: all(trout, moving, above('holdingDepthM', 0.6, 1)),
        effect: 1.5,
        text: 'Seatrout over shell and drops: twitched and dropped',
      },
      {
        id: 'jighead-shad-slack',
        when: all(slack, onBottom),
        effect: 1.3,
        text: 'Slack water: slowly along the bottom',
      },
      { id: 'jighead-shad-current', when: current, effect: 1.2, text: 'It gets down in the current' },
    ],
    spoils: [
      { id: 'jighead-shad-grass', when: grass, effect: -0.9, text: 'Grass fouls its hook' },
      { id: 'jighead-shad-dirty', when: below('sightM', 0.35, 0.55), effect: -0.8, text: 'Quiet for such dirty water' },
    ],
  },
  'suspending-twitchbait': {
    suits: [
      {
        id: 'twitchbait-cool-trout',
        when: all(any(trout, snook), between('surfaceTempC', 8, 11, 20, 24), above('sightM', 0.6, 0.95)),
        effect: 2.7,
        text: 'Cool clear water: it hangs in front of a big one',
      },
      {
        id: 'twitchbait-baitfish',
        when: all(baitfish, clear, hanging),
        effect: 1.3,
        text: 'A crippled baitfish that stops',
      },
      {
        id: 'twitchbait-big',
        when: all(is('goal:big-fish'), any(trout, snook), above('sightM', 0.6, 0.95)),
        effect: 2.5,
        text: 'For one big one, slowly',
      },
      {
        id: 'twitchbait-snook-edge',
        when: all(snook, clear, lowLight),
        effect: 1.4,
        text: 'Along the shadow line at dawn',
      },
    ],
    spoils: [
      {
        id: 'twitchbait-grass',
        when: all(grass, below('waterOverCoverM', 0.3, 0.5)),
        effect: -1,
        text: 'Grass fouls its trebles',
      },
      { id: 'twitchbait-dirty', when: below('sightM', 0.5, 0.8), effect: -1.8, text: 'It is hunted by sight' },
      { id: 'twitchbait-heat', when: above('surfaceTempC', 24, 28), effect: -1, text: 'Summer fish want it quicker' },
      { id: 'twitchbait-drum', when: any(drum, flatfish), effect: -1.5, text: 'These feed lower' },
      { id: 'twitchbait-striper', when: striper, effect: -0.8, text: 'Small for them' },
      {
        id: 'twitchbait-shell',
        when: all(shell, below('holdingDepthM', 0.6, 0.9)),
        effect: -0.8,
        text: 'Shell catches its trebles',
      },
    ],
  },
  'jighead-shrimp': {
    suits: [
      {
        id: 'shrimp-cold',
        when: all(below('surfaceTempC', 15, 18), any(drum, trout, flatfish)),
        effect: 2.4,
        text: 'Cold: a shrimp barely moved is never refused',
      },
      {
        id: 'shrimp-slack',
        when: all(slack, onBottom),
        effect: 1.8,
        text: 'Slack water: small and slow on the bottom',
      },
      {
        id: 'shrimp-about',
        when: all(is('forage:shrimp'), is('forage-named'), not(striper)),
        effect: 1.7,
        text: 'Shrimp are what they eat now',
      },
      { id: 'shrimp-dock', when: all(dock, not(striper)), effect: 1.3, text: 'Let down beside the piles' },
      {
        id: 'shrimp-drain',
        when: all(is('tide:falling'), anyOf('structure:drain-mouth', 'structure:creek-back'), not(striper)),
        effect: 1.3,
        text: 'Shrimp wash out with the ebb',
      },
    ],
    spoils: [
      { id: 'shrimp-striper', when: any(striper, snook), effect: -1, text: 'These want a baitfish' },
      { id: 'shrimp-grass', when: grass, effect: -0.8, text: 'Grass fouls its hook' },
      { id: 'shrimp-wind', when: above('windMps', 6, 9), effect: -0.5, text: 'Too light to feel in the wind' },
    ],
  },
  'crab-imitation': {
    suits: [
      {
        id: 'crab-drum',
        when: all(
          drum,
          any(all(is('forage:crab'), is('forage-named')), shell, is('structure:oyster-bar')),
          above('surfaceTempC', 15, 18),
          onBottom,
        ),
        effect: 1.9,
        text: 'Red drum root for crabs: let it lie',
      },
      {
        id: 'crab-drum-clear',
        when: all(drum, clear, above('surfaceTempC', 16, 19), onBottom),
        effect: 1.1,
        text: 'Laid in front of fish one can see',
      },
    ],
    spoils: [
      { id: 'crab-cold', when: below('surfaceTempC', 13, 16), effect: -1, text: 'Crabs are dug in' },
      { id: 'crab-deep', when: above('holdingDepthM', 2, 3), effect: -1, text: 'Too light for there' },
    ],
    excludes: [
      {
        id: 'crab-not-drum',
        when: anyOf('species:spotted-seatrout', 'species:snook', 'species:striped-bass', 'species:flatfish'),
        effect: 0.95,
        text: 'These hardly eat crabs',
      },
    ],
  },
  bucktail: {
    suits: [
      {
        id: 'bucktail-striper',
        when: all(striper, any(moving, slack)),
        effect: 3,
        text: 'Stripers: swung in the current, bounced on the bottom',
      },
      {
        id: 'bucktail-pass',
        when: all(current, any(drum, flatfish, snook)),
        effect: 2.2,
        text: 'It gets down in the current of a pass',
      },
      {
        id: 'bucktail-flatfish',
        when: all(flatfish, above('holdingDepthM', 1.2, 2)),
        effect: 2,
        text: 'Flatfish in the deeper cuts: bounced along',
      },
      {
        id: 'bucktail-birds',
        when: is('sign:birds-diving'),
        effect: 1.6,
        text: 'Under the birds, through what drives the bait',
      },
    ],
    spoils: [
      { id: 'bucktail-trout', when: all(trout, not(current)), effect: -1.2, text: 'Seatrout want something softer' },
      {
        id: 'bucktail-shallow',
        when: all(below('holdingDepthM', 0.8, 1.2), not(striper)),
        effect: -1.2,
        text: 'Heavy for so little water',
      },
      { id: 'bucktail-grass', when: grass, effect: -1.3, text: 'Grass fouls it' },
    ],
  },
  'vertical-jig': {
    suits: [
      {
        id: 'vertical-jig-deep',
        when: all(
          above('holdingDepthM', 3.5, 5),
          any(striper, is('sign:birds-diving'), is('seen:schooled-deep'), anyOf('structure:pass', 'structure:bridge')),
        ),
        effect: 2.2,
        text: 'Deep in the pass: straight down to them',
      },
    ],
    spoils: [
      {
        id: 'vertical-jig-drum-trout',
        when: any(drum, trout),
        effect: -1.8,
        text: 'These want something softer and slower',
      },
    ],
    excludes: [
      {
        id: 'vertical-jig-shallow',
        when: below('holdingDepthM', 2.8, 3.8),
        effect: 1,
        text: 'Too shallow to fish straight down',
      },
    ],
  },
} satisfies Occasions;

/** Surface lures in the salt have days of their own beside those in fresh water. */
export const SURFACE_INSHORE = {
  dawn: {
    id: 'topwater-salt-dawn',
    when: all(is('discipline:inshore'), lowLight, above('surfaceTempC', 17, 20), any(drum, trout, snook, striper)),
    effect: 1.3,
    text: 'Dawn and dusk in warm salt water: on top',
  },
} as const;
