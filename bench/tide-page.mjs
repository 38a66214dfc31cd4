import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { asciiGrid, watchForTasks, longestTask } from './page-common.mjs';

const HOURS = 9;

/** The slider put to a place of its way, until the tide says another hour and the chart has been drawn with it, ms. */
const toAnotherHour = (page, share) =>
  page.evaluate(async (at) => {
    const slider = document.querySelector('input[type=range]');
    const tide = document.querySelector('.tide');
    const before = tide.textContent;
    const value = Math.round(Number(slider.min) + (Number(slider.max) - Number(slider.min)) * at);
    const begun = performance.now();
    slider.value = String(value);
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    slider.dispatchEvent(new Event('change', { bubbles: true }));
    while (tide.textContent === before) await new Promise((resolve) => setTimeout(resolve, 1));
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
    return performance.now() - begun;
  }, share);

/** Another hour of the tide over a million cells, drawn in the page. */
export async function* pageRows(fine) {
  const folder = mkdtempSync(join(tmpdir(), 'inky-bench-'));
  const file = join(folder, 'flat.asc');
  writeFileSync(file, asciiGrid(fine));
  const server = await startServer();
  const browser = await launchBrowser();
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript(watchForTasks);
    const page = await context.newPage();
    page.setDefaultTimeout(120_000);
    await page.goto(`${server.address}/waters`);
    await page.getByRole('button', { name: 'Tern Hollow Sound' }).click();
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await page.locator('inky-moving-water').waitFor();
    await page.getByRole('link', { name: 'Water', exact: true }).click();
    await page.getByRole('button', { name: 'Draw and files' }).click();
    await page.getByText('Another chart from a file').click();
    await page.getByLabel('A file of depths').setInputFiles(file);
    await page.getByRole('button', { name: 'Make it the chart' }).click();
    await page.getByText(/The chart of .* is in\./).waitFor();
    await page.getByRole('button', { name: 'Where to go' }).click();
    await page.getByText('Reading the chart').waitFor({ state: 'detached' });
    await page.locator('.tide').waitFor();
    await page.waitForTimeout(4000);
    await longestTask(page);
    const drawn = [];
    const tasks = [];
    for (let hour = 1; hour <= HOURS; hour++) {
      drawn.push(await toAnotherHour(page, hour / (HOURS + 1)));
      await page.waitForTimeout(1500);
      tasks.push(await longestTask(page));
    }
    yield {
      figure: 'flatHourMs',
      unit: 'ms',
      samples: drawn,
      how: 'from the slider to another hour of tide drawn, a million cells; wanted under 100',
    };
    yield {
      figure: 'flatHourHeldUpMs',
      unit: 'ms',
      samples: tasks,
      how: 'longest task of the page meanwhile; 0 is under 50; wanted under 50',
    };
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true });
  }
}
