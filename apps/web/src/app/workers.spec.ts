import { deserialize, serialize } from 'node:v8';
import { ASKED_FOR, Conditions, type SeasonInput } from '@inky-shoal/core';
import { bedToBytes } from '@inky-shoal/core/chart';
import { INPUT, FRAME, VALUES, WATER, lonLat } from '../testing/test-lake';
import { plannerApi } from './base/planner/planner-api';
import { rigApi } from './rig/rig-api';
import { ChartApi } from './water/chart-api';
import { ChartFilesApi } from './water/chart-files-api';
import type { Tints } from './water/drawing';
import { tableApi } from './base/tables/table-api';

/** What goes over the border of a worker, as it arrives: fails where something cannot go at all, as a function cannot. */
const over = <T>(value: T): T => deserialize(serialize(value)) as T;
const TINTS: Tints = {
  fromM: [2],
  colours: [
    [0, 0, 0],
    [9, 9, 9],
  ],
  land: [200, 200, 200],
  dry: [250, 250, 250],
};
const CONDITIONS = Conditions.parse(INPUT);

describe('what the planner answers goes over the border whole', () => {
  it('plans and all that is asked about them', () => {
    const day = plannerApi.planDay(CONDITIONS, { units: 'us' });
    expect(over(day)).toEqual(day);
    const points = plannerApi.tippingPoints(CONDITIONS, 'w1', 'us');
    expect(over(points)).toEqual(points);
    const others = plannerApi.othersWould(CONDITIONS, 'w1', 'us');
    expect(over(others)).toEqual(others);
    const deciding = plannerApi.decidingCondition(CONDITIONS, 'w1', ASKED_FOR);
    expect(over(deciding)).toEqual(deciding);
    expect(over(plannerApi.rulesToday(CONDITIONS))).toEqual(plannerApi.rulesToday(CONDITIONS));
  });

  it('a year of a water', () => {
    const input: SeasonInput = {
      water: WATER,
      readings: [],
      weather: [],
      gauge: [],
      now: '2027-03-13T12:00:00Z',
      units: 'us',
    };
    const year = plannerApi.seasonYear(input);
    expect(year.zones.length).toBeGreaterThan(0);
    expect(Object.keys(over(year))).toEqual(Object.keys(year));
  });
});

describe('tackle beside the page', () => {
  const US = { units: 'us' } as const;
  it('is read with how far it has come, and a text that is no table is a sentence', () => {
    const shares: number[] = [];
    const read = rigApi.readTackle('kind,name,material,test_lb\nline,One,braid,20\n', [], US, (share) =>
      shares.push(share),
    );
    expect(typeof read === 'string' ? read : over(read).items.map(({ name }) => name)).toEqual(['One']);
    expect(rigApi.readTackle('', [], US, () => undefined)).toMatch(/^[A-Z].*\.?$/);
  });

  it('reckons, and says in a problem what it cannot', () => {
    expect(over(rigApi.calc('countdown', { mood: 'good' }))).toMatchObject({ ok: false });
  });
});

describe('tables beside the page', () => {
  const context = {
    zones: [],
    timeZone: 'America/Chicago',
    now: '2027-03-20T12:00:00Z',
    known: [],
    zoneId: undefined,
    units: 'us',
  } as never;

  it('are read by the mapping that they seem to want, or by one that is given', () => {
    const read = tableApi.readText('date,temp F\n2027-03-01,50\n', context);
    if (typeof read === 'string') throw new Error(read);
    expect(over(read).result.readings[0]?.draft.surfaceTempC).toBeCloseTo(10, 6);
    const metric = tableApi.readText('date,temp\n2027-03-01,12\n', context, {
      ...read.mapping,
      tempUnit: 'C',
    } as never);
    expect(typeof metric === 'string' ? metric : metric.result.readings.length).toBe(1);
  });

  it('that are none are a sentence', () => expect(typeof tableApi.readText('\n\n', context)).toBe('string'));
});

describe('charts beside the page', () => {
  const grid = { ...FRAME, values: VALUES } as never;

  it('say that none is open, and answer once one is', async () => {
    const chart = new ChartApi();
    expect(() => chart.bestAt(480, 'us')).toThrow('No chart is open');
    const steps: string[] = [];
    chart.open(FRAME, bedToBytes(grid), undefined, (step) => steps.push(step));
    const { minutes } = chart.prepare(
      { kind: WATER.waterKind, features: [], conditions: CONDITIONS, levelM: 0 },
      (step) => steps.push(step),
    );
    const [first = 0] = minutes;
    expect(steps.length).toBeGreaterThan(2);
    const hour = await chart.scanAt(first, {}, 'us', [0, 0, 0]);
    expect(over(hour).spots.length).toBeGreaterThan(0);
    expect(over(chart.bestAt(first, 'us'))).toEqual(hour.spots);
    expect(over(chart.spotAt(lonLat(30, 30), first, 'us'))).toBeTruthy();
    expect(over(chart.alike(hour.spots[0]!.cell, first, 'us'))).toBeDefined();
    expect((await chart.hourAt(TINTS, first)).tint instanceof Uint8ClampedArray).toBe(true);
  });
});

describe('files of charts beside the page', () => {
  const water = { lonLat: [WATER.place.longitude, WATER.place.latitude], name: WATER.name } as never;
  const files = () => new ChartFilesApi((bytes) => Promise.resolve(bytes));

  it('are read, then laid as they are said to count', async () => {
    const api = files();
    const rows = Array.from({ length: 12 }, (_, at) => `35.9${at}0,-88.4${at % 3}0,${1 + at}`);
    const read = await api.readBed(new Blob([`lat,lon,depth m\n${rows.join('\n')}\n`]), water);
    if (typeof read === 'string') throw new Error(read);
    expect(over(read)).toMatchObject({ from: 'soundings', count: 12 });
    const laid = await api.layBed(read.guess, water, 'lake.csv');
    expect(typeof laid).not.toBe('undefined');
  });

  it('that hold nothing are a sentence, and nothing is laid before something was read', async () => {
    const api = files();
    expect(typeof (await api.readBed(new Blob(['']), water))).toBe('string');
    await expect(api.layBed({} as never, water, 'x')).rejects.toThrow('No file of depths has been read');
    expect(typeof (await api.readFeatures(new Blob(['{']), water))).toBe('string');
  });

  it('are packed as they go to the server', async () => {
    const packed = await new ChartFilesApi((bytes) => Promise.resolve(bytes.slice(0, 2))).pack(
      new Uint8Array([1, 2, 3]),
    );
    expect([...packed]).toEqual([1, 2]);
  });
});
