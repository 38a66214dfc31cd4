import { minutesOf, type Plan, type PlanWindow } from '@inky-shoal/core';
import { paceOf, type NextNote } from '@inky-shoal/core/underway/states';
import { middle } from '../made-up-places.js';
import { seeded } from '../random.js';
import { drawDay, type DayConditions } from './conditions.js';
import { rankedPlan, type AnglersTruth } from './truth.js';
import { windowOf } from './trips.js';

/** Days of the same waters that are in no record: spread over the year, the same seed, the same days. */
export function heldOutDays({ places }: AnglersTruth, count: number, seed: number): DayConditions[] {
  const random = seeded(seed);
  return Array.from({ length: count }, (_, at) => drawDay(random, (at + random()) / count, places));
}

/** What a plan would have one fish first in a window, at one of the water's places that are such as it names. */
interface FirstChoice {
  readonly window: PlanWindow;
  readonly lastsHours: number;
  readonly stretches: readonly NextNote[];
  /** Bites an hour that each truly brings on a usual day. */
  readonly rates: readonly number[];
}

/**
 * The first choices of a plan, window by window: each lure at the likeliest place that is named, at whichever of the
 * water's places are such; where none is, at any.
 */
export function firstChoices(truth: AnglersTruth, day: DayConditions, plan: Plan): FirstChoice[] {
  const shipped = rankedPlan(day);
  return plan.windows.flatMap((window) => {
    const { from, to, holding, presentations } = window;
    const [first] = presentations;
    const [best] = holding;
    if (!first || !best) return [];
    const truly = windowOf(shipped, (minutesOf(from) + minutesOf(to)) / 2);
    const like = truth.places.filter(({ structure }) => structure === best.structure);
    const exact = like.filter(({ cover }) => cover === best.cover);
    const there = exact.length ? exact : like.length ? like : truth.places;
    const { category, runDepthM, retrieve } = first;
    const fished = { category, depthM: middle(runDepthM), pace: paceOf(category, middle(retrieve.speedMps)) };
    return {
      window,
      lastsHours: (minutesOf(to) - minutesOf(from)) / 60,
      stretches: there.map(({ id }) => ({ ...fished, from, to, place: id, bites: 0 })),
      rates: there.map((place) => truth.bitesPerHour({ ...fished, place, window: truly }, day)),
    };
  });
}

/** Bites an hour that the first choices of a plan truly bring, in the mean over its windows by their length. */
export function truePerHour(truth: AnglersTruth, day: DayConditions, plan: Plan): number {
  const hoursOf = ({ from, to }: PlanWindow) => (minutesOf(to) - minutesOf(from)) / 60;
  const hours = plan.windows.reduce((sum, window) => sum + hoursOf(window), 0);
  const bites = firstChoices(truth, day, plan).reduce(
    (sum, { lastsHours, rates }) => sum + (lastsHours * rates.reduce((all, rate) => all + rate, 0)) / rates.length,
    0,
  );
  return bites / hours;
}
