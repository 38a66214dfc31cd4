import type { SavedPlan, SavedPlanSummary } from '@inky-shoal/core';
import { goTo, violations } from './support/axe';
import { PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set({ pastTrips: true });
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

describe('the record on the sheet', () => {
  it('moves the plan, says by how much, and is turned off and on', async () => {
    const page = await stage.page('/sheet', { size: PHONE, byRecord: true });
    const record = page.locator('inky-record-on-sheet');
    await says(record, /\d+ trips, \d+ hours: they put the .+ before the .+\./);
    const lure = page.locator('#advice h2');
    const withIt = await textOf(lure);
    await record.getByText('What it moved').click();
    await says(record, /times the bites the rules expect \(\d+ hours?\)/);
    expect(await violations(page)).toEqual([]);
    await record.getByRole('button', { name: 'Plan without it' }).click();
    await until('the plan stands without it', async () => (await textOf(lure)) !== withIt);
    await says(record, 'They would put');
    await page.reload();
    await says(record, 'They would put');
    await record.getByRole('button', { name: 'Plan with it' }).click();
    await until('the plan leans on it again', async () => (await textOf(lure)) === withIt);
    expect(stage.complaints).toEqual([]);
  });

  it('is kept with a plan that is saved, by the version that made it', async () => {
    const page = await stage.page('/sheet', { byRecord: true });
    await says(page.locator('inky-record-on-sheet'), /they put the .+ before the .+\./);
    const lure = (await textOf(page.locator('#advice h2'))).toLowerCase();
    await page.getByRole('button', { name: 'Save plan' }).click();
    await page.getByLabel('Name of the plan').fill('By the record');
    await page.locator('inky-save-plan').getByRole('button', { name: 'Save', exact: true }).click();
    await says(page.locator('.notice'), 'Saved as By the record.');
    await goTo(page, '/plans');
    await says(page.locator('li').filter({ hasText: 'By the record' }), /By your record of \d+ trips\./);
    const saved = (await (await fetch(`${stage.server.address}/api/books/demo/plans`)).json()) as SavedPlanSummary[];
    const id = saved.find(({ name }) => name === 'By the record')?.id;
    const kept = (await (await fetch(`${stage.server.address}/api/books/demo/plans/${id}`)).json()) as SavedPlan;
    expect(kept.record?.trips).toBeGreaterThan(40);
    const named = kept.plan.windows.map(({ presentations: [first] }) => first?.category.replaceAll('-', ' '));
    expect(named).toContain(lure.replaceAll('-', ' '));
    await fetch(`${stage.server.address}/api/books/demo/plans/${id}`, { method: 'DELETE' });
    expect(stage.complaints).toEqual([]);
  });

  it('is left off on one water, and begins anew from a day with nothing lost', async () => {
    const page = await stage.page('/log/taught', { byRecord: true });
    await says(page.locator('main'), /Bass\s*\d+ trips/);
    await page.getByLabel('On Lake Ferrow').uncheck();
    await page.goto(`${stage.server.address}/sheet`);
    await says(page.locator('inky-record-on-sheet'), 'They would put');
    await goTo(page, '/log/taught');
    await page.getByLabel('On Lake Ferrow').check();
    await page.getByRole('button', { name: 'Begin anew from today' }).click();
    await says(page.locator('main'), 'Nothing yet.');
    await page.getByRole('button', { name: 'Let all teach again' }).click();
    await says(page.locator('main'), /Bass\s*\d+ trips/);
  });

  it('finds the days most like the planned one, and opens one of them', async () => {
    const page = await stage.page('/sheet', { byRecord: true });
    const record = page.locator('inky-record-on-sheet');
    await record.getByText('Days like this one').click();
    const first = record.locator('inky-like-days li').first();
    await says(first, /\d+ °F: \d+ fish.*(As good as the same day\.|Apart by)/);
    await first.getByRole('link').first().click();
    await says(page.locator('inky-trip-review'), /Found.*Done.*Planned/s);
    await page.goBack();
    await record.getByText('Days like this one').click();
    await first.getByRole('link', { name: /^The plans side by side/ }).click();
    await says(
      page.locator('inky-plan-lines'),
      /The sheet, Saturday 13 March 2027.*That trip, .*Made with.*your record of/s,
    );
    expect(await violations(page)).toEqual([]);
    expect(stage.complaints).toEqual([]);
  });
});
