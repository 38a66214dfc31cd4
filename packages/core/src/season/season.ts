import type { Conditions } from '../contract/conditions.js';
import { BASS_PHASES, INSHORE_PHASES, type Phase } from '../contract/ids.js';
import type { Plan, Reason } from '../contract/plan.js';
import { dayLengthH, dayOfYear } from '../day/sun.js';
import { Facts, type Known } from '../rules/facts.js';
import { degreeOf } from '../rules/fuzzy.js';
import { reasonOf, strongest } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { BASS_PHASE_RULES, INSHORE_PHASE_RULES } from './phases.js';

/** What the season step leaves for the steps after it. */
export interface Season {
  readonly phase: Plan['phase'];
  /** Probability of every phase of the discipline; they sum to 1. */
  readonly probabilities: ReadonlyMap<Phase, number>;
  readonly facts: Known;
}

/** Smallmouth live the same year a few degrees colder (judgement); temperatures are moved up by this before judging. */
const SPECIES_SHIFT_C: Partial<Record<NonNullable<Conditions['species']>, number>> = { smallmouth: 1.5, spotted: 0.3 };

/** Conditions of which the season needs to know. All are given or assumed by the time it is asked. */
export type SeasonConditions = Pick<
  Conditions,
  'discipline' | 'species' | 'date' | 'place' | 'surfaceTempC' | 'tempTrendCPerDay' | 'yearLowC'
>;

/**
 * Names the season from temperature, trend, rise above the year's low and the way of the day's length. Each phase's
 * likelihood is the product of its evidence, which then sums to 1 over the phases.
 */
export function judgeSeason(conditions: SeasonConditions, units: UnitSystem): Season {
  const { discipline, species, date, place, surfaceTempC, tempTrendCPerDay = 0, yearLowC } = conditions;
  const shiftC = (species && SPECIES_SHIFT_C[species]) ?? 0;
  const day = dayOfYear(date);
  const known: Known = {
    surfaceTempC: surfaceTempC + shiftC,
    tempTrendCPerDay,
    dayLengthH: dayLengthH(place.latitude, day),
    dayLengthChangeMinPerDay: (dayLengthH(place.latitude, day + 3) - dayLengthH(place.latitude, day - 3)) * 10,
    ...(yearLowC === undefined ? {} : { riseAboveYearLowC: surfaceTempC - yearLowC }),
  };
  const facts = Facts.of(known);
  const rules = discipline === 'bass' ? BASS_PHASE_RULES : INSHORE_PHASE_RULES;
  const phases: readonly Phase[] = discipline === 'bass' ? BASS_PHASES : INSHORE_PHASES;
  const likelihoods = new Map<Phase, number>(phases.map((phase) => [phase, 1]));
  const reasons: (Reason & { phase: Phase })[] = [];
  for (const rule of rules) {
    const { phase, floor } = rule.effect;
    const degree = degreeOf(rule.when, facts);
    likelihoods.set(phase, (likelihoods.get(phase) ?? 1) * (floor + (1 - floor) * degree));
    reasons.push({ ...reasonOf(rule, degree * (1 - floor), units), phase });
  }
  const total = [...likelihoods.values()].reduce((sum, likelihood) => sum + likelihood, 0);
  const probabilities = new Map([...likelihoods].map(([phase, likelihood]) => [phase, likelihood / total]));
  const [first, ...others] = [...probabilities].sort((a, b) => b[1] - a[1]) as [[Phase, number], ...[Phase, number][]];
  return {
    phase: {
      id: first[0],
      probability: first[1],
      others: others.filter(([, probability]) => probability >= 0.02).map(([id, probability]) => ({ id, probability })),
      because: strongest(reasons.filter(({ phase }) => phase === first[0])).map(({ phase: _, ...reason }) => reason),
    },
    probabilities,
    facts: { ...known, surfaceTempC },
  };
}
