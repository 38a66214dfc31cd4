import { clockOf, minutesOf, type CategoryId, type Plan, type PlanWindow } from '@inky-shoal/core';
import { categoryOf } from '@inky-shoal/core/lures';
import { PACES, paceOf, type NextNote, type NextPlace, type Pace } from '@inky-shoal/core/underway/states';
import { middle, within } from '../made-up-places.js';
import { normal, seeded } from '../random.js';
import { between, poisson, spread, weighted } from '../underway/patchy/chance.js';
import { drawDay, type DayConditions } from './conditions.js';
import { placeWeight, plannedDepthM, rankedPlan, type AnglersTruth } from './truth.js';

/** A trip as it is written down: the day, and every stretch that was fished. */
export interface WrittenTrip {
  readonly conditions: DayConditions;
  readonly places: readonly NextPlace[];
  readonly stretches: readonly NextNote[];
}

const CASTS_AN_HOUR = 45;
/** So often the angler throws what the plan names, and goes where it points. */
const BY_PLAN = 0.65;
const TO_PLANNED_PLACE = 0.65;
/** Fish that are caught are gone for the day: what each leaves of the rate at its place. */
const LEFT_BY_A_FISH = 0.8;

export const windowOf = (plan: Plan, minute: number): PlanWindow =>
  plan.windows.find(({ to }) => minute < minutesOf(to)) ?? (plan.windows.at(-1) as PlanWindow);

/** The luck of a day, with its spells in which they feed: what a minute of it does to the rate. */
export function drawHours(random: () => number): (minute: number) => number {
  const day = spread(random, 1, 0.5);
  const spells = Array.from({ length: 2 + Math.floor(random() * 2) }, () => between(random, 380, 860));
  return (minute) => day * (spells.some((from) => minute >= from && minute < from + 45) ? 2.2 : 0.7);
}

/** What is tied on: mostly what the plan names, the first of it most often, else something out of habit. */
function pickLure(random: () => number, truth: AnglersTruth, { presentations }: PlanWindow): CategoryId {
  const named = presentations.slice(0, 4);
  if (random() < BY_PLAN && named.length) return weighted(random, named, ({ score }) => score + 0.05).category;
  return truth.favourites[Math.floor(random() * truth.favourites.length)] as CategoryId;
}

const pickPlace = (random: () => number, { places }: AnglersTruth, window: PlanWindow): NextPlace =>
  weighted(random, places, random() < TO_PLANNED_PLACE ? (place) => placeWeight(place, window) : () => 1);

function pickPace(random: () => number, category: CategoryId, { presentations }: PlanWindow): Pace {
  const planned = presentations.find((each) => each.category === category);
  const pace = planned ? paceOf(category, middle(planned.retrieve.speedMps)) : 'medium';
  const step = random() < 0.25 ? (random() < 0.5 ? -1 : 1) : 0;
  return PACES[within([0, PACES.length - 1], PACES.indexOf(pace) + step)] as Pace;
}

/** One trip, fished and written down as people do: mostly right. */
export function fishTrip(truth: AnglersTruth, conditions: DayConditions, random: () => number): WrittenTrip {
  const plan = rankedPlan(conditions);
  const hour = drawHours(random);
  const left = new Map<string, number>();
  const stretches: NextNote[] = [];
  for (let at = 390; at < 840;) {
    const lasts = Math.round(between(random, 20, 60));
    const window = windowOf(plan, at + lasts / 2);
    const place = pickPlace(random, truth, window);
    const category = pickLure(random, truth, window);
    const wanted = plannedDepthM(place, window) * Math.exp(0.25 * normal(random));
    const depthM = within(categoryOf(category).runDepthM, wanted);
    const pace = pickPace(random, category, window);
    const there = left.get(place.id) ?? 1;
    const hours = lasts / 60;
    const rate = truth.bitesPerHour({ place, category, depthM, pace, window }, conditions) * hour(at) * there;
    const bites = poisson(rate * hours, random);
    left.set(place.id, there * LEFT_BY_A_FISH ** bites);
    stretches.push({
      from: clockOf(at),
      to: clockOf(at + lasts),
      place: place.id,
      category,
      depthM: Math.round(10 * depthM * Math.exp(0.1 * normal(random))) / 10,
      pace,
      casts: Math.round(CASTS_AN_HOUR * hours * between(random, 0.8, 1.2)),
      bites,
    });
    at += lasts + Math.round(between(random, 3, 15));
  }
  return { conditions, places: truth.places, stretches };
}

/** So many trips of a season and a half, in their order. The same seed, the same trips. */
export function fishTrips(truth: AnglersTruth, count: number, seed: number): WrittenTrip[] {
  const random = seeded(seed);
  return Array.from({ length: count }, (_, at) =>
    fishTrip(truth, drawDay(random, (at + random()) / count, truth.places), random),
  );
}
