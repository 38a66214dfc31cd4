import type { Conditions } from '../contract/conditions.js';
import type { CategoryId } from '../contract/ids.js';
import type { PlanWindow, Presentation } from '../contract/plan.js';
import { categoryOf } from '../lures/categories.js';
import { makePlan } from '../plan/make-plan.js';
import type { UnitSystem } from '../units/units.js';
import type { Way } from './belief.js';

/** How a way is fished in a window of the day. */
export interface WayInWindow {
  readonly presentation: Presentation;
  /** The holding place that it is fished at. */
  readonly holding: PlanWindow['holding'][number] | null;
}

export interface WindowWays {
  readonly from: string;
  readonly to: string;
  readonly limit: WayInWindow | null;
  readonly big: WayInWindow | null;
}

/** Both ways to fish a day, as the planner has them. */
export interface WaysOfDay {
  readonly windows: readonly WindowWays[];
  readonly lures: Readonly<Record<Way, ReadonlySet<CategoryId>>>;
}

function inWindow(window: PlanWindow, not: CategoryId | undefined): WayInWindow | null {
  const { presentations, holding } = window;
  const presentation = presentations.find(({ category }) => category !== not) ?? presentations[0];
  return presentation ? { presentation, holding: holding[0] ?? null } : null;
}

const known = new WeakMap<Conditions, Map<UnitSystem, WaysOfDay>>();

/**
 * Both ways to fish a day: planned once for numbers and once for a big fish. In a window where both plans begin with the
 * same lure the big way is the next of its own: otherwise there would be nothing to change to.
 */
export function waysOf(conditions: Conditions, units: UnitSystem): WaysOfDay {
  const before = known.get(conditions)?.get(units);
  if (before) return before;
  const planned = (goal: NonNullable<Conditions['goal']>) => makePlan({ ...conditions, goal }, { units }).windows;
  const big = planned('big-fish');
  const lures = { limit: new Set<CategoryId>(), big: new Set<CategoryId>() };
  const windows = planned('numbers').map((window, at): WindowWays => {
    const limit = inWindow(window, undefined);
    const other = big[at];
    const forBig = other ? inWindow(other, limit?.presentation.category) : null;
    if (limit) lures.limit.add(limit.presentation.category);
    if (forBig) lures.big.add(forBig.presentation.category);
    return { from: window.from, to: window.to, limit, big: forBig };
  });
  const ways = { windows, lures };
  known.set(conditions, (known.get(conditions) ?? new Map<UnitSystem, WaysOfDay>()).set(units, ways));
  return ways;
}

/** Which way somebody fishes who throws such a lure: by the day's plans, else by what it is for. */
export function wayOfLure({ lures }: WaysOfDay, category: CategoryId): Way {
  if (lures.limit.has(category)) return 'limit';
  return lures.big.has(category) || categoryOf(category).roles.includes('big-fish') ? 'big' : 'limit';
}
