import { CATEGORIES, Conditions, makePlan } from '@inky-shoal/core';
import { matchTackle } from '@inky-shoal/core/tackle/match';
import { calculate } from '@inky-shoal/core/mechanics';
import { lurePreset, presetOf, readTackleCsv, searchTackle, tackleIndex, tackleToCsv } from '@inky-shoal/core/tackle';
import { DEMO } from '@inky-shoal/demo';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';

const timed = (work) => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const idOf = (number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`;

/** A cast's whole path, the lure calibrated anew each time: no two stated depths are the same. */
function castPathMs() {
  const run = (at) =>
    calculate('running-depth', {
      lure: { kind: 'diving', statedDepthM: 1 + ((at * 0.0713) % 7), statedFor: { castM: 35 } },
      line: { material: at % 2 ? 'nylon' : 'fluorocarbon', testLb: 8 + (at % 12) },
      castM: 25 + (at % 20),
      strikeZoneM: [1, 3],
    });
  for (let at = 0; at < 60; at++) run(at + 0.5);
  return Array.from({ length: 200 }, (_, at) => timed(() => run(at)));
}

const POWERS = ['medium', 'medium-heavy', 'medium', 'heavy'];
const ACTIONS = ['moderate', 'moderate-fast', 'fast', 'fast'];
/** Eight rods with reels and lines of many sorts. */
const COMBOS = Array.from({ length: 8 }, (_, at) => [
  {
    id: idOf(at),
    ...presetOf('rod'),
    name: `Rod ${at}`,
    power: POWERS[at % 4],
    rodAction: ACTIONS[at % 4],
    reelId: idOf(100 + at),
  },
  { id: idOf(100 + at), ...presetOf('reel'), name: `Reel ${at}`, ratio: 5.4 + 0.4 * at, lineId: idOf(200 + at) },
  {
    id: idOf(200 + at),
    ...presetOf('line'),
    name: `Line ${at}`,
    material: ['fluorocarbon', 'nylon', 'braid'][at % 3],
    testLb: 10 + 2 * at,
  },
]).flat();
const SPARE = { id: idOf(300), ...presetOf('line'), name: 'Spare', material: 'fluorocarbon', testLb: 10 };

/** Twelve lures to eight combos: lures stated to other depths each time, so that no reach is known beforehand. */
function matchMs() {
  const conditions = Conditions.parse({ ...DEMO.plans[0].draft.conditions, maxRods: 12 });
  const plan = makePlan(conditions, { presentations: 12 });
  const categories = [
    ...new Set(plan.windows.flatMap(({ presentations }) => presentations.map(({ category }) => category))),
  ].slice(0, 12);
  const lures = (run) =>
    categories.map((category, at) => {
      const preset = lurePreset(category);
      const stated =
        preset.statedDepthM === undefined ? {} : { statedDepthM: preset.statedDepthM * (0.9 + 0.001 * run) };
      return { id: idOf(400 + at), ...preset, ...stated };
    });
  const run = (at) =>
    matchTackle(plan, [...lures(at), ...COMBOS, SPARE], { maxRods: 8, units: 'us', date: '2027-03-13' });
  for (let at = 0; at < 15; at++) run(100 + at);
  return { lures: categories.length, samples: Array.from({ length: 40 }, (_, at) => timed(() => run(at))) };
}

const heap = () =>
  Array.from({ length: 5000 }, (_, at) => {
    const preset = lurePreset(CATEGORIES[at % CATEGORIES.length]);
    return { id: idOf(10_000 + at), ...preset, name: `${preset.name} ${at}`, box: `Box ${at % 40}` };
  });

function search5000Ms() {
  const index = tackleIndex(heap());
  const words = ['popper', 'square bill box 7', '3/8oz', 'red', 'jerkbait 4', 'zzz', ''];
  return Array.from({ length: 210 }, (_, at) => timed(() => searchTackle(index, words[at % words.length])));
}

/** From the file chosen to all of it told as taken in, in the page, and the longest that the page was held up meanwhile. */
async function import5000(browser, address) {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.addInitScript(() => {
    window.longest = 0;
    new PerformanceObserver((list) =>
      list.getEntries().forEach(({ duration }) => (window.longest = Math.max(window.longest, duration))),
    ).observe({ entryTypes: ['longtask'] });
  });
  await page.goto(`${address}/rig/boxes`);
  await page.locator('.piece').first().waitFor();
  await page.getByRole('button', { name: 'From a file' }).click();
  const buffer = Buffer.from(tackleToCsv(heap()));
  await page.evaluate(() => (window.longest = 0));
  const start = performance.now();
  await page.locator('input[type=file]').setInputFiles({ name: 'heap.csv', mimeType: 'text/csv', buffer });
  const take = page.getByRole('button', { name: /Take in 5000 pieces|Take in \d+ pieces/ });
  await take.waitFor();
  await take.click();
  await page.getByText(/taken in\./).waitFor();
  const elapsed = performance.now() - start;
  const longest = await page.evaluate(() => window.longest);
  await page.locator('.piece').first().waitFor();
  const typed = await page.evaluate(
    () =>
      new Promise((resolve) => {
        const field = document.querySelector('#tackle-search');
        const from = performance.now();
        field.value = 'popper 4';
        field.dispatchEvent(new Event('input', { bubbles: true }));
        requestAnimationFrame(() => requestAnimationFrame(() => resolve(performance.now() - from)));
      }),
  );
  await context.close();
  return { elapsed, longest, typed };
}

export async function* rows() {
  yield {
    figure: 'castPathMs',
    unit: 'ms',
    samples: castPathMs(),
    how: 'a lure calibrated and its cast followed, Node; wanted under 10',
  };
  const { lures, samples } = matchMs();
  yield {
    figure: 'matchMs',
    unit: 'ms',
    samples,
    how: `${lures} lures to 8 combos and a spare line, reach reckoned anew; wanted under 20`,
  };
  yield {
    figure: 'search5000Ms',
    unit: 'ms',
    samples: search5000Ms(),
    how: '5,000 pieces, seven searches in turn; wanted under 50',
  };
  yield {
    figure: 'readCsv5000Ms',
    unit: 'ms',
    samples: Array.from({ length: 5 }, () =>
      timed(() => readTackleCsv(tackleToCsv(heap()), { owned: [], newId: () => idOf(1) })),
    ),
    how: '5,000 pieces written and read as CSV, Node',
  };
  const browser = await launchBrowser();
  const runs = [];
  try {
    for (let run = 0; run < 3; run++) {
      const server = await startServer();
      try {
        runs.push(await import5000(browser, server.address));
      } finally {
        await server.stop();
      }
    }
  } finally {
    await browser.close();
  }
  yield {
    figure: 'import5000Ms',
    unit: 'ms',
    samples: runs.map(({ elapsed }) => elapsed),
    how: 'file chosen to all taken in, in the page; wanted under 3000',
  };
  yield {
    figure: 'importHeldMs',
    unit: 'ms',
    samples: runs.map(({ longest }) => longest),
    how: 'longest task of the page meanwhile',
  };
  yield {
    figure: 'searchPageMs',
    unit: 'ms',
    samples: runs.map(({ typed }) => typed),
    how: 'typed to drawn with 5,000 pieces, two frames included',
  };
}
