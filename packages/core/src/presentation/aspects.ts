import type { Holding, Range } from '../contract/plan.js';
import { COVER_GROUND } from '../place/places.js';
import type { Facts } from '../rules/facts.js';
import { trapezoid } from '../rules/fuzzy.js';
import type { Category, Trapezoid } from './category.js';
import { ASPECTS, type Aspect } from './rules.js';

/** Speeds in m/s that stand for pace 0 and 1. */
const PACE_MPS = [0.1, 1.25] as const;

/** The aspects of a category at a place, in the order of ASPECTS: numbers only, since every rule walks over them. */
export type Aspects = Float64Array;

export const ASPECT_INDEX = Object.fromEntries(ASPECTS.map((aspect, index) => [aspect, index])) as Readonly<
  Record<Aspect, number>
>;

/** Surface lures call fish up from farther than others, by this share. */
const CALLS_UP = 0.8;

const clamp = (value: number): number => Math.min(1, Math.max(0, value));

const fixedAspects = new WeakMap<Category, Aspects>();

/** What a category is wherever it is fished; the aspects that depend on the place are left at 0. */
export function aspectsOfItself(category: Category): Aspects {
  let aspects = fixedAspects.get(category);
  if (!aspects) {
    const { traits, positions, paceMps, hook } = category;
    const pace = clamp(((paceMps[0] + paceMps[1]) / 2 - PACE_MPS[0]) / (PACE_MPS[1] - PACE_MPS[0]));
    const known: Partial<Record<Aspect, number>> = {
      ...traits,
      ...positions,
      pace,
      treble: hook === 'treble' ? 1 : 0,
      madeForMats: category.madeForMats ? 1 : 0,
    };
    aspects = Float64Array.from(ASPECTS, (aspect) => known[aspect] ?? 0);
    fixedAspects.set(category, aspects);
  }
  return aspects;
}

/** How far above their own depth fish come up for a lure, in metres: warm and clear water lets them. */
export function riseM(facts: Facts): number {
  const warm = clamp(((facts.figure('surfaceTempC') ?? 15) - 9) / 9);
  const sees = Math.min(2.5, facts.figure('visibilityM') ?? 1);
  return 0.2 + (0.15 + 0.4 * warm) * sees * (1 - 0.6 * facts.degree('front:post-frontal'));
}

/** How well a running range meets a holding depth, 0 to 1; fish take a lure above them more readily than below. */
export function reach(runM: Range, holdingM: Range, rise: number): number {
  const gap = Math.max(0, holdingM[0] - rise - runM[1], runM[0] - holdingM[1]);
  if (gap === 0) return 1;
  const scale = 0.2 + 0.08 * (holdingM[0] + holdingM[1]);
  return Math.exp(-((gap / scale) ** 2));
}

/** How freely it comes through the cover of a place, 0 to 1; what runs over the top of it hardly meets it. */
export function passesCover(category: Category, place: Holding, clearance: number | undefined): number {
  const ground = COVER_GROUND[place.cover];
  if (ground === 'open') return 1;
  const free = category.snag[ground];
  const runsOver = clearance !== undefined && ground !== 'mat' && category.runDepthM[0] < clearance * 0.8;
  return runsOver && category.positions.bottom < 0.5 ? Math.max(free, 0.8) : free;
}

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

/** How well it suits one place, 0 to 1 each. */
export interface PlaceFit {
  readonly reachesDepth: number;
  readonly passesCover: number;
}

/** The aspects that a category does not have of itself. */
export type Fit = WaterFit & PlaceFit;

/** The figures that every category is held against, looked up once. */
export interface WaterFigures {
  readonly facts: Facts;
  readonly tempC: number;
  readonly effectiveVisibilityM: number;
  /** Water over the top of the cover, metres, where it is known. */
  readonly clearanceM: number | undefined;
}

export const waterFigures = (facts: Facts): WaterFigures => ({
  facts,
  tempC: facts.figure('surfaceTempC') ?? 15,
  effectiveVisibilityM: facts.figure('effectiveVisibilityM') ?? 1,
  clearanceM: facts.figure('waterOverCoverM'),
});

export const waterFit = (category: Category, { facts, tempC, effectiveVisibilityM }: WaterFigures): WaterFit => ({
  suitsTemperature: trapezoid(tempC, category.tempC),
  suitsVisibility: trapezoid(effectiveVisibilityM, wantedVisibility(category, facts)),
});

/** How far over fish on the bottom a lure may run: one that lives by what it hits must come down to it. */
const risen = ({ positions, traits }: Category, place: Holding, rise: number): number =>
  rise *
  (1 + CALLS_UP * positions.surface) *
  (place.position === 'bottom' && positions.surface < 0.5 ? 1 - 0.9 * traits.deflects : 1);

/** How well its depths in this water meet those of a place. @param rise how far fish come up for a lure, metres */
export const reachesDepth = (category: Category, runM: Range, place: Holding, rise: number): number =>
  reach(runM, place.depthM, risen(category, place, rise));

/** Everything rules may speak of, for one category at one place. */
export function aspectsWith(category: Category, fit: Fit): Aspects {
  const aspects = aspectsOfItself(category).slice();
  for (const name in fit) aspects[ASPECT_INDEX[name as keyof Fit]] = fit[name as keyof Fit];
  return aspects;
}
