import type { Conditions, Place } from '../contract/conditions.js';
import type { Discipline, Phase } from '../contract/ids.js';
import { Facts } from '../rules/facts.js';
import { yearDayOf } from '../day/calendar.js';
import { phaseFacts, phaseLikelihoods, phaseRules, speciesShiftC } from './evidence.js';
import { trendOf } from './trend.js';

/** The likelihood of every phase on every day: `[day * phases + phase]`, each day summing to 1. */
export interface PhaseCourse {
  readonly phases: readonly Phase[];
  readonly firstDay: number;
  readonly probabilities: Float32Array;
}

export interface PhaseInput {
  readonly discipline: Discipline;
  readonly species?: Conditions['species'];
  readonly place: Place;
  /** Day number of the first day of the series. */
  readonly firstDay: number;
  readonly surfaceC: Float32Array;
  /** How surely each temperature is known. */
  readonly sdC: Float32Array;
  /** The low of the year as known on each day. */
  readonly yearLowC: Float32Array;
  /** Filter from this index of the series on; days before serve the trend only. */
  readonly from: number;
  /** Likelihood of the phases before the first day filtered; even where nothing is known. */
  readonly start?: Float64Array;
}

/** Transition of a day: a phase lasts for weeks, then comes the next; it is seldom skipped, and more seldom taken back. */
const ON = 0.015;
const SKIPPED = 0.0012;
const BACK = 0.0007;
/** Left for whatever else, so that months without knowledge can be made good. */
const ELSE = 1e-5;
/** The weather of neighbouring days is much the same, so a day says only a part of what it would say alone. */
const DAY_SHARE = 0.35;
/** Three points that stand for a normal distribution (Gauss-Hermite). */
const POINTS = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const;

/** One day's step of the chain, before that day's evidence. Phases stand in a ring: after the last comes the first. */
export function stepPhases(before: Float64Array, into: Float64Array): void {
  const count = before.length;
  into.fill(0);
  const leave = ON + SKIPPED + BACK + ELSE * count;
  for (let phase = 0; phase < count; phase++) {
    const own = before[phase] as number;
    const give = (to: number, share: number) => (into[to] = (into[to] as number) + own * share);
    give(phase, 1 - leave);
    give((phase + 1) % count, ON);
    give((phase + 2) % count, SKIPPED);
    give((phase + count - 1) % count, BACK);
    for (let to = 0; to < count; to++) give(to, ELSE);
  }
}

/**
 * Follows the phases of a zone through the days with the forward algorithm of a hidden Markov chain (Rabiner 1989): the
 * order of the phases is the chain, temperature, trend and day length are the evidence. So one cold night does not take
 * the fish back from the beds to winter, and a doubtful temperature leaves a doubtful phase.
 */
export function followPhases(input: PhaseInput): PhaseCourse {
  const { discipline, species, place, firstDay, surfaceC, sdC, yearLowC, from } = input;
  const { phases } = phaseRules(discipline);
  const count = phases.length;
  const days = surfaceC.length - from;
  const probabilities = new Float32Array(days * count);
  const shiftC = speciesShiftC(species);
  let now = input.start ? input.start.slice() : new Float64Array(count).fill(1 / count);
  let next = new Float64Array(count);
  const likely = new Float64Array(count);
  for (let day = 0; day < days; day++) {
    const at = from + day;
    const tempC = surfaceC[at] as number;
    const facts = Facts.of(phaseFacts(place.latitude, yearDayOf(firstDay + at), tempC + shiftC, trendOf(surfaceC, at)));
    likely.fill(0);
    for (const [deviations, weight] of POINTS) {
      const offC = deviations * (sdC[at] as number);
      const moved = facts.with({
        surfaceTempC: tempC + shiftC + offC,
        riseAboveYearLowC: Math.max(0, tempC + offC - (yearLowC[at] as number)),
      });
      const found = phaseLikelihoods(discipline, moved);
      for (let phase = 0; phase < count; phase++) {
        likely[phase] = (likely[phase] as number) + weight * (found[phase] as number);
      }
    }
    stepPhases(now, next);
    let sum = 0;
    for (let phase = 0; phase < count; phase++) {
      next[phase] = (next[phase] as number) * (likely[phase] as number) ** DAY_SHARE;
      sum += next[phase] as number;
    }
    for (let phase = 0; phase < count; phase++) {
      next[phase] = (next[phase] as number) / sum;
      probabilities[day * count + phase] = next[phase] as number;
    }
    [now, next] = [next, now];
  }
  return { phases, firstDay: firstDay + from, probabilities };
}

/** The probabilities of one day, in the order of the phases; even for a day outside the course. */
export function phasesOn({ phases, firstDay, probabilities }: PhaseCourse, day: number): Float64Array {
  const at = (day - firstDay) * phases.length;
  const own = probabilities.subarray(at, at + phases.length);
  return own.length ? Float64Array.from(own) : new Float64Array(phases.length).fill(1 / phases.length);
}

/** Index of the likeliest phase of a day. */
export function likeliest(probabilities: ArrayLike<number>): number {
  let best = 0;
  for (let phase = 1; phase < probabilities.length; phase++) {
    if ((probabilities[phase] as number) > (probabilities[best] as number)) best = phase;
  }
  return best;
}

export interface PhaseSpan {
  readonly phase: Phase;
  /** First and last day number. */
  readonly from: number;
  readonly to: number;
}

/** The stretches over which one phase is the likeliest. */
export function phaseSpans(course: PhaseCourse): PhaseSpan[] {
  const count = course.phases.length;
  const spans: { phase: Phase; from: number; to: number }[] = [];
  for (let day = 0; day * count < course.probabilities.length; day++) {
    const phase = course.phases[likeliest(course.probabilities.subarray(day * count, (day + 1) * count))] as Phase;
    const last = spans.at(-1);
    if (last?.phase === phase) last.to = course.firstDay + day;
    else spans.push({ phase, from: course.firstDay + day, to: course.firstDay + day });
  }
  return spans;
}
