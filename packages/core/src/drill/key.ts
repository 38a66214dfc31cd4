import type { Cover, Position, Structure } from '../contract/ids.js';
import type { Range } from '../contract/plan.js';
import { clockOf } from '../day/windows.js';
import { judgeDay, type JudgedDay } from '../plan/judge.js';
import { chooseForWindow, tellWindow, windowGrounds, type ChosenWindow } from '../plan/window.js';
import type { Facts } from '../rules/facts.js';
import type { UnitSystem } from '../units/units.js';
import type { Scene } from './scene.js';

/** Where the planner has the fish in one window of the day. */
export interface HoursHeld {
  readonly from: string;
  readonly to: string;
  readonly fromMin: number;
  readonly toMin: number;
  readonly facts: Facts;
  readonly places: readonly {
    readonly structure: Structure;
    readonly cover: Cover;
    readonly position: Position;
    readonly depthM: Range;
    readonly weight: number;
  }[];
}

/** What the planner makes of a scene: what answers are set against. */
export interface DrillKey {
  readonly day: JudgedDay;
  /** The window that is asked about. */
  readonly index: number;
  readonly chosen: ChosenWindow;
  readonly told: ReturnType<typeof tellWindow>;
  /** Every window of the day, for what is asked over its hours. */
  readonly hours: readonly HoursHeld[];
  readonly units: UnitSystem;
}

/** Which window of a day a scene asks about. */
export function askedWindow({ windows }: JudgedDay, { at, minute }: Scene): number {
  const of = minute === undefined ? -1 : windows.findIndex(({ fromMin, toMin }) => minute >= fromMin && minute < toMin);
  return of >= 0 ? of : Math.min(windows.length - 1, Math.floor(at * windows.length));
}

/** The planner's own answer to a scene. @throws Error where the day has no window, or none of its lures suits it */
export function keyOf(scene: Scene, units: UnitSystem): DrillKey {
  const day = judgeDay(scene.conditions, units);
  const index = askedWindow(day, scene);
  const window = day.windows[index];
  if (!window) throw new Error('a day without a window cannot be drilled');
  const chosen = chooseForWindow(day, window, units);
  const told = tellWindow(day, chosen, index);
  if (!told.holding.length || !told.presentations.length) throw new Error('a day without a lure cannot be drilled');
  const hours = windowGrounds(day).map(({ facts, places }, at): HoursHeld => {
    const { fromMin = 0, toMin = 0 } = day.windows[at] ?? {};
    return { from: clockOf(fromMin), to: clockOf(toMin), fromMin, toMin, facts, places };
  });
  return { day, index, chosen, told, hours, units };
}
