import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
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
const balanceOf = async (page) => {
  await page.getByLabel('Lure', { exact: true }).selectOption({ label: 'Jerkbait, ghost shad' });
  await page.getByLabel('Rear treble now').selectOption('4');
  await page.getByLabel('Wanted', { exact: true }).selectOption('slow-rise');
  await page.getByText('To make it so').waitFor();
};
const orderRun = async (page) => {
  await page.getByRole('button', { name: 'Take the best six' }).click();
  await page.getByRole('button', { name: 'Order the run' }).click();
  await page.getByRole('button', { name: 'As a GPX route' }).waitFor();
  await page.locator('.list li button').first().click();
  await page.waitForTimeout(2500);
};
const drawMark = async (page) => {
  await page.getByRole('button', { name: 'Draw and files' }).click();
  await page.getByText('What is drawn').click();
  await page.getByRole('button', { name: 'Ditch bend (mark)' }).click();
  await page.getByText('What is drawn').click();
  await page.getByText('They cross at').waitFor();
  await page.waitForTimeout(2500);
};
const openRules = async (page) => {
  await page.goto(new URL('/rules', page.url()).href);
  await page.locator('main li.holds').first().waitFor();
};
const compareTwo = async (page) => {
  const boxes = page.getByRole('checkbox');
  await boxes.nth(0).check();
  await boxes.nth(1).check();
  await page.getByRole('link', { name: 'Compare the two' }).click();
  await page.getByRole('row', { name: /Answer/ }).waitFor();
};

/** One picture a view, from the demo data. */
const PICTURES = [
  { name: 'sheet', path: '/sheet', ready: '.note', size: WIDE },
  { name: 'sheet-phone', path: '/sheet', ready: '.note', size: PHONE },
  { name: 'sheet-night', path: '/sheet', ready: '.note', size: WIDE, look: 'night' },
  { name: 'sheet-glare-phone', path: '/sheet', ready: '.note', size: PHONE, look: 'glare' },
  { name: 'water', path: '/water', ready: '.list li button', size: WIDE, act: orderRun },
  { name: 'water-phone', path: '/water', ready: '.list li button', size: PHONE },
  { name: 'water-draw', path: '/water', ready: '.list li button', size: WIDE, act: drawMark },
  { name: 'season', path: '/season', ready: 'inky-year-chart canvas', size: WIDE },
  { name: 'season-phone', path: '/season', ready: 'inky-year-chart canvas', size: PHONE },
  { name: 'waters', path: '/waters', ready: 'table', size: WIDE },
  { name: 'rig', path: '/rig', ready: 'inky-rods li', size: WIDE },
  { name: 'rig-phone', path: '/rig', ready: 'inky-rods li', size: PHONE },
  { name: 'boxes', path: '/rig/boxes', ready: '.piece', size: WIDE },
  { name: 'bench', path: '/rig', ready: 'inky-rods li', size: WIDE, act: benchOf },
  { name: 'balance', path: '/rig/bench/balance', ready: 'svg .body', size: WIDE, act: balanceOf },
  { name: 'plans', path: '/plans', ready: 'main li', size: WIDE },
  { name: 'compare', path: '/plans', ready: 'main li', size: WIDE, act: compareTwo },
  { name: 'rules', path: '/sheet', ready: '.note', size: WIDE, act: openRules },
  { name: 'settings', path: '/settings', ready: 'main h2', size: WIDE },
];

ensureInstalled();
ensurePageBuilt();
const [folder = 'docs/screenshots', only] = process.argv.slice(2);
mkdirSync(join(ROOT, folder), { recursive: true });
const server = await startServer();
const browser = await launchBrowser();
try {
  for (const { name, path, ready, size, look = 'paper', act } of PICTURES) {
    if (only && !name.includes(only)) continue;
    const context = await browser.newContext({ viewport: size, locale: 'en-GB' });
    await context.addInitScript(
      (settings) => localStorage.setItem('inky.settings', settings),
      JSON.stringify({ units: 'us', look }),
    );
    const page = await context.newPage();
    page.on('console', (message) => message.type() === 'error' && say(`${name}: ${message.text()}`));
    page.on('pageerror', (error) => say(`${name}: ${error.message}`));
    await page.goto(server.address + path);
    await page.locator(ready).first().waitFor();
    await act?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(300);
    await page.screenshot({ path: join(ROOT, folder, `${name}.png`) });
    say(`${folder}/${name}.png`);
    await context.close();
  }
} finally {
  await browser.close();
  await server.stop();
}
