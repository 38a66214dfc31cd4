import type { Page } from 'playwright-core';
import { violations } from './support/axe';
import { choose } from './support/controls';
import { PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set({ pastTrips: true });
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const box = (page: Page) => page.locator('inky-five-best .box');

/** A fish is landed, and weighed in the user's units. */
async function land(page: Page, weight: string): Promise<void> {
  await page.locator('inky-taps').getByRole('button', { name: 'Landed' }).click();
  await page
    .getByLabel(/^Weight/)
    .first()
    .fill(weight);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
}

describe('a day that counts', () => {
  it('says when to change over, with its odds, and keeps its rules; what cannot be is said and changes nothing', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    await page.getByRole('link', { name: 'It is a competition' }).click();
    await page.getByLabel('This day counts').check();
    await says(page.locator('h1'), /^(Fish for a|Change over)/);
    await says(page.locator('header + p'), /lb at the end as a rule, .* on eight days of ten/);
    await page.getByLabel('Fish that count').fill('0');
    await says(page.locator('#competition-limit-problem'), 'Expected 1 to 20, got 0.');
    await page.getByLabel('Fish that count').fill('3');
    await choose(page.getByLabel('Ranked by'), 'length');
    await says(page.locator('header + p'), / in at the end as a rule, .* in on eight days of ten/);
    await page.getByLabel('Practice days').fill('14');
    await says(page.locator('section[aria-labelledby=practice]'), /\d+ of 100 of what (it|they) showed still holds/);
    expect(await page.locator('.spots li').count()).toBeGreaterThan(0);
    expect(await violations(page)).toEqual([]);
    await page.reload();
    expect(await page.getByLabel('Fish that count').inputValue()).toBe('3');
    expect(stage.complaints).toEqual([]);
  });

  it('is told anew underway with every fish: the box, what the next must beat, when to change over', async () => {
    const page = await stage.page('/competition', { size: PHONE });
    await page.getByLabel('This day counts').check();
    await page.getByLabel('Fish that count').fill('2');
    await says(page.locator('h1'), /^(Fish for a|Change over)/);
    await page.goto(`${stage.server.address}/underway`);
    await page.getByRole('button', { name: 'Set out with the plan on the sheet' }).click();
    await says(box(page), 'Nothing in the box yet; two count.');
    await land(page, '1.4');
    await says(box(page), '1 of 2, 1.4 lb. One is missing.');
    await land(page, '2.1');
    await says(box(page), '2 of 2, 3.5 lb. The next must be over 1.4 lb.');
    await land(page, '3');
    await says(box(page), '2 of 2, 5.1 lb. The next must be over 2.1 lb.');
    await page.getByRole('button', { name: 'Undo' }).click();
    await until('the last fish is as it was noted', async () => !(await textOf(box(page))).includes('5.1 lb'));
    await page.getByRole('button', { name: 'Its odds' }).click();
    await says(page.locator('inky-five-best ol'), /lb/);
    expect(await violations(page)).toEqual([]);
    expect(stage.complaints).toEqual([]);
  });
});
