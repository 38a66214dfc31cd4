import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { keptBrowser, launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';

/* global indexedDB, navigator */

const PHONE = { width: 390, height: 844 };
const TAPS = 40;
const EVENTS = 10_000;
const STARTS = 5;

const setOut = async (page) => {
  await page.getByRole('button', { name: 'Set out with the plan on the sheet' }).click();
  await page.locator('inky-taps').waitFor();
};

/** From each tap until its note is on the disk, ms. */
async function taps(page) {
  return page.evaluate(async (count) => {
    const target = [...document.querySelectorAll('inky-taps button')].find((each) =>
      each.textContent.includes('casts'),
    );
    const kept = () => performance.getEntriesByName('inky:kept').length;
    const times = [];
    for (let each = 0; each < count; each++) {
      const before = kept();
      const start = performance.now();
      target.click();
      while (kept() === before) await new Promise((resolve) => setTimeout(resolve));
      times.push(performance.getEntriesByName('inky:kept').at(-1).startTime - start);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return times;
  }, TAPS);
}

/** Lays a long season's notes into the browser's database, as they lie there when they wait. */
async function layNotes(page) {
  await page.evaluate(async (count) => {
    const db = await new Promise((resolve, reject) => {
      const request = indexedDB.open('inky-trips-demo');
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
    const all = (store) =>
      new Promise(
        (resolve) => (db.transaction(store).objectStore(store).getAll().onsuccess = (e) => resolve(e.target.result)),
      );
    const like = (await all('events')).find(({ event }) => event.kind === 'effort').event;
    const work = db.transaction('events', 'readwrite');
    for (let n = 0; n < count; n++) {
      const id = `01970000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
      work.objectStore('events').put({ id, event: { ...like, id, seq: 1000 + n }, state: 0 });
    }
    await new Promise((resolve) => (work.oncomplete = resolve));
    db.close();
  }, EVENTS);
}

/** From the first word to the server until it has said that it has all, ms. */
async function sendAll(page, address) {
  await page.reload();
  let had = 0;
  for (let end = Date.now() + 60_000; had < EVENTS && Date.now() < end;) {
    await page.waitForTimeout(500);
    const waiting = await page.locator('.sync').textContent();
    if (!waiting?.includes('All sent')) continue;
    had = 0;
    for (let after = 0, more = true; more;) {
      const news = await (await fetch(`${address}/api/books/demo/trip-events?after=${after}`)).json();
      had += news.events.filter(({ id }) => id.startsWith('01970000')).length;
      ({ more, upTo: after } = news);
    }
  }
  if (had !== EVENTS) throw new Error(`Expected ${EVENTS} events at the server, found ${had}`);
  return page.evaluate(() => {
    const calls = performance
      .getEntriesByType('resource')
      .filter(({ name, initiatorType }) => initiatorType === 'fetch' && name.endsWith('/trip-events'));
    return (
      Math.max(...calls.map(({ responseEnd }) => responseEnd)) - Math.min(...calls.map(({ startTime }) => startTime))
    );
  });
}

/** Browsers that are started anew with no server, on a trip that goes on: from the address to the nine targets, ms. */
async function offlineStarts() {
  const folder = mkdtempSync(join(tmpdir(), 'inky-kept-'));
  const server = await startServer();
  const { address } = server;
  const times = [];
  try {
    const first = await keptBrowser(folder, { viewport: PHONE });
    const page = first.pages()[0];
    await page.goto(`${address}/underway`);
    await setOut(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.waitForTimeout(4000);
    await page.reload();
    await page.locator('inky-taps').waitFor();
    await first.close();
    await server.kill();
    for (let run = 0; run < STARTS; run++) {
      const browser = await keptBrowser(folder, { viewport: PHONE });
      try {
        const opened = browser.pages()[0];
        const start = performance.now();
        await opened.goto(`${address}/underway`);
        await opened.locator('inky-taps').waitFor();
        await opened.locator('.move').waitFor();
        times.push(performance.now() - start);
      } finally {
        await browser.close();
      }
    }
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  return times;
}

/** Underway in the page: taps, the way to the server, the start with no server. */
export async function* pageRows() {
  const server = await startServer();
  const browser = await launchBrowser();
  try {
    const page = await (await browser.newContext({ viewport: PHONE, serviceWorkers: 'block' })).newPage();
    await page.goto(`${server.address}/underway`);
    await setOut(page);
    yield {
      figure: 'tapMs',
      unit: 'ms',
      samples: await taps(page),
      how: 'from the tap until the note is on the disk; wanted under 50',
    };
    await layNotes(page);
    yield {
      figure: 'sync10kMs',
      unit: 'ms',
      samples: [await sendAll(page, server.address)],
      how: 'ten thousand notes that waited, until the server has said that it has the last; wanted under 3000',
    };
  } finally {
    await browser.close();
    await server.stop();
  }
  yield {
    figure: 'offlineStartMs',
    unit: 'ms',
    samples: await offlineStarts(),
    how: 'a browser started anew, no server: to the next move of a trip that goes on; wanted under 2000',
  };
}
