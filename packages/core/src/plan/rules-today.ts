import type { Conditions } from '../contract/conditions.js';
import { factsAt } from '../place/place.js';
import { SPOT_RULES } from '../place/spot-rules.js';
import { fire, type Rule } from '../rules/rule.js';
import { BASS_PHASE_RULES, INSHORE_PHASE_RULES } from '../season/phases.js';
import { judgeDay } from './judge.js';
import { RULE_STEPS, RULES_BY_STEP } from './rules-by-step.js';
import { windowGrounds } from './window.js';

/** How far every rule holds on a day, 0 to 1, at its most over the windows and their places; what does not is left out. */
export function rulesToday(given: Conditions): Record<string, number> {
  const day = judgeDay(given, 'us');
  const grounds = windowGrounds(day).flatMap(({ facts, places }) => [
    facts,
    ...places.map((place) => factsAt(facts, place)),
  ]);
  const held: Record<string, number> = {};
  const wrong = given.discipline === 'bass' ? INSHORE_PHASE_RULES : BASS_PHASE_RULES;
  // What only a chart knows of a spot has no say in a plan.
  const silent = new Set<string>([...wrong, ...SPOT_RULES].map(({ id }) => id));
  for (const facts of [day.facts, ...grounds]) {
    for (const step of RULE_STEPS) {
      for (const { rule, degree } of fire(RULES_BY_STEP[step] as readonly Rule<unknown>[], facts)) {
        if (!silent.has(rule.id)) held[rule.id] = Math.max(held[rule.id] ?? 0, degree);
      }
    }
  }
  return held;
}
