import { says, Stage, textOf, until } from './support/stage';
import { choose, fetchedAhead } from './support/controls';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const notice = '.notice';

describe('saved plans', () => {
  it('are kept over a restart of the server, opened, renamed, compared, removed and brought back', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.getByRole('button', { name: 'Save plan' }).click();
    await page.getByLabel('Name of the plan').fill('Dawn in the ditch');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await until('it says saved', async () =>
      (await textOf(page.locator(notice))).includes('Saved as Dawn in the ditch'),
    );

    await stage.restart();
    await page.goto(`${stage.server.address}/plans`);
    await page.getByRole('heading', { name: 'Dawn in the ditch' }).waitFor();

    await page.getByRole('button', { name: 'Rename Dawn in the ditch' }).click();
    await page.getByLabel('New name').fill('Dawn, second try');
    await page.getByRole('button', { name: 'Rename', exact: true }).click();
    await page.getByRole('heading', { name: 'Dawn, second try' }).waitFor();

    await page.getByRole('checkbox', { name: 'Compare Dawn, second try' }).check();
    await page.getByRole('checkbox', { name: 'Compare After the front' }).check();
    await page.getByRole('link', { name: 'Compare the two' }).click();
    await page.getByRole('row', { name: /Answer/ }).waitFor();
    expect(await page.getByRole('columnheader').allTextContents()).toEqual(
      expect.arrayContaining(['Dawn, second try', 'After the front']),
    );
    expect(await page.locator('tr.differs').count()).toBeGreaterThan(2);

    await page.getByRole('link', { name: 'Saved plans' }).click();
    await page.getByRole('button', { name: 'Remove Dawn, second try' }).click();
    await until(
      'it is gone',
      async () => (await page.getByRole('heading', { name: 'Dawn, second try' }).count()) === 0,
    );
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('heading', { name: 'Dawn, second try' }).waitFor();

    await page.getByRole('button', { name: 'Open After the front' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('header'), 'saved as After the front');
    await page.getByRole('button', { name: 'Front: a front just gone through' }).waitFor();
    expect(stage.complaints).toEqual([]);
  });
});

describe('a day that is saved and then changed', () => {
  it('becomes a plan of its own; replacing is offered, and both are taken back', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.getByRole('button', { name: 'Save plan' }).click();
    await page.getByLabel('Name of the plan').fill('First try');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await says(page.locator('header'), 'saved as First try.');
    await page.getByRole('button', { name: /^Water temperature:/ }).click();
    await page.getByRole('spinbutton').fill('63');
    await page.keyboard.press('Escape');
    await says(page.locator('header'), 'changed since it was saved as First try');

    await page.getByRole('button', { name: 'Save plan' }).click();
    expect(await page.getByLabel('Name of the plan').inputValue()).toBe('First try, 2');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await says(page.locator(notice), 'Saved as First try, 2.');
    const names = async () =>
      ((await (await fetch(`${stage.server.address}/api/books/demo/plans`)).json()) as { name: string }[]).map(
        ({ name }) => name,
      );
    expect(await names()).toEqual(expect.arrayContaining(['First try', 'First try, 2']));
    await page.getByRole('button', { name: 'Undo' }).click();
    await says(page.locator('header'), 'changed since it was saved as First try');
    await until('it is taken back', async () => !(await names()).includes('First try, 2'));

    await page.getByRole('button', { name: 'Save plan' }).click();
    await page.getByRole('button', { name: 'Replace First try' }).click();
    await says(page.locator(notice), 'First try is replaced.');
    await says(page.locator('header'), 'saved as First try.');
    await page.getByRole('button', { name: 'Undo' }).click();
    await says(page.locator('header'), 'changed since it was saved as First try');
  });

  it('has the water of its own day: what was typed stays, what was estimated is estimated anew', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    const water = () => page.getByRole('button', { name: /^Water temperature:/ }).textContent();
    const before = await water();
    await page.getByRole('button', { name: /^Sky:/ }).click();
    await page.getByRole('option', { name: 'rain', exact: true }).click();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Day:/ }).click();
    await page.getByRole('textbox', { name: 'Day' }).fill('2027-06-01');
    await says(page.locator(notice), 'estimated for the new day');
    expect(Number.parseInt((await water()) ?? '')).toBeGreaterThan(Number.parseInt(before ?? '') + 10);
    await page.getByRole('button', { name: 'Sky: rain' }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await until('the day is as it was', async () => (await water()) === before);
  });
});

describe('the server going away', () => {
  it('is said; what was typed stays, planning goes on, and what was saved goes in by itself later', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await fetchedAhead(page);
    await stage.restart(async () => {
      await page.getByText('The server does not answer.').first().waitFor();
      await page.getByRole('button', { name: /^Water temperature:/ }).click();
      await page.getByRole('spinbutton').fill('63');
      await says(page.getByRole('heading', { level: 1 }), /^Spawn/);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'Save plan' }).click();
      await page.getByLabel('Name of the plan').fill('Made with no server');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await says(page.locator('.state'), '1 change waits');
    });
    await until('it is delivered', async () => (await textOf(page.locator('.state'))) === '');
    await page.getByRole('button', { name: 'Water temperature: 63 °F' }).waitFor();
    await page.goto(`${stage.server.address}/plans`);
    await page.getByRole('heading', { name: 'Made with no server' }).waitFor();
  });
});

describe('no signal', () => {
  it('leaves plans, boxes and waters to be opened, none of which was opened before; the rest says so', async () => {
    const page = await stage.page('/sheet', { keeps: true });
    const read = { tackle: false, plans: 0 };
    page.on('response', (response) => {
      if (/\/tackle$/.test(response.url())) read.tackle = true;
      if (/\/plans\/[0-9a-f-]{36}$/.test(response.url())) read.plans++;
    });
    await page.locator('.note').waitFor();
    const all = (await (await fetch(`${stage.server.address}/api/books/demo/plans`)).json()) as unknown[];
    const isRead = () => Promise.resolve(read.tackle && read.plans >= all.length);
    await until('plans and tackle are read ahead', isRead);
    await page.context().setOffline(true);
    await page.goto(`${stage.server.address}/rig/boxes`);
    await page.locator('tbody tr').first().waitFor();
    await page.goto(`${stage.server.address}/plans`);
    const name = await textOf(page.getByRole('heading', { level: 2 }).last());
    await page.getByRole('button', { name: `Open ${name}` }).click();
    await page.getByText(`Saved as ${name}`).waitFor();
    await page.goto(`${stage.server.address}/rules`);
    await page.getByText('The server does not answer.').first().waitFor();
  });

  it('at a first visit is said in each view, with a way to try again', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.route('**/api/books/*/**', (route) => route.abort());
    for (const [view, words] of [
      ['Plans', 'The plans cannot be read'],
      ['Rig', 'What you own cannot be read'],
    ] as const) {
      await page.getByRole('link', { name: view, exact: true }).click();
      await page.getByText(words).waitFor();
      await page.getByRole('button', { name: 'Try again' }).waitFor();
    }
    await page.unroute('**/api/books/*/**');
    await page.getByRole('button', { name: 'Try again' }).click();
    await page.getByText('Rods on deck').first().waitFor();
  });
});

describe('waters', () => {
  it('are picked for the sheet, inshore too', async () => {
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: /Tern Hollow Sound/ }).click();
    await page.locator('tbody tr').first().waitFor();
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('header'), 'Tern Hollow Sound');
    await page.getByRole('button', { name: /^Tide:/ }).waitFor();
    await says(page.getByRole('heading', { level: 1 }), /refuge|rise|heat|run/);
  });

  it('are made in an empty book, one press away, which says what to do first', async () => {
    const page = await stage.page('/settings');
    await page.getByRole('button', { name: 'Start my own, empty' }).click();
    await page.getByRole('heading', { name: 'Add a water' }).waitFor();
    await page.getByRole('button', { name: 'Add it' }).click();
    await says(page.locator('#water-name-problem'), 'Expected a name');
    await says(page.locator('#water-where-problem'), 'Expected a place');

    await page.getByLabel('Name').fill('Our pond');
    await choose(page.getByLabel('Kind of water'), 'pond');
    await page.getByLabel('Where', { exact: true }).fill('40.1, -83.2');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('#water-zone')?.value === 'America/New_York',
    );
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByRole('heading', { name: 'Our pond' }).waitFor();
    await says(page.locator('section > p').first(), 'No reading yet');
    await page.getByLabel('Water, °F').fill('61');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.locator('tbody tr').first().waitFor();
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('header'), 'Our pond');
    expect(await textOf(page.locator('header'))).not.toContain('Demo day');
    await page.goto(`${stage.server.address}/plans`);
    await page.getByText('None yet.').waitFor();
  });

  it('are placed on a map, changed, and removed with undo', async () => {
    const page = await stage.page('/settings');
    await page.getByRole('button', { name: 'Start my own, empty' }).click();
    await page.getByRole('button', { name: 'Add a water' }).click();
    await page.getByLabel('Name').fill('First pond');
    await page.getByRole('button', { name: 'On the map' }).click();
    const map = page.getByRole('application', { name: /^Map of the world/ });
    await map.locator('canvas').first().waitFor();
    const box = (await map.boundingBox())!;
    // West of the middle of the page lies the New World, and the field says where it was pressed.
    await page.mouse.click(box.x + box.width * 0.25, box.y + box.height * 0.45);
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('#water-where')?.value.endsWith(' W'));
    // By keys alone: the middle of the map.
    const where = page.getByLabel('Where', { exact: true });
    const pressed = await where.inputValue();
    await map.focus();
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (value) => document.querySelector<HTMLInputElement>('#water-where')?.value !== value,
      pressed,
    );
    await where.fill("34°56'N 88°07'W");
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByRole('heading', { name: 'First pond' }).waitFor();

    await page.getByRole('button', { name: 'Change this water' }).click();
    expect(await where.inputValue()).toBe('34.9333° N, 88.1167° W');
    await page.getByLabel('Name').fill('Mill pond');
    await page.getByRole('button', { name: 'Keep the change' }).click();
    await page.getByRole('heading', { name: 'Mill pond' }).waitFor();

    await page.getByRole('button', { name: 'Remove it' }).click();
    await page.getByRole('heading', { name: 'Mill pond' }).waitFor({ state: 'detached' });
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('heading', { name: 'Mill pond' }).waitFor();
  });
});

describe('settings', () => {
  it('change the units everywhere and are kept', async () => {
    const page = await stage.page('/settings');
    await page.getByRole('button', { name: '°C, m, g' }).click();
    await page.getByRole('button', { name: 'Glare' }).click();
    await page.goto(`${stage.server.address}/sheet`);
    await page.locator('.note').waitFor();
    await says(page.locator('.sentence'), '°C');
    expect(await textOf(page.locator('.note'))).not.toContain(' ft');
    expect(await page.locator('html').getAttribute('data-look')).toBe('glare');
  });
});

describe('an address that is none', () => {
  it('says so', async () => {
    const page = await stage.page('/nowhere');
    await page.getByRole('heading', { name: 'There is nothing at this address.' }).waitFor();
  });
});

describe('a view that could not be read', () => {
  it('says so, and reads by itself when the server is back', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    // The other views are fetched ahead once the first has stood for a while.
    await fetchedAhead(page);
    await stage.restart(async () => {
      await page.getByRole('link', { name: 'Plans', exact: true }).click();
      await page.getByText('The plans cannot be read').waitFor();
    });
    await page.getByRole('heading', { name: 'After the front' }).waitFor();
  });
});
