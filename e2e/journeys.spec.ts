import { PHONE, says, Stage, textOf } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

describe('the first minute', () => {
  it('goes from the demo to a plan for one’s own water in five actions', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    await page.getByRole('button', { name: 'Start my own' }).click();
    await page.getByLabel('Where', { exact: true }).fill(`34°56'N 88°07'W`);
    await says(page.locator('inky-place-fields'), '34.9333° N, 88.1167° W');
    await page.getByLabel('Water, °F').fill('56');
    await page.getByLabel('One sees down to, ft').fill('3 1/2');
    await page.getByRole('button', { name: 'Plan this day' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('.sheet .top'), 'My water.');
    expect(await textOf(page.locator('h1'))).not.toBe('');
    // What was said stands as said; what was not is shown as an estimate.
    const word = (name: string | RegExp) => page.locator('inky-sentence').getByRole('button', { name });
    await word('Water temperature: 56 °F').waitFor();
    expect(await word(/^Water temperature: .*estimated/).count()).toBe(0);
    expect(await word(/^Trend of the water: .*estimated/).count()).toBe(1);
  });

  it('is over on the next device, which begins on that water', async () => {
    const page = await stage.page('/sheet');
    await page.getByRole('button', { name: 'Start my own' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('.sheet .top'), 'My water.');
    await says(page.locator('inky-sentence'), /Water 56 °F/);
  });

  it('made nothing that the page complains of', () => {
    expect(stage.complaints).toEqual([]);
  });
});
