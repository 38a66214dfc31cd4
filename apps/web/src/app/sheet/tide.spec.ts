import { TestBed } from '@angular/core/testing';
import type { Water } from '@inky-shoal/core';
import { type TideGaugeAt, tideHeights } from '@inky-shoal/core/tide';
import { BehaviorSubject, filter, firstValueFrom, lastValueFrom, of, take, throwError, timeout } from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import type { Loaded } from '../base/loaded';
import { WatersService } from '../waters/waters.service';
import type { Draft } from './draft';
import { TideService } from './tide.service';

const PLACE = { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' };
const BAY = {
  id: '01950000-0000-7000-8000-000000000001',
  name: 'Bay',
  discipline: 'inshore',
  waterKind: 'estuary',
  place: PLACE,
  tideStation: {
    name: 'Gull Bar',
    latitude: 30,
    longitude: -89,
    constituents: [{ name: 'M2', amplitudeM: 0.4, phaseDeg: 120 }],
    meanLevelM: 0.5,
    datum: 'mean lower low water',
  },
  createdAt: '2027-01-01T00:00:00Z',
  updatedAt: '2027-01-01T00:00:00Z',
} as Water;
const SAVED = ['06:00', '09:00', '12:00'].map((at, index) => ({ at, levelM: index }));

const waters$ = new BehaviorSubject<Loaded<Water[]>>({ state: 'ready', value: [BAY] });
const day = (more: Partial<Draft['input']>, of: Partial<Draft> = {}): Draft => ({
  waterId: BAY.id,
  waterName: 'Bay',
  savedId: null,
  savedName: null,
  ...of,
  input: { discipline: 'inshore', date: '2027-06-18', place: PLACE, surfaceTempC: 27, ...more },
});
const NOW = '2027-06-17T18:00:00Z';
let gauge: TideGaugeAt | null = null;
const withTide = (draft: Draft) => firstValueFrom(TestBed.inject(TideService).withTide(draft));
const noStation = () => waters$.next({ state: 'ready', value: [{ ...BAY, tideStation: null }] });

beforeEach(() => {
  waters$.next({ state: 'ready', value: [BAY] });
  gauge = null;
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      { provide: WatersService, useValue: { waters$ } },
      { provide: BookService, useValue: { book: 'demo', clock$: of({ now: NOW, fixed: true }) } },
      { provide: ApiService, useValue: { get: () => (gauge ? of(gauge) : throwError(() => new Error('away'))) } },
    ],
  });
});

it('goes from midnight on, and from some hours before hours that cross midnight', async () => {
  const of = async (more: Partial<Draft['input']>) => (await withTide(day(more))).hourlyTide!;
  expect((await of({})).map(({ at }) => at)).toEqual(expect.arrayContaining(['00:00', '23:45']));
  const night = await of({ window: { from: '20:00', to: '03:00' } });
  expect([night[0]!.at, night.at(-1)!.at]).toEqual(['16:00', '15:45']);
});

it('is another on another day, whatever was saved with a day', async () => {
  const opened = { savedId: 'a', savedName: 'Then', savedInput: day({ hourlyTide: SAVED }).input };
  const same = await withTide(day({ hourlyTide: SAVED }, opened));
  const next = await withTide(day({ hourlyTide: SAVED, date: '2027-06-22' }, opened));
  expect(same.hourlyTide).toHaveLength(96);
  expect(next.hourlyTide![0]!.levelM).not.toBeCloseTo(same.hourlyTide![0]!.levelM, 1);
});

it('of a water without a station is as it was saved, on that day alone', async () => {
  noStation();
  const opened = { savedId: 'a', savedName: 'Then', savedInput: day({ hourlyTide: SAVED }).input };
  expect((await withTide(day({ hourlyTide: SAVED }, opened))).hourlyTide).toEqual(SAVED);
  expect((await withTide(day({ hourlyTide: SAVED, date: '2027-06-19' }, opened))).hourlyTide).toBeUndefined();
});

it('gives way to a stage that was typed', async () => {
  const typed = await withTide(day({ tide: { stage: 'falling' }, hourlyTide: SAVED }));
  expect(typed).toMatchObject({ tide: { stage: 'falling' } });
  expect(typed.hourlyTide).toBeUndefined();
});

it('changes when another station is taken', async () => {
  const levels: number[] = [];
  TestBed.inject(TideService)
    .withTide(day({}))
    .pipe(filter(({ hourlyTide }) => !!hourlyTide))
    .subscribe(({ hourlyTide }) => levels.push(Math.max(...hourlyTide!.map(({ levelM }) => levelM))));
  await new Promise((resolve) => setTimeout(resolve, 200));
  const station = { ...BAY.tideStation!, meanLevelM: 2 };
  waters$.next({ state: 'ready', value: [{ ...BAY, tideStation: station }] });
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(levels).toHaveLength(2);
  expect(levels[1]! - levels[0]!).toBeCloseTo(1.5, 2);
});

describe('a gauge', () => {
  /** Fourteen days of the table and so much over it. */
  const reads = (overM: number): TideGaugeAt => {
    const days = Array.from({ length: 14 }, (_, at) => {
      const date = new Date(Date.parse('2027-06-04T00:00:00Z') + at * 86_400_000).toISOString().slice(0, 10);
      const quarterM = tideHeights(
        BAY.tideStation!,
        Date.parse(`${date}T00:00:00Z`),
        Date.parse(`${date}T23:46:00Z`),
        15,
      );
      return { date, quarterM: quarterM.map(({ levelM }) => levelM + overM) };
    });
    const state = { source: 'a gauge', issuedAt: NOW, answeredAt: NOW, failure: null, asking: false };
    return { state, days, air: [] };
  };
  const settled = (draft: Draft) =>
    lastValueFrom(
      TestBed.inject(TideService)
        .withTide(draft)
        .pipe(take(2), timeout({ each: 3000, with: () => [] })),
    );

  it('has the day planned for the water as it is expected, and says how far that is from the table', async () => {
    const table = await withTide(day({}));
    expect(table.waterOverTableM).toBeUndefined();
    gauge = reads(0.3);
    const told = await settled(day({}));
    expect(told.waterOverTableM).toBeGreaterThan(0.12);
    expect(told.waterOverTableM).toBeLessThan(0.31);
    expect(told.waterDoubtM).toBeGreaterThan(0);
    expect(told.hourlyTide![0]!.levelM).toBeGreaterThan(table.hourlyTide![0]!.levelM + 0.1);
    expect(table.tideSpringShare).toBe(told.tideSpringShare);
  });

  it.each<[string, Partial<TideGaugeAt['state']>]>([
    ['is still being asked', { asking: true }],
    ['failed', { failure: 'it takes too long to answer' }],
  ])('that %s is heard by the day as it is changed meanwhile', async (_, state) => {
    const { days, ...silent } = reads(0.3);
    gauge = { ...silent, state: { ...silent.state, ...state }, days: [] };
    await settled(day({}));
    gauge = { ...silent, days };
    expect((await settled(day({ windMps: 4 }))).waterOverTableM).toBeGreaterThan(0.12);
  });

  it('says nothing of a day that is far off, and goes on with what it said last where there is no signal', async () => {
    gauge = reads(0.3);
    await settled(day({}));
    gauge = null;
    expect((await withTide(day({}))).waterOverTableM).toBeGreaterThan(0.12);
    expect((await withTide(day({ date: '2027-07-18' }))).waterOverTableM).toBeUndefined();
  });
});
