import type { Plan, PlanWindow, Presentation } from '../../contract/plan.js';
import { minutesOfHours } from '../../day/windows.js';

/** A piece of advice of a plan over the whole day: what to tie on, how much it is worth, and when. */
export interface DayAdvice {
  readonly presentation: Presentation;
  /** Of the best of the day, 0 to 1. */
  readonly worth: number;
  readonly windows: readonly PlanWindow[];
  /** Where it must go in the window in which it goes deepest, in m. */
  readonly deepestM: Presentation['runDepthM'];
}

/** Lures of a day that are thought about. */
const MAX_ADVICE = 12;

const minutes = (window: PlanWindow): number => {
  const { fromMin, toMin } = minutesOfHours(window);
  return Math.max(15, toMin - fromMin);
};

/**
 * Every category that a plan names, once: worth its scores by the time they hold, said as in the window where it scores
 * most. The most worth first.
 */
export function adviceOf({ windows }: Plan): DayAdvice[] {
  const byCategory = new Map<
    string,
    { best: Presentation; total: number; windows: PlanWindow[]; deepestM: Presentation['runDepthM'] }
  >();
  for (const window of windows) {
    for (const presentation of window.presentations) {
      const known = byCategory.get(presentation.category);
      const total = (known?.total ?? 0) + presentation.score * minutes(window);
      const best = known && known.best.score >= presentation.score ? known.best : presentation;
      const deeper = !known || presentation.runDepthM[0] > known.deepestM[0];
      const deepestM = deeper ? presentation.runDepthM : known.deepestM;
      byCategory.set(presentation.category, { best, total, windows: [...(known?.windows ?? []), window], deepestM });
    }
  }
  const all = [...byCategory.values()].sort((a, b) => b.total - a.total).slice(0, MAX_ADVICE);
  const most = all[0]?.total ?? 1;
  return all.map(({ best, total, windows: when, deepestM }) => ({
    presentation: best,
    worth: total / most,
    windows: when,
    deepestM,
  }));
}
