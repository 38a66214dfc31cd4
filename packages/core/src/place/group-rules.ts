import { above, all, any, anyOf, below, is, not } from '../rules/fuzzy.js';
import type { Rule } from '../rules/rule.js';
import type { GroupId } from '../rules/vocabulary.js';

/** A figure a group: log-weights where rules vote, factors where they move depths, shares where a regime draws fish. */
export type GroupVotes = Partial<Record<GroupId, number>>;
type GroupRule = Rule<GroupVotes>;

const shadeCover = anyOf('cover:dock', 'structure:dock', 'structure:marina', 'cover:pads', 'cover:mangrove');

/** Which groups the fish are in at an hour, as log-weights. Weights are judgement. */
export const GROUP_RULES: readonly GroupRule[] = [
  {
    id: 'sun-lifts-cold-fish',
    when: all(below('surfaceTempC', 11.5, 15.5), above('sunWarmth', 0.15, 0.9)),
    effect: { edge: 1.3 },
    text: 'Sun warms rock and flats, and cold fish move up with it',
  },
  {
    id: 'cold-night-off-the-edge',
    when: all(below('surfaceTempC', 10, 14), below('sunWarmth', 0.02, 0.2)),
    effect: { edge: -0.5 },
    text: 'A cold night leaves the shallows, and so do they',
    against: 'A cold night leaves the shallows, and so do they',
  },
  {
    id: 'dim-on-the-edge',
    when: all(is('light:low'), above('surfaceTempC', 11, 15)),
    effect: { edge: 0.7, bottom: -0.3 },
    text: 'In dim light they come up on the edge to feed',
    against: 'In dim light they come up off the deep bottom',
  },
  {
    id: 'high-sun-off-the-edge',
    when: all(
      above('light', 0.3, 0.6),
      above('effectiveVisibilityM', 0.6, 1.1),
      above('surfaceTempC', 14, 17),
      not(anyOf('phase:spawn', 'phase:fall')),
    ),
    effect: { edge: -0.9 },
    text: 'High sun in clear water: they leave the edge',
    against: 'High sun in clear water: they leave the edge',
  },
  {
    id: 'bright-calm-off-the-edge',
    when: all(is('bright-and-calm'), above('effectiveVisibilityM', 0.6, 1.1), not(is('phase:spawn'))),
    effect: { edge: -0.4, bottom: 0.15 },
    text: 'Bright and calm: down, or tight to shade',
    against: 'Bright and calm: down, or tight to shade',
  },
  {
    id: 'cloud-roams-up',
    when: all(anyOf('sky:overcast', 'sky:rain', 'sky:fog'), above('surfaceTempC', 12, 15)),
    effect: { edge: 0.5, bottom: -0.25 },
    text: 'Under cloud they roam, up and out of the cover',
    against: 'Under cloud they roam up',
  },
  {
    id: 'chop-lifts-warm-fish',
    when: all(above('windMps', 3, 7), above('surfaceTempC', 9, 13)),
    effect: { edge: 0.45 },
    text: 'Chop breaks up the light, and they come up',
  },
  {
    id: 'front-takes-them-off-the-edge',
    when: is('front:post-frontal'),
    effect: { edge: -0.8, hanging: -0.35, bottom: 0.3 },
    text: 'After the front they drop to the next deep water',
    against: 'After the front they drop to the next deep water',
    school: ['after-front', 'drop'],
  },
  {
    id: 'front-into-the-cover',
    when: is('front:post-frontal'),
    effect: { edge: -0.15, hanging: -0.8, bottom: 0.3 },
    text: 'After the front they stay, down in the mud or the cover',
    against: 'After the front none hang: they are down in the cover',
    school: ['after-front', 'stay'],
  },
  {
    id: 'recovering-front',
    when: is('front:recovering'),
    effect: { edge: -0.3, hanging: -0.15 },
    text: 'Still coming back from the front',
    against: 'Still coming back from the front',
  },
  {
    id: 'front-coming-up',
    when: anyOf('front:approaching', 'front:passing'),
    effect: { edge: 0.45 },
    text: 'Ahead of a front they feed up',
  },
  {
    id: 'rising-level-up',
    when: is('level:rising'),
    effect: { edge: 0.7 },
    text: 'Rising water: they follow it up the bank',
  },
  {
    id: 'falling-level-off',
    when: is('level:falling'),
    effect: { edge: -0.6 },
    text: 'Falling water pulls fish off the bank',
    against: 'Falling water pulls fish off the bank',
  },
  {
    id: 'dirty-keeps-shallow',
    when: below('sightM', 0.4, 0.9),
    effect: { edge: 0.8, hanging: -1, bottom: -0.9 },
    text: 'Dirty water: shallow and tight to what they can touch',
    against: 'None hang in water they cannot see through',
  },
  {
    id: 'clear-lets-them-hang',
    when: above('effectiveVisibilityM', 1.1, 2.2),
    effect: { hanging: 0.35, edge: -0.25 },
    text: 'Clear water lets them hang anywhere',
    against: 'Clear water lets them be further off',
  },
  {
    id: 'deep-bait-below',
    when: is('seen:schooled-deep'),
    effect: { hanging: 0.6, bottom: 0.5, edge: -0.4 },
    text: 'Bait is schooled deep, and they are with it',
    against: 'Bait is schooled deep, and they are with it',
  },
  {
    id: 'bait-on-the-bank',
    when: anyOf('seen:on-banks', 'sign:birds-on-bank'),
    effect: { edge: 0.7 },
    text: 'Bait is on the bank',
  },
  {
    id: 'roaming-with-shad',
    when: all(is('forage:shad'), anyOf('phase:fall', 'phase:early-fall')),
    effect: { hanging: 0.3 },
    text: 'With roaming shad they hang in the water',
  },
  {
    id: 'males-on-the-bank',
    when: is('fish-sign:small-males-shallow'),
    effect: { edge: 0.6 },
    text: 'Small males look for beds along the bank',
  },
  {
    id: 'full-females-outside',
    when: is('fish-sign:egg-full'),
    effect: { bottom: 0.3, hanging: 0.3 },
    text: 'Females full of eggs stage outside the beds',
  },
  {
    id: 'current-sets-them-on-the-bottom',
    when: all(anyOf('current:light', 'current:strong'), not(is('discipline:inshore'))),
    effect: { bottom: 0.35, hanging: -0.3 },
    text: 'Current sets them on the bottom, tight to the break',
    against: 'In current they do not hang, they lie',
  },
  {
    id: 'strikes-at-deepest',
    when: is('feedback:strikes-at-deepest'),
    effect: { edge: -0.5, bottom: 0.4 },
    text: 'Strikes come at the deepest point: they are lower',
    against: 'Strikes come at the deepest point: they are lower',
  },
  {
    id: 'no-bites-deeper',
    when: all(is('feedback:no-bites'), above('effectiveVisibilityM', 0.5, 0.8)),
    effect: { edge: -0.4, bottom: 0.3 },
    text: 'Bait and signs but no bite: another depth comes first, then pace, then lure',
    against: 'Bait and signs but no bite up here: another depth comes first',
  },
  {
    id: 'clustered-on-the-bottom',
    when: is('feedback:clustered-fish'),
    effect: { bottom: 0.4 },
    text: 'Several in one stretch: there are more on the bottom there',
  },
  {
    id: 'flood-lets-them-up',
    when: is('tide:rising'),
    effect: { edge: 1.1, bottom: -0.7 },
    text: 'The flood lets them up over grass and oyster',
    against: 'The flood lets them up out of the deep',
  },
  {
    id: 'low-water-leaves-the-deep',
    when: is('tide:low-slack'),
    effect: { edge: -0.7, bottom: 0.4 },
    text: 'Low water leaves only the deeper places',
    against: 'At low water the flat is bare',
  },
  {
    id: 'heat-off-the-flat-by-day',
    when: all(is('phase:summer-heat'), is('light:high')),
    effect: { edge: -0.7, bottom: 0.3 },
    text: 'In the heat of the day they leave the flats',
    against: 'In the heat of the day they leave the flats',
  },
  {
    id: 'flatfish-lie',
    when: is('species:flatfish'),
    effect: { hanging: -3, bottom: 0.3 },
    text: 'Flatfish lie on the bottom',
    against: 'Flatfish do not hang',
  },
  {
    id: 'stripers-in-the-run',
    when: is('species:striped-bass'),
    effect: { edge: -0.7, hanging: 0.3 },
    text: 'Stripers run in the open current',
    against: 'Stripers are seldom on the edge',
  },
  {
    id: 'rivers-and-ponds-shallow',
    when: all(
      anyOf('water:tidal-river', 'water:river', 'water:pond', 'water:grass-lake'),
      above('surfaceTempC', 13, 17),
      below('sightM', 1.2, 1.8),
    ),
    effect: { edge: 0.5, bottom: -0.3 },
    text: 'In rivers, ponds and grass they live along the edges and what stands in them',
    against: 'Such waters have little deep bottom to hold to',
  },
  {
    id: 'spotted-in-the-open',
    when: is('species:spotted'),
    effect: { edge: -0.5, hanging: 0.4 },
    text: 'Spotted bass live deeper and in open water',
    against: 'Spotted bass are seldom on the bank',
  },
];

/** What a place does to its groups, as log-weights: which of them a form or a cover gathers. */
export const PLACE_GROUP_RULES: readonly GroupRule[] = [
  {
    id: 'open-places-hang',
    when: any(
      anyOf('structure:bluff', 'structure:bluff-end', 'cover:standing-timber'),
      all(is('structure:marina'), above('surfaceTempC', 12, 16)),
    ),
    effect: { hanging: 0.7, edge: -0.4 },
    text: 'There they hang off it, not under it',
    against: 'There they hang off it',
  },
  {
    id: 'open-water-hang',
    when: is('structure:open-water'),
    effect: { hanging: 1, edge: -4, bottom: -1.2, 'mud-flat': -4, bank: -4, 'shad-spawn': -4 },
    text: 'Over open water they hang with the bait',
    against: 'There is no bank in open water',
  },
  {
    id: 'shade-holds-shallow',
    when: all(
      shadeCover,
      above('light', 0.3, 0.6),
      above('surfaceTempC', 14, 18),
      above('effectiveVisibilityM', 0.6, 1.1),
      not(is('phase:spawn')),
    ),
    effect: { edge: 1.3, hanging: 0.1, bottom: -0.3 },
    text: 'Shade lets them stay under a high sun',
    against: 'In shade they need not go down',
  },
  {
    id: 'offshore-on-the-bottom',
    when: anyOf(
      'structure:ledge',
      'structure:hump',
      'structure:hard-spot',
      'structure:saddle',
      'structure:channel-swing',
    ),
    effect: { bottom: 0.55, edge: -0.6 },
    text: 'Out there they group on the bottom',
    against: 'There is no bank out there',
  },
  {
    id: 'backs-on-the-edge',
    when: anyOf('structure:pocket', 'structure:creek-back', 'structure:flat', 'structure:riprap', 'structure:dock'),
    effect: { edge: 0.3, bottom: -0.4 },
    text: 'So far back it is shallow, and so are they',
    against: 'There is no deep bottom so far back',
  },
  {
    id: 'over-grass',
    when: anyOf('ground:grass', 'cover:submerged-grass'),
    effect: { hanging: 0.45 },
    text: 'Over grass they hang in its top',
  },
  {
    id: 'brush-on-the-bottom',
    when: all(is('cover:brush-pile'), not(is('structure:dock'))),
    effect: { bottom: 0.4, edge: -0.3 },
    text: 'Brush holds them on the bottom in it',
    against: 'The brush lies deeper',
  },
  {
    id: 'rock-holds-the-sun',
    when: all(
      any(anyOf('cover:riprap', 'cover:chunk-rock', 'cover:mixed-rock', 'structure:riprap', 'structure:steep-bank')),
      below('surfaceTempC', 11, 14),
      above('sunWarmth', 0.2, 0.7),
    ),
    effect: { edge: 0.4 },
    text: 'Rock holds the sun, most of all what breaks the surface',
  },
  {
    id: 'staged-fish-hang',
    when: all(
      anyOf('phase:staging', 'phase:winter', 'phase:late-fall'),
      above('visibilityM', 0.9, 1.5),
      anyOf('structure:steep-bank', 'structure:channel-swing', 'structure:bluff-end', 'structure:main-lake-point'),
    ),
    effect: { hanging: 0.4 },
    text: 'Cold fish hang beside the steep rock',
  },
  {
    id: 'staged-fish-keep-to-the-edge',
    when: all(
      anyOf('phase:staging', 'phase:winter', 'phase:late-fall'),
      below('visibilityM', 0.9, 1.5),
      anyOf('structure:steep-bank', 'structure:channel-swing', 'structure:bluff-end', 'structure:main-lake-point'),
    ),
    effect: { edge: 0.4, bottom: -0.25 },
    text: 'Where they see less, cold fish keep to the edge of the steep rock',
    against: 'Where they see less, cold fish leave the deep foot of the steep rock',
  },
  {
    id: 'summer-off-the-points',
    when: all(anyOf('phase:summer', 'phase:early-fall'), is('structure:main-lake-point')),
    effect: { hanging: 0.3 },
    text: 'In summer they hang off the points with the bait',
  },
  {
    id: 'long-points-keep-some',
    when: all(
      anyOf('phase:fall', 'phase:late-fall'),
      anyOf('structure:main-lake-point', 'structure:ledge', 'structure:hump'),
    ),
    effect: { bottom: 0.7 },
    text: 'Not all follow the shad: some lie deep on the ends of long points',
  },
  {
    id: 'squeezed-tide-low',
    when: all(anyOf('structure:pass', 'structure:bridge'), is('discipline:inshore')),
    effect: { bottom: 0.8, edge: -1.2 },
    text: 'Where the tide is squeezed they lie down in it',
    against: 'No edge in a pass',
  },
  {
    id: 'drain-dug-deep',
    when: all(is('structure:drain-mouth'), anyOf('tide:falling', 'tide:low-slack', 'discipline:bass')),
    effect: { bottom: 0.7 },
    text: 'A drain digs its own hole where it empties: deep, not shallow',
  },
  {
    id: 'pads-edge',
    when: anyOf('cover:pads', 'cover:emergent-grass', 'cover:reeds', 'cover:flooded-bush'),
    effect: { edge: 0.2, bottom: -0.3 },
    text: 'Stems stand in the shallows',
    against: 'It only stands in shallow water',
  },
  {
    id: 'shad-spawn-on-hard-banks',
    when: anyOf(
      'structure:riprap',
      'structure:dock',
      'structure:marina',
      'cover:riprap',
      'cover:reeds',
      'cover:dock',
      'cover:submerged-grass',
      'structure:grass-edge',
      'structure:dam-face',
    ),
    effect: { 'shad-spawn': 0.8 },
    text: 'Shad spawn on anything hard or matted',
  },
  {
    id: 'shad-spawn-not-offshore',
    when: anyOf('structure:ledge', 'structure:channel-swing', 'structure:hump', 'structure:saddle', 'structure:ditch'),
    effect: { 'shad-spawn': -1.5, bank: -2, 'mud-flat': -1 },
    text: 'No bank there',
    against: 'No bank there',
  },
  {
    id: 'chasing-outside',
    when: anyOf(
      'structure:main-lake-point',
      'structure:open-water',
      'structure:hump',
      'structure:saddle',
      'structure:flat',
      'structure:pass',
    ),
    effect: { chasing: 0.9 },
    text: 'They chase over open water and off the points',
  },
  {
    id: 'chasing-not-in-the-back',
    when: all(
      anyOf('structure:pocket', 'structure:creek-back', 'structure:dock'),
      not(anyOf('phase:fall', 'phase:fall-run')),
    ),
    effect: { chasing: -0.8 },
    text: 'They chase outside',
    against: 'They chase outside',
  },
];

/** Factors on the depths of groups: under 1 lifts them, over 1 sends them down. */
export const GROUP_DEPTH_RULES: readonly GroupRule[] = [
  {
    id: 'front-drops-fish',
    when: is('front:post-frontal'),
    effect: { edge: 1.3, hanging: 1.12, bottom: 1.1 },
    text: 'After the front they drop and sit tight',
  },
  {
    id: 'warmth-lifts-the-bottom-group',
    when: all(below('surfaceTempC', 11.5, 15.5), above('sunWarmth', 0.15, 0.9)),
    effect: { edge: 0.85, hanging: 0.88, bottom: 0.92 },
    text: 'Sun on cold water lifts them',
  },
  {
    id: 'falling-level-drops',
    when: is('level:falling'),
    effect: { edge: 1.3, bottom: 1.05 },
    text: 'Falling water: to the next edge down',
  },
  {
    id: 'rising-level-lifts',
    when: is('level:rising'),
    effect: { edge: 0.75 },
    text: 'Rising water: up with it',
  },
  {
    id: 'rising-tide-lifts',
    when: is('tide:rising'),
    effect: { edge: 0.75, hanging: 0.85 },
    text: 'Up with the flood',
  },
  {
    id: 'spring-tide-up',
    when: all(is('tide:rising'), above('tideRangeM', 0.7, 1.1)),
    effect: { edge: 0.9 },
    text: 'A big tide carries them farther up',
  },
  {
    id: 'low-water-drops',
    when: is('tide:low-slack'),
    effect: { edge: 1.25, hanging: 1.15, bottom: 1.1 },
    text: 'Low water: down with it',
  },
  {
    id: 'chop-lifts',
    when: all(above('windMps', 3, 7), above('surfaceTempC', 9, 13)),
    effect: { hanging: 0.85 },
    text: 'Chop: what hangs comes up',
  },
  {
    id: 'deep-bait-drops',
    when: all(is('seen:schooled-deep'), anyOf('phase:winter', 'phase:late-fall', 'phase:summer', 'phase:staging')),
    effect: { hanging: 1.6, bottom: 1.25 },
    text: 'Bait is schooled deep, and they are under it',
  },
  {
    id: 'lower-than-thought',
    when: is('feedback:strikes-at-deepest'),
    effect: { edge: 1.3, hanging: 1.25, bottom: 1.2 },
    text: 'Strikes at the deepest point: lower than thought',
  },
  {
    id: 'another-depth',
    when: all(is('feedback:no-bites'), above('effectiveVisibilityM', 0.5, 0.8)),
    effect: { edge: 1.2, hanging: 1.25, bottom: 1.25 },
    text: 'No bite at this depth: try deeper',
  },
  {
    id: 'warm-winter-shallow',
    when: all(is('phase:winter'), above('surfaceTempC', 9, 12.5)),
    effect: { bottom: 0.45, hanging: 0.6, edge: 0.75 },
    text: 'A mild winter: no need of forty feet',
  },
  {
    id: 'small-water-shallow',
    when: anyOf('water:pond', 'water:river', 'water:tidal-river', 'water:grass-lake'),
    effect: { bottom: 0.72 },
    text: 'Small or shallow water: less deep than in a reservoir',
  },
  {
    id: 'smallmouth-deeper',
    when: all(anyOf('species:smallmouth', 'species:spotted'), not(anyOf('water:river', 'phase:spawn'))),
    effect: { edge: 1.15, hanging: 1.12, bottom: 1.12 },
    text: 'These live deeper than largemouth',
  },
  {
    id: 'big-clear-deeper',
    when: all(
      is('water:highland-reservoir'),
      above('effectiveVisibilityM', 2, 3.5),
      anyOf('phase:summer', 'phase:winter'),
    ),
    effect: { bottom: 1.2 },
    text: 'A deep clear reservoir: deeper than elsewhere',
  },
];

/** Regimes that draw a share of all fish into a group of their own. */
export const REGIME_GROUP_RULES: readonly GroupRule[] = [
  {
    id: 'mud-rising-very-bank',
    when: all(is('regime:mud-rising'), not(is('discipline:inshore'))),
    effect: { bank: 0.85 },
    text: 'Mud and rising: inches to {depth:0.6}, at the very bank',
  },
  {
    id: 'mud-steady-shallow',
    when: all(is('regime:mud-steady'), not(is('discipline:inshore'))),
    effect: { 'mud-flat': 0.8 },
    text: 'Mud holds them shallow, {depth:1} to {depth:1.5}',
  },
  {
    id: 'shad-spawn-shallow',
    when: all(is('overlay:shad-spawn'), above('shadSpawnHoursLeft', -0.6, 0.2)),
    effect: { 'shad-spawn': 0.75 },
    text: 'Shad spawn against the bank until an hour or two after sunrise',
  },
  {
    id: 'surface-chasing',
    when: all(is('sign:surface-chasing'), above('surfaceTempC', 10, 15)),
    effect: { chasing: 0.6 },
    text: 'Fish are chasing at the surface',
  },
  {
    id: 'birds-diving-chase',
    when: is('sign:birds-diving'),
    effect: { chasing: 0.5 },
    text: 'Birds dive where bait is driven up',
  },
  {
    id: 'chased-bait-up',
    when: all(is('seen:chased'), above('surfaceTempC', 10, 15), not(is('sign:surface-chasing'))),
    effect: { chasing: 0.3 },
    text: 'Bait is being chased',
  },
];
