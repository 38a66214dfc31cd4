import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { PHONE, Stage, until, WIDE } from './stage';

const axeSource = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  help: string;
  nodes: { target: string[]; failureSummary?: string }[];
}

/** Runs axe in the page; evaluated from outside, so that the page's own policy stays as it is. */
export async function violations(page: Page): Promise<string[]> {
  // A page that was asked before has it still, and need not read it anew.
  if (!(await page.evaluate('typeof axe === "object"'))) await page.evaluate(axeSource);
  const found = await page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run: (context: Document, options: object) => Promise<{ violations: Violation[] }> };
    };
    const runOnly = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
    // What passes is not told one by one, which takes its time.
    return (await axe.run(document, { runOnly, resultTypes: ['violations'] })).violations;
  });
  return found.map(
    ({ id, help, nodes }) => `${id}: ${help} (${nodes.map(({ target }) => target.join(' ')).join(', ')})`,
  );
}

/** Every view of the page, with what stands in it once it is drawn. */
export const VIEWS: [name: string, path: (compare: string) => string, ready: string][] = [
  ['sheet', () => '/sheet', '.note'],
  ['water', () => '/water', '.list li button'],
  ['season', () => '/season', 'inky-year-chart canvas[role=img]'],
  ['waters', () => '/waters', 'tbody tr'],
  ['how sure', () => '/mornings', 'inky-ramp-card .end'],
  ['practice', () => '/drill', '.ways li'],
  ['a day to judge', () => '/drill/day', '.options button'],
  ['ten minutes', () => '/drill/evening', 'inky-drill-day #asked'],
  ['turned round', () => '/drill/turn', '.fields'],
  ['a place on the chart', () => '/drill/spot', 'canvas'],
  ['the cadence', () => '/cadence', 'inky-cadence-picture'],
  ['the day that counts', () => '/competition', 'inky-check'],
  ['plans', () => '/plans', 'main li'],
  ['compare', (compare) => compare, 'tbody tr'],
  ['rules', () => '/rules', 'main li'],
  ['beside', () => '/sheet/beside/crank-pace/fast', 'tbody tr'],
  ['two kinds of fish', () => '/sheet/species', 'tbody tr'],
  ['rig', () => '/rig', 'inky-rods li'],
  ['boxes', () => '/rig/boxes', '.piece'],
  ['bench', () => '/rig/bench/running-depth', '.answer'],
  ['balance', () => '/rig/bench/balance', '.answer'],
  ['underway', () => '/underway', 'inky-trip-start .wide'],
  ['trips from a file', () => '/underway/bring', '#past-text'],
  ['log', () => '/log', 'inky-small-sheet'],
  ['what the log shows', () => '/log/shows', 'inky-dots canvas'],
  ['what places remember', () => '/log/places', 'main li'],
  ['what trips taught', () => '/log/taught', 'main li'],
  ['a past trip', () => '/log/past', '#past-date'],
  ['more', () => '/more', 'main li'],
  ['settings', () => '/settings', 'main h2'],
  ['removed and changed', () => '/bin', 'main h2'],
];

/** The view that one passes through between two others. */
const BETWEEN = '/more';

/** Views that draw, or colour things that no other view has: the rest wear the same few colours. */
const OWN_COLOURS = new Set([
  'sheet',
  'season',
  'water',
  'log',
  'what the log shows',
  'rig',
  'boxes',
  'bench',
  'settings',
]);

/** Goes to an address as a link does, without a new page: the one that is open has all of it at hand. */
async function follow(page: Page, path: string): Promise<void> {
  // A mark on the view that stands: it is gone once another stands there.
  await page.evaluate((to) => {
    document.querySelector('main > :not(router-outlet)')?.setAttribute('data-before', '');
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
  await until(`${path} is there`, async () => !(await page.locator('main > [data-before]').count()));
}

/** Goes to a view by way of one that hardly does anything: two addresses of one view leave it where it stands. */
export async function goTo(page: Page, path: string): Promise<void> {
  if (!page.url().endsWith(BETWEEN)) await follow(page, BETWEEN);
  if (path !== BETWEEN) await follow(page, path);
}

/** Windows that a view is looked at in. */
const SIZES = [
  { width: 1440, height: 900 },
  WIDE,
  { width: 1024, height: 800 },
  { width: 768, height: 800 },
  PHONE,
  { width: 320, height: 800 },
];
/** Whether nothing stands over the edge of the window. */
const fits = () => document.documentElement.scrollWidth <= window.innerWidth;

/** Asks axe of every view in some looks; of the first, whether each view fits into any window, too. */
export function axeFindsNothingIn(looks: readonly string[]): void {
  let stage: Stage;
  let compare: string;
  beforeAll(async () => {
    stage = await Stage.set({ pastTrips: true });
    const plans = (await (await fetch(`${stage.server.address}/api/books/demo/plans`)).json()) as { id: string }[];
    compare = `/plans/compare/${plans[0]!.id}/${plans[1]!.id}`;
  });
  afterAll(() => stage.strike());

  describe.each(looks)('axe finds nothing in %s', (look) => {
    let page: Page;
    beforeAll(async () => {
      page = await stage.page(BETWEEN, { look });
    });
    afterAll(() => stage.closePages());

    if (look === 'paper') {
      it.each(VIEWS)('on %s, wide and phone, and it fits at any width', async (_, path, ready) => {
        await goTo(page, path(compare));
        for (const size of SIZES) {
          await page.setViewportSize(size);
          await page.locator(ready).first().waitFor();
          // Charts follow their window a moment later.
          const fitted = await page.waitForFunction(fits, null, { timeout: 3000 }).catch(() => null);
          expect([size.width, fitted ? 'fits' : 'is wider than its window']).toEqual([size.width, 'fits']);
          if (size !== WIDE && size !== PHONE) continue;
          await page.waitForTimeout(250);
          expect(await violations(page)).toEqual([]);
        }
      });
    } else {
      it.each(VIEWS.filter(([name]) => OWN_COLOURS.has(name)))('on %s', async (_, path, ready) => {
        await page.setViewportSize(WIDE);
        await goTo(page, path(compare));
        await page.locator(ready).first().waitFor();
        expect(await violations(page)).toEqual([]);
      });
    }

    it('with a control of the sentence open, with every reason open, and while making a water', async () => {
      await page.setViewportSize(WIDE);
      await page.goto(`${stage.server.address}/sheet`);
      await page.locator('.note').waitFor();
      await page.getByText('Every reason, and what it weighed').click();
      await page.getByText('What would tip it').click();
      await page.getByText('Others would do it otherwise').click();
      expect(await violations(page)).toEqual([]);
      for (const name of [/^Sky:/, /^Cover:/, /^Water temperature:/, /^Wind:/]) {
        await page.getByRole('button', { name }).click();
        await page.locator('.p-popover').waitFor();
        await page.waitForTimeout(250);
        expect(await violations(page)).toEqual([]);
        await page.keyboard.press('Escape');
        await page.locator('.p-popover').waitFor({ state: 'detached' });
      }
      await page.goto(`${stage.server.address}/waters`);
      await page.getByRole('button', { name: 'Add a water' }).click();
      await page.getByRole('heading', { name: 'Add a water' }).waitFor();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /Lake Ferrow/ }).click();
      await page.getByRole('button', { name: '6 zones' }).click();
      await page.getByRole('button', { name: 'Keep the zones' }).waitFor();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'Several readings at once' }).click();
      await page.locator('#import-text').fill('date,temp F,seen ft\n2027-02-01,44,5\n2027-02-33,44,5\n');
      await page.getByText('Leave this line out').waitFor();
      expect(await violations(page)).toEqual([]);
    });
  });
}
