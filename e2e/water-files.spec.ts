import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { type PageOptions, PHONE, says, Stage, textOf, until } from './support/stage';
import { choose, fileInput } from './support/controls';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const best = (page: Page) => page.getByRole('list', { name: 'Best places' }).getByRole('button');
const drawnList = (page: Page) => page.getByRole('list', { name: 'What is drawn' }).getByRole('button');

/** The chart with the drawing tools out. */
async function drawing(options: PageOptions = {}): Promise<Page> {
  const page = await stage.page('/water', options);
  await best(page).first().waitFor();
  await page.getByRole('button', { name: 'Draw and files' }).click();
  return page;
}
/** Takes the pen, and waits until it is on the chart. */
async function takePen(page: Page, what: string): Promise<void> {
  await choose(page.getByLabel('Draw', { exact: true }), what);
  await page.getByRole('button', { name: 'Put it on the chart' }).click();
  await page.locator('inky-water-map .middle').waitFor();
  await until('the chart has the keys', () =>
    page.evaluate(() => document.activeElement?.getAttribute('role') === 'application'),
  );
}
/** Presses the chart at shares of its width and height, slowly enough to be no double press. */
async function press(page: Page, ...places: [number, number][]): Promise<void> {
  const box = await page.locator('inky-water-map .box').boundingBox();
  if (!box) throw new Error('no chart');
  for (const [x, y] of places) {
    await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
    await page.waitForTimeout(350);
  }
}

describe('drawing on the chart', () => {
  it('puts an area and a mark with its line-up, takes back, does again, and stands after a reload', async () => {
    const page = await drawing();
    await takePen(page, 'brush pile');
    await press(page, [0.5, 0.7]);
    await page.getByRole('heading', { name: 'Brush pile' }).waitFor();
    await takePen(page, 'submerged grass');
    await press(page, [0.4, 0.5], [0.5, 0.45], [0.48, 0.6]);
    await page.getByRole('button', { name: 'Finish' }).click();
    await page.getByRole('heading', { name: 'Submerged grass' }).waitFor();
    await page.getByLabel('Name').fill('The meadow');
    await page.getByLabel('Name').press('Tab');
    await page.getByRole('heading', { name: 'The meadow (submerged grass)' }).waitFor();

    await takePen(page, 'mark');
    await press(page, [0.55, 0.75]);
    await page.getByRole('heading', { name: 'Mark' }).waitFor();
    await page.getByRole('button', { name: 'Add a line-up' }).click();
    await page.locator('inky-water-map .middle').waitFor();
    await page.waitForTimeout(200);
    await press(page, [0.85, 0.75]);
    await says(page.locator('inky-feature-form'), /\d+°.*One more that crosses it/);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('What is drawn').click();
    await drawnList(page).first().waitFor();
    await until('the mark is gone', async () => !(await drawnList(page).allTextContents()).join().includes('Mark'));
    await page.getByRole('button', { name: 'Redo' }).click();
    await until('the mark is back', async () => (await drawnList(page).allTextContents()).join().includes('Mark'));

    await page.reload();
    await best(page).first().waitFor();
    await page.getByRole('button', { name: 'Draw and files' }).click();
    await page.getByText('What is drawn').click();
    await drawnList(page).first().waitFor();
    const kept = (await drawnList(page).allTextContents()).map((text) => text.trim());
    expect(kept).toEqual(expect.arrayContaining(['The meadow (submerged grass)', 'Mark', 'Brush pile']));
    expect(stage.complaints).toEqual([]);
  });

  it('needs no pointer: keys put points in the middle', async () => {
    const page = await drawing();
    await takePen(page, 'dock');
    await page.keyboard.press('Enter');
    for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(600);
    await page.keyboard.press('Enter');
    await page.keyboard.press('f');
    await page.getByRole('heading', { name: 'Dock' }).waitFor();
    await takePen(page, 'ramp');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Put it on the chart' }).waitFor();
    expect(stage.complaints).toEqual([]);
  });

  it('marks where one is, on a phone', async () => {
    const page = await drawing({ size: PHONE, apart: true });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(over).toBe(0);
    await page.context().grantPermissions(['geolocation'], { origin: stage.server.address });
    await page.context().setGeolocation({ latitude: 35.9, longitude: -88.4, accuracy: 8 });
    await page.getByRole('button', { name: 'Mark here' }).click();
    await page.getByRole('heading', { name: 'Mark' }).waitFor();
    expect(await page.getByLabel('Note').inputValue()).toBe('Known within 8 m');
    await page.context().setGeolocation({ latitude: 40, longitude: -88.4, accuracy: 8 });
    await page.waitForTimeout(5500);
    await page.getByRole('button', { name: 'Mark here' }).click();
    await page.getByText('You are not on this chart').waitFor();
  });
});

describe('files', () => {
  it('take what is drawn out, where an independent program reads it, and in again without a loss', async () => {
    const page = await drawing();
    await page.getByText('Marks, tracks and areas as files').click();
    const folder = mkdtempSync(join(tmpdir(), 'inky-files-'));
    try {
      await page.getByText('What is drawn').click();
      await drawnList(page).first().waitFor();
      const count = await drawnList(page).count();
      for (const [name, format] of [
        ['GPX', 'gpx'],
        ['KML', 'kml'],
        ['GeoJSON', 'geojson'],
      ] as const) {
        // prettier-ignore
        const [file] = await Promise.all([
          page.waitForEvent('download'),
          page.getByRole('button', { name, exact: true }).click(),
        ]);
        const path = join(folder, file.suggestedFilename());
        await file.saveAs(path);
        expect(path).toContain(`lake-ferrow.${format}`);
        if (format !== 'geojson') {
          const read = spawnSync('gpsbabel', ['-i', format, '-f', path, '-o', 'unicsv', '-F', '-'], {
            encoding: 'utf8',
          });
          if (!read.error) expect(read.stdout).toContain('Marina ramp');
        }
        await fileInput(page, 'Bring in from GPX').setInputFiles(path);
        await page.getByText(`${count} of them are drawn already`).waitFor();
        await page.getByRole('button', { name: 'Never mind' }).click();
        expect(readFileSync(path, 'utf8').length).toBeGreaterThan(1000);
      }
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  const grid = (rows: number) => {
    const line = Array.from({ length: rows }, (_, at) =>
      at < 3 || at > rows - 4 ? '2' : String(-((at % 40) / 4) - 1),
    );
    const bank = line.map(() => '2').join(' ');
    const body = Array.from({ length: rows }, (_, row) => (row < 3 || row > rows - 4 ? bank : line.join(' ')));
    return `ncols ${rows}\nnrows ${rows}\nxllcorner 372000\nyllcorner 3972000\ncellsize 10\n${body.join('\n')}\n`;
  };
  const give = (page: Page, name: string, text: string) =>
    fileInput(page, 'Choose a file of depths').setInputFiles({
      name,
      mimeType: 'text/plain',
      buffer: Buffer.from(text),
    });

  it('bring a chart to a water that has none, with where to go on it', async () => {
    const id = '01950000-0000-7000-8000-0000000000aa';
    const made = await fetch(`${stage.server.address}/api/books/own/waters/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        name: 'Test pond',
        discipline: 'bass',
        waterKind: 'highland-reservoir',
        place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
      }),
    });
    expect(made.status).toBeLessThan(300);
    const page = await stage.page('/sheet', { book: 'own' });
    await page.getByRole('button', { name: /^Water temperature/ }).click();
    await page.getByRole('spinbutton').fill('55');
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Water', exact: true }).click();
    await page.getByText('This water has no chart yet.').waitFor();
    await give(page, 'pond.asc', grid(20).slice(0, 700));
    await says(page.getByRole('alert').last(), /pond\.asc: line \d+/);
    await give(page, 'pond.asc', grid(120));
    await page.getByText(/So read it is \d+ acres of water/).waitFor();
    await page.getByRole('button', { name: 'Make it the chart' }).click();
    await best(page).first().waitFor();
    await says(page.getByRole('heading', { level: 1 }), /First light/);
    // The notice stands a while: with it the chart goes again.
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('This water has no chart yet.').waitFor();
    expect(stage.complaints).toEqual([]);
  });

  it('are stopped half way, and the chart is as it was', async () => {
    const page = await drawing();
    await page.getByText('Another chart from a file').click();
    // Given by its path: through the browser's own wire so large a file takes longer than all else here.
    const folder = mkdtempSync(join(tmpdir(), 'inky-large-'));
    const large = join(folder, 'large.asc');
    writeFileSync(large, grid(3000));
    await fileInput(page, 'Choose a file of depths').setInputFiles(large);
    const going = page.locator('inky-bed-import .going');
    await going.getByRole('button', { name: 'Stop' }).click();
    await page.getByText('Stopped. The chart is as it was.').waitFor();
    await going.waitFor({ state: 'detached' });
    rmSync(folder, { recursive: true });
    await page.getByRole('button', { name: 'Where to go' }).click();
    expect(await textOf(best(page).first())).toMatch(/ft/);
    expect(stage.complaints).toEqual([]);
  });
});
