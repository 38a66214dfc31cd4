import { CAUTION_RULES } from '../cautions/cautions.js';
import type { Conditions } from '../contract/conditions.js';
import { FOOD_RULES } from '../food/rules.js';
import { GROUP_DEPTH_RULES, GROUP_RULES, PLACE_GROUP_RULES, REGIME_GROUP_RULES } from '../place/group-rules.js';
import { factsAt } from '../place/place.js';
import { SPOT_RULES } from '../place/spot-rules.js';
import { COVER_RULES, POSITION_RULES, STRUCTURE_RULES } from '../place/rules.js';
import { judgeDay } from './judge.js';
import { windowGrounds } from './window.js';
import { OCCASION_RULES } from '../presentation/occasions/index.js';
import { QUESTION_RULES } from '../presentation/questions.js';
import { APPROACH_RULES } from '../technique/retrieve/approach.js';
import { BASS_PHASE_RULES, FISH_SIGN_RULES, INSHORE_PHASE_RULES } from '../season/phases.js';
import { OVERLAY_RULES } from '../season/overlays.js';
import {
  BLADE_RULES,
  FAMILY_RULES,
  FINISH_RULES,
  SIZE_RULES,
  SOUND_RULES,
  TONE_RULES,
} from '../technique/trim/rules.js';
import { inUnits, type UnitSystem } from '../units/units.js';
import { REGIME_RULES } from '../water/clarity.js';
import { describeCondition, describeEffect } from '../rules/describe.js';
import { fire, type Rule } from '../rules/rule.js';

/** The steps of the judgement, in the angler's order, with the rules that serve each. */
export const RULES_BY_STEP = {
  season: [...BASS_PHASE_RULES, ...FISH_SIGN_RULES, ...INSHORE_PHASE_RULES],
  overlay: OVERLAY_RULES,
  water: REGIME_RULES,
  food: FOOD_RULES,
  group: [...GROUP_RULES, ...PLACE_GROUP_RULES, ...REGIME_GROUP_RULES],
  depth: GROUP_DEPTH_RULES,
  structure: STRUCTURE_RULES,
  cover: COVER_RULES,
  position: POSITION_RULES,
  spot: SPOT_RULES,
  question: QUESTION_RULES,
  lure: OCCASION_RULES,
  size: SIZE_RULES,
  tone: TONE_RULES,
  colour: FAMILY_RULES,
  blades: [...BLADE_RULES, ...FINISH_RULES],
  sound: SOUND_RULES,
  approach: APPROACH_RULES,
  caution: CAUTION_RULES,
} as const satisfies Readonly<Record<string, readonly Rule<unknown>[]>>;
export type RuleStep = keyof typeof RULES_BY_STEP;

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

const steps = Object.keys(RULES_BY_STEP) as RuleStep[];

/** Every rule of the engine, step by step, in words. */
export const ruleLibrary = (units: UnitSystem): LibraryRule[] =>
  steps.flatMap((step) =>
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
    for (const step of steps) {
      for (const { rule, degree } of fire(RULES_BY_STEP[step] as readonly Rule<unknown>[], facts)) {
        if (!silent.has(rule.id)) held[rule.id] = Math.max(held[rule.id] ?? 0, degree);
      }
    }
  }
  return held;
}
