import fc from 'fast-check';
import { LAKE, MIDDLE, reading } from '../testing/lake.js';
import { dateOrderOf, momentOf } from './moments.js';
import { guessReadingMapping } from './reading-mapping.js';
import { readReadings, type TableContext } from './reading-table.js';
import { figureIn, readTable, roughFigureIn, TableProblem } from './table.js';
import { daysOfGauge, daysOfWeather } from './weather-days.js';
import { WeatherHours } from '../contract/outside.js';

const NOW = '2027-03-13T14:00:00Z';
const CONTEXT: TableContext = { zones: LAKE.zones!, timeZone: 'America/Chicago', now: NOW, known: [], units: 'metric' };
const read = (text: string, more: Partial<TableContext> = {}) => {
  const context = { ...CONTEXT, ...more };
  const table = readTable(text);
  return readReadings(table, guessReadingMapping(table, context.units), context);
};

describe('a table', () => {
  it.each([
    ['commas', 'date,temp\n2027-03-01,8.4\n', ',', false],
    ['semicolons and decimal commas', 'date;temp\n01.03.2027;8,4\n', ';', true],
    ['tabs, as pasted from a sheet', '3/1/2027 2:00 pm\t48.2\n3/2/2027 2:00 pm\t48\n', '\t', false],
    ['a byte order mark and Windows line ends', '\uFEFFdate,temp\r\n2027-03-01,8.4\r\n', ',', false],
  ])('with %s', (_, text, delimiter, decimalComma) => {
    expect(readTable(text)).toMatchObject({ delimiter, decimalComma });
  });
  it('numbers its lines past blank ones and past cells that hold a line end', () => {
    const { lines } = readTable('date,note,temp\n\n2027-03-01,"two\nlines",8\n2027-03-02,,9\n');
    expect(lines.map(({ line }) => line)).toEqual([3, 5]);
  });
  it.each(['', '\n\n', '   '])('with nothing in it is refused in a sentence: %j', (text) => {
    expect(() => readTable(text)).toThrow(TableProblem);
  });
  it.each([
    ['8.4', false, 8.4],
    ['8,4', true, 8.4],
    ['48 °F', false, 48],
    ['1.2 m', false, 1.2],
    ['-0.5', false, -0.5],
    ['n/a', false, undefined],
    ['1.2.3', false, undefined],
    ['', false, undefined],
  ])('a figure in %j', (cell, comma, figure) => expect(figureIn(cell, comma)).toBe(figure));
  it.each([
    ['5', { figure: 5, rough: false }],
    ['3-4', { figure: 3.5, rough: true }],
    ['3 to 4 ft', { figure: 3.5, rough: true }],
    ['~5', { figure: 5, rough: true }],
    ['about 5 ft', { figure: 5, rough: true }],
    ['5+', { figure: 5, rough: true }],
    ['-3', { figure: -3, rough: false }],
    ['3-', undefined],
    ['clear', undefined],
  ])('a figure as it is noted by hand in %j', (cell, found) => expect(roughFigureIn(cell, false)).toEqual(found));
  it('begins at its head, whatever stands before it, with a line of units under it', () => {
    const text =
      'Station of the dam\nfrom,2027\n\ndate,tmax,tmin,rain\n,F,F,in\n2027-03-01,60,40,0.1\n2027-03-02,61,41,0';
    const { header, lines } = readTable(text);
    expect(header).toEqual(['date', 'tmax F', 'tmin F', 'rain in']);
    expect(lines.map(({ line }) => line)).toEqual([6, 7]);
  });
});

describe('moments', () => {
  it.each([
    ['2027-03-01 14:00', undefined, 'ymd', '2027-03-01T20:00:00Z'],
    ['3/1/2027', '2:00 pm', 'mdy', '2027-03-01T20:00:00Z'],
    ['1.3.2027', '14:00', 'dmy', '2027-03-01T20:00:00Z'],
    ['1/3/27', '7am', 'dmy', '2027-03-01T13:00:00Z'],
    ['2027-03-01T14:00:00-06:00', undefined, 'mdy', '2027-03-01T20:00:00Z'],
    ['2027-07-01', undefined, 'ymd', '2027-07-01T17:00:00Z'],
    ['12/31/2026', '12:15 am', 'mdy', '2026-12-31T06:15:00Z'],
    ['Mar 18, 2026', undefined, 'mdy', '2026-03-18T17:00:00Z'],
    ['Wed, March 18th 2026 2:00 pm', undefined, 'mdy', '2026-03-18T19:00:00Z'],
    ['18 March 2026', '14:00', 'mdy', '2026-03-18T19:00:00Z'],
    ['18. März 2026', undefined, 'dmy', '2026-03-18T17:00:00Z'],
    ['18-Mar-2026', undefined, 'mdy', '2026-03-18T17:00:00Z'],
    ['20260318', undefined, 'mdy', '2026-03-18T17:00:00Z'],
    ['46099', undefined, 'mdy', '2026-03-18T17:00:00Z'],
    ['46099.59375', undefined, 'mdy', '2026-03-18T19:15:00Z'],
  ] as const)('%s %s (%s)', (date, time, order, instant) => {
    expect(momentOf(date, time, order, 'America/Chicago')).toBe(instant);
  });
  it.each(['2027-02-30', '31.02.2027', 'yesterday', 'Foo 18, 2026', 'Feb 30, 2026', '12345', '2027-03-01 25:00', ''])(
    '%j is none',
    (text) => {
      expect(momentOf(text, undefined, 'dmy', 'UTC')).toBeUndefined();
    },
  );
  it('finds the order that fits all dates', () => {
    expect(dateOrderOf(['3/13/2027', '3/1/2027'], 'dmy')).toBe('mdy');
    expect(dateOrderOf(['13/3/2027'], 'mdy')).toBe('dmy');
    expect(dateOrderOf(['1/3/2027'], 'mdy')).toBe('mdy');
  });
});

describe('readings from a table', () => {
  it('takes figures as they are noted by hand, and says so; what is none is told and left out', () => {
    const text = 'date,temp C,seen m\n"Mar 1, 2027",~9,3-4\n46448,9.5,good\n2027-03-03,10,2';
    const { readings, problems, notes } = read(text);
    expect(problems).toEqual([]);
    expect(readings.map(({ draft }) => [draft.at.slice(0, 10), draft.surfaceTempC, draft.visibilityM])).toEqual([
      ['2027-03-01', 9, 3.5],
      ['2027-03-02', 9.5, undefined],
      ['2027-03-03', 10, 2],
    ]);
    expect(notes).toEqual([
      'Line 2: a range or "about" is taken as its middle.',
      'Line 3: "good" is no figure and is left out; its temperature is taken.',
    ]);
  });

  it('finds what the columns hold by their titles, in several words for them', () => {
    const table = readTable('When,Clock,Water temp (F),Secchi ft,Arm\n2027-03-01,14:00,48,4,Middle\n');
    expect(guessReadingMapping(table, 'metric')).toMatchObject({
      roles: ['date', 'time', 'temp', 'visibility', 'zone'],
      tempUnit: 'F',
      depthUnit: 'ft',
    });
  });
  it('finds them by their cells where there are no titles', () => {
    const table = readTable('3/13/2027\t8:00\t52\n3/12/2027\t8:10\t51\n');
    expect(guessReadingMapping(table, 'metric')).toMatchObject({
      roles: ['date', 'time', 'temp'],
      tempUnit: 'F',
      dateOrder: 'mdy',
    });
  });
  it('takes semicolons, decimal commas and days before months', () => {
    const { readings, problems } = read('Datum;Uhrzeit;Wasser °C;Sicht m\n05.03.2027;14:00;8,4;1,2\n');
    expect(problems).toEqual([]);
    expect(readings[0]).toMatchObject({
      lines: [2],
      draft: { at: '2027-03-05T20:00:00Z', surfaceTempC: 8.4, visibilityM: 1.2 },
    });
  });
  it('turns Fahrenheit and feet', () => {
    const { readings } = read('date,temp F,seen ft\n2027-03-01,50,4\n');
    expect(readings[0]!.draft).toMatchObject({ surfaceTempC: 10, visibilityM: 1.219 });
  });
  it.each([
    ['2027-03-40,9', 2, 'expected a day and time that exist, got "2027-03-40"'],
    ['2027-03-01,cold', 2, 'expected a temperature, got "cold"'],
    ['2027-03-01,62', 2, 'no water is at 62 °C. Did you mean °F?'],
    ['2027-03-01,300', 2, 'no water is at 300 °C.'],
    ['2027-04-01,9', 2, '2027-04-01 is still to come'],
  ])('lists the row %j with its line', (row, line, message) => {
    const { readings, problems } = read(`date,temp C\n${row}\n2027-03-02,9\n`);
    expect(problems).toEqual([{ line, message }]);
    expect(readings).toHaveLength(1);
  });
  it('asks whether the other unit was meant where that makes sense of most rows', () => {
    expect(read('date,temp C\n2027-03-01,48\n2027-03-02,49\n2027-03-03,9\n').meantUnit).toBe('F');
    expect(read('date,temp C\n2027-03-01,8\n').meantUnit).toBeNull();
  });
  it('marks what stands twice in the table and in the record', () => {
    const known = [reading('2027-03-02', 9, MIDDLE)];
    const text =
      'date,time,temp C,zone\n2027-03-01,14:00,8,middle\n2027-03-01,14:00,8.1,Middle\n2027-03-02,14:00,9,Middle\n2027-03-02,14:00,9,Basin\n';
    expect(read(text, { known }).readings.map(({ twice }) => twice)).toEqual([null, 'table', 'record', null]);
  });
  it('refuses a zone that the water has not, and takes the one chosen for rows that name none', () => {
    expect(read('date,temp C,zone\n2027-03-01,8,Nowhere\n').problems[0]!.message).toBe(
      'there is no zone "Nowhere" in this water',
    );
    expect(read('date,temp C\n2027-03-01,8\n', { zoneId: MIDDLE }).readings[0]!.draft.zoneId).toBe(MIDDLE);
  });
  it('joins rows of one time at several depths to a profile', () => {
    const { readings } = read(
      'date,time,depth m,temp C\n2027-03-01,9:00,4,7\n2027-03-01,9:00,0,8.5\n2027-03-01,9:00,2,8\n',
    );
    expect(readings).toHaveLength(1);
    expect(readings[0]).toMatchObject({
      lines: [2, 3, 4],
      draft: {
        surfaceTempC: 8.5,
        profile: [
          { depthM: 0, tempC: 8.5 },
          { depthM: 2, tempC: 8 },
          { depthM: 4, tempC: 7 },
        ],
      },
    });
  });
  it('wants the surface of a profile', () => {
    expect(read('date,depth m,temp C\n2027-03-01,5,8\n2027-03-01,9,7\n').problems[0]!.message).toContain(
      'a reading needs the surface',
    );
  });
  it('notes rows out of order and gaps of months', () => {
    const { notes, readings } = read('date,temp C\n2027-03-01,8\n2026-09-01,25\n2026-10-01,20\n');
    expect(readings).toHaveLength(3);
    expect(notes.join(' ')).toMatch(/not in order.*gap of 151 days/);
  });
  it('says which columns are missing', () => {
    expect(read('temp C\n8\n9\n').problems[0]!.message).toBe('say which column holds the day');
  });
  it('never throws, whatever the text, but for a table that is none', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        try {
          const { readings, problems } = read(text);
          expect(readings.length + problems.length).toBeGreaterThan(0);
        } catch (error) {
          expect(error).toBeInstanceOf(TableProblem);
        }
      }),
    );
  });
});

const HOURS = (more: Record<string, unknown> = {}) => {
  const hour = (value: unknown) => Array.from({ length: 48 }, () => value);
  return WeatherHours.parse({
    source: 'test',
    issuedAt: '2027-03-02T06:00:00Z',
    firstHour: '2027-03-01T06:00:00Z',
    forecastFrom: '2027-03-02T06:00:00Z',
    airTempC: Array.from({ length: 48 }, (_, at) => (at < 24 ? 10 : 20)),
    dewPointC: hour(5),
    windMps: hour(3),
    windFromDeg: Array.from({ length: 48 }, (_, at) => (at % 2 ? 350 : 10)),
    cloudFraction: hour(0.5),
    pressureHpa: hour(1015),
    rainMm: hour(0.5),
    solarWm2: hour(150),
    ...more,
  });
};

describe('days of weather from hours', () => {
  it("are means on the water's clock, rain a sum, direction by its compass", () => {
    const [first, second] = daysOfWeather(HOURS(), 'America/Chicago');
    expect(first).toMatchObject({ date: '2027-03-01', kind: 'observed', airTempC: 10, rainMm: 12, solarWm2: 150 });
    expect(second).toMatchObject({ date: '2027-03-02', kind: 'forecast', airTempC: 20 });
    expect(Math.min(first!.windFromDeg!, 360 - first!.windFromDeg!)).toBeLessThan(1);
  });
  it('leave out a day with too few hours, and take figures out of all reason as missing', () => {
    const airTempC = Array.from({ length: 48 }, (_, at) => (at < 20 ? null : at === 30 ? 9999 : 12));
    const days = daysOfWeather(HOURS({ airTempC }), 'America/Chicago');
    expect(days.map(({ date, airTempC: air }) => [date, air])).toEqual([['2027-03-02', 12]]);
  });
  it('make days of a gauge, with nulls where it was silent', () => {
    const gauge = {
      source: 'g',
      issuedAt: NOW,
      firstHour: '2027-03-01T06:00:00Z',
      levelM: [1, 2, null],
      inflowM3s: [null, null, null],
      turbidityNtu: [4, 4, 4],
    };
    expect(daysOfGauge(gauge, 'America/Chicago')).toEqual([
      { date: '2027-03-01', levelM: 1.5, inflowM3s: null, turbidityNtu: 4 },
    ]);
  });
});
