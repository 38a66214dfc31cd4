import type { CategoryId } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import type { Range } from '../contract/plan.js';
import { categoryOf } from '../lures/categories.js';
import { firstChoice, runDepthM } from '../plan/window.js';
import type { DrillKey, HoursHeld } from './key.js';

/** The lures of one window: one's own as it would run in one's own band, and the planner's. */
export interface DrillStrokes {
  readonly from: string;
  readonly to: string;
  /** Null where no band was drawn. */
  readonly ownM: Range | null;
  readonly plannedM: Range | null;
  /** The planner's lure by its name. */
  readonly planned: string | null;
}

/** How the fish lie that a band is over: as at the place that it is nearest to. */
function positionIn({ places }: HoursHeld, [from, to]: Range) {
  const middle = (from + to) / 2;
  const off = ({ depthM }: (typeof places)[number]) => Math.abs((depthM[0] + depthM[1]) / 2 - middle);
  return places.reduce((best, each) => (off(each) < off(best) ? each : best), places[0] as (typeof places)[number]);
}

/** One's own lure and the planner's over the hours of the day, at the depths at which they truly run. */
export function strokesOf(key: DrillKey, category: CategoryId, bandsM: readonly (Range | null)[]): DrillStrokes[] {
  const own = categoryOf(category);
  return key.hours.map((hours, at): DrillStrokes => {
    const window = key.day.windows[at];
    const first = window && firstChoice(key.day, window);
    const band = bandsM[at];
    const ownM =
      band && hours.places.length
        ? runDepthM(own, { depthM: [...band], position: positionIn(hours, band).position }, hours.facts)
        : null;
    return {
      from: hours.from,
      to: hours.to,
      ownM,
      plannedM: first?.runDepthM ?? null,
      planned: first ? nameOf(first.category.id) : null,
    };
  });
}
