import { goTo } from './support/axe';
import { PHONE, says, Stage, textOf, until } from './support/stage';
import { choose } from './support/controls';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const sheet = async (options = {}) => {
  const page = await stage.page('/sheet', options);
  await page.locator('.note').waitFor();
  return page;
};

describe('what would tip the advice', () => {
  it('is searched over the engine when it is opened, and holds when it is tried', async () => {
    const page = await sheet();
    await page.getByText('What would tip it').click();
    const under = page.locator('#advice li', { hasText: /^Under \d+ °F:/ }).first();
    await under.waitFor();
    const said = await textOf(under);
    const [, degrees, other] = /^Under (\d+) °F: (.+?) takes over/.exec(said) ?? [];
    expect(other).toBeTruthy();
    // Of the window that was searched: the sheet may have come to it after it was first drawn.
    const first = await textOf(page.locator('#advice h2'));
    expect(first.toLowerCase()).not.toBe(other);
    const windows = page.getByRole('tab');
    const chosen = await windows.evaluateAll((tabs) =>
      tabs.findIndex((tab) => tab.getAttribute('aria-selected') === 'true'),
    );
    await page.getByRole('button', { name: /^Water temperature:/ }).click();
    await page.getByRole('spinbutton').fill(String(Number(degrees) - 0.5));
    await page.keyboard.press('Escape');
    // A plan that comes in after the press begins with its own window.
    await until('the other takes over', async () => {
      await windows.nth(chosen).click();
      return (await textOf(page.locator('#advice h2'))) !== first;
    });
    expect((await textOf(page.locator('#advice h2'))).toLowerCase()).toBe(other);
    expect(stage.complaints).toEqual([]);
  });
});

describe('schools', () => {
  it('say what others would do, show that plan beside this one, and plan the day that way', async () => {
    const page = await sheet();
    await page.getByText('Others would do it otherwise').click();
    const other = page.locator('#advice li', { hasText: 'Size: large for one fish' });
    await says(other, 'others would');
    await other.getByRole('link', { name: 'Beside this plan' }).click();
    await page.getByRole('heading', { name: 'Size: large for one fish' }).waitFor();
    await page.locator('tr.differs').first().waitFor();
    await page.getByRole('button', { name: 'Plan this day that way' }).click();
    await page.locator('.note').waitFor();
    await page.getByText('Others would do it otherwise').click();
    await says(page.locator('#advice'), 'Size: small for bites');
  });

  it('are taken in Settings for every day, and left to the day again', async () => {
    const page = await stage.page('/settings');
    await choose(page.getByLabel('Reel for a jerkbait'), 'high, to take up slack');
    await choose(page.getByLabel('Size', { exact: true }), 'large for one fish');
    await page.reload();
    await says(page.getByLabel('Size', { exact: true }), 'large for one fish');
    await page.goto(`${stage.server.address}/sheet`);
    await page.locator('.note').waitFor();
    await page.getByText('Others would do it otherwise').click();
    await says(page.locator('#advice'), 'Size: small for bites');
    await page.goto(`${stage.server.address}/settings`);
    await choose(page.getByLabel('Size', { exact: true }), 'by the day');
    await says(page.getByLabel('Reel for a jerkbait'), 'high, to take up slack');
  });

  it('that are none are said', async () => {
    const page = await stage.page('/sheet/beside/lures/loud');
    await page.getByRole('heading', { name: 'There is no such school.' }).waitFor();
  });
});

describe('the rule library', () => {
  it('lists every rule, shows what holds today, searches and filters', async () => {
    const page = await sheet();
    await goTo(page, '/rules');
    await page.locator('main li.holds').first().waitFor();
    const status = page.locator('main p[role=status]');
    const all = Number(/of (\d+) rules/.exec(await textOf(status))?.[1]);
    expect(all).toBeGreaterThan(280);
    await page.getByLabel('Words').fill('shad spawn');
    await until('fewer are left', async () => !(await textOf(status)).startsWith(`${all} of`));
    await says(page.locator('main ul'), 'shad spawn');
    await page.getByLabel('Words').fill('');
    await choose(page.getByLabel('About'), 'caution');
    await page.getByLabel('Hold today').check();
    await says(page.locator('main ul'), 'check with the local authority');
    const [listed, holding] = [page.locator('main li'), page.locator('main li.holds')];
    await until('only what holds is left', async () => (await listed.count()) === (await holding.count()));
    await page.getByLabel('Hold today').uncheck();
    await choose(page.getByLabel('About'), 'everything');
    await choose(page.getByLabel('School'), 'mud blade');
    await says(page.locator('main ul'), 'Mud: round blades thump');
    await page.getByLabel('Words').fill('no rule says this');
    await says(page.locator('main ul'), 'No rule says that');
  });
});

describe('the sheet', () => {
  it('prints on one page, the whole day on it', async () => {
    const page = await sheet();
    await page.waitForTimeout(800);
    for (const format of ['Letter', 'A4']) {
      const pdf = await page.pdf({ format, printBackground: true });
      expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
    }
    await page.emulateMedia({ media: 'print' });
    await says(page.locator('.print-only'), /First light.*Last light/);
  });

  it('keeps to the width of a phone with everything open', async () => {
    const page = await sheet({ size: PHONE });
    for (const summary of ['Every reason, and what it weighed', 'What would tip it', 'Before you go']) {
      await page.getByText(summary).click();
    }
    await page.getByText('Others would do it otherwise').click();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
  });
});
