import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { asciiGrid, longestTask as heldUp, watchForTasks } from './page-common.mjs';

const best = (page) => page.getByRole('list', { name: 'Best places' }).getByRole('button').first();

/** The chart in the page: opened from the sheet, and one of four million cells brought in from a file. */
export async function* pageRows(fine) {
  const folder = mkdtempSync(join(tmpdir(), 'inky-bench-'));
  const file = join(folder, 'fine.asc');
  writeFileSync(file, asciiGrid(fine));
  const server = await startServer();
  const browser = await launchBrowser();
  try {
    const opened = [];
    for (let run = 0; run < 5; run++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      await page.goto(`${server.address}/sheet`);
      await page.locator('.note').waitFor();
      await page.waitForTimeout(6000);
      const start = performance.now();
      await page.getByRole('link', { name: 'Water', exact: true }).click();
      await page.getByRole('heading', { level: 1, name: /^First light/ }).waitFor();
      await best(page).waitFor();
      opened.push(performance.now() - start);
      await context.close();
    }
    yield {
      figure: 'chartOpenMs',
      unit: 'ms',
      samples: opened,
      how: 'from the plan on the sheet to where to go at first light and at noon; wanted under 2000',
    };

    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript(watchForTasks);
    const page = await context.newPage();
    await page.goto(`${server.address}/water`);
    await best(page).waitFor({ timeout: 60_000 });
    await page.waitForTimeout(3000);
    await page.getByRole('button', { name: 'Draw and files' }).click();
    await page.getByText('Another chart from a file').click();
    await heldUp(page);
    const start = performance.now();
    await page.getByLabel('A file of depths').setInputFiles(file);
    await page.getByText('So read it is').waitFor({ timeout: 120_000 });
    const readMs = performance.now() - start;
    yield {
      figure: 'import4MSeconds',
      unit: 's',
      samples: [readMs / 1000],
      how: 'ASCII grid of four million cells, read and laid',
    };
    await page.getByRole('button', { name: 'Make it the chart' }).click();
    await page.getByText(/The chart of .* is in\./).waitFor({ timeout: 120_000 });
    await page.getByRole('button', { name: 'Where to go' }).click();
    await page.getByText('Reading the chart').waitFor({ state: 'detached', timeout: 120_000 });
    await best(page).waitFor({ timeout: 120_000 });
    await page.waitForTimeout(4000);
    const tasks = [await heldUp(page)];
    await page.getByRole('slider').fill('20');
    await page.waitForTimeout(2500);
    tasks.push(await heldUp(page));
    const box = await page.locator('inky-water-map .box').boundingBox();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    for (let turn = 0; turn < 4; turn++) {
      await page.mouse.wheel(0, -300);
      await page.waitForTimeout(700);
    }
    await page.mouse.down();
    for (let step = 0; step < 20; step++)
      await page.mouse.move(box.x + box.width / 2 - step * 12, box.y + box.height / 2);
    await page.mouse.up();
    await page.waitForTimeout(2500);
    tasks.push(await heldUp(page));
    yield {
      figure: 'pageHeldUpMs',
      unit: 'ms',
      samples: [Math.max(...tasks)],
      how: `longest task of the page, four million cells: brought in ${Math.round(tasks[0])}, another hour ${Math.round(tasks[1])}, nearer and moved ${Math.round(tasks[2])}; 0 is under 50; wanted under 50`,
    };
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true });
  }
}
