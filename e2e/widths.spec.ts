import { goTo, VIEWS } from './support/axe';
import { Stage } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set({ pastTrips: true });
});
afterAll(() => stage.strike());

describe('five widths', () => {
  it('cut nothing off in any view, and none is wider than its window', async () => {
    const plans = (await (await fetch(`${stage.server.address}/api/books/demo/plans`)).json()) as { id: string }[];
    const page = await stage.page('/settings');
    const wider: string[] = [];
    for (const [name, path, ready] of VIEWS) {
      await page.setViewportSize({ width: 1440, height: 900 });
      await goTo(page, path(`/plans/compare/${plans[0]!.id}/${plans[1]!.id}`));
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
