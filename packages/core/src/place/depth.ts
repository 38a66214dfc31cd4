import type { Phase } from '../contract/ids.js';
import type { Moment } from '../day/curve.js';
import { depthOfLightM } from '../day/light.js';
import type { Facts } from '../rules/facts.js';
import { above, all, anyOf, below, interpolate, is, not } from '../rules/fuzzy.js';
import { fire, reasonsOf, strongest, type Rule } from '../rules/rule.js';
import type { Reason } from '../contract/plan.js';
import type { UnitSystem } from '../units/units.js';

/** Where fish of a phase hold in ordinary light, in metres, and how far they follow the light (0 not, 1 wholly). */
interface PhaseDepth {
  readonly depthM: number;
  readonly followsLight: number;
}

const PHASE_DEPTH: Record<Phase, PhaseDepth> = {
  winter: { depthM: 6.2, followsLight: 0.1 },
  staging: { depthM: 3.6, followsLight: 0.15 },
  'pre-spawn': { depthM: 2.1, followsLight: 0.2 },
  spawn: { depthM: 0.9, followsLight: 0.15 },
  'post-spawn': { depthM: 2.2, followsLight: 0.4 },
  summer: { depthM: 4.2, followsLight: 0.45 },
  'early-fall': { depthM: 2.8, followsLight: 0.45 },
  fall: { depthM: 1.7, followsLight: 0.4 },
  'late-fall': { depthM: 3.8, followsLight: 0.2 },
  'winter-refuge': { depthM: 2.6, followsLight: 0.1 },
  'spring-rise': { depthM: 1, followsLight: 0.2 },
  'summer-heat': { depthM: 1.3, followsLight: 0.4 },
  'fall-run': { depthM: 1.1, followsLight: 0.25 },
};

/** The light fish like best, as a share of full sun. Judgement: puts them at 2.7 Secchi depths under a high clear sun. */
const LIKED_LIGHT = 0.01;
/** The visibility, in metres, for which the phase depths are given. */
const REFERENCE_VISIBILITY_M = 1.5;
/** In dirty water fish keep shallow and tight to what can be felt: the deepest they hold, by effective visibility. */
const DEEPEST_BY_VISIBILITY_M = [
  [0.1, 0.9],
  [0.4, 1.3],
  [0.7, 2.6],
  [1.2, 6],
  [2, 12],
  [4, 30],
] as const;
/** Cold fish go by warmth, not by light: under this they do not follow it at all, from twice this wholly. */
const COLD_IGNORES_LIGHT_C = 8;
/** Half the band, as a share of its centre, above and below. */
const BAND_ABOVE = 0.3;
const BAND_BELOW = 0.32;

/** A factor on depth: under 1 lifts the fish, over 1 sends them down. */
export const DEPTH_RULES: readonly Rule<number>[] = [
  {
    id: 'sun-lifts-cold-fish',
    when: all(below('surfaceTempC', 11.5, 15.5), above('sunWarmth', 0.15, 0.9), not(is('regime:mud-steady'))),
    effect: 0.62,
    text: 'Sun warms rock and flats, and cold fish move up with it',
  },
  {
    id: 'front-drops-fish',
    when: is('front:post-frontal'),
    effect: 1.35,
    text: 'After the front they drop and sit tight',
  },
  { id: 'recovering-front', when: is('front:recovering'), effect: 1.12, text: 'Still coming back from the front' },
  { id: 'front-lifts-fish', when: is('front:approaching'), effect: 0.85, text: 'Ahead of a front they feed up' },
  { id: 'rising-level-lifts', when: is('level:rising'), effect: 0.8, text: 'Rising water: they follow it up the bank' },
  { id: 'falling-level-drops', when: is('level:falling'), effect: 1.2, text: 'Falling water pulls fish off the bank' },
  {
    id: 'wind-lifts-warm-fish',
    when: all(above('windMps', 3, 7), above('surfaceTempC', 9, 13)),
    effect: 0.87,
    text: 'Chop breaks up the light, and they come up',
  },
  {
    id: 'rising-tide-lifts',
    when: is('tide:rising'),
    effect: 0.75,
    text: 'The flood lets them up over grass and oyster',
  },
  { id: 'low-water-drops', when: is('tide:low-slack'), effect: 1.25, text: 'Low water leaves only the deeper places' },
  {
    id: 'very-clear-drops',
    when: above('effectiveVisibilityM', 2.2, 3.2),
    effect: 1.12,
    text: 'Very clear water: they hold deeper',
  },
  {
    id: 'deep-bait-drops',
    when: all(is('seen:schooled-deep'), anyOf('phase:winter', 'phase:late-fall', 'phase:summer', 'phase:staging')),
    effect: 1.35,
    text: 'Bait is schooled deep, and they are under it',
  },
  {
    id: 'strikes-at-deepest',
    when: is('feedback:strikes-at-deepest'),
    effect: 1.25,
    text: 'Strikes come at the deepest point: they are lower',
  },
  {
    id: 'no-bites-deeper',
    when: all(is('feedback:no-bites'), above('effectiveVisibilityM', 0.5, 0.8)),
    effect: 1.25,
    text: 'Bait and signs but no bite: another depth comes first, then pace, then lure',
  },
  {
    id: 'spring-tide-up',
    when: all(is('tide:rising'), above('tideRangeM', 0.7, 1.1)),
    effect: 0.85,
    text: 'A big tide carries them farther up',
  },
];

/** A factor on depth at one holding place, for where a structure or cover holds fish deeper or shallower than the day. */
export const PLACE_DEPTH_RULES: readonly Rule<number>[] = [
  {
    id: 'shade-holds-shallow',
    when: all(
      anyOf('cover:dock', 'structure:dock', 'structure:marina', 'cover:pads', 'cover:mangrove'),
      is('bright-and-calm'),
    ),
    effect: 0.5,
    text: 'Shade lets them stay shallow under a high sun',
  },
  {
    id: 'offshore-deeper',
    when: all(
      anyOf('structure:ledge', 'structure:hump', 'structure:channel-swing', 'structure:saddle'),
      anyOf('phase:summer', 'phase:winter', 'phase:late-fall', 'phase:post-spawn'),
      above('effectiveVisibilityM', 0.6, 1),
      not(anyOf('water:river', 'water:tidal-river', 'water:pond')),
    ),
    effect: 1.3,
    text: 'Out there they lie deeper than along the bank',
  },
  {
    id: 'backs-shallower',
    when: anyOf('structure:pocket', 'structure:creek-back', 'structure:flat'),
    effect: 0.85,
    text: 'So far back it is shallow, and so are they',
  },
  {
    id: 'current-places-deeper',
    when: all(anyOf('structure:pass', 'structure:bridge'), is('discipline:inshore')),
    effect: 2,
    text: 'Where the tide is squeezed they lie down in it',
  },
  {
    id: 'trough-deeper',
    when: all(is('structure:trough'), anyOf('phase:winter-refuge', 'tide:low-slack')),
    effect: 1.25,
    text: 'The trough holds the last deep water',
  },
];

/** A depth, in metres, towards which fish are drawn, whatever the phase: the degree is how far. Only ever upwards. */
export const DRAW_RULES: readonly Rule<number>[] = [
  {
    id: 'mud-rising-very-bank',
    when: is('regime:mud-rising'),
    effect: 0.35,
    text: 'Mud and rising: inches to {depth:0.6}, at the very bank',
  },
  {
    id: 'mud-steady-shallow',
    when: is('regime:mud-steady'),
    effect: 0.95,
    text: 'Mud holds them shallow, {depth:1} to {depth:1.5}',
  },
  {
    id: 'shad-spawn-shallow',
    when: all(is('overlay:shad-spawn'), below('hoursFromSunrise', 1.4, 2.2)),
    effect: 0.6,
    text: 'Shad spawn against the bank until an hour or two after sunrise',
  },
  {
    id: 'surface-chasing',
    when: all(is('sign:surface-chasing'), above('surfaceTempC', 10, 15)),
    effect: 0.7,
    text: 'Fish are chasing at the surface',
  },
];

/** The depths that hold fish at one moment, in metres, and why. */
export interface DepthBand {
  readonly depthM: readonly [number, number];
  readonly because: readonly Reason[];
}

/** What bounds a band, in metres; absent where unknown. */
export interface DepthLimits {
  readonly bottomM: number | undefined;
  readonly thermoclineM: number | undefined;
}

/**
 * The depth band of one moment: the phase's depth scaled by clarity, drawn towards the depth of the liked light
 * (Beer-Lambert, attenuation 1.7 / Secchi), moved by the depth rules, drawn up by the draw rules, held above the
 * thermocline and the bottom. Never falls as the water clears, never rises as it dirties.
 */
export function depthBand(
  moment: Pick<Moment, 'light'>,
  facts: Facts,
  phases: ReadonlyMap<Phase, number>,
  limits: DepthLimits,
  units: UnitSystem,
): DepthBand {
  const visibilityM = facts.figure('visibilityM') ?? REFERENCE_VISIBILITY_M;
  const effectiveM = facts.figure('effectiveVisibilityM') ?? visibilityM;
  let logDepth = 0;
  let follows = 0;
  for (const [phase, probability] of phases) {
    logDepth += probability * Math.log(PHASE_DEPTH[phase].depthM);
    follows += probability * PHASE_DEPTH[phase].followsLight;
  }
  const clarityFactor = Math.min(1.6, Math.max(0.3, (effectiveM / REFERENCE_VISIBILITY_M) ** 0.35));
  const phaseM = Math.exp(logDepth) * clarityFactor;
  const lightM = depthOfLightM(moment.light, LIKED_LIGHT, visibilityM);
  follows *= Math.min(
    1,
    Math.max(0, ((facts.figure('surfaceTempC') ?? 15) - COLD_IGNORES_LIGHT_C) / COLD_IGNORES_LIGHT_C),
  );
  let centreM = phaseM * (1 - follows) + lightM * follows;

  const moved = fire(DEPTH_RULES, facts);
  for (const { rule, degree } of moved) centreM *= 1 + degree * (rule.effect - 1);
  // Murk keeps fish shallow even where they are used to it, though less.
  centreM = Math.min(centreM, interpolate(DEEPEST_BY_VISIBILITY_M, Math.sqrt(visibilityM * effectiveM)));
  const drawn = fire(DRAW_RULES, facts);
  for (const { rule, degree } of drawn) centreM = Math.min(centreM, (1 - degree) * centreM + degree * rule.effect);
  const floorM = Math.min(limits.bottomM ?? Infinity, limits.thermoclineM ?? Infinity);
  const lowerM = Math.min(centreM * (1 + BAND_BELOW), floorM);
  const upperM = Math.min(centreM * (1 - BAND_ABOVE), lowerM * 0.85);
  const reasons = [
    ...reasonsOf(moved, (factor, degree) => degree * Math.abs(Math.log(factor)), units),
    ...reasonsOf(drawn, (_, degree) => degree, units),
  ];
  if (lowerM === limits.thermoclineM) {
    reasons.push({ rule: 'thermocline-floor', text: 'The thermocline is their floor', weight: 0.6, school: null });
  }
  return { depthM: [upperM, lowerM], because: strongest(reasons) };
}
