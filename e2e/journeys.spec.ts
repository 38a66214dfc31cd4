import type { Water } from '@inky-shoal/core';
import type { Page } from 'playwright-core';
import { goTo } from './support/axe';
import { choose, fileInput } from './support/controls';
import { PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

describe('the first minute', () => {
  it('goes from the demo to a plan for one’s own water in five actions', async () => {
    const page = await stage.page('/sheet', { size: PHONE });
    await page.getByRole('button', { name: 'Start my own' }).click();
    await page.getByLabel('Where', { exact: true }).fill(`34°56'N 88°07'W`);
    await says(page.locator('inky-place-fields'), '34.9333° N, 88.1167° W');
    await page.getByLabel('Water, °F').fill('56');
    await page.getByLabel('One sees down to, ft').fill('3 1/2');
    await page.getByRole('button', { name: 'Plan this day' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('.sheet .top'), 'My water.');
    expect(await textOf(page.locator('h1'))).not.toBe('');
    // What was said stands as said; what was not is shown as an estimate.
    const word = (name: string | RegExp) => page.locator('inky-sentence').getByRole('button', { name });
    await word('Water temperature: 56 °F').waitFor();
    expect(await word(/^Water temperature: .*estimated/).count()).toBe(0);
    expect(await word(/^Trend of the water: .*estimated/).count()).toBe(1);
  });

  it('is over on the next device, which begins on that water', async () => {
    const page = await stage.page('/sheet');
    await page.getByRole('button', { name: 'Start my own' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('.sheet .top'), 'My water.');
    const own = `${stage.server.address}/api/books/own/waters`;
    const [water] = (await (await fetch(own)).json()) as { id: string }[];
    const readings = (await (await fetch(`${own}/${water!.id}/readings`)).json()) as { surfaceTempC: number }[];
    expect(readings.map(({ surfaceTempC }) => Math.round(surfaceTempC * 1.8 + 32))).toEqual([56]);
    // What was read at one hour stands for the mean of its day, which by noon is a little under it.
    await says(page.locator('inky-sentence'), /Water 5[567] °F/);
  });
});

describe('a log kept elsewhere', () => {
  const ROWS = [
    'Date,Time,Species,Length (cm),Lure,Hours',
    '3/1/2024,7:10 am,Largemouth,44,jig,5',
    '3/1/2024,9:30 am,Largemouth,38,jig,5',
    '4/11/2024,6:45 am,Smallmouth,900,drop shot,4',
    '4/12/2024,6:45 am,Smallmouth,41,drop shot,4',
  ].join('\n');
  const add = (page: Page) => page.getByRole('button', { name: /^Add 2 trips with 3 fish$/ });

  it('comes in from rows: what is not clear is asked, what is wrong is listed, and all can be taken back', async () => {
    const page = await stage.page('/underway');
    await page.getByRole('link', { name: 'Bring in trips from a file' }).click();
    await page.locator('#past-text').fill(ROWS);
    await page.getByText('Line 4: expected a length of a fish from ¾ in to 98½ in, got 354¼ in').waitFor();
    await choose(page.getByLabel('jig, 2 times'), 'football jig');
    await until('the lure is no longer asked for', async () => (await page.getByLabel('jig, 2 times').count()) === 0);
    expect(await add(page).isDisabled()).toBe(true);
    await page.getByText('Leave this line out').click();
    await add(page).click();
    await says(page.locator('.notice'), '2 trips with 3 fish added.');
    await page.getByLabel('Find').fill('march 2024 football');
    await page.getByRole('link', { name: /1 Mar 2024/ }).click();
    await says(page.locator('inky-trip-review'), '5 h 00 out, 5 h 00 of fishing noted.');
    await says(page.locator('inky-trip-review'), 'football jig');
    // The same rows again are known, and what lures mean is remembered.
    await page.goto(`${stage.server.address}/underway/bring`);
    await page.locator('#past-text').fill(ROWS);
    await page.getByText('Add the 2 trips of days that stand in the log, too').waitFor();
    expect(await page.getByLabel('jig, 2 times').count()).toBe(0);
  });

  it('goes to the bin again where it was brought in by mistake', async () => {
    const page = await stage.page('/underway/bring');
    await page.locator('#past-text').fill('date,fish,lure\n2025-05-03,2,popper');
    await page.getByRole('button', { name: 'Add 1 trip with 2 fish' }).click();
    // Undo is offered for some seconds: it is pressed before the log is searched.
    await says(page.locator('.notice'), '1 trip with 2 fish added.');
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await page.getByLabel('Find').fill('may 2025');
    await page.getByText('No trip is like that.').waitFor();
  });
});

describe('underway in a short window', () => {
  it.each([
    ['a phone on its side', 844, 390],
    ['a page at twice its size', 640, 400],
    ['a phone at twice its size', 390, 420],
  ])('leaves three fifths of the height for reading, and covers no choice: %s', async (_, width, height) => {
    const page = await stage.page('/underway', { size: { width, height } });
    const setOut = page.getByRole('button', { name: 'Set out with the plan on the sheet' });
    const taps = page.locator('inky-taps');
    await setOut.or(taps).first().waitFor();
    // A trip that another test left going may come in just then, and stands in its place.
    if (await setOut.isVisible()) await setOut.click({ timeout: 5000 }).catch(() => undefined);
    await taps.waitFor();
    const covered = await page.evaluate(() => {
      // What stands over the page in its reading column, from the left edge of the words on.
      const x = document.querySelector('inky-trip-now')!.getBoundingClientRect().left + 20;
      const rows = Array.from({ length: window.innerHeight }, (_, y) => document.elementFromPoint(x, y));
      return rows.filter((element) => element?.closest('.thumb, nav')).length / window.innerHeight;
    });
    expect(covered).toBeLessThanOrEqual(0.4);
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    const choices = page.locator('inky-change button:enabled');
    await choices.first().waitFor();
    for (const choice of await choices.all()) {
      await choice.scrollIntoViewIfNeeded();
      await choice.click({ trial: true });
    }
  });
});

describe('units and places of the whole world', () => {
  const water = (name: string, more: object) => ({ name, discipline: 'bass', waterKind: 'natural-lake', ...more });
  const far = [
    water('South lake', { place: { latitude: -37.8, longitude: 175.3, timeZone: 'Pacific/Auckland' } }),
    water('North lake', { place: { latitude: 64.9, longitude: 25.5, timeZone: 'Europe/Helsinki' } }),
    water('Warm pond', { waterKind: 'pond', place: { latitude: 4.6, longitude: -74.1, timeZone: 'America/Bogota' } }),
    water('Salt bay', {
      discipline: 'inshore',
      waterKind: 'estuary',
      place: { latitude: 29.2, longitude: -90.9, timeZone: 'America/Chicago' },
    }),
  ];

  it('plan a day in metric units alone', async () => {
    for (const [at, made] of far.entries()) {
      const id = `0198fc22-dd00-7274-8a2d-${String(at).padStart(12, '0')}`;
      const { status } = await fetch(`${stage.server.address}/api/books/own/waters/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(made),
      });
      expect(status).toBeLessThan(300);
    }
    const page = await stage.page('/waters', { units: 'metric', book: 'own' });
    for (const { name } of far) {
      await page
        .getByRole('navigation', { name: 'Waters of this book' })
        .getByRole('button', { name: new RegExp(name) })
        .click();
      await page.getByRole('button', { name: 'Plan a day here' }).click();
      await says(page.locator('.sheet .top'), name);
      await page.locator('.note').waitFor();
      const said = await textOf(page.locator('.sheet'));
      expect(said).toMatch(/\d °C/);
      expect(said).toMatch(/\d m\b/);
      expect(said).not.toMatch(/°F|\d ft\b|\d oz\b|\d lb\b|\d mph\b|NaN|undefined|\d\.\d{4}/);
      await goTo(page, '/waters');
    }
  });
});

describe('an evening', () => {
  it('plans a night over midnight, keeps it, and comes back to it', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.locator('inky-sentence').getByRole('button', { name: 'Hours on the water' }).click();
    await page.getByLabel('From', { exact: true }).fill('19:00');
    await page.getByLabel('To', { exact: true }).fill('02:30');
    await page.getByLabel('To', { exact: true }).blur();
    await page.keyboard.press('Escape');
    const night = page.getByRole('tab', { name: /^Night/ });
    await night.click();
    await says(page.locator('inky-advice'), /Night, .* to 2:30 am/);
    await page.getByRole('button', { name: 'Save plan' }).click();
    await page.getByLabel('Name of the plan').fill('By the lights');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('link', { name: 'Plans', exact: true }).click();
    await page.getByRole('button', { name: 'Open By the lights' }).click();
    await says(page.locator('inky-sentence'), '7 pm to 2:30 am');
    await night.waitFor();
  });
});

describe('a coast', () => {
  const dayOnTheSound = async (): Promise<Page> => {
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: 'Tern Hollow Sound' }).click();
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await says(page.locator('inky-sentence'), /Tide low 10:\d\d am, high 5:\d\d pm/);
    return page;
  };
  const tideWord = (page: Page) => page.locator('inky-sentence').getByRole('button', { name: /^Tide:/ });

  it('has its tide on the sheet with nothing typed: the day is parted by it, and a typed stage takes its place', async () => {
    const page = await dayOnTheSound();
    await says(page.locator('[role=tablist]'), 'tide falling');
    await says(page.locator('[role=tablist]'), 'tide rising');
    await page.getByRole('img', { name: /Tide: .*low water 10:\d\d am, high water 5:\d\d pm/ }).waitFor();
    await tideWord(page).click();
    await says(page.locator('.p-popover'), 'not for navigation');
    await page.getByRole('option', { name: 'falling', exact: true }).click();
    await page.keyboard.press('Escape');
    await says(page.locator('inky-sentence'), 'Tide falling');
    await until(
      'the tide parts the day no more',
      async () => (await textOf(page.locator('[role=tablist]'))).includes('tide') === false,
    );
  });

  it('names the hours that feed with nothing typed, where, and when the flats are to be left', async () => {
    const page = await dayOnTheSound();
    await says(page.locator('inky-moving-water'), /Best: .* at drain mouths on the fall/);
    await says(page.locator('inky-moving-water'), /Flats .*off them by \d/);
    await says(page.locator('inky-moving-water'), /By the gauge the water stands .* its table/);
    await page.getByRole('button', { name: 'Why these hours' }).click();
    await says(page.locator('inky-moving-water'), 'The water runs and brings them food');
    await goTo(page, '/sheet/species');
    await says(page.getByRole('heading', { level: 1 }), 'Red drum and spotted seatrout.');
    await choose(page.getByLabel('Beside it'), 'flatfish');
    await says(page.locator('inky-plan-lines'), /Comfort.*Salinity.*Tide.*Cover.*Food.*Answer/s);
    await page.getByRole('button', { name: 'Plan this day for flatfish' }).click();
    await says(page.locator('inky-sentence'), 'Species: flatfish');
  });

  it('floods and drains on the chart by the hour, and lets the boat home while it does', async () => {
    const page = await dayOnTheSound();
    await page.getByRole('link', { name: 'Water', exact: true }).click();
    const best = page.getByRole('list', { name: 'Best places' }).getByRole('button');
    await best.first().waitFor();
    await says(page.locator('.tide'), /draining, .* an hour/);
    await says(page.locator('.side'), /Flats \d+ % wet\. .*drain mouths run out/);
    const early = await textOf(page.locator('.tide'));
    await page.getByRole('slider').press('End');
    await until('the tide is another', async () => (await textOf(page.locator('.tide'))) !== early);
    await page.getByRole('slider').press('Home');
    await says(page.locator('.tide'), early);
    await best.first().click();
    await says(page.locator('inky-spot-card'), /Way home: open \d/);
    await page.getByRole('button', { name: 'Take the best six' }).click();
    await page.getByRole('button', { name: 'Minutes, boat and hours' }).click();
    await page.getByLabel('Boat draws').fill('9');
    await page.getByLabel('Boat draws').press('Enter');
    await says(page.locator('inky-spot-card'), 'Way home: shut all day for what this boat draws.');
    await page.getByRole('button', { name: 'Order the run' }).click();
    await says(page.locator('.notice'), 'The tide would keep this boat at every spot.');
    await page.getByLabel('Boat draws').fill('1');
    await page.getByLabel('Boat draws').press('Enter');
    await page.getByRole('button', { name: 'Order the run' }).click();
    await says(page.locator('inky-run-stops'), 'Off it by');
    await says(page.locator('inky-run-stops'), /Leave word: Marsh ramp by \d.* the tide has kept us at stop \d/);
  });

  it('finds stations near by itself, says whose they are, and goes back to its own', async () => {
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: 'Tern Hollow Sound' }).click();
    await page.getByRole('button', { name: 'Its tide station' }).click();
    const panel = page.locator('inky-tide-station');
    await says(panel, 'The pass, made up, heights over mean lower low water.');
    const near = panel.locator('li');
    await until('stations are found', async () => (await near.count()) === 6);
    expect(await textOf(near.first())).toMatch(/miles off\./);
    await near.first().getByRole('button').click();
    await says(page.locator('.notice'), 'The tide of Tern Hollow Sound is that of');
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Its tide station' }).click();
    await says(panel, 'The pass, made up, heights over mean lower low water.');
  });

  it('is blown in or out where one has said which way the sea lies, on a day that no gauge speaks of', async () => {
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: 'Tern Hollow Sound' }).click();
    await page.getByRole('button', { name: 'Its tide station' }).click();
    await choose(page.getByLabel('The open sea lies to the'), 'N');
    await says(page.locator('.notice'), 'The open sea of Tern Hollow Sound lies to the N.');
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await says(page.locator('inky-sentence'), /Tide low 10:\d\d am/);
    await page.getByRole('button', { name: /^Day:/ }).click();
    await page.getByRole('textbox', { name: 'Day' }).fill('2027-04-18');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Wind:/ }).click();
    await page.getByRole('spinbutton').fill('25');
    await page.getByRole('radio', { name: 'N', exact: true }).click();
    await page.keyboard.press('Escape');
    await says(page.locator('inky-moving-water'), /The wind holds about [\d.]+ ft of water in\./);
    await page.goto(`${stage.server.address}/waters`);
    await page.getByRole('button', { name: 'Tern Hollow Sound' }).click();
    await page.getByRole('button', { name: 'Its tide station' }).click();
    await choose(page.getByLabel('The open sea lies to the'), 'S');
    await page.goBack();
    await says(page.locator('inky-moving-water'), /The wind keeps about [\d.]+ ft of water out\./);
  });

  it('takes a station from a file, once it is said what its figures are in', async () => {
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: 'Tern Hollow Sound' }).click();
    await page.getByRole('button', { name: 'Its tide station' }).click();
    const panel = page.locator('inky-tide-station');
    const bring = (text: string) =>
      fileInput(page, 'From a file of constituents').setInputFiles({
        name: 'Own pier.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(text),
      });
    await bring('name,amplitude,phase\nM2,9,214');
    await says(panel, 'Own pier.csv cannot be read: expected amplitudes in metres');
    await says(panel, 'Are they in feet?');
    await bring('name,amplitude,phase\nM2,2,214\nS2,0.5,240');
    await choose(panel.getByLabel('Amplitudes in'), 'feet');
    await says(panel, 'Own pier: 2 constituents, mean range of springs 5 ft.');
    await choose(panel.getByLabel('Phases or times by'), "the water's own time");
    await panel.getByRole('button', { name: 'Take it' }).click();
    await says(page.locator('.notice'), 'The tide of Tern Hollow Sound is that of Own pier.');
    const waters = (await (await fetch(`${stage.server.address}/api/books/demo/waters`)).json()) as Water[];
    const { tideStation } = waters.find(({ name }) => name === 'Tern Hollow Sound')!;
    expect(tideStation!.constituents[0]!.phaseDeg).toBeCloseTo((214 + 6 * 28.9841) % 360, 1);
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Its tide station' }).click();
    await says(panel, 'The pass, made up');
  });

  it('of one’s own gets its tide by place alone', async () => {
    const address = `${stage.server.address}/api/books/demo/waters`;
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: 'Add a water' }).click();
    await page.getByLabel('Name', { exact: true }).fill('My bay');
    await choose(page.getByLabel('Fished for'), 'inshore');
    await page.getByLabel('Where', { exact: true }).fill('30.35, -87.2');
    await page.getByLabel('Time zone').fill('America/Chicago');
    await page.getByRole('button', { name: 'Add it' }).click();
    await says(page.getByRole('region', { name: 'My bay' }), 'Its tide station');
    const waters = (await (await fetch(address)).json()) as Water[];
    const { tideStation } = waters.find(({ name }) => name === 'My bay')!;
    expect(tideStation!.constituents.length).toBeGreaterThan(4);
    expect(tideStation!.origin!.licence).not.toBe('');
    await page.getByRole('button', { name: 'Plan a day here' }).click();
    await says(page.locator('inky-sentence'), /Tide (low|high) \d/);
  });
});

describe('three years of data', () => {
  const DAYS = 1095;
  const id = (kind: number, n: number) => `0198fc33-000${kind}-7274-8a2d-${String(n).padStart(12, '0')}`;
  const water = id(1, 0);

  async function send(method: string, path: string, body: unknown): Promise<void> {
    const { status } = await fetch(`${stage.server.address}/api/books/own${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(status).toBeLessThan(300);
  }

  beforeAll(async () => {
    const place = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
    await send('PUT', `/waters/${water}`, { name: 'Old pond', discipline: 'bass', waterKind: 'pond', place });
    const readings = Array.from({ length: DAYS }, (_, day) => ({
      id: id(2, day),
      at: new Date(Date.UTC(2024, 0, 1 + day, 15)).toISOString(),
      surfaceTempC: Math.round((17 - 11 * Math.cos(((day - 25) / 365.25) * 2 * Math.PI)) * 10) / 10,
    }));
    for (let from = 0; from < DAYS; from += 500) {
      await send('PUT', `/waters/${water}/readings`, readings.slice(from, from + 500));
    }
    const day = (date: string) => ({ discipline: 'bass', date, place, surfaceTempC: 15 });
    for (let n = 0; n < 30; n++) {
      const date = `${2024 + (n % 3)}-0${1 + (n % 9)}-15`;
      await send('PUT', `/plans/${id(3, n)}`, { name: `Outing ${n + 1}`, waterId: water, conditions: day(date) });
    }
  });

  const own = (path: string) => stage.page(path, { book: 'own' });

  it('are found again: a reading is sought, changed in its place, removed and brought back', async () => {
    const page = await own('/waters');
    await page
      .getByRole('navigation', { name: 'Waters of this book' })
      .getByRole('button', { name: /Old pond/ })
      .click();
    await page.getByLabel('Search').fill('16 Jul 2025');
    await says(page.getByRole('status').filter({ hasText: 'readings.' }), `1 of ${DAYS} readings.`);
    const found = page.locator('inky-readings-list tbody tr');
    await says(found.first(), '16 Jul 2025');
    await page.getByRole('button', { name: /^Change the reading of 16 Jul 2025/ }).click();
    await found.getByLabel('Water, °F').fill('91');
    await found.getByRole('button', { name: 'Keep the change' }).click();
    await says(found.first(), '91 °F');
    await page.getByRole('button', { name: /^Remove the reading of 16 Jul 2025/ }).click();
    await says(page.locator('.notice'), 'Reading removed.');
    await page.getByRole('button', { name: 'Undo' }).click();
    await says(found.first(), '91 °F');
  });

  it('are sorted and turned over, and every date has its year', async () => {
    const page = await own('/waters');
    await page
      .getByRole('navigation', { name: 'Waters of this book' })
      .getByRole('button', { name: /Old pond/ })
      .click();
    await choose(page.getByLabel('In order'), 'Oldest first');
    const rows = page.locator('inky-readings-list tbody tr');
    await says(rows.first(), '1 Jan 2024');
    for (const row of await rows.all()) expect(await textOf(row)).toMatch(/ 20\d\d,/);
    await page.getByRole('button', { name: /next page/i }).click();
    await says(rows.first(), '13 Jan 2024');
  });

  it('are plans that are found by name, and a season of three years behind it', async () => {
    const page = await own('/plans');
    await page.getByLabel('Search').fill('outing 17');
    await until('one is left', async () => (await page.getByRole('heading', { level: 2 }).count()) === 1);
    await page.getByRole('heading', { name: 'Outing 17' }).waitFor();
    await goTo(page, '/season');
    await page.locator('inky-year-chart canvas[role=img]').waitFor();
    expect(await textOf(page.locator('h1'))).not.toBe('');
  });
});

describe('going back, and going wrong', () => {
  it('goes back and forth between views with the day as it was left, over a reload', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.locator('inky-sentence').getByRole('button', { name: /^Sky:/ }).click();
    await page.getByRole('option', { name: 'overcast', exact: true }).click();
    await page.keyboard.press('Escape');
    await says(page.locator('inky-sentence'), 'Sky overcast');
    await page.getByRole('link', { name: 'Season', exact: true }).click();
    await page.locator('inky-year-chart').waitFor();
    await page.getByRole('link', { name: 'Rig', exact: true }).click();
    await page.waitForURL(/\/rig/);
    await page.goBack();
    await page.waitForURL(/\/season/);
    await page.goBack();
    await says(page.locator('inky-sentence'), 'Sky overcast');
    await page.reload();
    await says(page.locator('inky-sentence'), 'Sky overcast');
  });

  it('tells the other window that the day was changed, and lets one choose', async () => {
    const first = await stage.page('/sheet');
    await first.locator('.note').waitFor();
    const second = await first.context().newPage();
    await second.goto(`${stage.server.address}/sheet`);
    await second.locator('.note').waitFor();
    const setSky = async (page: typeof first, sky: string) => {
      await page.locator('inky-sentence').getByRole('button', { name: /^Sky:/ }).click();
      await page.getByRole('option', { name: sky, exact: true }).click();
      await page.keyboard.press('Escape');
      await says(page.locator('inky-sentence'), `Sky ${sky}`);
    };
    await setSky(first, 'rain');
    await second.bringToFront();
    await says(second.locator('.notice'), 'changed in another window');
    // The day that stands here stays until its reader says otherwise.
    expect(await textOf(second.locator('inky-sentence'))).not.toContain('Sky rain');
  });

  it('says what cannot be, keeps what was there, and goes on', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    await page.locator('inky-sentence').getByRole('button', { name: 'Hours on the water' }).click();
    await page.getByLabel('From', { exact: true }).fill('08:00');
    await page.getByLabel('To', { exact: true }).fill('08:00');
    await page.getByLabel('To', { exact: true }).blur();
    await page.getByText('a window that does not end when it begins').waitFor();
    expect(await textOf(page.locator('h1'))).toMatch(/^Pre-spawn/);
    await page.getByLabel('To', { exact: true }).fill('15:00');
    await page.getByLabel('To', { exact: true }).blur();
    await page.keyboard.press('Escape');
    await says(page.locator('inky-sentence'), '8 am to 3 pm');
    expect(await textOf(page.locator('h1'))).toMatch(/^Pre-spawn/);
  });
});

describe('the page', () => {
  it('has complained of nothing on the way', () => {
    expect(stage.complaints).toEqual([]);
  });
});
