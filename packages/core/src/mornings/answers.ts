import type { CategoryId, ClarityClass, Phase, Structure } from '../contract/ids.js';
import type { PlanWindow } from '../contract/plan.js';
import type { DayWindow } from '../day/windows.js';
import { rejudge, type JudgedDay } from '../plan/judge.js';
import { chooseForWindow, firstOf, tellWindow } from '../plan/window.js';
import type { MorningChange } from './draw.js';

/** What the planner would have one do in a window of a morning. */
export interface MorningWindow {
  readonly first: CategoryId;
  /** The lure that weighs most after it. */
  readonly second: CategoryId | null;
  readonly set: readonly CategoryId[];
  readonly structure: Structure;
  /** At which the first is run, metres. */
  readonly runDepthM: readonly [number, number];
  /** Every lure that may be wanted, by its log-weight under that of the first, which is 0. */
  readonly behind: ReadonlyMap<CategoryId, number>;
}

/** A morning that may come, with what the planner makes of it. */
export interface Morning {
  readonly change: MorningChange;
  /** What of it is read at the ramp: another water where the ramp lies in another zone. */
  readonly seen: MorningChange;
  readonly phase: Phase;
  readonly clarity: ClarityClass;
  /** One for each window of the day as planned; null where nothing suits it. */
  readonly windows: readonly (MorningWindow | null)[];
}

/** The window of a morning in which a window of the plan lies: its light may part the day elsewhere. */
function windowAbout(windows: readonly DayWindow[], { fromMin, toMin }: DayWindow): DayWindow | undefined {
  const middle = (fromMin + toMin) / 2;
  return windows.find((each) => each.fromMin <= middle && middle < each.toMin) ?? windows.at(-1);
}

/** A morning through the planner, whose own code answers; nothing is written out. @param seen what is read of it at the ramp */
export function answerMorning(day: JudgedDay, change: MorningChange, seen: MorningChange = change): Morning {
  const morning = rejudge(day, change);
  return {
    change,
    seen,
    phase: morning.phase.id,
    clarity: morning.clarity.class,
    windows: day.windows.map((planned): MorningWindow | null => {
      const window = windowAbout(morning.windows, planned);
      const chosen = window && chooseForWindow(morning, window, null);
      const first = chosen && firstOf(chosen);
      if (!chosen || !first) return null;
      const { set, weighed } = chosen;
      const top = weighed.find(({ category }) => category.id === first.category.id)?.logWeight ?? 0;
      const others = weighed.filter(({ category }) => category.id !== first.category.id);
      return {
        first: first.category.id,
        second: others[0]?.category.id ?? null,
        set: set.map(({ weighed: { category } }) => category.id),
        structure: first.place.structure,
        runDepthM: first.runDepthM,
        behind: new Map(weighed.map(({ category, logWeight }) => [category.id, Math.min(0, logWeight - top)])),
      };
    }),
  };
}

/** A window of a morning written out as it goes into a plan; null where the day has no such window. */
export function tellMorning(day: JudgedDay, change: MorningChange, index: number): PlanWindow | null {
  const morning = rejudge(day, change);
  const planned = day.windows[index];
  const window = planned && windowAbout(morning.windows, planned);
  return window ? tellWindow(morning, chooseForWindow(morning, window, morning.units), index) : null;
}
