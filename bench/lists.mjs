import { CATEGORIES } from '@inky-shoal/core';
import { lurePreset } from '@inky-shoal/core/tackle';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { caller, CONDITIONS, uuid, WATER } from './safe-common.mjs';

const READINGS = 2000;
const PLANS = 60;
const TRIPS = 300;
const PIECES = 5000;
const DAY_MS = 86_400_000;
const RUNS = 5;
/** The page stands, and has read ahead what it reads ahead. */
const STANDS_MS = 10_000;

/** Fills one's own book with some years of all that is listed. */
async function fill(call) {
  const ask = async (...parts) => {
    const { status, text } = await call(...parts);
    if (status >= 300) throw new Error(`${parts[1]}: ${status} ${text.slice(0, 200)}`);
  };
  const water = uuid();
  const first = Date.UTC(2021, 0, 1);
  await ask('PUT', `/api/books/own/waters/${water}`, WATER);
  for (let from = 0; from < READINGS; from += 500) {
    const part = Array.from({ length: 500 }, (_, at) => ({
      id: uuid(),
      at: new Date(first + (from + at) * DAY_MS).toISOString(),
      surfaceTempC: 16 - 11 * Math.cos(((from + at - 25) / 365) * 2 * Math.PI),
    }));
    await ask('PUT', `/api/books/own/waters/${water}/readings`, part);
  }
  for (let plan = 0; plan < PLANS; plan++) {
    const body = { name: `Plan ${plan}`, waterId: water, conditions: CONDITIONS };
    await ask('PUT', `/api/books/own/plans/${uuid()}`, body);
  }
  for (let from = 0; from < TRIPS; from += 50) {
    const events = Array.from({ length: 50 }, (_, trip) => {
      const at = (minute) => new Date(first + (from + trip) * 5 * DAY_MS + minute * 60_000).toISOString();
      const own = { tripId: uuid(), deviceId: water };
      const begin = {
        kind: 'begin',
        name: `Bench pond ${from + trip}`,
        aheadMs: 0,
        place: WATER.place,
        plan: null,
        stops: [],
      };
      return [
        { ...own, id: uuid(), seq: 0, at: at(0), ...begin },
        { ...own, id: uuid(), seq: 1, at: at(60), kind: 'effort', casts: 20, fishing: null },
        { ...own, id: uuid(), seq: 2, at: at(120), kind: 'finish' },
        { ...own, id: uuid(), seq: 3, at: at(121), kind: 'review', review: { planned: [], done: [], found: [] } },
      ];
    }).flat();
    await ask('POST', '/api/books/own/trip-events', events);
  }
  for (let from = 0; from < PIECES; from += 500) {
    const part = Array.from({ length: 500 }, (_, at) => {
      const category = CATEGORIES[(from + at) % CATEGORIES.length];
      return { id: uuid(), item: { ...lurePreset(category), name: `Piece ${from + at}` } };
    });
    await ask('PUT', '/api/books/own/tackle', part);
  }
}

/** Lists by name: where one comes to them, what stands there when they are drawn, and what is sought in them. */
const LISTS = [
  { name: 'readings', path: '/waters', row: 'inky-readings-list tbody tr', search: '#search-readings', words: '2023' },
  { name: 'plans', path: '/plans', row: '.view ul li h2', search: '#search-plans', words: 'Plan 17' },
  { name: 'trips', path: '/underway', row: 'inky-pages', search: 'input[type=search]', words: 'pond 117' },
  { name: 'pieces', path: '/rig/boxes', row: 'p-table tbody tr', search: '#tackle-search', words: 'Piece 4711' },
];

/** From coming to a view until its rows are drawn, in the page that stands already, ms. */
const opened = (page, { path, row }) =>
  page.evaluate(
    ([to, rows]) =>
      new Promise((resolve) => {
        const start = performance.now();
        history.pushState(null, '', to);
        dispatchEvent(new PopStateEvent('popstate'));
        const look = () =>
          document.querySelector(rows) ? resolve(performance.now() - start) : requestAnimationFrame(look);
        requestAnimationFrame(look);
      }),
    [path, row],
  );

/** From the last letter that is sought until the list has changed, ms. */
const sought = (page, { search, row, words }) =>
  page.evaluate(
    ([field, rows, text]) =>
      new Promise((resolve) => {
        const input = document.querySelector(field);
        const list = document.querySelector(rows).closest('.view') ?? document.querySelector('main');
        const before = list.textContent;
        const start = performance.now();
        input.value = text;
        input.dispatchEvent(new Event('input', { bubbles: true }));
        const look = () =>
          list.textContent === before ? requestAnimationFrame(look) : resolve(performance.now() - start);
        requestAnimationFrame(look);
      }),
    [search, row, words],
  );

/* global history, dispatchEvent, PopStateEvent */

export async function* rows() {
  const server = await startServer({ outside: null });
  const browser = await launchBrowser();
  try {
    await fill(caller(server));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => localStorage.setItem('inky.book', '"own"'));
    for (const list of LISTS) {
      const [opens, seeks] = [[], []];
      for (let run = 0; run < RUNS; run++) {
        await page.goto(`${server.address}/settings`);
        await page.getByRole('heading', { level: 1 }).waitFor();
        await page.waitForTimeout(STANDS_MS);
        opens.push(await opened(page, list));
        await page.locator(list.search).waitFor();
        await page.waitForTimeout(300);
        seeks.push(await sought(page, list));
      }
      const how = { readings: READINGS, plans: PLANS, trips: TRIPS, pieces: PIECES }[list.name];
      yield { figure: `${list.name}OpenMs`, unit: 'ms', samples: opens, how: `${how} of them, rows drawn` };
      yield { figure: `${list.name}SeekMs`, unit: 'ms', samples: seeks, how: `${how} of them, list changed` };
    }
  } finally {
    await browser.close();
    await server.stop();
  }
}
