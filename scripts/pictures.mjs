import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { launchBrowser } from './lib/browser.mjs';
import { startServer } from './lib/server.mjs';
import { ensureInstalled, ensurePageBuilt, ROOT, say } from './lib/workspace.mjs';

const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const openSentence = (page) => page.getByRole('button', { name: /^Sky:/ }).click();
const openZones = (page) => page.getByRole('button', { name: '6 zones' }).click();
const PASTED = [
  'date\ttime\twater\tseen',
  '3/10/2027\t9:00 am\t52.1\t5',
  '3/11/2027\t9:30 am\t53\t5',
  '3/12/2027\t25:00\t53.4\t4.5',
].join('\n');
const pasteRows = async (page) => {
  await page.getByRole('button', { name: 'Several readings at once' }).click();
  await page.locator('#import-text').fill(PASTED);
  await page.getByText('1 that cannot be read').waitFor();
};
const openBeside = async (page) => {
  await page.getByText('Others would do it otherwise').click();
  await page.getByRole('link', { name: 'Beside this plan' }).first().click();
  await page.locator('tbody tr').first().waitFor();
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
  { name: 'sentence', path: '/sheet', ready: '.note', size: WIDE, act: openSentence },
  { name: 'season', path: '/season', ready: 'inky-year-chart canvas', size: WIDE },
  { name: 'season-phone', path: '/season', ready: 'inky-year-chart canvas', size: PHONE },
  { name: 'waters', path: '/waters', ready: 'table', size: WIDE },
  { name: 'waters-phone', path: '/waters', ready: 'table', size: PHONE },
  { name: 'zones', path: '/waters', ready: 'table', size: WIDE, act: openZones },
  { name: 'import', path: '/waters', ready: 'table', size: WIDE, act: pasteRows },
  { name: 'plans', path: '/plans', ready: 'main li', size: WIDE },
  { name: 'plans-phone', path: '/plans', ready: 'main li', size: PHONE },
  { name: 'compare', path: '/plans', ready: 'main li', size: WIDE, act: compareTwo },
  { name: 'beside', path: '/sheet', ready: '.note', size: WIDE, act: openBeside },
  { name: 'rules', path: '/sheet', ready: '.note', size: WIDE, act: openRules },
  { name: 'rules-phone', path: '/sheet', ready: '.note', size: PHONE, act: openRules },
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
