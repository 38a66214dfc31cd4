import {
  makePlan,
  type CategoryId,
  type Cover,
  type Discipline,
  type Plan,
  type PlanWindow,
  type Presentation,
  type Structure,
} from '@inky-shoal/core';
import { CATALOGUE, categoryOf } from '@inky-shoal/core/lures';
import { PACES, type NextPlace, type Pace } from '@inky-shoal/core/underway/states';
import { COVERS, middle, STRUCTURES, within } from '../made-up-places.js';
import { normal, seeded } from '../random.js';
import { between, spread } from '../underway/patchy/chance.js';
import type { DayConditions } from './conditions.js';

/**
 * What an angler's waters, fish and hands truly are, drawn from a seed and never shown to the planner. The plan is part of
 * it, since it knows something; but what it gets wrong follows no rule of its own: thresholds of warmth and clarity for
 * whole ways of fishing, pairs of things that only matter together, seasons in which its order of lures is another, ground
 * that is better than it looks, and hands that are better with some lures than with others.
 */
export interface AnglersTruth {
  readonly places: readonly NextPlace[];
  /** Bites an hour before the luck of the day and of the hour. */
  readonly bitesPerHour: (fished: TrulyFished, day: DayConditions) => number;
  /** The lures that the angler throws out of habit. */
  readonly favourites: readonly CategoryId[];
}

export interface TrulyFished {
  readonly place: NextPlace;
  readonly category: CategoryId;
  readonly depthM: number;
  readonly pace: Pace;
  readonly window: PlanWindow;
}

/** Parts of the year in each of which the plan's order of lures is right, or is not. */
const SEASON_ENDS_C = [11, 17, 24, 40] as const;
const PLAN_RIGHT = 0.55;
/** Bites an hour of a lure that stands among the first at the likeliest place, on a usual day. */
const BITES = 2;

const seasonOf = (tempC: number): number => SEASON_ENDS_C.findIndex((end) => tempC < end);
const clarityOf = (visibilityM: number): number => (visibilityM < 0.6 ? 0 : visibilityM < 1.8 ? 1 : 2);

/** How deep the plan has the fish at a place. */
export function plannedDepthM({ structure, cover, depthM }: NextPlace, { holding }: PlanWindow): number {
  const like = holding.filter((each) => each.structure === structure);
  const best = like.find((each) => each.cover === cover) ?? like[0] ?? holding[0];
  return within(depthM, best ? middle(best.depthM) : middle(depthM));
}

/** How highly the plan thinks of a place, over the best that it names. */
export function placeWeight({ structure, cover }: NextPlace, { holding }: PlanWindow): number {
  const like = holding.filter((each) => each.structure === structure);
  const exact = like.filter((each) => each.cover === cover);
  const best = Math.max(...holding.map(({ weight }) => weight), 0.01);
  return Math.max(0.05, ...(exact.length ? exact : like).map(({ weight }) => weight)) / best;
}

function drawPlaces(random: () => number): NextPlace[] {
  return Array.from({ length: 14 }, (_, at) => {
    const shallow = between(random, 0.6, 5);
    return {
      id: `p${at + 1}`,
      structure: STRUCTURES[at % STRUCTURES.length] as Structure,
      cover: COVERS[Math.floor(random() * COVERS.length)] as Cover,
      depthM: [shallow, shallow * between(random, 1.6, 3.2)],
    };
  });
}

/** A step of worth by where a lure stands in the plan of a window: its first few, the rest that it ranks, all others. */
function standing(category: CategoryId, presentations: readonly Presentation[]): number {
  const at = presentations.findIndex((each) => each.category === category);
  return at < 0 ? 0.45 : at < 2 ? 1.25 : at < 4 ? 1 : 0.7;
}

/**
 * The same seed, the same truth.
 * @param water whose places and fish it is about; else fourteen made-up places of bass
 */
export function drawTruth(
  seed: number,
  water?: { readonly discipline: Discipline; readonly places: readonly NextPlace[] },
): AnglersTruth {
  const random = seeded(seed);
  const places = water?.places ?? drawPlaces(random);
  const lures = CATALOGUE.filter(({ disciplines }) => disciplines.includes(water?.discipline ?? 'bass'));
  const ways = [...new Set(lures.map(({ fished }) => fished))];
  const hands = new Map(lures.map(({ id }) => [id, spread(random, 1, 0.35)]));
  const coldest = new Map(ways.map((way) => [way, random() < 0.5 ? between(random, 9, 15) : 0]));
  const clearest = between(random, 1.6, 3.5);
  const dirtiest = between(random, 0.35, 0.7);
  // In a season of a clarity the plan's order is right, or another lure stands where each stands.
  const orders = SEASON_ENDS_C.flatMap(() =>
    [0, 1, 2].map(() => {
      if (random() < PLAN_RIGHT) return null;
      const shuffled = lures.map(({ id }) => ({ id, key: random() })).sort((a, b) => a.key - b.key);
      return new Map(lures.map(({ id }, index) => [id, (shuffled[index] as { id: CategoryId }).id]));
    }),
  );
  // Pairs that only matter together.
  const underCloud = new Map(ways.map((way) => [way, random() < 0.3 ? (random() < 0.5 ? 1.7 : 0.55) : 1]));
  const inWind = new Map(ways.map((way) => [way, random() < 0.3 ? (random() < 0.5 ? 1.7 : 0.55) : 1]));
  const structures = water ? [...new Set(places.map(({ structure }) => structure))] : STRUCTURES;
  const ground = new Map(structures.map((structure) => [structure, spread(random, 1, 0.35)]));
  const own = new Map(places.map(({ id }) => [id, spread(random, 1, 0.4)]));
  const deeper = SEASON_ENDS_C.map(() => 0.3 * normal(random));
  const slowIn = between(random, 10, 15);
  const usable = lures.map(({ id }) => id);
  const favourites = Array.from({ length: 8 }, () => usable[Math.floor(random() * usable.length)] as CategoryId);

  const bitesPerHour: AnglersTruth['bitesPerHour'] = ({ place, category, depthM, pace, window }, day) => {
    const { surfaceTempC, visibilityM = 1.2, windMps = 3, sky } = day;
    const { fished, traits } = categoryOf(category);
    const season = seasonOf(surfaceTempC);
    const order = orders[3 * season + clarityOf(visibilityM)];
    const plain = standing(order?.get(category) ?? category, window.presentations);
    const tooCold = surfaceTempC < (coldest.get(fished) ?? 0) ? 0.4 : 1;
    const loud = Math.max(traits.vibration, traits.noise);
    const heard = visibilityM > clearest && loud > 0.6 ? 0.45 : visibilityM < dirtiest && loud < 0.4 ? 0.45 : 1;
    const cloud = sky === 'overcast' || sky === 'rain' ? (underCloud.get(fished) ?? 1) : 1;
    const wind = windMps > 4.5 ? (inWind.get(fished) ?? 1) : 1;
    const off = Math.abs(Math.log(Math.max(0.1, depthM) / plannedDepthM(place, window)) - (deeper[season] as number));
    const deep = off < 0.4 ? 1 : 0.35;
    const tooFast = surfaceTempC < slowIn && PACES.indexOf(pace) > 0 ? 0.65 : 1;
    const held = placeWeight(place, window) ** 0.5 * (ground.get(place.structure) ?? 1) * (own.get(place.id) ?? 1);
    return BITES * plain * (hands.get(category) ?? 1) * tooCold * heard * cloud * wind * deep * tooFast * held;
  };
  return { places, bitesPerHour, favourites };
}

const planned = new WeakMap<DayConditions, Plan>();

/** A day as the plan has it, its lures ranked beyond those that it names. */
export function rankedPlan(day: DayConditions): Plan {
  let plan = planned.get(day);
  if (!plan) planned.set(day, (plan = makePlan(day, { presentations: 12 })));
  return plan;
}
