import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { lookAt, PHONE, says, Stage, textOf, until } from './support/stage';
import { choose } from './support/controls';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const best = (page: Page) => page.getByRole('list', { name: 'Best places' }).getByRole('button');
const chart = async (size?: typeof PHONE): Promise<Page> => {
  const page = await stage.page('/water', size ? { size } : {});
  await best(page).first().waitFor();
  return page;
};
const places = async (page: Page) => (await best(page).allTextContents()).map((text) => text.replace(/\s+/g, ' '));

it('says where to go at first light and at noon, and lists twenty places with when they are good', async () => {
  const page = await chart();
  await says(page.getByRole('heading', { level: 1 }), /First light.*, \d+(½)? ft/);
  const listed = await places(page);
  expect(listed).toHaveLength(20);
  for (const place of listed) expect(place).toMatch(/ft.*(all day|am|pm)/);
  expect(await page.locator('inky-water-map canvas').count()).toBeGreaterThan(0);
  expect(stage.complaints).toEqual([]);
});

it('moves with the hour and with the level of the water', async () => {
  const page = await chart();
  const morning = await places(page);
  await page.getByRole('slider').fill('26');
  await says(page.getByRole('heading', { level: 2, name: /^Best at/ }), 'Best at 12 pm');
  await until('other places stand there', async () => `${await places(page)}` !== `${morning}`);
  const noon = await places(page);
  await page.getByLabel('Level').fill('-4');
  await page.getByLabel('Level').press('Enter');
  await until('lower water changes them', async () => `${await places(page)}` !== `${noon}`);
  await page.getByLabel('Level').fill('4 miles');
  await page.getByLabel('Level').press('Enter');
  await page.getByText('Expected a level within').waitFor();
});

it('keeps to a form, gives reasons, and finds more like a place', async () => {
  const page = await chart();
  await choose(page.getByLabel('Only this structure'), 'secondary point');
  await until('only secondary points stand there', async () =>
    (await places(page)).every((place) => place.includes('Secondary point')),
  );
  await best(page).first().click();
  const spot = page.locator('inky-spot-card');
  await says(spot, /Secondary point.*Good .*Slopes \d+°.*off the bank/);
  expect(await spot.locator('li').count()).toBeGreaterThan(1);
  await spot.getByRole('button', { name: 'More like this' }).click();
  const alike = page.getByRole('list', { name: 'Places alike' });
  await says(alike, /Secondary point.*% alike/);
  await spot.getByRole('button', { name: 'Close' }).click();
  await spot.waitFor({ state: 'detached' });
  await alike.waitFor({ state: 'detached' });
});

it('looks at any place that is pressed on the chart', async () => {
  const page = await chart();
  const box = await page.locator('inky-water-map .box').boundingBox();
  if (!box) throw new Error('no chart');
  // The deep of the lower basin.
  await page.mouse.click(box.x + box.width * 0.56, box.y + box.height * 0.86);
  await says(page.locator('inky-spot-card'), /Good .*Slopes/);
});

it('orders a run that goes on the sheet and out as a GPX route', async () => {
  const page = await chart();
  await page.getByRole('button', { name: 'Take the best six' }).click();
  await page.getByRole('button', { name: 'Order the run' }).click();
  const run = page.locator('inky-run-panel');
  await says(run, /am to .*to it.*Back at Marina ramp/);
  const stops = await run.locator('ol li').count();
  expect(stops).toBeGreaterThan(3);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    run.getByRole('button', { name: 'As a GPX route' }).click(),
  ]);
  const folder = mkdtempSync(join(tmpdir(), 'inky-gpx-'));
  try {
    const gpx = join(folder, 'run.gpx');
    await file.saveAs(gpx);
    expect(readFileSync(gpx, 'utf8').match(/<rtept /g)).toHaveLength(stops);
    // Where an independent reader is installed, it reads as many points of a route.
    const read = spawnSync('gpsbabel', ['-r', '-i', 'gpx', '-f', gpx, '-o', 'unicsv', '-F', '-'], { encoding: 'utf8' });
    if (!read.error) expect(read.stdout.trim().split('\n')).toHaveLength(stops + 1);
  } finally {
    rmSync(folder, { recursive: true });
  }
  await page.getByRole('link', { name: 'Sheet', exact: true }).click();
  const onSheet = page.locator('inky-run-on-sheet');
  await lookAt(page.getByRole('button', { name: 'The day as a table' }));
  await says(onSheet, /Run.*am to .*Back at Marina ramp/);
  expect(await onSheet.locator('li').count()).toBe(stops);
});

it('stands on a phone without going over its edge, and opens again without reading anew', async () => {
  const page = await chart(PHONE);
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(over).toBe(0);
  const before = await textOf(best(page).first());
  await page.getByRole('link', { name: 'Sheet', exact: true }).click();
  await page.locator('.note').waitFor();
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await says(best(page).first(), before);
  expect(stage.complaints).toEqual([]);
});
