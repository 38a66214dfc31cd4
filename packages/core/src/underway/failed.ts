import type { Conditions } from '../contract/conditions.js';
import type { Plan, PlanWindow, Presentation } from '../contract/plan.js';
import { makePlan } from '../plan/make-plan.js';
import { MAX_PRESENTATIONS } from '../plan/window.js';
import { windowAt } from './moment.js';

/** Lures that the plan does not name first are looked at once so much was fished for so little. Judgement. */
const FAILED_HOURS = 1.5;
const FAILED_BITES = 1;
/** So many of the ranked catalogue are looked at then. */
const RANKED = 12;

/** Whether what the plan names first has failed: long fished, and hardly a bite. */
export const hasFailed = (stretches: readonly { readonly hours: number; readonly bites: number }[]): boolean =>
  stretches.reduce((sum, { hours }) => sum + hours, 0) >= FAILED_HOURS &&
  stretches.reduce((sum, { bites }) => sum + bites, 0) <= FAILED_BITES;

let last: { readonly of: string; readonly plan: Plan } | null = null;
/** The plan of a day with its lures ranked beyond those that it names; the last one is kept, since a day is asked about again and again. */
function rankedPlan(conditions: Conditions): Plan {
  const of = JSON.stringify(conditions);
  if (last?.of !== of) last = { of, plan: makePlan(conditions, { presentations: RANKED }) };
  return last.plan;
}

/** A window of a day with the lures that its plan names, and those that come after them. */
export interface RankedWindow {
  readonly window: PlanWindow | null;
  readonly named: readonly Presentation[];
  readonly others: readonly Presentation[];
}

/** The window of a minute of a day, its lures ranked beyond those that a plan names. */
export function rankedWindow(conditions: Conditions, minute: number): RankedWindow {
  const window = windowAt(rankedPlan(conditions).windows, minute);
  const presentations = window?.presentations ?? [];
  return { window, named: presentations.slice(0, MAX_PRESENTATIONS), others: presentations.slice(MAX_PRESENTATIONS) };
}
