import { Conditions, makePlan, tippingPoints } from '@inky-shoal/core';
import { DEMO } from '@inky-shoal/demo';

const [{ draft }] = DEMO.plans;

/** Fifty-two days of the year, as conditions. */
export const yearOfDays = () =>
  Array.from({ length: 52 }, (_, week) =>
    Conditions.parse({
      ...draft.conditions,
      date: new Date(Date.UTC(2027, 0, 3 + 7 * week)).toISOString().slice(0, 10),
      surfaceTempC: 16 - 12 * Math.cos(((week - 4) / 52) * 2 * Math.PI),
      tempTrendCPerDay: 0.2 * Math.sin(((week - 4) / 52) * 2 * Math.PI),
      window: undefined,
    }),
  );

const timed = (work) => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

/** One full plan in Node, over days of the whole year, after warm-up. */
export function planMs() {
  const days = yearOfDays();
  for (let warm = 0; warm < 8; warm++) days.forEach((day) => makePlan(day));
  return Array.from({ length: 12 }, () => days.map((day) => timed(() => makePlan(day)))).flat();
}

/** The search for what would tip the second window, over the same days. */
function tippingMs() {
  const days = yearOfDays();
  days.slice(0, 8).forEach((day) => tippingPoints(day, 'w2', 'us'));
  return days.map((day) => timed(() => tippingPoints(day, 'w2', 'us')));
}

export async function* rows() {
  yield { figure: 'planMs', unit: 'ms', samples: planMs(), how: '52 days of the year in Node, 12 runs after warm-up' };
  yield {
    figure: 'tippingMs',
    unit: 'ms',
    samples: tippingMs(),
    how: 'what would tip the second window, 52 days; wanted under 1000',
  };
}
