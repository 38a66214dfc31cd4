import type { Conditions } from '../contract/conditions.js';
import { judgeDay, type JudgedDay } from '../plan/judge.js';
import { longestOf } from '../plan/if-then.js';
import type { UnitSystem } from '../units/units.js';
import { answerMorning, type Morning } from './answers.js';
import { rampCard, type RampCard } from './card.js';
import type { MorningDoubts } from './doubts.js';
import { drawMornings, seenAtRamp, type MorningChange } from './draw.js';
import { surenessOf, type Sureness } from './sureness.js';
import { wantedOn, type Wanted } from './wanted.js';

/** Mornings that are drawn where nobody says how many. */
export const USUAL_MORNINGS = 256;
const SEED = 20_270_313;

/** A day to come, over all mornings that it may have. */
export interface MorningsOfDay {
  /** The day as planned. */
  readonly day: JudgedDay;
  readonly planned: Morning;
  readonly mornings: readonly Morning[];
  readonly sureness: Sureness;
  /** What they want in the boat. */
  readonly wanted: Wanted;
  /** The card of the window in which a reading is worth most; null where nothing suits the day. */
  readonly card: RampCard | null;
}

export interface MorningsOptions {
  readonly units?: UnitSystem;
  readonly count?: number;
  readonly seed?: number;
}

/** The card of the window in which a reading is worth most over its hours; of the longest where none is worth any. */
function cardOfDay(day: JudgedDay, mornings: readonly Morning[], units: UnitSystem): RampCard | null {
  const longest = day.windows.indexOf(longestOf(day.windows));
  let best = rampCard(mornings, longest, units);
  const lasts = (index: number) => {
    const window = day.windows[index];
    return window ? window.toMin - window.fromMin : 0;
  };
  const worth = (card: RampCard | null) => (card ? (card.worth - 1) * lasts(card.window) : 0);
  for (const index of day.windows.keys()) {
    const card = index === longest ? null : rampCard(mornings, index, units);
    if (worth(card) > worth(best)) best = card;
  }
  return best;
}

/** Mornings between two words of how far it has come. */
const TOLD_EVERY = 16;

/** A day as planned, as a morning among the others. */
function plannedMorning(day: JudgedDay): Morning {
  const { surfaceTempC, tempTrendCPerDay, visibilityM, sky, windMps, windFromDeg, front, level, forage } =
    day.conditions;
  const change: MorningChange = {
    surfaceTempC,
    tempTrendCPerDay,
    visibilityM,
    sky,
    windMps,
    windFromDeg,
    front,
    level,
    forage,
  };
  return answerMorning(day, change);
}

/**
 * Plans a day for every morning that may come: draws what is not known, asks the planner about each, and tells how sure
 * the plan is and what to read at the ramp. The same day and seed always give the same.
 * @param options.onProgress told the share that is done, 0 to 1
 * @example
 * const given = Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 12.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * });
 * const doubts = {
 *   leadDays: 1,
 *   surfaceSdC: 1.2,
 *   surfaceSdNowC: 0.8,
 *   weather: [],
 *   errors: usualForecastErrors,
 *   visibility: { daysSince: null, logPerDay: 0.1, logPerRainMm: 0.012 },
 *   fixed: ['visibilityM'],
 * };
 * const { mornings } = morningsOf(given, doubts, { count: 16 });
 * mornings.length // => 16
 */
export function morningsOf(
  given: Conditions,
  doubts: MorningDoubts,
  { onProgress, ...options }: MorningsOptions & { readonly onProgress?: (share: number) => void } = {},
): MorningsOfDay {
  const steps = morningsInSteps(given, doubts, options);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    onProgress?.(step.value);
  }
}

/** The same step by step, each telling the share that is done: for who wants to be able to stop. */
export function* morningsInSteps(
  given: Conditions,
  doubts: MorningDoubts,
  { units = 'us', count = USUAL_MORNINGS, seed = SEED }: MorningsOptions = {},
): Generator<number, MorningsOfDay, void> {
  const day = judgeDay(given, units);
  const planned = plannedMorning(day);
  const mornings: Morning[] = [];
  const changes = drawMornings(day.conditions, doubts, count, seed);
  const seen = seenAtRamp(day.conditions, doubts, changes, seed);
  for (const [at, change] of changes.entries()) {
    if (at % TOLD_EVERY === 0) yield at / count;
    mornings.push(answerMorning(day, change, seen[at]));
  }
  yield 1;
  return {
    day,
    planned,
    mornings,
    sureness: surenessOf(planned, mornings, units),
    wanted: wantedOn(day, mornings),
    card: cardOfDay(day, mornings, units),
  };
}
