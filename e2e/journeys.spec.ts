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
});

describe('underway in a short window', () => {
  it.each([
    ['a phone on its side', 844, 390],
    ['a page at twice its size', 640, 400],
    ['a phone at twice its size', 390, 420],
  ])('leaves three fifths of the height for reading, and covers no choice: %s', async (_, width, height) => {
    const page = await stage.page('/underway', { size: { width, height } });
    const setOut = page.getByRole('button', { name: 'Set out with the plan on the sheet' });
    const taps = page.locator('inky-taps');
    await setOut.or(taps).first().waitFor();
    if (await setOut.isVisible()) await setOut.click();
    await taps.waitFor();
    const covered = await page.evaluate(() => {
      // What stands over the page in its reading column, from the left edge of the words on.
      const x = document.querySelector('inky-trip-now')!.getBoundingClientRect().left + 20;
      const rows = Array.from({ length: window.innerHeight }, (_, y) => document.elementFromPoint(x, y));
      return rows.filter((element) => element?.closest('.thumb, nav')).length / window.innerHeight;
    });
    expect(covered).toBeLessThanOrEqual(0.4);
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    for (const choice of await page.locator('inky-change button').all()) {
      await choice.scrollIntoViewIfNeeded();
      await choice.click({ trial: true });
    }
  });
});

describe('the page', () => {
  it('has complained of nothing on the way', () => {
    expect(stage.complaints).toEqual([]);
  });
});
