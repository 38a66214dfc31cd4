import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { goTo, violations } from './support/axe';
import { choose } from './support/controls';
import { PHONE, says, Stage, textOf, until } from './support/stage';

/** A JPEG as a camera writes it at a moment: Exif with DateTimeOriginal alone, behind the first marker. */
function takenAt(jpeg: Buffer, moment: string): Buffer {
  const text = Buffer.from(`${moment}\0`, 'ascii');
  // A big-endian TIFF: one entry that points to the Exif directory, in which one entry holds the moment.
  const tiff = Buffer.concat([
    Buffer.from('4d4d002a00000008', 'hex'),
    Buffer.from('000187690004000000010000001a00000000', 'hex'),
    Buffer.from('000190030002000000140000002c00000000', 'hex'),
    text,
  ]);
  const exif = Buffer.concat([Buffer.from('Exif\0\0', 'ascii'), tiff]);
  const head = Buffer.from([0xff, 0xe1, (exif.length + 2) >> 8, (exif.length + 2) & 0xff]);
  return Buffer.concat([jpeg.subarray(0, 2), head, exif, jpeg.subarray(2)]);
}

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set({ pastTrips: true });
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

describe('the log', () => {
  it('shows the season, says what it taught, and finds trips by words and by what they were like', async () => {
    const page = await stage.page('/log', { size: PHONE });
    const counted = page.locator('.counted');
    await says(counted, /^\d+ trips: \d+ fish of \d+ bites in \d+ hours\./);
    await says(page.locator('.taught'), /\d+ trips, \d+ hours.*All that it taught/);
    const all = Number((await textOf(counted)).split(' ')[0]);
    expect(all).toBeGreaterThan(60);
    await page.getByLabel('Find').fill('april 2026');
    await says(counted, new RegExp(`^\\d of ${all} trips`));
    for (const day of await page.locator('.wall strong').allTextContents()) expect(day).toContain('Apr 2026');
    await page.getByText('Narrow').click();
    await page.getByLabel('Find').fill('');
    await choose(page.getByLabel('Water', { exact: true }), 'Tern Hollow Sound');
    await says(counted, new RegExp(`^\\d+ of ${all} trips`));
    await page.getByLabel('Keep this search as').fill('The Sound');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByRole('button', { name: 'All trips' }).click();
    await says(counted, new RegExp(`^${all} trips`));
    await page.reload();
    await page.getByRole('button', { name: 'The Sound', exact: true }).click();
    await says(counted, new RegExp(`^\\d+ of ${all} trips`));
    expect(await violations(page)).toEqual([]);
    await page.getByLabel('Find').fill('no trip was ever like that');
    await page.getByText('No trip is like that.').waitFor();
    expect(stage.complaints).toEqual([]);
  });

  it('opens a trip to what was planned and done, lets it be put right and removed, and takes that back', async () => {
    const page = await stage.page('/log');
    await page.getByLabel('Find').fill('red drum');
    const row = page.locator('.wall li').first();
    await row.getByRole('link').click();
    await says(page.locator('inky-trip-review'), /Found.*Done.*Planned.*Notes/s);
    await page.locator('inky-sheet-chart canvas').waitFor();
    await page.getByRole('button', { name: 'Put notes right' }).click();
    await page
      .getByRole('button', { name: /^Landed.*size and tag/ })
      .first()
      .click();
    await page.getByLabel('Length, in').fill('999');
    await page.getByText(/Expected ¾.+98½ in, got 999 in/).waitFor();
    await page.getByLabel('Length, in').fill('26');
    await page.getByText('More of it').click();
    await choose(page.getByLabel('Hooked', { exact: true }), 'in the lip');
    await page.getByLabel('Whose fish, if not yours').fill('The neighbour');
    await page.locator('inky-fish-form').getByRole('button', { name: 'Keep' }).click();
    await says(page.locator('inky-trip-log'), '26 in');
    await page.goto(`${stage.server.address}/log`);
    await page.getByLabel('Find').fill('neighbour');
    await says(page.locator('.counted'), /^1 of/);
    await page.locator('.wall').getByRole('link').click();
    await page.getByRole('button', { name: 'Remove this trip' }).click();
    await says(page.locator('.notice'), 'is in the bin.');
    await page.getByLabel('Find').fill('neighbour');
    await page.getByText('No trip is like that.').waitFor();
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await says(page.locator('.counted'), /^1 of/);
    expect(stage.complaints).toEqual([]);
  });

  it('takes a past trip by hand, in words where it cannot be so', async () => {
    const page = await stage.page('/log/past', { size: PHONE });
    await page.getByLabel('Day', { exact: true }).fill('2026-04-18');
    await page.getByLabel('To', { exact: true }).fill('05:00');
    await choose(page.getByLabel('Lure', { exact: true }), 'spinnerbait');
    await page.getByLabel('Fished, minutes').fill('120');
    await page.getByLabel('Bites', { exact: true }).fill('2');
    await page.getByLabel('of them landed').fill('3');
    await page.getByRole('button', { name: 'Into the log' }).click();
    await page.getByText('expected an end after 06:30, got 05:00').waitFor();
    await page.getByLabel('To', { exact: true }).fill('10:00');
    await page.getByRole('button', { name: 'Into the log' }).click();
    await page.getByText('expected no more fish than bites').waitFor();
    await page.getByLabel('of them landed').fill('1');
    await page.getByLabel('Water, °F').fill('58');
    await page.getByRole('button', { name: 'Into the log' }).click();
    await says(page.locator('.notice'), 'It stands in the log.');
    await says(page.locator('inky-trip-review'), /Spinnerbait: 2 h 00, 2 bites\./);
    await page.locator('inky-sheet-chart canvas').waitFor();
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await page.getByText('No such trip stands in this log.').waitFor();
    expect(stage.complaints).toEqual([]);
  });

  it('takes past trips from photographs, and says which are none', async () => {
    const page = await stage.page('/log/past');
    const jpeg = await page.screenshot({ type: 'jpeg', clip: { x: 0, y: 0, width: 40, height: 30 } });
    await page.getByText('From photographs instead').click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Open photographs' }).click(),
    ]);
    const photo = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/jpeg', buffer });
    await chooser.setFiles([
      photo('first.jpg', takenAt(jpeg, '2026:05:05 07:12:33')),
      photo('second.jpg', takenAt(jpeg, '2026:05:05 09:40:10')),
      photo('undated.jpg', jpeg),
      photo('letter.jpg', Buffer.from('Dear sir')),
    ]);
    const panel = page.locator('inky-trips-by-photos');
    await says(panel, 'Tuesday 5 May 2026: 2 fish');
    await says(panel, 'undated.jpg does not say when it was taken: add it to a fish of its trip.');
    await says(panel, 'letter.jpg is no photo that can be opened here');
    expect(await violations(page)).toEqual([]);
    await panel.getByRole('button', { name: 'Into the log' }).click();
    await says(page.locator('.notice'), '1 trip with 2 photographs stand in the log.');
    await page.getByLabel('Find').fill('"may 2026"');
    await says(page.locator('.counted'), /of \d+ trips/);
    await page
      .locator('.wall')
      .getByRole('link', { name: /2 fish, 0 min/ })
      .click();
    await until('both photographs are shown', async () => (await page.locator('inky-trip-photo img').count()) === 2);
    expect(stage.complaints).toEqual([]);
  });

  it('shows rates by anything, tests a claim, and goes out as files', async () => {
    const page = await stage.page('/log/shows');
    await says(page.locator('main'), /\d+ trips, .+ of fishing, [\d.]+ bites an hour over all\./);
    await choose(page.getByLabel('By', { exact: true }), 'barometer');
    await choose(page.getByLabel(/^It brings more bites/), 'Falling');
    await says(page.locator('#claim ~ p'), /^Falling: (no sign of it in|more bites|fewer bites).+\d+ of \d+ trips/);
    await page.getByText('As a table').click();
    await says(page.locator('inky-table'), /Falling.*Steady/s);
    await choose(page.getByLabel('and by', { exact: true }), 'clarity');
    await says(page.locator('inky-table'), /Steady, (clear|stained|very clear)/);

    await goTo(page, '/log');
    await page.getByLabel('Find').fill('april 2026');
    const dir = await mkdtemp(join(tmpdir(), 'inky-log-'));
    try {
      const [trips] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'trips, CSV' }).click(),
      ]);
      await trips.saveAs(join(dir, 'trips.csv'));
      const rows = (await readFile(join(dir, 'trips.csv'), 'utf8')).trim().split('\r\n');
      expect(rows[0]).toMatch(/^date,water,trip,phase/);
      expect(rows.length).toBeGreaterThan(2);
      for (const row of rows.slice(1)) expect(row).toMatch(/^2026-04-/);
    } finally {
      await rm(dir, { recursive: true });
    }
    await goTo(page, '/log/places');
    await says(page.locator('main li').first(), /A bite within an hour: \d+ in 100/);
    await until(
      'both waters can be asked',
      async () => (await page.getByLabel('Water', { exact: true }).count()) === 1,
    );
    expect(stage.complaints).toEqual([]);
  });
});
