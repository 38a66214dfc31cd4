import type { Cover, Light, Structure } from '../contract/ids.js';
import type { Category } from '../lures/category.js';
import type { HoldingPlace } from '../place/place.js';
import { answersOf } from '../presentation/aspects.js';
import type { Grounds } from '../presentation/score.js';
import { voicesOn } from '../presentation/voices.js';
import type { Facts } from '../rules/facts.js';

/** What of a stretch bears on its rate: parameters by name, and by how much. */
export type Traits = Map<string, number>;

/** Water in which things are learnt apart: how far a day is each, 0 to 1. Those of one kind sum to 1. */
const SITUATIONS = {
  warmth: ['cold', 'mild', 'warm'],
  clarity: ['dirty', 'stained', 'clear'],
  light: ['dim', 'bright'],
  wind: ['calm', 'windy'],
} as const;
export type Situation = (typeof SITUATIONS)[keyof typeof SITUATIONS][number];
type Degrees = readonly (readonly [Situation, number])[];

const between = (value: number, from: number, to: number): number =>
  Math.min(1, Math.max(0, (value - from) / (to - from)));

/** A value among three: full at either end, the middle one between. */
function ofThree<T>(value: number, [low, lowEnds, highFrom, high]: readonly number[], names: readonly [T, T, T]) {
  const first = 1 - between(value, low as number, lowEnds as number);
  const last = between(value, highFrom as number, high as number);
  return [
    [names[0], first],
    [names[1], Math.max(0, 1 - first - last)],
    [names[2], last],
  ] as const;
}

/** Degrees Celsius and metres at which one situation begins to give way to the next. Judgement, along the field's tables. */
const WARMTH_C = [9, 13, 19, 23];
const CLARITY_LOG = [0.35, 0.8, 1.4, 2.6].map(Math.log);
const BRIGHT = [0.25, 0.55] as const;
const WINDY_MPS = [3, 6] as const;

/** How much of the plan's log-weights is believed to show in the rate of bites: of lures, and of places. */
export const TRUST_IN_LURES = 0.35;
export const TRUST_IN_PLACES = 0.4;

/** What kind of water and weather it is. */
export function situationsOf(facts: Facts): {
  readonly warmth: Degrees;
  readonly clarity: Degrees;
  readonly all: Degrees;
} {
  const warmth = ofThree(facts.figure('surfaceTempC') ?? 15, WARMTH_C, SITUATIONS.warmth);
  const sight = Math.log(Math.max(0.05, facts.figure('sightM') ?? 1));
  const clarity = ofThree(sight, CLARITY_LOG, SITUATIONS.clarity);
  const bright = between(facts.figure('light') ?? 0.4, ...BRIGHT);
  const windy = between(facts.figure('windMps') ?? 3, ...WINDY_MPS);
  const all: Degrees = [
    ...warmth,
    ...clarity,
    ['dim', 1 - bright],
    ['bright', bright],
    ['calm', 1 - windy],
    ['windy', windy],
  ];
  return { warmth, clarity, all: all.filter(([, degree]) => degree > 0) };
}

const inEach = (traits: Traits, name: string, value: number, degrees: Degrees): void => {
  for (const [situation, degree] of degrees) {
    if (degree > 0) traits.set(`${name}|${situation}`, value * degree);
  }
};

/** What is so far behind the plan's first, in log-weight, is as good as not in it. */
const FARTHEST = 5;
/** How far a lure stands behind the plan's first. */
export const behindFirst = (logWeight: number | undefined, first: number): number =>
  logWeight === undefined ? -FARTHEST : Math.max(-FARTHEST, logWeight - first);

/** What is so far behind the likeliest place, as a logarithm of its weight, is as good as not named. */
const FARTHEST_PLACE = 3;

/** How far a place stands behind the plan's likeliest. */
export const behindLikeliest = (weight: number | undefined, likeliest: number): number =>
  weight === undefined ? -FARTHEST_PLACE : Math.max(-FARTHEST_PLACE, Math.log(weight / likeliest));

/**
 * What of a lure in a window bears on its rate beyond how the plan weighs it: each rule that speaks of it, the lure itself
 * and its way of being fished in this kind of water, how loud and how large it is. A rule's parameter is its weight over the
 * shipped one, less 1.
 * @param place where it does best
 */
export function lureTraits(category: Category, place: HoldingPlace, grounds: Grounds): Traits {
  const { warmth, clarity, all } = situationsOf(grounds.facts);
  const traits: Traits = new Map();
  for (const { rule, logWeight } of voicesOn(category, place, grounds)) {
    traits.set(`rule:${rule}`, (traits.get(`rule:${rule}`) ?? 0) + TRUST_IN_LURES * logWeight);
  }
  const { presence, bulk } = answersOf(category);
  traits.set(`lure:${category.id}`, 1);
  inEach(traits, `lure:${category.id}`, 1, [...warmth, ...clarity]);
  traits.set(`way:${category.fished}`, 1);
  inEach(traits, `way:${category.fished}`, 1, all);
  inEach(traits, 'presence', presence[1] - 0.5, all);
  inEach(traits, 'bulk', (bulk[0] + bulk[1]) / 2 - 0.5, all);
  return traits;
}

/** What of a place bears on it beyond how the plan weighs it. Nothing where the place was not said. */
export function placeTraits(structure: Structure | undefined, cover: Cover | undefined, facts: Facts): Traits {
  const { warmth } = situationsOf(facts);
  const traits: Traits = new Map();
  if (structure) {
    traits.set(`structure:${structure}`, 1);
    inEach(traits, `structure:${structure}`, 1, warmth);
  }
  if (cover) traits.set(`cover:${cover}`, 1);
  return traits;
}

/** What of the depth and the pace bears on it: how far from the plan's own, and that squared. */
export function mannerTraits(depthLog: number, paceSteps: number, facts: Facts): Traits {
  const { warmth } = situationsOf(facts);
  const traits: Traits = new Map([
    ['depth²', depthLog ** 2],
    ['pace²', paceSteps ** 2],
  ]);
  inEach(traits, 'depth', depthLog, warmth);
  inEach(traits, 'pace', paceSteps, warmth);
  return traits;
}

export const hourTraits = (light: Light): Traits => new Map([[`light:${light}`, 1]]);
export const spotTraits = (id: string, share = 1): Traits => new Map([[`spot:${id}`, share]]);

/** How far a parameter is free to move: mean and standard deviation before anything was fished. Judgement. */
export interface Width {
  readonly mean: number;
  readonly sd: number;
  /** Its width is learnt with that of its like: how far this angler's waters differ from the rules at all. */
  readonly isScaled: boolean;
}

const width = (mean: number, sd: number, isScaled = false): Width => ({ mean, sd, isScaled });
/** By what a name begins with, the longest that fits. A rule of physics is held narrower than one of judgement. */
const WIDTHS: readonly (readonly [string, Width])[] = [
  ['mean', width(Math.log(0.9), 1.2)],
  ['trust:lures', width(TRUST_IN_LURES, 0.2)],
  ['trust:places', width(TRUST_IN_PLACES, 0.25)],
  ['rule:its-', width(0, 0.3, true)],
  ['rule:', width(0, 0.5, true)],
  ['lure:', width(0, 0.35, true)],
  ['way:', width(0, 0.25, true)],
  ['presence', width(0, 0.4, true)],
  ['bulk', width(0, 0.3, true)],
  ['structure:', width(0, 0.3, true)],
  ['cover:', width(0, 0.2, true)],
  ['spot:', width(0, 0.35, true)],
  ['depth²', width(-1.5, 1)],
  ['depth', width(0, 0.6, true)],
  ['pace²', width(-0.15, 0.12)],
  ['pace', width(0, 0.25, true)],
  ['light:', width(0, 0.3)],
];
/** In one kind of water alone a thing moves so much less than altogether. */
const IN_A_SITUATION = 0.7;

export function widthOf(name: string): Width {
  const found = WIDTHS.find(([begins]) => name.startsWith(begins));
  if (!found) throw new Error(`Nothing is believed of ${name} beforehand`);
  const [, own] = found;
  return name.includes('|') && /^(lure|way|structure):/.test(name) ? { ...own, sd: own.sd * IN_A_SITUATION } : own;
}
