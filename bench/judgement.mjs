import { Conditions, makePlan, tippingPoints } from '@inky-shoal/core';
import { ruleLibrary } from '@inky-shoal/core/plan/library';
import { DEMO } from '@inky-shoal/demo';
import { ask, DAYS } from './days/index.mjs';

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

/** The days in bench/days, asked once: the shares that hold, and how often each lure comes first. */
function judgedDays() {
  const asked = ask(DAYS);
  const results = asked.flatMap(({ id, results: of }) => of.map((result) => ({ id, ...result })));
  const firsts = new Map();
  for (const { plan } of asked) {
    for (const { presentations } of plan.windows) {
      const [first] = presentations;
      if (first) firsts.set(first.category, (firsts.get(first.category) ?? 0) + 1);
    }
  }
  const windows = [...firsts.values()].reduce((sum, count) => sum + count, 0);
  const [most, count] = [...firsts].sort((a, b) => b[1] - a[1])[0];
  return {
    days: asked.length,
    whole: asked.filter(({ results: of }) => of.every(({ said }) => said === null)).length,
    checks: results.length,
    good: results.filter(({ said }) => said === null).length,
    failed: results.filter(({ said }) => said !== null),
    most,
    mostShare: count / windows,
  };
}

export async function* rows() {
  yield { figure: 'rules', unit: 'rules', samples: [ruleLibrary('us').length], how: 'in the library' };
  const days = judgedDays();
  // Each failure is told: a share alone says nothing of what is wrong.
  for (const { id, why, said } of days.failed) console.error(`${id}: ${why} | ${String(said).slice(0, 300)}`);
  const how = `${days.days} days of bench/days, ${days.checks} checks`;
  yield { figure: 'ownDaysWhole', unit: 'of 1', samples: [days.whole / days.days], how };
  yield { figure: 'ownDaysChecks', unit: 'of 1', samples: [days.good / days.checks], how };
  yield {
    figure: 'mostFirst',
    unit: 'of 1',
    samples: [days.mostShare],
    how: `windows of those days in which one lure, the ${days.most}, comes first; wanted at most 0.15`,
  };
  yield {
    figure: 'planMs',
    unit: 'ms',
    samples: planMs(),
    how: '52 days of the year in Node, 12 runs after warm-up; wanted at most 4',
  };
  yield {
    figure: 'tippingMs',
    unit: 'ms',
    samples: tippingMs(),
    how: 'what would tip the second window, 52 days; wanted at most 60',
  };
}
