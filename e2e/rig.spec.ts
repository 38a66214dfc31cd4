import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { PHONE, says, Stage, textOf, until } from './support/stage';
import { goTo } from './support/axe';
import { choose, fetchedAhead } from './support/controls';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const owned = async (book = 'demo') =>
  (await (await fetch(`${stage.server.address}/api/books/${book}/tackle`)).json()) as {
    id: string;
    item: { name: string; kind: string; count: number; box?: string; slot?: string; photoId?: string };
  }[];
const named = async (name: string) => (await owned()).find(({ item }) => item.name === name)?.item;
const boxes = async (): Promise<Page> => {
  const page = await stage.page('/rig/boxes');
  await page.locator('.piece').first().waitFor();
  return page;
};

describe('rods for the day', () => {
  it('are two clicks from the demo plan, say what barely reaches and what to change, and a third prints them with the sheet', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.evaluate(() => (window.print = () => document.body.setAttribute('data-printed', 'yes')));
    await page.getByRole('link', { name: 'Which of your rods carry it' }).click();
    await says(heading(page), /^Take these five rods; put new line on one/);
    expect(await page.locator('inky-rods > ol > li').count()).toBe(5);
    await says(
      page.locator('inky-rods').getByText('This one barely reaches').locator('..'),
      /it gets to .* wanted .*It takes fluorocarbon of \d+ lb or lighter/,
    );
    await page.getByRole('button', { name: 'Print with the sheet' }).click();
    await until('the sheet was printed', () => page.evaluate(() => document.body.dataset['printed'] === 'yes'));
    await page.emulateMedia({ media: 'print' });
    const printed = page.locator('inky-rods-on-sheet section');
    await printed.waitFor();
    await says(printed, /Take these five rods/);
    expect(await printed.locator('ol > li').count()).toBe(5);
    await says(printed, /Box 1, shallow cranks: ☐? ?.*Flat-sided crank/);
  });

  it('follow the number on deck, and the packing list keeps its ticks', async () => {
    const page = await stage.page('/rig');
    await says(heading(page), /five rods/);
    await choose(page.getByLabel('Rods on deck'), '2');
    await says(heading(page), /two rods/);
    expect(await page.locator('inky-rods > ol > li').count()).toBe(2);
    await page.getByRole('checkbox').first().check();
    await says(page.getByText('still to pack'), /^\d+ of \d+/);
    await page.reload();
    await page.locator('inky-rods li').first().waitFor();
    expect(await page.getByRole('checkbox').first().isChecked()).toBe(true);
  });

  it('ask to fill the boxes first where nothing is owned', async () => {
    const page = await stage.page('/rig/boxes', { book: 'own' });
    await page.getByText('Nothing yet. Enter a rod').waitFor();
  });
});

describe('the bench', () => {
  it('draws what each of its tools answers', async () => {
    const page = await stage.page('/rig/bench/running-depth');
    for (const tool of ['running-depth', 'balance', 'countdown', 'retrieve', 'coverage', 'offset']) {
      await goTo(page, `/rig/bench/${tool}`);
      await says(page.locator('.answer'), /\w/);
      expect(await page.locator('svg[role=img], canvas[role=img]').count()).toBeGreaterThan(0);
    }
    expect(stage.complaints).toEqual([]);
  });
});

describe('boxes', () => {
  it('enter a piece in a few strokes, refuse what cannot be, and ask before the same is kept twice', async () => {
    const page = await boxes();
    const enter = async () => {
      await page.getByRole('button', { name: 'Add tackle' }).click();
      await choose(page.getByLabel('Category'), 'Deep-diving crankbait');
      await page.getByLabel('Name', { exact: true }).fill('Blue-back diver');
    };
    await enter();
    await page.getByLabel('Dives to, ft').fill('0');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await says(page.locator('#item-statedDepthM-problem'), /from 0.1 to 12, got 0/);
    await page.getByLabel('Dives to, ft').fill('16');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('Blue-back diver is kept.').waitFor();
    expect((await named('Blue-back diver'))!.count).toBe(1);
    await enter();
    await page.getByLabel('Dives to, ft').fill('16');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('You own this already').waitFor();
    await page.getByRole('button', { name: 'Count it there' }).click();
    await until('it is counted', async () => (await named('Blue-back diver'))!.count === 2);
    await page.getByRole('button', { name: 'Undo' }).click();
    await until('it is not', async () => (await named('Blue-back diver'))!.count === 1);
  });

  it('search as one types, change, duplicate and take out with undo', async () => {
    const page = await boxes();
    await page.getByLabel('Search').fill('jerkbait gold');
    await says(
      page.locator('[role=status]').filter({ hasText: 'pieces' }).or(page.getByText('1 piece of')),
      /1 piece of/,
    );
    await page.getByRole('button', { name: /Jerkbait, olive and gold/ }).click();
    await page.getByRole('button', { name: 'Duplicate' }).click();
    await page.getByText('is made; change what differs').waitFor();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    await page.getByText('is removed.').waitFor();
    expect(await named('Jerkbait, olive and gold, another')).toBeUndefined();
    await page.getByRole('button', { name: 'Undo' }).click();
    await until('it is back', async () => (await named('Jerkbait, olive and gold, another')) !== undefined);
  });

  it('keep a photo made small, and refuse one of 40 MB in a sentence', async () => {
    const page = await boxes();
    await page.getByRole('button', { name: /Flat-sided crank, crayfish/ }).click();
    const file = page.locator('input[type=file]');
    await file.evaluate((input) => {
      const chosen = new DataTransfer();
      chosen.items.add(new File([new Uint8Array(40_000_000)], 'boat.jpg', { type: 'image/jpeg' }));
      (input as HTMLInputElement).files = chosen.files;
      input.dispatchEvent(new Event('change'));
    });
    await page.getByText('boat.jpg has 40 MB: expected a photo of at most 25 MB.').waitFor();
    await file.setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no photo') });
    await page.getByText('notes.jpg is no photo that can be opened here').waitFor();
    const shot = await page.screenshot();
    await file.setInputFiles({ name: 'lure.png', mimeType: 'image/png', buffer: shot });
    await page.getByAltText('Photo of Flat-sided crank, crayfish').waitFor();
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('is kept.').waitFor();
    const { photoId } = (await named('Flat-sided crank, crayfish'))!;
    const photo = await fetch(`${stage.server.address}/api/books/demo/photos/${photoId}`);
    expect(photo.headers.get('content-type')).toBe('image/jpeg');
    expect((await photo.arrayBuffer()).byteLength).toBeLessThan(400_000);
  });

  it('go out as CSV and come back the same, and tell what a file cannot be read for before anything is taken in', async () => {
    const page = await boxes();
    const before = await owned();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'As a CSV file' }).click(),
    ]);
    const csv = readFileSync(await download.path(), 'utf8');
    await page.getByRole('button', { name: 'From a file' }).click();
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'tackle.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await page.getByText(`0 new, ${before.length} that you own`).waitFor();
    await page
      .getByLabel('Or paste its rows')
      .fill(
        'kind,name,category,length_mm,weight_g,price\nlure,Pasted popper,popper,60,8,4\nlure,Wrong,teaspoon,60,8,4',
      );
    await page.getByText('Not known here: price.').waitFor();
    await page.getByText('Line 3, category: expected a category').waitFor();
    const take = page.getByRole('button', { name: /Add 1 piece/ });
    expect(await take.isDisabled()).toBe(true);
    await page.getByLabel('Leave that out and take the rest').check();
    await take.click();
    await page.getByText('1 added.').waitFor();
    expect(await owned()).toHaveLength(before.length + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await until('it is out again', async () => (await owned()).length === before.length);
  });

  it('change places by dragging and by buttons', async () => {
    const page = await boxes();
    await page.getByRole('button', { name: 'Arrange' }).click();
    const [from, over] = [page.locator('ul.cdk-drop-list').nth(0), page.locator('ul.cdk-drop-list').nth(1)];
    const piece = from.locator('li').filter({ hasText: 'Lipless, red' });
    await page.getByRole('button', { name: 'Lipless, red, one slot up' }).click();
    await until('it went up', async () => (await named('Lipless, red'))!.slot === 'B2');
    expect((await named('Square-bill, shad'))!.slot).toBe('C1');
    const [a, b] = [(await piece.boundingBox())!, (await over.boundingBox())!];
    await page.mouse.move(a.x + 60, a.y + 20);
    await page.mouse.down();
    await page.mouse.move(a.x + 90, a.y + 30, { steps: 5 });
    await page.mouse.move(b.x + 80, b.y + 60, { steps: 15 });
    await page.mouse.up();
    await until('it is in the other box', async () => (await named('Lipless, red'))!.box === 'Box 2, deep and hard');
  });

  it('hold 5,000 pieces: only what is seen stands in the page, and search narrows them', async () => {
    const page = await stage.page('/rig/boxes');
    await page.locator('.piece').first().waitFor();
    const rows = Array.from(
      { length: 5000 },
      (_, at) => `lure,Popper ${at},popper,${55 + (at % 30)},${8 + (at % 5)},Heap`,
    );
    await page.getByRole('button', { name: 'From a file' }).click();
    const csv = ['kind,name,category,length_mm,weight_g,box', ...rows].join('\n');
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'heap.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await page.getByRole('button', { name: 'Add 5000 pieces' }).click();
    await page.getByText('5000 added.').waitFor();
    await page.getByLabel('Search').fill('popper 4321');
    await says(page.locator('.view'), /1 piece of 50\d\d/);
    await page.getByLabel('Search').fill('');
    await says(page.locator('.view'), /50\d\d pieces/);
    expect(await page.locator('.piece').count()).toBeLessThan(60);
    await page.getByText('5000 added.').locator('..').getByRole('button', { name: 'Undo' }).click();
    await until('they are out again', async () => (await owned()).length < 200);
  });

  it('say what is wrong with a file of another kind', async () => {
    const page = await boxes();
    await page.getByRole('button', { name: 'From a file' }).click();
    await page.getByLabel('Or paste its rows').fill('date,temp\n2027-01-01,8');
    await page.getByText('This is no table of tackle').waitFor();
  });
});

it('stands on a phone without going over its edge', async () => {
  for (const path of ['/rig', '/rig/boxes', '/rig/bench/running-depth', '/rig/bench/balance']) {
    const page = await stage.page(path, { size: PHONE });
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(400);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect([path, over]).toEqual([path, 0]);
  }
  expect(stage.complaints).toEqual([]);
});

it('keeps what is entered while the server is away', async () => {
  const page = await boxes();
  await fetchedAhead(page);
  await stage.restart(async () => {
    await page.getByRole('button', { name: 'Add tackle' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Entered offline');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('is kept here until the server is back').waitFor();
  });
  await until('it has arrived', async () => (await named('Entered offline')) !== undefined);
  await page.getByText(/change waits/).waitFor({ state: 'detached' });
  expect(await named('Entered offline')).toBeDefined();
  expect(await textOf(heading(page))).toBe('Boxes');
});
