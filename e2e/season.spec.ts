import { startStandIns, startServer } from '../scripts/lib/server.mjs';
import { PHONE, says, Stage, textOf, until } from './support/stage';
import { choose } from './support/controls';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const heading = 'main h1';
const season = async (path = '/season', options = {}) => {
  const page = await stage.page(path, options);
  await page.locator('inky-year-chart canvas[role=img]').waitFor();
  return page;
};

describe('the season of the demo lake', () => {
  it('says what phase, where it is ahead and behind, what is coming, and how old its weather is', async () => {
    const page = await season();
    await says(page.locator(heading), /Upper Sallow and Marina pocket are ahead, already in pre-spawn/);
    await says(page.locator(heading), /Lower basin .*behind, still in winter/);
    await says(page.locator(heading), /should reach .* March/);
    await says(page.locator('.sources'), /Weather of 13 March, 6 am, 2 hours old, from weather stand-in/);
    await says(page.locator('.sources'), 'Too few readings to know Brindle Creek by');
    expect(await page.locator('.standing tbody tr').count()).toBe(6);
    expect(stage.complaints).toEqual([]);
  });

  it('is read day by day with the keyboard, zone by zone, and says the same as a table', async () => {
    const page = await season();
    const day = page.getByRole('slider', { name: 'Day' });
    await day.focus();
    await page.keyboard.press('ArrowRight');
    await says(page.locator('.day h2'), 'Sunday 14 March 2027, Upper Sallow');
    await says(page.locator('.day'), 'forecast');
    await page.keyboard.press('Home');
    await says(page.locator('.day'), 'worked out');
    await page.keyboard.press('End');
    await says(page.locator('.day'), 'usual course');
    await page.getByRole('button', { name: 'Lower basin' }).click();
    await says(page.locator('.day h2'), 'Lower basin');
    await page.getByText('The year of Lower basin as a table').click();
    const rows = page.getByRole('region', { name: 'The year as a table' }).locator('tbody tr');
    await rows.nth(50).waitFor();
    await says(rows.first(), /July.*°F.*worked out.*summer/);
  });

  it('lets a day and a zone be chosen by pointing, and plans that day with their figures', async () => {
    const page = await season();
    await page.getByRole('button', { name: 'Lower Sallow' }).click();
    const day = page.getByRole('slider', { name: 'Day' });
    await day.focus();
    for (let press = 0; press < 4; press++) await page.keyboard.press('ArrowRight');
    await says(page.locator('.day h2'), 'Wednesday 17 March 2027, Lower Sallow');
    const temp = (await textOf(page.locator('.day strong'))).replace(' °F', '');
    await page.getByRole('button', { name: 'Plan 17 March' }).click();
    await page.locator('.note').waitFor();
    await says(page.locator('header'), 'Lake Ferrow, Lower Sallow');
    await page.getByRole('button', { name: `Water temperature: ${temp} °F` }).waitFor();
    await page.getByRole('button', { name: /^Day: .*17 March/ }).waitFor();
    await says(page.getByRole('heading', { level: 1 }), /^Pre-spawn/);
  });

  it('lays last year along this one when asked', async () => {
    const page = await season();
    await page.getByLabel('Last year, laid along this one by temperature').check();
    await says(page.locator('.standing'), /days (ahead|behind)/);
  });

  it('is worked out in a worker of the page, not in the page', async () => {
    const page = await stage.page('/settings');
    const [worker] = await Promise.all([
      page.waitForEvent('worker'),
      page.getByRole('link', { name: 'Season' }).click(),
    ]);
    expect(worker.url()).toContain('worker');
    await page.locator('inky-year-chart canvas[role=img]').waitFor();
  });

  it('works at the size of a phone', async () => {
    const page = await season('/season', { size: PHONE });
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(width).toBeLessThanOrEqual(PHONE.width);
    await page.getByRole('button', { name: /^Plan 13 March/ }).waitFor();
  });
});

describe('a record that comes in rows', () => {
  it('is shown as it is read, bad rows with their lines, and goes in when the user agrees; undo takes it out', async () => {
    const page = await stage.page('/waters');
    await page.locator('tbody tr').first().waitFor();
    const before = await textOf(page.locator('section > p').first());
    await page.getByRole('button', { name: 'Several readings at once' }).click();
    await page
      .locator('#import-text')
      .fill(
        'Datum;Uhrzeit;Wasser;Sicht\n01.02.2027;09:00;6,1;1,2\n02.02.2027;09:00;62;1,2\n31.02.2027;09:00;6;1\n01.02.2027;09:00;6,2;1\n',
      );
    await says(page.locator('inky-import'), 'Line 3: no water is at 62 °C. Did you mean °F?');
    await says(page.locator('inky-import'), 'Line 4: expected a day and time that exist, got "31.02.2027 09:00"');
    await says(
      page.locator('inky-import'),
      '1 reading to add, 1 left out that stand in the record or in the rows already, 2 that cannot be read',
    );
    const add = page.getByRole('button', { name: 'Add 1 reading' });
    expect(await add.isDisabled()).toBe(true);
    await page.getByLabel('Leave these 2 lines out').check();
    await add.click();
    await says(page.locator('.notice'), '1 reading added.');
    await until('it counts', async () => (await textOf(page.locator('section > p').first())) !== before);
    await page.getByRole('button', { name: 'Undo' }).click();
    await until('it is out again', async () => (await textOf(page.locator('section > p').first())) === before);
  });

  it('asks whether Fahrenheit was meant, and takes a file with a column chosen by hand', async () => {
    const page = await stage.page('/waters');
    await page.locator('tbody tr').first().waitFor();
    await page.getByRole('button', { name: 'Several readings at once' }).click();
    const rows = [
      'day,temp C,remark',
      ...Array.from({ length: 30 }, (_, at) => `2026-11-${String(at + 1).padStart(2, '0')},5${at % 10},x`),
    ];
    await page
      .locator('inky-import input[type=file]')
      .setInputFiles({ name: 'log.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
    await page.getByText('Did you mean °F?').first().waitFor();
    await page.getByRole('button', { name: 'Yes, °F' }).click();
    await says(page.locator('inky-import'), '30 readings to add');
    await choose(page.getByLabel('temp C holds'), 'nothing of use');
    await says(page.locator('inky-import'), 'say which column holds the temperature');
    await choose(page.getByLabel('temp C holds'), 'water temperature');
    await page.getByRole('button', { name: 'Add 30 readings' }).click();
    await says(page.locator('.notice'), '30 readings added.');
  });

  it('is changed, doubted, and given a profile by hand', async () => {
    const page = await stage.page('/waters');
    await page.locator('tbody tr').first().waitFor();
    await page
      .getByRole('button', { name: /^Change the reading/ })
      .first()
      .click();
    await page.getByLabel(/Doubtful/).check();
    await page.getByText('Temperatures by depth').last().click();
    await page.locator('#change-profile').fill('0 55\n12 55\n16');
    await page.getByRole('button', { name: 'Keep the change' }).click();
    await says(page.locator('#change-profile-problem'), 'Line 3: expected a depth and a temperature');
    await page.locator('#change-profile').fill('0 75\n12 74\n16 60\n30 55');
    await page.getByRole('button', { name: 'Keep the change' }).click();
    await says(page.locator('tbody tr').first(), 'doubtful, left out');
    await says(page.locator('tbody tr').first(), 'thermocline at 14 ft');
  });
});

describe('zones', () => {
  it('are told, beside one another both ways, and read by the season', async () => {
    const page = await stage.page('/waters');
    await page.getByRole('button', { name: /Tern Hollow Sound/ }).click();
    await page.getByRole('button', { name: '3 zones' }).click();
    await page.getByRole('button', { name: 'One more zone' }).click();
    await page.locator('#zone-mixed-3').fill('0');
    await page.getByRole('button', { name: 'Keep the zones' }).click();
    await says(page.locator('inky-zones'), 'Expected a name');
    await page.locator('#zone-name-3').fill('Back bay');
    await page.locator('#zone-mixed-3').fill('4');
    await page
      .getByRole('group', { name: /^Beside Back bay/ })
      .getByLabel('Grass flat')
      .check();
    const back = page.getByRole('group', { name: /^Beside Grass flat/ }).getByLabel('Back bay');
    await until('it lies beside the other way too', () => back.isChecked());
    await page.getByRole('button', { name: 'Keep the zones' }).click();
    await says(page.locator('.notice'), 'Zones kept.');
    await page.getByRole('button', { name: 'Its season' }).click();
    await page.getByRole('button', { name: 'Back bay' }).waitFor();
  });
});

describe('the weather service', () => {
  it('going away is said with how old what is kept is, and the season goes on', async () => {
    const standIns = await startStandIns();
    const server = await startServer({ outside: standIns.address, demoTrips: false });
    const page = await stage.page('/season', { address: server.address });
    try {
      await page.locator('inky-year-chart canvas[role=img]').waitFor();
      await says(page.locator('.sources'), 'Weather of 13 March');
      const before = await textOf(page.locator(heading));
      await standIns.kill();
      await page.getByRole('button', { name: 'Ask again' }).click();
      await says(
        page.locator('.problem'),
        /The weather does not come in: .* does not answer\. What is used is of 13 March, 6 am, 2 hours old/,
      );
      expect(await textOf(page.locator(heading))).toBe(before);
    } finally {
      await page.close();
      await server.stop();
    }
  });

  it('that was never there leaves the usual year, and says so', async () => {
    const server = await startServer({ outside: null, demoTrips: false });
    const page = await stage.page('/season', { address: server.address });
    try {
      await page.locator('inky-year-chart canvas[role=img]').waitFor();
      await says(page.locator('.sources'), 'No weather is known: the usual year of the latitude stands in for it.');
    } finally {
      await page.close();
      await server.stop();
    }
  });

  it("is not there in a book of one's own until an address or a file is given", async () => {
    const page = await stage.page('/settings');
    await page.getByRole('button', { name: 'Start my own, empty' }).click();
    await page.getByRole('heading', { name: 'Add a water' }).waitFor();
    await page.getByLabel('Name').fill('New pond');
    await page.getByLabel('Where', { exact: true }).fill('40, -83');
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByRole('button', { name: 'Its season' }).click();
    await page.locator('inky-year-chart canvas[role=img]').waitFor();
    await says(page.locator('.sources'), 'No reading yet');
    await says(page.locator('.sources'), 'No weather: give a service in Settings, or a CSV file here.');
    const day = (date: string) =>
      Array.from({ length: 24 }, (_, hour) => `${date} ${String(hour).padStart(2, '0')}:00,12,6,3`);
    const open = (name: string, lines: readonly string[]) =>
      page
        .locator('.sources input[type=file]')
        .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
    await page.getByRole('button', { name: 'Weather from a file' }).click();
    await open('words.csv', ['who,what', 'me,none', 'you,some']);
    await says(page.locator('.sources'), 'say which column holds the day');
    // No unit stands there: the user's is shown, and another is chosen before anything goes in.
    await open('weather.csv', ['time,air,dew,wind m/s', ...day('2026-11-01'), ...day('2026-11-02'), 'noon,1,2,3']);
    await says(page.locator('.sources'), '2 days, 2026-11-01 to 2026-11-02, daily mean 12 °F');
    await says(page.locator('.sources'), 'Line 50: expected a day and an hour, got "noon"');
    await choose(page.getByLabel('Temperatures in'), '°C');
    await says(page.locator('.sources'), 'daily mean 54 °F');
    await page.getByText('Leave this line out').click();
    await page.getByRole('button', { name: 'Take 2 days' }).click();
    await says(page.locator('.notice'), 'Weather of 2 days taken from weather.csv.');
    await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Remove the weather' }).waitFor({ state: 'detached' });
  });
});
