import type { BladeFinish, BladeShape, ColourFamily, Sound, Tone } from '../../contract/ids.js';
import { above, all, always, any, anyOf, below, between, is } from '../../rules/fuzzy.js';
import type { Rule } from '../../rules/rule.js';

type Votes<T extends string> = Partial<Record<T, number>>;

/** Tone by clarity, light and cold. Weights are judgement. */
export const TONE_RULES: readonly Rule<Votes<Tone>>[] = [
  {
    id: 'tone-muddy',
    when: is('clarity:muddy'),
    effect: { bold: 1, dark: 1.05 },
    text: 'Mud: a dark or solid outline',
  },
  {
    id: 'tone-dirty',
    when: is('clarity:dirty'),
    effect: { bold: 1.1, dark: 0.5 },
    text: 'Dirty water: solid and bright',
  },
  {
    id: 'tone-stained',
    when: is('clarity:stained'),
    effect: { natural: 0.9, bold: 0.65 },
    text: 'Stained: natural with an accent',
  },
  { id: 'tone-clear', when: is('clarity:clear'), effect: { natural: 1, translucent: 0.5 }, text: 'Clear: natural' },
  {
    id: 'tone-very-clear',
    when: is('clarity:very-clear'),
    effect: { translucent: 1.1, natural: 0.7 },
    text: 'Very clear: see-through and natural',
  },
  {
    id: 'tone-cold-clear',
    when: all(below('surfaceTempC', 9, 12), above('effectiveVisibilityM', 1, 1.3)),
    effect: { muted: 1.5 },
    text: 'Cold and clear: muted',
  },
  {
    id: 'tone-clearing',
    when: is('regime:clearing'),
    effect: { natural: 1.2, translucent: -1 },
    text: 'Clearing: natural at once, not yet the faintest',
  },
  {
    id: 'tone-dim',
    when: all(is('light:low'), below('effectiveVisibilityM', 1, 2)),
    effect: { dark: 0.3, bold: 0.1 },
    text: 'Dim light: a dark outline',
  },
  {
    id: 'tone-night',
    when: is('night'),
    effect: { dark: 1.6, bold: 0.2, translucent: -0.8, natural: -0.3 },
    text: 'By night a dark outline against the sky',
  },
  {
    id: 'tone-cloud',
    when: anyOf('sky:overcast', 'sky:rain'),
    effect: { bold: 0.28, translucent: -0.4 },
    text: 'Cloud: a little bolder',
  },
  {
    id: 'tone-wind',
    when: above('windMps', 4, 8),
    effect: { bold: 0.2, translucent: -0.4 },
    text: 'Chop: a little bolder',
  },
  {
    id: 'tone-turnover',
    when: is('overlay:turnover'),
    effect: { bold: 0.7, dark: 0.5 },
    text: 'Turned-over water: chartreuse, or black for the outline',
  },
  {
    id: 'tone-always-murky-loud',
    when: is('murky-normal'),
    effect: { bold: 1.5 },
    text: 'Always murky here: loud and contrasting',
    school: ['murky-colour', 'loud'],
  },
  {
    id: 'tone-winter-red',
    when: all(anyOf('phase:winter', 'phase:late-fall'), is('passes-for:crayfish')),
    effect: { bold: 0.3, muted: -0.3 },
    text: 'Winter crayfish red',
    school: ['winter-colour', 'crayfish'],
  },
  {
    id: 'tone-winter-white',
    when: anyOf('phase:winter', 'phase:late-fall'),
    effect: { bold: 1.2, muted: -0.4 },
    text: 'White in winter',
    school: ['winter-colour', 'white'],
  },
  {
    id: 'tone-stand-out',
    when: always,
    effect: { bold: 2 },
    text: 'Never blend in',
    school: ['colour', 'stand-out'],
  },
];

/**
 * Families by what the lure can pass for, season, food and water; kept to what the category comes in. Colour is lure by
 * season by food: the same day wants red on what can be a crayfish and silver on what can be a shad.
 */
export const FAMILY_RULES: readonly Rule<Votes<ColourFamily>>[] = [
  {
    id: 'family-natural',
    when: is('tone:natural'),
    effect: { silver: 0.5, olive: 0.6, green: 0.7, brown: 0.5, pearl: 0.3, white: 0.2 },
    text: 'Natural tones',
  },
  {
    id: 'family-translucent',
    when: is('tone:translucent'),
    effect: { clear: 0.9, pearl: 0.6, silver: 0.5, olive: 0.4, green: 0.6 },
    text: 'See-through tones',
  },
  {
    id: 'family-muted',
    when: is('tone:muted'),
    effect: { olive: 0.7, silver: 0.5, brown: 0.6, green: 0.5, white: 0.1 },
    text: 'Muted tones',
  },
  {
    id: 'family-bold',
    when: is('tone:bold'),
    effect: { chartreuse: 0.8, white: 0.8, orange: 0.4, red: 0.3, gold: 0.3, black: 0.3, blue: 0.2 },
    text: 'Bold tones',
  },
  {
    id: 'family-dark',
    when: is('tone:dark'),
    effect: { black: 1.1, blue: 0.8, purple: 0.4, red: 0.2, chartreuse: 0.2 },
    text: 'A dark outline',
  },
  {
    id: 'family-night',
    when: is('night'),
    effect: { black: 1.4, blue: 0.7, purple: 0.7, red: 0.1, orange: -1.4, chartreuse: -0.5, silver: -0.6 },
    text: 'By night black, blue and purple stand out best from below',
  },
  {
    id: 'family-shad',
    when: all(anyOf('forage:shad', 'forage:herring', 'forage:menhaden', 'forage:mullet'), is('passes-for:baitfish')),
    effect: { white: 1, silver: 1, pearl: 0.7 },
    text: 'Shad and their like: white and silver',
  },
  {
    id: 'family-shad-seen',
    when: all(
      is('forage-named'),
      anyOf('forage:shad', 'forage:herring', 'forage:menhaden', 'forage:mullet'),
      is('passes-for:baitfish'),
    ),
    effect: { white: 0.8, silver: 0.8, pearl: 0.5, red: -0.6, orange: -0.6 },
    text: 'You named the bait: white and silver',
  },
  {
    id: 'family-shad-spawn',
    when: all(is('overlay:shad-spawn'), above('shadSpawnHoursLeft', -0.6, 0.2), is('passes-for:baitfish')),
    effect: { white: 1.6, silver: 0.8, pearl: 0.7, chartreuse: -0.5 },
    text: 'A shad spawn: white',
  },
  {
    id: 'family-crayfish',
    when: all(anyOf('phase:staging', 'phase:pre-spawn', 'phase:spawn'), is('passes-for:crayfish')),
    effect: { red: 1.5, orange: 1.2, brown: 1.2 },
    text: 'Crayfish time: reds, oranges and browns',
  },
  {
    id: 'family-crayfish-ground',
    when: all(
      anyOf('phase:staging', 'phase:pre-spawn', 'phase:spawn'),
      is('passes-for:crayfish'),
      any(anyOf('ground:rock', 'ground:grass'), below('effectiveVisibilityM', 0.8, 1.2)),
    ),
    effect: { red: 0.7, orange: 0.6, brown: 0.2 },
    text: 'Over rock, over grass and in stain above all: red',
  },
  {
    id: 'family-crayfish-in-mouth',
    when: all(is('sign:crayfish-in-mouth'), any(is('passes-for:crayfish'), is('passes-for:bottom-food'))),
    effect: { red: 2.2, orange: 2, brown: 2, silver: -1, white: -1 },
    text: 'A crayfish in a fish’s mouth settles it',
  },
  {
    id: 'family-crayfish-winter',
    when: all(anyOf('phase:winter', 'phase:late-fall'), is('passes-for:crayfish')),
    effect: { red: 1.6, orange: 1.3, brown: 0.9 },
    text: 'Winter stain: crayfish red over the rock',
    school: ['winter-colour', 'crayfish'],
  },
  {
    id: 'family-winter-brown',
    when: all(anyOf('phase:winter', 'phase:late-fall'), is('passes-for:crayfish')),
    effect: { brown: 0.9, olive: 0.6, orange: 0.5 },
    text: 'Winter and clear: muted browns',
    school: ['winter-colour', 'muted'],
  },
  {
    id: 'family-winter-white',
    when: anyOf('phase:winter', 'phase:late-fall'),
    effect: { white: 2, pearl: 1 },
    text: 'White in winter',
    school: ['winter-colour', 'white'],
  },
  {
    id: 'family-fall-ledge',
    when: all(
      anyOf('phase:fall', 'phase:early-fall', 'phase:late-fall'),
      anyOf('structure:ledge', 'structure:hump', 'structure:main-lake-point', 'structure:channel-swing'),
      is('position:bottom'),
      is('passes-for:crayfish'),
    ),
    effect: { orange: 1.3, brown: 1.2, red: 1, chartreuse: 1.1, silver: -0.5 },
    text: 'On the ledges of fall crayfish, or chartreuse',
  },
  {
    id: 'family-crayfish-summer',
    when: all(anyOf('phase:summer', 'phase:post-spawn'), is('forage:crayfish'), is('passes-for:crayfish')),
    effect: { brown: 0.7, olive: 0.5, green: 0.5, blue: 0.3 },
    text: 'Summer crayfish: blotched and off colours',
  },
  {
    id: 'family-crayfish-named',
    when: all(is('forage-named'), above('surfaceTempC', 8, 11), is('forage:crayfish'), is('passes-for:crayfish')),
    effect: { brown: 0.9, orange: 0.9, red: 0.8 },
    text: 'They are on crayfish',
  },
  {
    id: 'family-sunfish',
    when: all(is('forage:sunfish'), any(is('passes-for:sunfish'), is('passes-for:crayfish'))),
    effect: { green: 0.8, chartreuse: 0.9, blue: 0.3, orange: 0.2 },
    text: 'Sunfish: green with chartreuse',
  },
  {
    id: 'family-mud-jig',
    when: all(
      any(below('effectiveVisibilityM', 0.35, 0.65), is('regime:mud-steady'), is('regime:mud-rising')),
      is('passes-for:bottom-food'),
    ),
    effect: { black: 2.4, blue: 1.9, purple: 0.9, chartreuse: -0.5, red: -0.8, orange: -1, brown: -0.8 },
    text: 'In mud a jig is black and blue',
  },
  {
    id: 'family-deep-clear',
    when: all(above('visibilityM', 1.1, 1.4), above('holdingDepthM', 3, 4.5), is('passes-for:baitfish')),
    effect: { blue: 0.8, green: 0.6, silver: 0.2 },
    text: 'Deep and clear: subtle blue and green',
  },
  {
    id: 'family-two-to-four-feet',
    when: all(between('visibilityM', 0.5, 0.65, 1.1, 1.4), is('passes-for:baitfish')),
    effect: { white: 0.2, silver: 0.3, chartreuse: 0.2 },
    text: 'Middling visibility: shad colours',
  },
  {
    id: 'family-low-visibility',
    when: all(
      below('visibilityM', 0.5, 0.7),
      below('relativeClarity', 0.7, 0.95),
      any(is('passes-for:baitfish'), is('passes-for:crayfish')),
    ),
    effect: { chartreuse: 1.1, red: 0.3, orange: 0.3, white: 0.3 },
    text: 'Little visibility: chartreuse',
  },
  {
    id: 'family-turnover',
    when: is('overlay:turnover'),
    effect: { chartreuse: 0.7, black: 0.5 },
    text: 'Turned-over water: chartreuse, or black',
  },
  {
    id: 'family-crappie-deep',
    when: is('category:very-deep-diver'),
    effect: { pearl: 0.9, white: 0.3 },
    text: 'Very large and deep: pearl, for a crappie',
  },
  {
    id: 'family-dark-topwater',
    when: all(is('light:low'), is('tone:dark'), is('position:surface')),
    effect: { black: 0.6 },
    text: 'A black outline against the sky',
  },
  {
    id: 'family-frog',
    when: all(is('category:hollow-frog'), above('effectiveVisibilityM', 0.7, 1)),
    effect: { green: 0.5, white: 0.3 },
    text: 'Clear: a green or white frog',
  },
  {
    id: 'family-tannin-gold',
    when: all(is('discipline:inshore'), between('effectiveVisibilityM', 0.3, 0.5, 1.1, 1.5)),
    effect: { gold: 0.8, chartreuse: 0.3 },
    text: 'Stain and tannin: gold',
  },
  {
    id: 'family-inshore',
    when: is('discipline:inshore'),
    effect: { pink: 0.3, white: 0.4, gold: 0.2 },
    text: 'In the salt: white, pink, gold',
  },
  {
    id: 'family-match-forage',
    when: is('forage:shad'),
    effect: { silver: 2.4, white: 2, pearl: 1.4 },
    text: 'Match the forage',
    school: ['colour', 'forage'],
  },
  {
    id: 'family-match-crayfish',
    when: all(is('forage-named'), is('forage:crayfish'), is('passes-for:crayfish')),
    effect: { red: 2, orange: 2, brown: 2 },
    text: 'Match the forage',
    school: ['colour', 'forage'],
  },
  {
    id: 'family-stand-out',
    when: always,
    effect: { chartreuse: 1.2, white: 0.6, orange: 0.5, black: 0.4 },
    text: 'Never blend in',
    school: ['colour', 'stand-out'],
  },
  {
    id: 'family-dirty-shad',
    when: all(below('effectiveVisibilityM', 0.5, 0.7), is('passes-for:baitfish')),
    effect: { white: 2, silver: 1.6, chartreuse: -1.2, red: -1, orange: -1 },
    text: 'Shad colours even in dirty water',
    school: ['dirty-crank-colour', 'shad'],
  },
];

/** Pairs of blades, front and rear. */
export type BladePair = 'round-round' | 'round-long' | 'long-long' | 'between-long' | 'between-between';

/** Shapes of the two blades of a wire lure, front and rear together. */
export const BLADE_RULES: readonly Rule<Votes<BladePair>>[] = [
  {
    id: 'blades-mud-round',
    when: below('effectiveVisibilityM', 0.45, 0.7),
    effect: { 'round-round': 1.2 },
    text: 'Mud: round blades thump',
    school: ['mud-blade', 'round'],
  },
  {
    id: 'blades-mud-long',
    when: below('effectiveVisibilityM', 0.45, 0.7),
    effect: { 'long-long': 1.2 },
    text: 'Mud with shad: long painted blades',
    school: ['mud-blade', 'long'],
  },
  {
    id: 'blades-stain-mixed',
    when: between('effectiveVisibilityM', 0.4, 0.6, 1.2, 1.6),
    effect: { 'round-long': 1 },
    text: 'Stain: one round, one long',
  },
  {
    id: 'blades-clear-long',
    when: above('effectiveVisibilityM', 1.1, 1.5),
    effect: { 'long-long': 1.1 },
    text: 'Clear: two long blades',
  },
  {
    id: 'blades-cold-round',
    when: all(below('surfaceTempC', 9.5, 12.5), below('effectiveVisibilityM', 1, 1.5)),
    effect: { 'round-round': 1.1 },
    text: 'Cold stain: round blades turn at a crawl',
  },
  {
    id: 'blades-between',
    when: all(between('effectiveVisibilityM', 0.95, 1.1, 1.4, 1.6), below('windMps', 4, 6)),
    effect: { 'between-long': 1.05 },
    text: 'Neither stained nor clear: the shape between',
  },
  {
    id: 'blades-shad-spawn-clear',
    when: all(is('overlay:shad-spawn'), above('effectiveVisibilityM', 0.9, 1.2)),
    effect: { 'long-long': 0.6 },
    text: 'A shad spawn in clear water: two long ones and a thin skirt',
  },
];

/** Finish by light and mud. */
export const FINISH_RULES: readonly Rule<Votes<BladeFinish>>[] = [
  {
    id: 'finish-sun-clear',
    when: all(anyOf('sky:clear', 'sky:partly-cloudy'), above('effectiveVisibilityM', 0.6, 1.1)),
    effect: { silver: 1 },
    text: 'Clear sun: silver',
  },
  {
    id: 'finish-stain',
    when: between('effectiveVisibilityM', 0.4, 0.6, 1, 1.4),
    effect: { gold: 0.8 },
    text: 'Stain: gold',
  },
  {
    id: 'finish-cloud',
    when: anyOf('sky:overcast', 'sky:rain', 'sky:fog'),
    effect: { 'painted-white': 0.5, gold: 0.7 },
    text: 'Cloud: painted or gold',
  },
  {
    id: 'finish-mud',
    when: below('effectiveVisibilityM', 0.35, 0.65),
    effect: { 'painted-white': 0.8, 'painted-chartreuse': 0.9, 'painted-orange': 0.4, gold: 0.3 },
    text: 'Mud: painted',
  },
  {
    id: 'finish-mud-shad',
    when: all(is('forage:shad'), below('effectiveVisibilityM', 0.35, 0.65)),
    effect: { 'painted-white': 0.5 },
    text: 'Shad about: painted white',
    school: ['mud-blade', 'long'],
  },
];

/** Sounds as log-weights: quiet where they look, listen or are wary, loud where they must find it. */
export const SOUND_RULES: readonly Rule<Votes<Sound>>[] = [
  {
    id: 'sound-usual',
    when: always,
    effect: { 'one-knock': 0.45, silent: 0.2, rattles: 0.2 },
    text: 'One knock is heard and does not alarm',
  },
  {
    id: 'sound-bright-calm',
    when: is('bright-and-calm'),
    effect: { silent: 1, rattles: -0.6 },
    text: 'Bright and calm: silent',
  },
  {
    id: 'sound-pressured',
    when: is('pressure:high'),
    effect: { silent: 1.4, rattles: -0.8 },
    text: 'Fished hard: silent',
  },
  {
    id: 'sound-very-cold',
    when: below('surfaceTempC', 6, 9),
    effect: { silent: 0.6, 'one-knock': 0.4, rattles: -0.6 },
    text: 'Very cold: silent, or one knock',
  },
  {
    id: 'sound-after-front',
    when: is('front:post-frontal'),
    effect: { silent: 0.6, rattles: -0.4 },
    text: 'After a front: silent',
  },
  {
    id: 'sound-clear',
    when: above('effectiveVisibilityM', 1.2, 2),
    effect: { silent: 0.5, rattles: -0.3 },
    text: 'Clear: they see it, it need not rattle',
  },
  {
    id: 'sound-night',
    when: is('night'),
    effect: { 'one-knock': 0.7, rattles: 0.3, silent: -0.4 },
    text: 'By night a knock leads them to it',
  },
  {
    id: 'sound-mud',
    when: below('effectiveVisibilityM', 0.4, 0.75),
    effect: { rattles: 1.5, silent: -0.6 },
    text: 'Dirty water: many rattles',
  },
  {
    id: 'sound-wind',
    when: above('windMps', 3.5, 7),
    effect: { rattles: 0.9, silent: -0.4 },
    text: 'Wind: many rattles',
  },
  {
    id: 'sound-cloud',
    when: anyOf('sky:overcast', 'sky:rain'),
    effect: { rattles: 0.35 },
    text: 'Cloud: a little louder',
  },
  {
    id: 'sound-feeding',
    when: anyOf('front:approaching', 'front:passing', 'seen:chased'),
    effect: { rattles: 0.4 },
    text: 'They are feeding: louder',
  },
  { id: 'sound-fast', when: above('surfaceTempC', 17, 22), effect: { rattles: 0.2 }, text: 'Fished fast: rattles' },
  {
    id: 'sound-begin-quiet',
    when: always,
    effect: { silent: 0.4 },
    text: 'Begin quiet and add',
    school: ['sound-start', 'quiet'],
  },
  {
    id: 'sound-begin-loud',
    when: always,
    effect: { rattles: 0.5 },
    text: 'Begin loud',
    school: ['sound-start', 'loud'],
  },
  {
    id: 'sound-winter-white',
    when: is('phase:winter'),
    effect: { rattles: 1 },
    text: 'White with rattles',
    school: ['winter-colour', 'white'],
  },
];

/** Where in the range of its sizes a lure should be: log-votes that add up, positive for larger. */
export const SIZE_RULES: readonly Rule<number>[] = [
  { id: 'size-cold', when: below('surfaceTempC', 6, 12), effect: -0.25, text: 'Cold: smaller' },
  { id: 'size-post-front', when: is('front:post-frontal'), effect: -0.3, text: 'After a front: smaller' },
  { id: 'size-clear-calm', when: is('bright-and-calm'), effect: -0.15, text: 'Bright and calm: smaller' },
  { id: 'size-mud', when: below('effectiveVisibilityM', 0.35, 0.7), effect: 0.3, text: 'Mud: bulkier' },
  { id: 'size-goal-big', when: is('goal:big-fish'), effect: 0.4, text: 'For a large fish: larger' },
  {
    id: 'size-shad-spawn',
    when: is('overlay:shad-spawn'),
    effect: 0.15,
    text: 'Shad spawn: a little larger than the bait',
  },
  { id: 'size-pressured', when: is('pressure:high'), effect: -0.15, text: 'Fished hard: smaller' },
  { id: 'size-clear', when: above('effectiveVisibilityM', 1.8, 3), effect: -0.1, text: 'Clear: smaller' },
  { id: 'size-large-school', when: always, effect: 0.35, text: 'Large for one fish', school: ['size', 'large'] },
  { id: 'size-numbers', when: is('goal:numbers'), effect: -0.1, text: 'For bites: not too large' },
  {
    id: 'size-summer-small-craws',
    when: all(is('forage:crayfish'), is('phase:summer')),
    effect: -0.15,
    text: 'Summer crayfish are mostly small',
  },
];

export const BLADE_PAIRS: Readonly<Record<BladePair, readonly [BladeShape, BladeShape]>> = {
  'round-round': ['round', 'round'],
  'round-long': ['round', 'long'],
  'long-long': ['long', 'long'],
  'between-long': ['between', 'long'],
  'between-between': ['between', 'between'],
};
