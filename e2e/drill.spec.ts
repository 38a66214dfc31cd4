import { pooled, type PracticeNews } from '@inky-shoal/core/drill';
import type { Page } from 'playwright-core';
import { goTo, violations } from './support/axe';
import { fetchedAhead } from './support/controls';
import { PHONE, says, Stage, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set({ pastTrips: true });
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

/** Draws a box on the empty sheet, from its upper left on. */
async function draw(page: Page): Promise<void> {
  const sheet = page.locator('inky-band-picture svg.open');
  await sheet.scrollIntoViewIfNeeded();
  const box = await sheet.boundingBox();
  if (!box) throw new Error('no sheet to draw on');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.15);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.5, { steps: 4 });
  await page.mouse.up();
}

/** Answers the step that is asked, whatever is right. */
async function answer(page: Page): Promise<void> {
  const before = await page.locator('inky-answered').count();
  if (await page.locator('inky-band-picture svg.open').count()) {
    await draw(page);
    await button(page, 'There').click();
  } else if (await button(page, 'Let it lie').count()) {
    await button(page, 'Let it lie').click();
    await page.waitForTimeout(400);
    await button(page, 'Move it again').click();
  } else await page.locator('.options button').first().click();
  await until('it is graded', async () => (await page.locator('inky-answered').count()) > before);
}

const practised = async (): Promise<PracticeNews['events']> =>
  ((await (await fetch(`${stage.server.address}/api/books/demo/practice?after=0`)).json()) as PracticeNews).events;

it('a day is asked from the phase to the rig, drawn on the empty sheet, and set beside the planner on one picture', async () => {
  const page = await stage.page('/drill', { size: PHONE });
  await page.getByRole('link', { name: 'Judge a day' }).click();
  await says(page.locator('.scene'), /The water is \d+ °F/);
  await says(page.locator('#asked'), 'What do the fish think it is?');
  await answer(page);
  await button(page, 'Take it back').click();
  await says(page.locator('#asked'), 'What do the fish think it is?');
  // A lure that is made for all depths has one question less.
  let steps = 0;
  for (; await page.locator('#asked').count(); steps++) await answer(page);
  expect(steps).toBeGreaterThanOrEqual(9);
  await says(page.locator('h1'), new RegExp(`^[\\d.]+ of ${steps}$`));
  await says(page.locator('inky-answered').first(), /Right\.|Nearly\.|Not quite\.|No\./);
  const picture = page.locator('inky-band-picture');
  for (const mark of ['.own', '.plan', '.own-stroke', '.plan-stroke']) {
    await picture.locator(mark).first().waitFor({ state: 'attached' });
  }
  expect(await picture.locator('svg').getAttribute('aria-label')).toMatch(/ft; the planner .* ft/);
  expect(await violations(page)).toEqual([]);
  const first = await page.locator('.scene').textContent();
  await button(page, 'Another day').click();
  await until('another day is asked', async () => (await page.locator('.scene').textContent()) !== first);
  await page.goto(`${stage.server.address}/drill`);
  await says(page.locator('inky-known'), /Depth.*of 100 over the last 1/s);
  // They are in the book: another device knows them, too, and what was taken back does not count.
  await until('all is in the book', async () => (await practised()).length === steps + 2);
  const other = await stage.page('/drill');
  await says(other.locator('inky-known'), /Phase.*of 100 over the last 1.*Rig/s);
  expect(stage.complaints).toEqual([]);
});

it('what was not known comes back by itself when its time has come, and then rests', async () => {
  const { topics } = pooled(3, 'bass', 'us');
  const asked = {
    kind: 'answer',
    id: '01960000-0000-7000-8000-00000000d001',
    at: new Date(Date.now() - 6 * 86_400_000).toISOString(),
    step: 'trim',
    topic: topics.trim,
    score: 0,
  };
  await fetch(`${stage.server.address}/api/books/demo/practice`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify([asked]),
  });
  const page = await stage.page('/drill', { size: PHONE });
  await says(page.locator('main'), /1 due again\. Colour: /);
  await button(page, 'Ten minutes').click();
  await says(page.locator('main'), /1 of \d+\. Due again\./);
  await says(page.locator('#asked'), "What tone does the planner's lure have?");
  expect(await violations(page)).toEqual([]);
  await answer(page);
  await says(page.locator('main'), /Due again\. Colour: /);
  await button(page, 'Next').click();
  await says(page.locator('main'), /2 of \d+\./);
  await page.goto(`${stage.server.address}/drill`);
  await says(page.locator('main'), 'Nothing is due again today.');
  expect(stage.complaints).toEqual([]);
});

it('goes on with no signal, and what was practised reaches the book afterwards', async () => {
  const page = await stage.page('/drill/day', { size: PHONE });
  await says(page.locator('#asked'), 'What do the fish think it is?');
  await fetchedAhead(page);
  const before = (await practised()).length;
  await stage.restart(async () => {
    await answer(page);
    await answer(page);
    await says(page.locator('#asked'), 'What do they eat most?');
  });
  await until('both are in the book', async () => (await practised()).length === before + 2);
});

it('a day that is coming, a lure turned round, a place on the chart', async () => {
  const page = await stage.page('/drill', { size: PHONE });
  await page.locator('section[aria-labelledby=coming] a').first().click();
  await says(page.locator('h1'), /^Lake Ferrow/);
  await says(page.locator('.scene'), /March\. The water is/);
  await goTo(page, '/drill/turn');
  await says(page.locator('main'), 'What must be true for it to come first?');
  await page.getByLabel('Water, °F').fill('300');
  await says(page.locator('#turn-temp-problem'), /Expected/);
  await page.getByLabel('Water, °F').fill('60');
  await page.getByLabel('You see, ft').fill('3');
  await button(page, 'So').click();
  await says(page.locator('inky-answered'), /Turned round: 60 °F, 3 ft/);
  await goTo(page, '/drill/spot');
  await button(page, 'Begin').click();
  await page.locator('canvas').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await says(page.locator('inky-answered'), /On the chart: After \d+ s/);
  await button(page, 'Another hour').click();
  await button(page, 'Begin').waitFor();
  expect(stage.complaints).toEqual([]);
});

it('says so where a trip has nothing to judge it by, and goes on', async () => {
  const page = await stage.page('/drill/day?trip=nowhere', { size: PHONE });
  await says(page.getByRole('alert'), 'That trip is not on this device. Take another day.');
  await button(page, 'Another day').click();
  await says(page.locator('.scene'), /The water is/);
});
