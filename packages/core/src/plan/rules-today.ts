import type { Conditions } from '../contract/conditions.js';
import { factsAt } from '../place/place.js';
import { fire, type Rule } from '../rules/rule.js';
import { BASS_PHASE_RULES, INSHORE_PHASE_RULES } from '../season/phases.js';
import { judgeDay } from './judge.js';
import { RULES_OF_DAY } from './rules-of-day.js';
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
  const silent = new Set<string>(wrong.map(({ id }) => id));
  const asked: readonly (readonly Rule<unknown>[])[] = Object.values(RULES_OF_DAY);
  for (const facts of [day.facts, ...grounds]) {
    for (const rules of asked) {
      for (const { rule, degree } of fire(rules, facts)) {
        if (!silent.has(rule.id)) held[rule.id] = Math.max(held[rule.id] ?? 0, degree);
      }
    }
  }
  return held;
}
