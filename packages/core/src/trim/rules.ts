import type { BladeFinish, BladeShape, ColourFamily, Tone } from '../contract/ids.js';
import { above, all, always, anyOf, below, between, is } from '../rules/fuzzy.js';
import type { Rule } from '../rules/rule.js';

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
    id: 'tone-stand-out',
    when: always,
    effect: { bold: 0.8 },
    text: 'Never blend in',
    school: ['colour', 'stand-out'],
  },
];

/** Families by tone, food, season and light; kept to what the category comes in. */
export const FAMILY_RULES: readonly Rule<Votes<ColourFamily>>[] = [
  {
    id: 'family-natural',
    when: is('tone:natural'),
    effect: { silver: 0.7, olive: 0.7, green: 0.8, brown: 0.6, pearl: 0.3, white: 0.2 },
    text: 'Natural tones',
  },
  {
    id: 'family-translucent',
    when: is('tone:translucent'),
    effect: { clear: 1.1, pearl: 0.7, silver: 0.6, olive: 0.4, green: 0.6 },
    text: 'See-through tones',
  },
  {
    id: 'family-muted',
    when: is('tone:muted'),
    effect: { olive: 0.9, silver: 0.6, brown: 0.7, green: 0.6, white: 0.1 },
    text: 'Muted tones',
  },
  {
    id: 'family-bold',
    when: is('tone:bold'),
    effect: { chartreuse: 1, white: 0.9, orange: 0.5, red: 0.4, gold: 0.3, black: 0.4, blue: 0.3 },
    text: 'Bold tones',
  },
  {
    id: 'family-dark',
    when: is('tone:dark'),
    effect: { black: 1.3, blue: 0.9, purple: 0.4, red: 0.2, chartreuse: 0.3 },
    text: 'A dark outline',
  },
  {
    id: 'family-shad',
    when: anyOf('forage:shad', 'forage:herring', 'forage:menhaden', 'forage:mullet'),
    effect: { white: 0.7, silver: 0.7, pearl: 0.4 },
    text: 'Shad and their like: white and silver',
  },
  {
    id: 'family-crayfish',
    when: all(is('forage:crayfish'), anyOf('phase:pre-spawn', 'phase:staging', 'phase:spawn', 'phase:late-fall')),
    effect: { red: 0.8, orange: 0.75, brown: 0.8 },
    text: 'Crayfish time: reds, oranges and browns',
  },
  {
    id: 'family-sunfish',
    when: is('forage:sunfish'),
    effect: { green: 0.5, chartreuse: 0.4, blue: 0.2, orange: 0.2 },
    text: 'Sunfish: green with chartreuse',
  },
  {
    id: 'family-deep-clear',
    when: all(above('visibilityM', 1.1, 1.4), above('holdingDepthM', 3, 4.5)),
    effect: { blue: 0.6, green: 0.3, silver: 0.2 },
    text: 'Deep and clear: subtle blue and green',
  },
  {
    id: 'family-two-to-four-feet',
    when: between('visibilityM', 0.5, 0.65, 1.1, 1.4),
    effect: { white: 0.2, silver: 0.3, chartreuse: 0.2 },
    text: 'Middling visibility: shad colours',
  },
  {
    id: 'family-low-visibility',
    when: all(below('visibilityM', 0.5, 0.7), below('relativeClarity', 0.7, 0.95)),
    effect: { chartreuse: 0.8 },
    text: 'Little visibility: chartreuse',
  },
  {
    id: 'family-inshore',
    when: is('discipline:inshore'),
    effect: { gold: 0.4, pink: 0.3, white: 0.2 },
    text: 'Gold in tannin, pink and white otherwise',
  },
  {
    id: 'family-match-forage',
    when: is('forage:shad'),
    effect: { silver: 1, white: 0.6, pearl: 0.5 },
    text: 'Match the forage',
    school: ['colour', 'forage'],
  },
  {
    id: 'family-dirty-shad',
    when: below('effectiveVisibilityM', 0.5, 0.7),
    effect: { white: 0.9, silver: 0.6, chartreuse: -0.6 },
    text: 'Shad colours even in dirty water',
    school: ['dirty-crank-colour', 'shad'],
  },
];

/** Shapes of the two blades of a wire lure, front and rear together. */
export const BLADE_RULES: readonly Rule<Votes<'round-round' | 'round-long' | 'long-long'>>[] = [
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
    when: below('surfaceTempC', 9, 12),
    effect: { 'round-round': 0.4 },
    text: 'Cold: a round blade turns at a crawl',
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

/** Where in the range of its sizes a lure should be: log-votes that add up, positive for larger. */
export const SIZE_RULES: readonly Rule<number>[] = [
  { id: 'size-cold', when: below('surfaceTempC', 6, 12), effect: -0.25, text: 'Cold: smaller' },
  { id: 'size-post-front', when: is('front:post-frontal'), effect: -0.3, text: 'After a front: smaller' },
  { id: 'size-clear-calm', when: is('bright-and-calm'), effect: -0.15, text: 'Bright and calm: smaller' },
  { id: 'size-mud', when: below('effectiveVisibilityM', 0.35, 0.7), effect: 0.3, text: 'Mud: bulkier' },
  { id: 'size-goal-big', when: is('goal:big-fish'), effect: 0.3, text: 'For a large fish: larger' },
  {
    id: 'size-shad-spawn',
    when: is('overlay:shad-spawn'),
    effect: 0.15,
    text: 'Shad spawn: a little larger than the bait',
  },
  {
    id: 'size-summer-small-craws',
    when: all(is('forage:crayfish'), is('phase:summer')),
    effect: -0.1,
    text: 'Summer crayfish are mostly small',
  },
];

export const BLADE_PAIRS: Readonly<
  Record<'round-round' | 'round-long' | 'long-long', readonly [BladeShape, BladeShape]>
> = {
  'round-round': ['round', 'round'],
  'round-long': ['round', 'long'],
  'long-long': ['long', 'long'],
};
