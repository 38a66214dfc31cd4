import type { Rule } from '../../rules/rule.js';
import { describeCondition, describeEffect } from '../../rules/describe.js';
import { inUnits, type UnitSystem } from '../../units/units.js';
import { RULE_STEPS, RULES_BY_STEP, type RuleStep } from '../rules-by-step.js';

/** A rule as the library shows it. */
export interface LibraryRule {
  readonly id: string;
  readonly step: RuleStep;
  readonly text: string;
  readonly when: string;
  readonly does: string;
  readonly school: string | null;
  /** Where it comes from; "judgement" where nobody has measured it. */
  readonly source: string;
}

/** Every rule of the engine, step by step, in words. */
export const ruleLibrary = (units: UnitSystem): LibraryRule[] =>
  RULE_STEPS.flatMap((step) =>
    (RULES_BY_STEP[step] as readonly Rule<unknown>[]).map(({ id, text, when, effect, school, source }) => ({
      id,
      step,
      text: inUnits(text, units),
      when: describeCondition(when, units),
      does: describeEffect(effect),
      school: school ? school.join(': ') : null,
      source: source ?? 'judgement',
    })),
  );
