import { violations } from './support/axe';
import { choose } from './support/controls';
import { lookAt, PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

describe('the mornings that may come', () => {
  it('say on the sheet how sure it is, and why each piece goes along', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    const sure = page.locator('inky-how-sure');
    await lookAt(page.locator('inky-sheet footer'));
    await says(sure, /^The .+ stands (in \d of 10|on nearly every) morning/);
    await sure.getByRole('link').click();
    await says(page.locator('h1'), /stands (in \d of 10|on nearly every) morning/);
    await says(page.locator('.card'), /mornings that it has not seen/);
    await choose(page.getByLabel('The ramp lies in'), 'Mid lake');
    await says(page.locator('.card'), 'as far as both go together');
    const lures = page.getByRole('list', { name: 'Lures' }).getByRole('listitem');
    const rods = page.getByRole('list', { name: 'On deck' }).getByRole('listitem');
    await says(lures.first(), /wanted in (every one|\d+ of \d+) mornings/);
    await says(rods.first(), /[Bb]est in (every one|\d+ of \d+) mornings/);
    const many = await lures.count();
    await choose(page.getByLabel('Room for lures'), '4');
    await until('there is room for four', async () => (await lures.count()) <= Math.min(4, many));
    await choose(page.getByLabel('Rods on deck'), '2');
    await until('two rods lie on deck', async () => (await rods.count()) === 2);
    await choose(page.getByLabel('For days'), '3');
    await lures.first().waitFor();
    expect(await violations(page)).toEqual([]);
    // On paper the card stands alone.
    await page.emulateMedia({ media: 'print' });
    expect(await page.locator('.windows').isVisible()).toBe(false);
    // It may be worked out anew just then: it comes back.
    await page.locator('inky-ramp-card').waitFor();
    expect(stage.complaints).toEqual([]);
  });

  it('open a trip on the card, where one tap takes the plan of what was found', async () => {
    // Far ahead and unsure: whatever the water is, the card asks for it.
    const page = await stage.page('/mornings', { size: PHONE, atRamp: true });
    await page.locator('inky-ramp-card .end').first().waitFor();
    const asks = (await page.locator('inky-ramp-card .asked').count()) > 0;
    expect(asks).toBe(true);
    const answers = await page.locator('inky-ramp-card .end strong').allTextContents();
    // As one goes there: a page that is left at once may not have kept the card yet.
    await page.getByRole('link', { name: 'Underway', exact: true }).click();
    await page.getByRole('button', { name: 'Set out with the plan on the sheet' }).click();
    await says(page.locator('#ramp'), 'What do you find at the ramp?');
    expect(await violations(page)).toEqual([]);
    const other = page.locator('inky-ramp-card .end button').last();
    expect((await textOf(other)).startsWith(answers.at(-1)!)).toBe(true);
    await other.click();
    await until('the trip goes on', async () => (await page.locator('#ramp').count()) === 0);
    await page.locator('inky-trip-now').waitFor();
    await page.reload();
    await page.locator('inky-trip-now').waitFor();
    expect(await page.locator('#ramp').count()).toBe(0);
    expect(stage.complaints).toEqual([]);
  });
});
