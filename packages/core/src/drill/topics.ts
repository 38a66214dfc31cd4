import type { Reason } from '../contract/plan.js';
import { capital, nameOf } from '../contract/names.js';
import type { PracticeStep, DrillStep } from '../contract/practice.js';
import { RULES_BY_STEP, type RuleStep } from '../plan/rules-by-step.js';
import { reasonsOf, strongest, type Rule } from '../rules/rule.js';
import { inUnits, type UnitSystem } from '../units/units.js';
import { classesOf, tonesOf } from './grading/lure.js';
import type { DrillKey } from './key.js';

/** Rules that speak of a step, beside those that are told with it. */
const RULES_OF: Readonly<Partial<Record<DrillStep, readonly RuleStep[]>>> = {
  where: ['structure', 'cover'],
  depth: ['group', 'depth', 'position'],
  lure: ['lure'],
};
/** Water is cold or warm to a wait beyond these, degrees Celsius. */
const COLD_C = 10;
const WARM_C = 18;

const idsOf = new Map<DrillStep, ReadonlySet<string>>(
  (Object.entries(RULES_OF) as [DrillStep, readonly RuleStep[]][]).map(([step, steps]) => [
    step,
    new Set(steps.flatMap((each) => (RULES_BY_STEP[each] as readonly Rule<unknown>[]).map(({ id }) => id))),
  ]),
);

/** The rule that speaks loudest: of those of the step, else of any. */
function loudest(step: DrillStep, reasons: readonly Reason[]): string {
  const own = idsOf.get(step);
  return (reasons.find(({ rule }) => !own || own.has(rule)) ?? reasons[0])?.rule ?? 'plain';
}

/** What a step is about that a day does not have. */
const NONE = 'none';

/** Whether a day has what a topic is about. */
export const isTopic = (topic: string): boolean => !topic.endsWith(`/${NONE}`);

const waterOf = (surfaceTempC: number): string =>
  surfaceTempC < COLD_C ? 'cold' : surfaceTempC < WARM_C ? 'cool' : 'warm';

function ofStep(key: DrillKey, step: DrillStep): string {
  const { day, told, chosen, units } = key;
  const [place] = told.holding;
  const [presentation] = told.presentations;
  switch (step) {
    case 'phase':
      return loudest(step, day.phase.because);
    case 'regime':
      return loudest(step, day.clarity.because);
    case 'food':
      return loudest(step, day.food[0]?.because ?? []);
    case 'where':
    case 'depth':
      return loudest(step, place?.because ?? []);
    case 'lure':
      return loudest(step, presentation?.because ?? []);
    case 'class':
      return classesOf(key).length ? (presentation?.category ?? NONE) : NONE;
    case 'trim': {
      const tone = presentation?.colour.tone ?? 'natural';
      const { fired } = tonesOf(key);
      return loudest(step, strongest(reasonsOf(fired, ({ [tone]: vote = 0 }, degree) => degree * vote, units)));
    }
    case 'pause':
      return `${presentation?.retrieve.style ?? 'steady'}-${waterOf(day.conditions.surfaceTempC)}`;
    case 'rig':
      return chosen.set[0]?.weighed.category.fished ?? 'swum';
  }
}

/** What a step of a day is about: the step and the rule that speaks loudest for the planner's own answer to it. */
export const topicOf = (key: DrillKey, step: DrillStep): string => `${step}/${ofStep(key, step)}`;

let texts: Map<string, string> | undefined;
const textOf = (rule: string): string | undefined =>
  (texts ??= new Map(
    Object.values(RULES_BY_STEP).flatMap((rules: readonly Rule<unknown>[]) => rules.map(({ id, text }) => [id, text])),
  )).get(rule);

/** The steps, in a word. */
export const STEP_NAMES: Readonly<Record<PracticeStep, string>> = {
  phase: 'Phase',
  regime: 'Water',
  food: 'Food',
  where: 'Where',
  depth: 'Depth',
  lure: 'Lure',
  class: 'Class',
  trim: 'Colour',
  pause: 'Wait',
  rig: 'Rig',
  turn: 'Turned round',
  spot: 'On the chart',
};

const isStep = (step: string): step is PracticeStep => step in STEP_NAMES;

/** A topic in words: its step, and what is to be known of it. */
export function topicWords(topic: string, units: UnitSystem): string {
  const at = topic.indexOf('/');
  const [step, what] = [topic.slice(0, at), topic.slice(at + 1)];
  if (!isStep(step)) return capital(nameOf(topic));
  const rule = textOf(what);
  if (rule) return `${STEP_NAMES[step]}: ${inUnits(rule, units)}`;
  if (step === 'pause') {
    const style = what.slice(0, what.lastIndexOf('-'));
    return `${STEP_NAMES[step]}: ${nameOf(style)} in ${what.slice(what.lastIndexOf('-') + 1)} water`;
  }
  if (step === 'rig') return `${STEP_NAMES[step]}: for what is ${nameOf(what)}`;
  return `${STEP_NAMES[step]}: ${nameOf(what)}`;
}
