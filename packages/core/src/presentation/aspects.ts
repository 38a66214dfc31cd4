import { FORAGE_KINDS, type ForageKind } from '../contract/ids.js';
import type { Holding, Range } from '../contract/plan.js';
import type { HoldingPlace } from '../place/place.js';
import { COVER_GROUND } from '../place/places.js';
import type { Ground } from '../rules/vocabulary.js';
import { slotOf, type Facts } from '../rules/facts.js';
import { trapezoid } from '../rules/fuzzy.js';
import type { Category, Traits, Trapezoid } from '../lures/category.js';
import type { QuestionId } from './questions.js';

/** Speeds in m/s that stand for pace 0 and 1. */
const PACE_MPS = [0.1, 1.25] as const;
const clamp = (value: number): number => Math.min(1, Math.max(0, value));
const paceOf = (mps: number): number => clamp((mps - PACE_MPS[0]) / (PACE_MPS[1] - PACE_MPS[0]));

/** How much there is to find it by: what is felt, heard and seen of it, the strongest counting most. */
function presenceOf({ vibration, noise, flash, bulk }: Traits): number {
  const [first, second, third] = [vibration, 0.9 * noise, 0.75 * flash, 0.4 * bulk].sort((a, b) => b - a) as [
    number,
    number,
    number,
    number,
  ];
  return clamp(0.7 * first + 0.3 * second + 0.15 * third);
}

/** A lure with a sound of its own can be had quieter by this share. */
const QUIETER = 0.6;
/** Fished otherwise, a lure covers a little more or less, and comes larger or smaller. */
const SEARCH_PLAY = 0.12;
const BULK_PLAY = 0.15;

export type Answers = Readonly<Record<QuestionId, readonly [number, number]>>;
const answers = new WeakMap<Category, Answers>();

/** What a lure answers to each question: from least to most, as it can be fished and had. */
export function answersOf(category: Category): Answers {
  let known = answers.get(category);
  if (!known) {
    const { traits, paceMps, sounds } = category;
    const presence = presenceOf(traits);
    const usual = paceOf(Math.sqrt(Math.max(0.05, paceMps[0]) * paceMps[1]));
    known = {
      // Few fish it at the ends of what it can do.
      pace: [0.5 * (paceOf(paceMps[0]) + usual), 0.5 * (paceOf(paceMps[1]) + usual)],
      presence: [presence * (sounds ? QUIETER : 0.9), presence],
      search: [traits.coverage - SEARCH_PLAY, traits.coverage + SEARCH_PLAY],
      bulk: [traits.bulk - BULK_PLAY, traits.bulk + BULK_PLAY],
    };
    answers.set(category, known);
  }
  return known;
}

const LIKE: Readonly<Record<ForageKind, keyof Traits>> = {
  shad: 'likeBaitfish',
  herring: 'likeBaitfish',
  mullet: 'likeBaitfish',
  menhaden: 'likeBaitfish',
  pinfish: 'likeBaitfish',
  crayfish: 'likeCrayfish',
  sunfish: 'likeSunfish',
  shrimp: 'likeShrimp',
  crab: 'likeCrab',
};
/** A plain morsel is eaten out of habit, whatever they feed on. */
const MORSEL = 0.55;

/** What they eat in this water, each with how active it is, 0 to 1. */
export interface Eaten {
  readonly kind: ForageKind;
  readonly trait: keyof Traits;
  readonly activity: number;
}

const FORAGE_SLOTS = FORAGE_KINDS.map((kind) => ({ kind, trait: LIKE[kind], slot: slotOf(`forage:${kind}`) }));

export function eatenIn(facts: Facts): Eaten[] {
  const eaten: Eaten[] = [];
  for (const { kind, trait, slot } of FORAGE_SLOTS) {
    const activity = facts.at(slot) || 0;
    if (activity > 0) eaten.push({ kind, trait, activity });
  }
  return eaten;
}

/** How far a lure passes for what they eat, 0 to 1, and which food that is; null for a plain morsel. */
export function looksLikeFood(
  { traits }: Category,
  eaten: readonly Eaten[],
): { readonly degree: number; readonly kind: ForageKind | null } {
  let degree = MORSEL * traits.plainMorsel;
  let kind: ForageKind | null = null;
  for (const each of eaten) {
    const alike = each.activity * traits[each.trait];
    if (alike > degree) [degree, kind] = [alike, each.kind];
  }
  return { degree, kind };
}

/** How far above their own depth fish come up for a lure, in metres: warm and clear water lets them. */
export function riseM(facts: Facts): number {
  const warm = clamp(((facts.figure('surfaceTempC') ?? 15) - 9) / 9);
  const sees = Math.min(5, facts.figure('visibilityM') ?? 1);
  return 0.2 + (0.1 + 0.25 * warm) * sees * (1 - 0.6 * facts.degree('front:post-frontal'));
}

/** Surface lures call fish up from farther than others, by this share. */
const CALLS_UP = 0.9;
/** And in very clear water by so much more: there they come from fifteen or twenty feet down. */
const CALLS_UP_CLEAR = 1.2;
/** A lure is taken a little under its own depth too, by this share of it. */
const BELOW_IT = 0.08;

/**
 * The share of a group that a lure covers, 0 to 1: of the depths that hold the group, those at which it runs or up to
 * which they come for it. Softened at both ends by a sixth of the band, so that little changes little.
 */
export function reach(runM: Range, holdingM: Range, rise: number): number {
  const [from, to] = holdingM;
  const soft = 0.1 + (to - from) / 6;
  const upper = Math.max(from, runM[0] * (1 - BELOW_IT));
  const lower = Math.min(to, runM[1] + rise);
  return clamp((lower - upper + soft) / (to - from + soft));
}

/** Whether a lure runs over the top of the cover: then it hardly meets it. @param clearance water over the cover, metres */
export const runsOver = ({ runDepthM, positions }: Category, clearance: number | undefined): boolean =>
  clearance !== undefined && positions.bottom < 0.5 && runDepthM[0] < clearance * 0.8;

/** How freely it comes through a ground, 0 to 1, or over its top; pads and mats close the surface. */
export function passageThrough({ snag }: Category, ground: Ground, over: boolean): number {
  if (ground === 'open') return 1;
  return over && ground !== 'mat' ? Math.max(snag[ground], 0.8) : snag[ground];
}

/** How freely it comes through the cover of a place, 0 to 1. */
export const passesCover = (
  category: Category,
  { cover }: Pick<Holding, 'cover'>,
  clearance: number | undefined,
): number => passageThrough(category, COVER_GROUND[cover], runsOver(category, clearance));

/** The visibility a category wants, under the schools in force. */
function wantedVisibility(category: Category, facts: Facts): Trapezoid {
  const relief = category.visibilityBySchool;
  return relief && facts.degree(`school:${relief.school}`) ? relief.visibilityM : category.visibilityM;
}

/** How well a category suits the water, wherever it is fished, 0 to 1 each. */
export interface WaterFit {
  readonly suitsTemperature: number;
  readonly suitsVisibility: number;
}

export const waterFit = (category: Category, facts: Facts): WaterFit => ({
  suitsTemperature: trapezoid(facts.figure('surfaceTempC') ?? 15, category.tempC),
  suitsVisibility: trapezoid(facts.figure('sightM') ?? 1, wantedVisibility(category, facts)),
});

/** How far over fish a lure may run: one that lives by what it hits must come down to those on the bottom. */
export function riseFor(
  { positions, traits }: Category,
  { positions: held }: Pick<HoldingPlace, 'positions'>,
  rise: number,
  sightM: number,
): number {
  if (positions.surface > 0.5) return rise * (1 + CALLS_UP + CALLS_UP_CLEAR * clamp((sightM - 1.8) / 2));
  return rise * (1 - 0.85 * traits.deflects * held.bottom) * (positions.bottom > 0.85 ? 0.4 : 1);
}

/** How far a lure is where the fish are in the water, 0 to 1: on top, between, on the bottom. */
export const atTheirLevel = (
  { positions: own }: Category,
  { positions: held }: Pick<HoldingPlace, 'positions'>,
): number => held.surface * own.surface + held.suspended * own.suspended + held.bottom * own.bottom;
