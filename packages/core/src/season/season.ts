import type { Conditions } from '../contract/conditions.js';
import type { Phase } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import { dayOfYear } from '../day/sun.js';
import { Facts, type Known } from '../rules/facts.js';
import { degreeOf } from '../rules/fuzzy.js';
import { reasonOf, strongest } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { FISH_SIGN_RULES } from './phases.js';
import { phaseFacts, phaseLikelihoods, phaseRules, speciesShiftC } from './evidence.js';

const signRules = new Set(FISH_SIGN_RULES.map(({ id }) => id));

/** What the season step leaves for the steps after it. */
export interface Season {
  readonly phase: Plan['phase'];
  /** Probability of every phase of the discipline; they sum to 1. */
  readonly probabilities: ReadonlyMap<Phase, number>;
  readonly facts: Known;
}

/** Conditions of which the season needs to know. All are given or assumed by the time it is asked. */
export type SeasonConditions = Pick<
  Conditions,
  'discipline' | 'species' | 'date' | 'place' | 'surfaceTempC' | 'tempTrendCPerDay' | 'yearLowC' | 'fishSigns'
>;

/**
 * Names the season from temperature, trend, rise above the year's low and the way of the day's length. Each phase's
 * likelihood is the product of its evidence, which then sums to 1 over the phases.
 */
export function judgeSeason(conditions: SeasonConditions, units: UnitSystem): Season {
  const { discipline, species, date, place, surfaceTempC, tempTrendCPerDay = 0, yearLowC } = conditions;
  const known = phaseFacts(place.latitude, dayOfYear(date), surfaceTempC + speciesShiftC(species), tempTrendCPerDay);
  for (const sign of conditions.fishSigns ?? []) known[`fish-sign:${sign}`] = 1;
  if (yearLowC !== undefined) known.riseAboveYearLowC = surfaceTempC - yearLowC;
  const facts = Facts.of(known);
  const { phases, rules } = phaseRules(discipline);
  const likelihoods = phaseLikelihoods(discipline, facts);
  const total = likelihoods.reduce((sum, likelihood) => sum + likelihood, 0);
  const probabilities = new Map(phases.map((phase, index) => [phase, (likelihoods[index] as number) / total]));
  const [first, ...others] = [...probabilities].sort((a, b) => b[1] - a[1]) as [[Phase, number], ...[Phase, number][]];
  return {
    phase: {
      id: first[0],
      probability: first[1],
      others: others.filter(([, probability]) => probability >= 0.02).map(([id, probability]) => ({ id, probability })),
      because: strongest(
        rules
          .filter(({ effect, id }) => effect.phase === first[0] && !signRules.has(id))
          .map((rule) => reasonOf(rule, degreeOf(rule.when, facts) * (1 - rule.effect.floor), units)),
      ),
    },
    probabilities,
    facts: { ...known, surfaceTempC },
  };
}
