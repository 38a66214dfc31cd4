import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Conditions, makePlan, ruleLibrary, tippingPoints } from '@inky-shoal/core';
import { DEMO } from '@inky-shoal/demo';
import { ROOT } from '../scripts/lib/workspace.mjs';

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

/** What applies the rules: facts, conditions, places, weighing, choosing, trimming, moving, rigging, windows, turns. */
const ENGINE = [
  'rules/facts',
  'rules/fuzzy',
  'rules/rule',
  'place/place',
  'presentation/aspects',
  'presentation/score',
  'presentation/choose',
  'trim/trim',
  'retrieve/retrieve',
  'rig/rig',
  'plan/judge',
  'plan/window',
  'plan/make-plan',
  'plan/if-then',
];

/** Lines of the engine's own code: no rules or lists of them, no imports, comments or blank lines. */
function engineLines() {
  return ENGINE.map((name) => readFileSync(join(ROOT, `packages/core/src/${name}.ts`), 'utf8'))
    .map((text) => text.replace(/\/\*[\s\S]*?\*\//g, '').replace(/^import[\s\S]*?;$/gm, ''))
    .join('\n')
    .split('\n')
    .filter((line) => line.trim() && !line.trim().startsWith('//')).length;
}

export async function* rows() {
  yield { figure: 'rules', unit: 'rules', samples: [ruleLibrary('us').length], how: 'in the library' };
  yield {
    figure: 'engineLines',
    unit: 'lines',
    samples: [engineLines()],
    how: `${ENGINE.length} files that apply the rules; wanted under 1200`,
  };
  yield { figure: 'planMs', unit: 'ms', samples: planMs(), how: '52 days of the year in Node, 12 runs after warm-up' };
  yield {
    figure: 'tippingMs',
    unit: 'ms',
    samples: tippingMs(),
    how: 'what would tip the second window, 52 days; wanted under 1000',
  };
}
