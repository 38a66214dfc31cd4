import type { Page } from 'playwright-core';
import { violations } from './support/axe';
import { PHONE, says, Stage, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const cursor = (page: Page) => page.locator('inky-cadence-picture .now').getAttribute('x1');

describe('the cadence', () => {
  it('sounds as the plan moves the lure, and the picture follows the sound', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    await page.getByRole('link', { name: 'Feel the cadence' }).click();
    await page.locator('inky-cadence-picture svg').waitFor();
    await page.getByLabel('Wait, s').fill('3');
    await says(page.locator('inky-cadence-picture'), 'wait 3 s');
    await page.getByRole('button', { name: 'Sound it' }).click();
    await page.locator('inky-cadence-picture .now').waitFor({ state: 'attached' });
    const before = await cursor(page);
    await until('the picture goes with the sound', async () => (await cursor(page)) !== before);
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Silence' }).click();
    await page.locator('inky-cadence-picture .now').waitFor({ state: 'detached' });
    await page.getByLabel('Wait, s').fill('90');
    await says(page.locator('#cadence-pause-problem'), 'Expected 0 to 60 s.');
    expect(stage.complaints).toEqual([]);
  });

  it('is felt without a sound: each wait is told and kept', async () => {
    const page = await stage.page('/cadence', { size: PHONE });
    await page.getByLabel('Wait, s').fill('1');
    for (const ms of [400, 1000, 1600]) {
      await page.getByRole('button', { name: 'Begin the wait' }).click();
      await page.waitForTimeout(ms);
      await page.getByRole('button', { name: 'Now', exact: true }).click();
      await says(page.locator('inky-feel .said'), /early|late|On the second/);
    }
    await says(page.locator('inky-feel'), /over 3 waits/);
    await page.reload();
    await page.getByLabel('Wait, s').fill('1');
    await says(page.locator('inky-feel'), /over 3 waits/);
    await page.getByRole('button', { name: 'Begin anew' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await says(page.locator('inky-feel'), /over 3 waits/);
    expect(await page.locator('inky-feel circle').count()).toBe(3);
    expect(stage.complaints).toEqual([]);
  });

  it('says that there is no sound where the browser has none, and shows it all the same', async () => {
    const page = await stage.page('/sheet', { apart: true });
    await page.addInitScript(() => {
      Object.defineProperty(window, 'AudioContext', { value: undefined });
    });
    await page.goto(`${stage.server.address}/cadence`);
    await page.getByRole('button', { name: 'Sound it' }).click();
    await says(page.locator('.no-sound'), 'This browser makes no sound here');
    await page.locator('inky-cadence-picture svg').waitFor();
  });
});
