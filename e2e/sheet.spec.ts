import { PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

describe('the sheet', () => {
  it('opens on a plan for the demo day, with places, a picture, advice and reasons', async () => {
    const page = await stage.page('/');
    await page.locator('.note').waitFor();
    await says(page.getByRole('heading', { level: 1 }), /^Pre-spawn and warming\. .*ft/);
    expect(await page.getByRole('tab').count()).toBeGreaterThan(2);
    const picture = await page.getByRole('img').getAttribute('aria-label');
    expect(picture).toContain('fish at');
    expect(await page.locator('.reasons li').count()).toBeGreaterThan(2);
    expect(await page.locator('.rods li').count()).toBeGreaterThanOrEqual(3);
    expect(stage.complaints).toEqual([]);
  });

  it('begins on the window of the present moment', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await says(page.getByRole('tab', { selected: true }), '7:15');
  });

  it('lets a window be chosen by pressing its name, by the picture and by keys', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    const chosen = (name: string) =>
      until(`${name} is chosen`, async () => (await textOf(page.getByRole('tab', { selected: true }))).includes(name));
    await page.getByRole('tab').first().click();
    await chosen('First light');
    await page.keyboard.press('ArrowRight');
    await chosen('Morning');
    await page.keyboard.press('ArrowLeft');
    await chosen('First light');
    const box = (await page.locator('canvas').boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.6, box.y + box.height / 2);
    await chosen('High sun');
    await says(page.locator('#advice p').first(), 'High sun');
  });

  it('lets a window be chosen by touch on a phone', async () => {
    const context = await stage.browser.newContext({ viewport: PHONE, hasTouch: true, isMobile: true });
    const page = await context.newPage();
    await page.goto(`${stage.server.address}/sheet`);
    await page.locator('.note').waitFor();
    const box = (await page.locator('canvas').boundingBox())!;
    await page.touchscreen.tap(box.x + box.width * 0.7, box.y + 40);
    await until('the window is chosen', async () =>
      (await textOf(page.getByRole('tab', { selected: true }))).includes('High sun'),
    );
    await context.close();
  });

  it('keeps what was typed over a reload', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.getByRole('button', { name: /^Front:/ }).click();
    await page.getByRole('option', { name: 'a front coming' }).click();
    await page.reload();
    await page.locator('.note').waitFor();
    await page.getByRole('button', { name: 'Front: a front coming' }).waitFor();
  });

  it('leaves nothing wider than a phone, and targets large enough for a thumb', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    await page.locator('.note').waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const low = await page
      .locator('button:visible:not(.word), inky-fold [role=button]:visible, nav a:visible')
      .evaluateAll((all) =>
        all.filter((each) => each.getBoundingClientRect().height < 43.5).map((each) => each.textContent),
      );
    expect(low).toEqual([]);
  });

  it('takes every condition that the planner knows, the seldom ones behind one press', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    await page.locator('.note').waitFor();
    const slope = page.getByRole('button', { name: /^Slope of the banks/ });
    expect(await slope.isVisible()).toBe(false);
    await page.getByRole('button', { name: 'All conditions' }).click();
    await slope.click();
    await page.getByLabel('Degrees from level').fill('35');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Bait:/ }).click();
    await page.getByRole('option', { name: 'shad', exact: true }).click();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Length of the bait/ }).click();
    await page.getByRole('spinbutton').fill('3 1/2');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Length of the bait: 3½ in' }).waitFor();
    await page.getByRole('button', { name: 'Fewer' }).click();
    // What is known stands there all the same.
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole('button', { name: 'Slope of the banks: 35°' }).waitFor();
    expect(stage.complaints).toEqual([]);
  });

  it('is changed and saved by keys alone', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    const focused = () =>
      page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.id);
    const word = page.getByRole('button', { name: /^Water temperature:/ });
    await word.focus();
    await page.keyboard.press('Enter');
    await until('the figure has the focus', async () => (await focused()) === 'Water temperature, °F');
    await page.keyboard.type('61');
    await page.keyboard.press('Escape');
    await until('the word has it again', async () => /^Water temperature: 61 °F/.test((await focused()) ?? ''));
    // In a list letters look for a name, and go nowhere else.
    await page.getByRole('button', { name: /^Sky:/ }).focus();
    await page.keyboard.press('Enter');
    await until('the list has the focus', () => page.evaluate(() => !!document.activeElement?.closest('.p-popover')));
    await page.keyboard.type('r');
    await page.keyboard.press('Escape');
    await until('the word has it again', async () => /^Sky:/.test((await focused()) ?? ''));
    expect(new URL(page.url()).pathname).toBe('/sheet');
    await page.getByRole('button', { name: 'Save plan' }).focus();
    await page.keyboard.press('Enter');
    await until('its name has the focus', async () => (await focused()) === 'plan-name');
    await page.keyboard.type('By keys');
    await page.keyboard.press('Enter');
    await says(page.locator('.notice'), 'Saved as By keys.');

    await page.locator('body').click({ position: { x: 5, y: 5 } });
    await page.keyboard.press('b');
    await page.getByRole('heading', { level: 1, name: 'Boxes' }).waitFor();
    await page.keyboard.press('e');
    await page.getByLabel(/Single keys go to views/).uncheck();
    await page.locator('h1').click();
    await page.keyboard.press('s');
    await page.getByRole('heading', { level: 1, name: 'Settings' }).waitFor();
  });

  it('lists its keys', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.keyboard.press('?');
    await page.getByRole('dialog', { name: 'Keys' }).waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('dialog', { name: 'Keys' }).waitFor({ state: 'hidden' });
    await page.keyboard.press('w');
    await page.getByRole('heading', { name: 'Waters', level: 1 }).waitFor();
  });
});
