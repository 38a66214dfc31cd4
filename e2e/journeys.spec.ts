import { VIEWS } from './support/axe';
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

describe('five widths', () => {
  it('cut nothing off in any view, and none is wider than its window', async () => {
    const plans = (await (await fetch(`${stage.server.address}/api/books/demo/plans`)).json()) as { id: string }[];
    const page = await stage.page('/settings');
    const wider: string[] = [];
    for (const [name, path, ready] of VIEWS) {
      await page.setViewportSize({ width: 1440, height: 900 });
      await page.goto(stage.server.address + path(`/plans/compare/${plans[0]!.id}/${plans[1]!.id}`));
      await page.locator(ready).first().waitFor();
      for (const width of [1440, 1024, 768, 390, 320]) {
        await page.setViewportSize({ width, height: 800 });
        // Charts follow their window a moment later.
        const fits = () => document.documentElement.scrollWidth <= window.innerWidth;
        const fitted = await page.waitForFunction(fits, null, { timeout: 3000 }).catch(() => null);
        if (!fitted) wider.push(`${name} at ${width}`);
      }
    }
    expect(wider).toEqual([]);
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
    const choices = page.locator('inky-change button:enabled');
    await choices.first().waitFor();
    for (const choice of await choices.all()) {
      await choice.scrollIntoViewIfNeeded();
      await choice.click({ trial: true });
    }
  });
});

describe('units and places of the whole world', () => {
  const water = (name: string, more: object) => ({ name, discipline: 'bass', waterKind: 'natural-lake', ...more });
  const far = [
    water('South lake', { place: { latitude: -37.8, longitude: 175.3, timeZone: 'Pacific/Auckland' } }),
    water('North lake', { place: { latitude: 64.9, longitude: 25.5, timeZone: 'Europe/Helsinki' } }),
    water('Warm pond', { waterKind: 'pond', place: { latitude: 4.6, longitude: -74.1, timeZone: 'America/Bogota' } }),
    water('Salt bay', {
      discipline: 'inshore',
      waterKind: 'estuary',
      place: { latitude: 29.2, longitude: -90.9, timeZone: 'America/Chicago' },
    }),
  ];

  it.each(far)('plan a day in metric units alone: $name', async (made) => {
    const id = `0198fc22-dd00-7274-8a2d-${String(far.indexOf(made)).padStart(12, '0')}`;
    const { status } = await fetch(`${stage.server.address}/api/books/own/waters/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(made),
    });
    expect(status).toBeLessThan(300);
    const page = await stage.page('/settings', { units: 'metric' });
    await page.evaluate(() => localStorage.setItem('inky.book', '"own"'));
    await page.goto(`${stage.server.address}/waters`);
    await page
      .getByRole('navigation', { name: 'Waters of this book' })
      .getByRole('button', { name: new RegExp(made.name) })
      .click();
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('.sheet .top'), made.name);
    const said = await textOf(page.locator('.sheet'));
    expect(said).toMatch(/\d °C/);
    expect(said).toMatch(/\d m\b/);
    expect(said).not.toMatch(/°F|\d ft\b|\d oz\b|\d lb\b|\d mph\b|NaN|undefined|\d\.\d{4}/);
  });
});

describe('the page', () => {
  it('has complained of nothing on the way', () => {
    expect(stage.complaints).toEqual([]);
  });
});
