import type { CategoryId } from '../contract/ids.js';
import type { Presentation } from '../contract/plan.js';
import type { JudgedDay } from '../plan/judge.js';
import { tellMorning, type Morning, type MorningWindow } from './answers.js';

/** A window of a morning as something that lures do well or badly in. */
export interface WantedCase {
  /** Index of the morning. */
  readonly morning: number;
  /** How long the window lasts, as a share of the day. */
  readonly share: number;
  readonly window: MorningWindow;
}

/** What mornings want: their windows, and how each lure that is among what is named is advised. */
export interface Wanted {
  readonly mornings: number;
  readonly cases: readonly WantedCase[];
  /** As it is advised on the morning that names it with most weight. */
  readonly presentations: ReadonlyMap<CategoryId, Presentation>;
}

/** Bites go with the planner's log-weights by so much: what records of trips have shown of them. */
export const BITES_BY_WEIGHT = 0.35;
/** What is further behind is not fished. */
const FARTHEST_BEHIND = 5;

/** What a lure brings in a window beside the one that is named first, 0 to 1. */
export const bitesOf = (category: CategoryId, { behind }: MorningWindow): number => {
  const own = behind.get(category);
  return own === undefined || own < -FARTHEST_BEHIND ? 0 : Math.exp(BITES_BY_WEIGHT * own);
};

/** How a lure is advised: told on the morning and in the window that name it with most weight. */
function presentationOf(day: JudgedDay, mornings: readonly Morning[], category: CategoryId): Presentation | null {
  let best: { morning: Morning; index: number } | null = null;
  let most = -Infinity;
  for (const morning of mornings) {
    morning.windows.forEach((window, index) => {
      if (!window?.set.includes(category)) return;
      const weight = window.behind.get(category) ?? -FARTHEST_BEHIND;
      if (weight > most) [best, most] = [{ morning, index }, weight];
    });
  }
  if (!best) return null;
  const { morning, index } = best as { morning: Morning; index: number };
  return tellMorning(day, morning.change, index)?.presentations.find((each) => each.category === category) ?? null;
}

/** What the mornings of a day want. */
export function wantedOn(day: JudgedDay, mornings: readonly Morning[]): Wanted {
  const lasts = day.windows.map(({ fromMin, toMin }) => toMin - fromMin);
  const whole = lasts.reduce((sum, each) => sum + each, 0);
  const cases = mornings.flatMap(({ windows }, morning) =>
    windows.flatMap((window, index): WantedCase[] =>
      window ? [{ morning, share: (lasts[index] as number) / whole, window }] : [],
    ),
  );
  const named = new Set(cases.flatMap(({ window }) => window.set));
  const presentations = new Map(
    [...named].flatMap((category) => {
      const presentation = presentationOf(day, mornings, category);
      return presentation ? [[category, presentation] as const] : [];
    }),
  );
  return { mornings: mornings.length, cases, presentations };
}

/** What several days want together, for one packing: each day counts the same, however many mornings were drawn of it. */
export function wantedTogether(days: readonly Wanted[]): Wanted {
  let before = 0;
  const most = Math.max(0, ...days.map(({ mornings }) => mornings));
  const cases = days.flatMap(({ mornings, cases: own }) => {
    const from = before;
    before += mornings;
    return own.map((each) => ({ ...each, share: (each.share * most) / mornings, morning: from + each.morning }));
  });
  return { mornings: before, cases, presentations: new Map(days.flatMap(({ presentations }) => [...presentations])) };
}
