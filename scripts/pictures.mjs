import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { launchBrowser } from './lib/browser.mjs';
import { startServer } from './lib/server.mjs';
import { ensureInstalled, ensurePageBuilt, ROOT, say } from './lib/workspace.mjs';

const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const benchOf = async (page) => {
  await page.goto(new URL('/rig', page.url()).href);
  await page.getByRole('link', { name: /^How deep it runs: Flat-sided/ }).click();
  await page.locator('inky-path-picture canvas').waitFor();
};
const orderRun = async (page) => {
  await page.getByRole('button', { name: 'Take the best six' }).click();
  await page.getByRole('button', { name: 'Order the run' }).click();
  await page.getByRole('button', { name: 'As a GPX route' }).waitFor();
  await page.locator('.list li button').first().click();
  await page.waitForTimeout(2500);
};
const openRules = async (page) => {
  await page.goto(new URL('/rules', page.url()).href);
  await page.locator('main li.holds').first().waitFor();
};
/** The day counts, and the week before it was practice. */
const makeItCount = async (page) => {
  await page.getByLabel('This day counts').check();
  await page.getByLabel('Practice days').fill('14');
  await page.locator('.spots li').first().waitFor();
};
/** Eight seconds of a cold morning. */
const soundJerkbait = async (page) => {
  await page.getByLabel('Wait, s').fill('8');
  await page.getByRole('button', { name: 'Sound it' }).click();
  await page.waitForTimeout(4000);
};
/** A morning on the water: what is noted comes at its time. */
const fishMorning = async (page) => {
  const tap = (name) => page.locator('inky-taps').getByRole('button', { name }).click();
  const wait = (minutes) => page.evaluate((ms) => (window.aheadMs += ms), minutes * 60_000);
  await page.getByRole('button', { name: 'Set out with the plan on the sheet' }).click();
  await page.locator('inky-taps').waitFor();
  // Another look is offered where it suits the hour, and is not worn already.
  const no = page.getByRole('button', { name: 'No', exact: true });
  if (await no.count()) await no.click();
  for (const [minutes, name] of [
    [14, '20 casts'],
    [9, 'Follow'],
    [6, '20 casts'],
    [11, 'Short'],
    [4, 'Bait'],
    [9, 'Short'],
  ]) {
    await wait(minutes);
    await tap(name);
  }
  await wait(1);
  await page.locator('inky-next-move').waitFor();
  await page.waitForTimeout(1500);
};

/** A day judged down to the lure, so that both bands and the strokes stand on its picture. */
const judgeDay = async (page) => {
  for (let step = 0; step < 6; step++) {
    const sheet = page.locator('inky-band-picture svg.open');
    if (await sheet.count()) {
      await sheet.scrollIntoViewIfNeeded();
      const box = await sheet.boundingBox();
      await page.mouse.move(box.x + box.width * 0.15, box.y + box.height * 0.1);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.4, { steps: 4 });
      await page.mouse.up();
      await page.getByRole('button', { name: 'There', exact: true }).click();
    } else await page.locator('.options button').nth(1).click();
    await page.waitForTimeout(600);
  }
  await page.locator('.plan-stroke').first().waitFor({ state: 'attached' });
  await page.waitForTimeout(300);
};

/** One picture a view, from the demo data. */
const PICTURES = [
  { name: 'sheet', path: '/sheet', ready: '.note', size: WIDE },
  { name: 'sheet-phone', path: '/sheet', ready: '.note', size: PHONE },
  { name: 'water', path: '/water', ready: '.list li button', size: WIDE, act: orderRun },
  { name: 'water-phone', path: '/water', ready: '.list li button', size: PHONE },
  { name: 'season', path: '/season', ready: 'inky-year-chart canvas[role=img]', size: WIDE },
  { name: 'season-phone', path: '/season', ready: 'inky-year-chart canvas[role=img]', size: PHONE },
  { name: 'mornings-phone', path: '/mornings', ready: 'inky-ramp-card .end', size: PHONE },
  { name: 'competition-phone', path: '/competition', ready: 'inky-check', size: PHONE, act: makeItCount },
  { name: 'cadence-phone', path: '/cadence', ready: 'inky-cadence-picture svg', size: PHONE, act: soundJerkbait },
  { name: 'rig', path: '/rig', ready: 'inky-rods li', size: WIDE },
  { name: 'boxes', path: '/rig/boxes', ready: '.piece', size: WIDE },
  { name: 'bench', path: '/rig', ready: 'inky-rods li', size: WIDE, act: benchOf },
  { name: 'underway', path: '/underway', ready: 'inky-trip-start .wide', size: WIDE, act: fishMorning },
  { name: 'underway-phone', path: '/underway', ready: 'inky-trip-start .wide', size: PHONE, act: fishMorning },
  { name: 'log', path: '/log', ready: 'inky-small-sheet', size: WIDE },
  { name: 'log-phone', path: '/log', ready: 'inky-small-sheet', size: PHONE },
  { name: 'plans', path: '/plans', ready: 'main li', size: WIDE },
  { name: 'rules', path: '/sheet', ready: '.note', size: WIDE, act: openRules },
  { name: 'drill-phone', path: '/drill/day', ready: '#asked', size: PHONE, act: judgeDay },
];

ensureInstalled();
ensurePageBuilt();
const [folder = 'docs/screenshots', only] = process.argv.slice(2);
// A folder of one's own may lie anywhere.
const target = resolve(ROOT, folder);
mkdirSync(target, { recursive: true });
const server = await startServer();
const browser = await launchBrowser();
try {
  for (const { name, path, ready, size, act } of PICTURES) {
    if (only && !name.includes(only)) continue;
    const context = await browser.newContext({ viewport: size, locale: 'en-GB', serviceWorkers: 'block' });
    await context.addInitScript(
      (settings) => localStorage.setItem('inky.settings', settings),
      JSON.stringify({ units: 'us', look: 'paper' }),
    );
    const page = await context.newPage();
    page.on('console', (message) => message.type() === 'error' && say(`${name}: ${message.text()}`));
    page.on('pageerror', (error) => say(`${name}: ${error.message}`));
    // The page's clock can be put ahead, so that a morning goes by in a moment.
    await page.addInitScript(() => {
      const real = Date.now;
      window.aheadMs = 0;
      Date.now = () => real() + window.aheadMs;
    });
    // A trip goes on wherever its book is opened: each picture of one has a book of its own.
    const own = act === fishMorning ? await startServer() : null;
    await page.goto((own ?? server).address + path);
    await page.locator(ready).first().waitFor();
    await act?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(300);
    await page.screenshot({ path: join(target, `${name}.png`) });
    say(`${folder}/${name}.png`);
    await context.close();
    await own?.stop();
  }
} finally {
  await browser.close();
  await server.stop();
}
