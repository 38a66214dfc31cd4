import type { Page } from 'playwright-core';
import { violations } from './support/axe';
import { PHONE, says, Stage, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

/** Answers the step that is asked, whatever is right. */
async function answer(page: Page): Promise<void> {
  const before = await page.locator('.answered').count();
  if (await page.getByRole('button', { name: 'There', exact: true }).count()) {
    await page.getByLabel('Down to').fill('12');
    await page.getByRole('button', { name: 'There', exact: true }).click();
  } else if (await page.getByRole('button', { name: 'So long' }).count()) {
    await page.getByLabel('Wait, s').fill('4');
    await page.getByRole('button', { name: 'So long' }).click();
  } else await page.locator('.options button').first().click();
  await until('it is graded', async () => (await page.locator('.answered').count()) > before);
}

describe('a day to judge', () => {
  it('is asked in the order of the work, graded with reasons, and the marks are kept', async () => {
    const page = await stage.page('/drill', { size: PHONE });
    await says(page.locator('.scene'), /The water is \d+ °F/);
    await says(page.locator('#asked'), 'What do the fish think it is?');
    expect(await violations(page)).toEqual([]);
    for (let step = 0; step < 6; step++) await answer(page);
    await says(page.locator('h1'), /^[\d.]+ of 6$/);
    await says(page.locator('.answered').first(), /Right\.|Nearly\.|Not quite\.|No\./);
    await page.locator('inky-depth-picture .own').waitFor({ state: 'attached' });
    expect(await violations(page)).toEqual([]);
    const first = await page.locator('.scene').textContent();
    await page.getByRole('button', { name: 'Another day' }).click();
    await until('another day is asked', async () => (await page.locator('.scene').textContent()) !== first);
    await says(page.locator('section[aria-labelledby=known]'), /Depth.*of 100/s);
    await page.reload();
    await says(page.locator('section[aria-labelledby=known]'), /Phase.*of 100/s);
    expect(stage.complaints).toEqual([]);
  });
});
