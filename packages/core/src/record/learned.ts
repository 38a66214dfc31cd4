import type { Conditions } from '../contract/conditions.js';
import type { Plan } from '../contract/plan.js';
import { parse, type Parsed } from '../contract/problems.js';
import { makePlan } from '../plan/make-plan.js';
import { leaningOf } from './leaning.js';
import { learn } from './learn.js';
import type { Learned } from './learned-state.js';
import { movedBy, type Moved } from './moved.js';
import { rowsOf } from './rows.js';
import { LearnedInput, likeTrips, recordedTrips, type RecordedTrip } from './said.js';

/** A plan as the record would have it, beside the one without it. */
export interface LearnedAnswer {
  readonly plan: Plan;
  readonly shipped: Plan;
  /** What the record moved, most first. */
  readonly moved: readonly Moved[];
}

/** Plans a day with and without what was learnt. With nothing learnt both are the same. */
export function planLearned(conditions: Conditions, learned: Learned | null): LearnedAnswer {
  const shipped = makePlan(conditions);
  if (!learned) return { plan: shipped, shipped, moved: [] };
  return { plan: makePlan(conditions, { leaning: leaningOf(learned) }), shipped, moved: movedBy(learned) };
}

/** A rate of bites an hour with the range in which it lies in four cases of five. */
export interface ExpectedRate {
  readonly perHour: number;
  readonly range80: readonly [number, number];
}

/** Standard deviations either way that hold four cases of five. */
const FOUR_IN_FIVE = 1.2816;

/** What stretches of a day would bring an hour, each on a trip whose luck is not known yet. */
export function expectedRates(learned: Learned, trip: RecordedTrip): ExpectedRate[] {
  return rowsOf(trip).map(({ traits }) => {
    const { mean, sd } = learned.rateLog(traits);
    return {
      perHour: Math.exp(mean + sd ** 2 / 2),
      range80: [Math.exp(mean - FOUR_IN_FIVE * sd), Math.exp(mean + FOUR_IN_FIVE * sd)],
    };
  });
}

/**
 * A day planned with what an angler's own trips teach: see `LearnedInput`. Never throws on bad input: refusals come back
 * as problems.
 */
export function calculateLearned(value: unknown): Parsed<LearnedAnswer> {
  const checked = parse(LearnedInput, value);
  if (!checked.ok) return checked;
  const { conditions } = checked.value;
  return { ok: true, value: planLearned(conditions, learn(likeTrips(recordedTrips(checked.value), conditions))) };
}
