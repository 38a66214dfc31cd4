import { Conditions, makePlan } from '@inky-shoal/core';
import { drawTruth, fishTrips } from '@inky-shoal/demo/record';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { caller, CONDITIONS, uuid, WATER } from './safe-common.mjs';

/* global history, dispatchEvent, PopStateEvent */

const TRIPS = 3000;
/** Of them so many were fished with a plan, noted as they went; the rest were brought in afterwards. */
const PLANNED = 300;
const CSV_TRIPS = 1000;
const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
const FIRST_MS = Date.UTC(2012, 0, 1, 12);
const RUNS = 5;
/** The page stands, and has read ahead what it reads ahead. */
const STANDS_MS = 10_000;
const AT_ONCE = 20;

const minutesOf = (clock) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

/** Years of trips as a log holds them: places, lures and bites from a made-up water. */
function events(waterId) {
  const truth = drawTruth(900_301);
  const written = fishTrips(truth, TRIPS / 10, 900_302);
  const plan = { conditions: Conditions.parse(CONDITIONS), plan: makePlan(Conditions.parse(CONDITIONS)) };
  return Array.from({ length: TRIPS }, (_, trip) => {
    const { places, stretches } = written[trip % written.length];
    const own = { tripId: uuid(), deviceId: waterId };
    const atMs = FIRST_MS + trip * 1.7 * DAY_MS;
    const isPlanned = trip >= TRIPS - PLANNED;
    const told = [
      [
        0,
        {
          kind: 'begin',
          name: `Bench pond ${trip}`,
          waterId,
          place: WATER.place,
          plan: isPlanned ? plan : null,
          stops: [],
          aheadMs: 0,
          ...(isPlanned ? {} : { afterwards: true }),
        },
      ],
      ...stretches.flatMap(({ from, place, category, depthM, casts, bites }) => {
        const there = places.find(({ id }) => id === place);
        const fishing = {
          spot: place,
          structure: there.structure,
          cover: there.cover,
          depthM,
          category,
          trim: null,
          paceMps: 0.5,
        };
        const at = minutesOf(from) - 385;
        return [
          [at, { kind: 'effort', casts, fishing }],
          ...Array.from({ length: bites }, (_, bite) => [
            at + 3 * (bite + 1),
            {
              kind: 'contact',
              what: 'landed',
              fishing,
              fish: { species: 'largemouth', lengthMm: 300 + 7 * (trip % 40) },
            },
          ]),
        ];
      }),
      [480, { kind: 'finish' }],
      [481, { kind: 'review', review: { planned: [], done: [], found: [] } }],
    ];
    return told.map(([minute, said], seq) => ({
      ...said,
      ...own,
      id: uuid(),
      seq,
      at: new Date(atMs + minute * MINUTE_MS).toISOString(),
    }));
  });
}

async function fill(call) {
  const ask = async (...parts) => {
    const { status, text } = await call(...parts);
    if (status >= 300) throw new Error(`${parts[1]}: ${status} ${text.slice(0, 200)}`);
  };
  const waterId = uuid();
  await ask('PUT', `/api/books/own/waters/${waterId}`, WATER);
  const trips = events(waterId);
  for (let from = 0; from < trips.length; from += AT_ONCE) {
    await ask('POST', '/api/books/own/trip-events', trips.slice(from, from + AT_ONCE).flat());
  }
}

/** From coming to the log until its sheets are drawn, in a page that stands already, ms. */
const opened = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const start = performance.now();
        history.pushState(null, '', '/log');
        dispatchEvent(new PopStateEvent('popstate'));
        const look = () =>
          document.querySelector('inky-small-sheet')
            ? requestAnimationFrame(() => resolve(performance.now() - start))
            : requestAnimationFrame(look);
        requestAnimationFrame(look);
      }),
  );

/** From the last letter that is sought until the trips that are found are drawn, ms. */
const sought = (page, words) =>
  page.evaluate(
    (text) =>
      new Promise((resolve) => {
        const input = document.querySelector('#search-log');
        const counted = document.querySelector('.counted');
        const before = counted.textContent;
        const start = performance.now();
        input.value = text;
        input.dispatchEvent(new Event('input', { bubbles: true }));
        const look = () =>
          counted.textContent === before
            ? requestAnimationFrame(look)
            : requestAnimationFrame(() => resolve(performance.now() - start));
        requestAnimationFrame(look);
      }),
    words,
  );

/** Rows of trips as another program writes them. */
const csv = () =>
  [
    'date,hours,lure,fish,length in,water temp F',
    ...Array.from({ length: CSV_TRIPS }, (_, trip) => {
      const date = new Date(Date.UTC(1995, 0, 1) + trip * 3 * DAY_MS).toISOString().slice(0, 10);
      return `${date},5,${['spinnerbait', 'finesse jig', 'popper'][trip % 3]},${1 + (trip % 3)},${14 + (trip % 6)},${50 + (trip % 30)}`;
    }),
  ].join('\n');

/** The log of a long life: opened, searched, and a thousand trips more brought in. */
export async function* logRows() {
  const server = await startServer({ outside: null });
  const browser = await launchBrowser();
  try {
    await fill(caller(server));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => localStorage.setItem('inky.book', '"own"'));
    // The trips come to this device once.
    await page.goto(`${server.address}/log`);
    await page.getByText(`${TRIPS} trips:`).waitFor({ timeout: 120_000 });
    const [opens, seeks] = [[], []];
    for (let run = 0; run < RUNS; run++) {
      await page.goto(`${server.address}/settings`);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForTimeout(STANDS_MS);
      opens.push(await opened(page));
      await page.waitForTimeout(1500);
      seeks.push(await sought(page, 'pond 2117'), await sought(page, 'spinnerbait p3'));
    }
    const how = `${TRIPS} trips, ${PLANNED} of them with plans`;
    yield { figure: 'logOpenMs', unit: 'ms', samples: opens, how: `${how}, sheets drawn; wanted under 500` };
    yield { figure: 'logSearchMs', unit: 'ms', samples: seeks, how: `${how}, found drawn; wanted under 100` };
    await page.goto(`${server.address}/underway/bring`);
    await page.locator('#past-text').waitFor();
    await page.waitForTimeout(2000);
    const start = performance.now();
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'trips.csv', mimeType: 'text/csv', buffer: Buffer.from(csv()) });
    await page.getByRole('button', { name: new RegExp(`^Add ${CSV_TRIPS} trips`) }).click();
    await page.waitForURL('**/log');
    const samples = [performance.now() - start];
    yield {
      figure: 'csvTripsMs',
      unit: 'ms',
      samples,
      how: `${CSV_TRIPS} trips from a CSV file, read and kept; wanted under 3000`,
    };
  } finally {
    await browser.close();
    await server.stop();
  }
}
