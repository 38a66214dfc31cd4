import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { dateOf, seasonYear, type OutsideState, type Reading, type Water, type WeatherDay } from '@inky-shoal/core';
import { firstValueFrom } from 'rxjs';
import { estimatedAnew, isChangedSince, seasonDraft, sourceOf } from '../sheet/draft';
import { nextName } from '../sheet/saved-name';
import { readProfile, writeProfile } from '../waters/profile-text';
import { NOTHING_OUTSIDE, OutsideService } from './outside.service';
import type { WaterSeason } from './season.service';
import { WeatherDaysService } from './weather-days.service';
import { yearPicture } from './chart/year-picture';
import { readDay, sayAge, sayAhead, sayPhases, sayTempBand, sayWeather } from './season-words';

const id = (n: number) => `01970000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const WATER: Water = {
  id: id(1),
  name: 'Test lake',
  discipline: 'bass',
  waterKind: 'highland-reservoir',
  place: { latitude: 36, longitude: -88, timeZone: 'America/Chicago' },
  maxDepthM: 20,
  zones: [
    { id: id(2), name: 'Arm', position: 'upstream', mixedDepthM: 2, maxDepthM: 3, neighbours: [id(3)] },
    { id: id(3), name: 'Basin', position: 'lower', mixedDepthM: 6, maxDepthM: 20, neighbours: [id(2)] },
  ],
  createdAt: '2026-01-01T00:00:00Z',
  updatedAt: '2026-01-01T00:00:00Z',
};
const CLOCK = { now: '2027-03-13T08:12:00-06:00', fixed: true };
const READINGS: Reading[] = [
  { id: id(10), waterId: id(1), zoneId: id(3), at: '2027-03-12T20:00:00Z', surfaceTempC: 8 },
  { id: id(11), waterId: id(1), zoneId: id(3), at: '2027-03-08T20:00:00Z', surfaceTempC: 7.4 },
  { id: id(12), waterId: id(1), zoneId: id(2), at: '2027-03-10T20:00:00Z', surfaceTempC: 30, suspect: true },
];
const year = seasonYear({ water: WATER, readings: READINGS, weather: [], gauge: [], now: CLOCK.now, units: 'us' });
const SEASON: WaterSeason = { water: WATER, readings: READINGS, outside: NOTHING_OUTSIDE, clock: CLOCK, year };
const [arm, basin] = year.zones as [(typeof year.zones)[0], (typeof year.zones)[0]];

describe('words of the season', () => {
  it.each([
    ['2027-03-13T14:00:00Z', 'fresh'],
    ['2027-03-13T13:00:00Z', '1 hour old'],
    ['2027-03-12T02:00:00Z', '36 hours old'],
    ['2027-03-03T14:00:00Z', '10 days old'],
  ])('%s is %s', (at, words) => expect(sayAge(at, CLOCK.now)).toBe(words));

  const state = (more: Partial<OutsideState>): OutsideState => ({
    source: 'a service',
    issuedAt: '2027-03-13T12:00:00Z',
    answeredAt: '2027-03-13T12:01:00Z',
    failure: null,
    asking: false,
    ...more,
  });
  it.each<[Partial<OutsideState>, string]>([
    [{}, 'Weather of 13 March, 6 am, 2 hours old, from a service.'],
    [
      { failure: 'it is down' },
      'The weather does not come in: it is down. What is used is of 13 March, 6 am, 2 hours old.',
    ],
    [
      { failure: 'it is down', issuedAt: null },
      'The weather does not come in: it is down. The usual year stands in for it.',
    ],
    [{ asking: true }, 'Weather of 13 March, 6 am, 2 hours old; newer is being asked for.'],
    [{ asking: true, issuedAt: null, source: null }, 'The weather is being asked for.'],
    [{ issuedAt: null, source: null }, 'No weather: give a service in Settings, or a CSV file here.'],
  ])('of the weather %j', (more, words) => {
    expect(sayWeather(state(more), CLOCK.now, 'America/Chicago')).toBe(words);
  });

  it('of a day: its figure and band, its phases and its food', () => {
    const read = readDay(year, basin, year.today, 'us');
    expect(read.temp).toMatch(/^4\d °F$/);
    expect(read.band).toMatch(/^\d+ to \d+ °F$/);
    expect(read.phases).toMatch(/(winter|staging) \d+ %/);
    expect(read.food).toContain('shad');
    expect(sayPhases(basin, year.today, 1)).not.toContain(',');
    expect(sayTempBand(basin, year.today - year.firstDay, 'metric')).toMatch(/^\d+(\.\d)? ± \d+(\.\d)? °C$/);
  });

  it.each([
    [null, 'last year not known'],
    [{ aheadDays: null }, 'hardly moving'],
    [{ aheadDays: 0 }, 'as last year'],
    [{ aheadDays: 1 }, '1 day ahead'],
    [{ aheadDays: -4 }, '4 days behind'],
  ])('against last year: %j', (lastYear, words) => {
    expect(sayAhead({ ...basin, lastYear: lastYear && { surfaceC: new Float32Array(), ...lastYear } })).toBe(words);
  });
});

describe('the picture of the year', () => {
  const picture = yearPicture(year, arm, 'us', true);
  it('has a figure for every day, in the units of the user, within its axis', () => {
    expect(picture.temps).toHaveLength(year.lastDay - year.firstDay + 1);
    for (const [at, temp] of picture.temps.entries()) {
      expect(temp - picture.spread[at]!).toBeGreaterThanOrEqual(picture.least);
      expect(temp + picture.spread[at]!).toBeLessThanOrEqual(picture.most);
    }
  });
  it('stacks phases to one, names their stretches, and leaves no row empty', () => {
    for (const day of [0, 100, 300]) {
      expect(picture.phases.reduce((sum, { shares }) => sum + shares[day]!, 0)).toBeCloseTo(1, 4);
    }
    expect(picture.phaseNames.map(({ text }) => text)).toContain('winter');
    for (const { bands } of picture.rows) expect(bands.length).toBeGreaterThan(0);
    expect(picture.rows.map(({ name }) => name)).toEqual(expect.arrayContaining(['crayfish', 'shad', 'sunfish']));
  });
  it('marks what the user doubts, and months at their first day', () => {
    expect(picture.readings).toMatchObject([{ doubt: 'suspect' }]);
    for (const { day } of picture.months) expect(dateOf(day)).toMatch(/-01$/);
  });
});

describe('a day of the season on the sheet', () => {
  it('begins in the zone read most lately, with its figures and depth', () => {
    const draft = seasonDraft(SEASON);
    expect(draft.waterName).toBe('Test lake, Basin');
    expect(draft.input).toMatchObject({ date: '2027-03-13', maxDepthM: 20 });
    expect(draft.input.surfaceTempC).toBeCloseTo(basin.surfaceC[year.today - year.firstDay]!, 1);
  });
  it('begins in the zone and on the day chosen', () => {
    const draft = seasonDraft(SEASON, id(2), year.today + 30);
    expect(draft).toMatchObject({ waterName: 'Test lake, Arm', input: { date: '2027-04-12', maxDepthM: 3 } });
  });
});

describe('a day that changes', () => {
  const march = seasonDraft(SEASON, id(2), year.today);
  const april = seasonDraft(SEASON, id(2), year.today + 30);

  it('has its own water, and keeps what was typed', () => {
    const moved = estimatedAnew({ ...march, typed: ['sky'], input: { ...march.input, sky: 'rain' } }, april);
    expect(moved.input.surfaceTempC).toBe(april.input.surfaceTempC);
    expect(moved.input.sky).toBe('rain');
    expect(moved.input.date).toBe(march.input.date);
    const typed = estimatedAnew({ ...march, typed: ['surfaceTempC'] }, april);
    expect(typed.input.surfaceTempC).toBe(march.input.surfaceTempC);
  });

  it('outside of the season that is known is as the same time of that year', () => {
    const next = seasonDraft(SEASON, id(2), year.today + 365);
    expect(next.input.date).toBe('2028-03-12');
    expect(next.input.surfaceTempC).toBe(march.input.surfaceTempC);
  });

  it('says where an estimate comes from, and nothing of what was typed', () => {
    expect(sourceOf(march, 'surfaceTempC')).toContain("water's season");
    expect(sourceOf(march, 'leaves')).toContain('Not said');
    expect(sourceOf({ ...march, typed: ['surfaceTempC'] }, 'surfaceTempC')).toBeNull();
    expect(sourceOf(march, 'date')).toBeNull();
    const opened = { ...march, zoneId: undefined, savedId: id(9), savedName: 'Dawn' };
    expect(sourceOf(opened, 'surfaceTempC')).toBe('As it is in the saved plan.');
  });

  it('is changed once it differs from what was saved, and is then called otherwise', () => {
    const saved = { ...march, savedId: id(9), savedName: 'Dawn', savedInput: march.input };
    expect(isChangedSince(saved)).toBe(false);
    expect(isChangedSince({ ...saved, input: { ...saved.input, surfaceTempC: 3 } })).toBe(true);
    expect(isChangedSince(march)).toBe(false);
    expect([nextName('Dawn'), nextName('Dawn, 2')]).toEqual(['Dawn, 2', 'Dawn, 3']);
  });
});

describe('temperatures down the line', () => {
  it('are read a pair a line, in any order, and written the same way', () => {
    const { profile, problem } = readProfile('20 60\n0 75\n10: 74', 'us');
    expect(problem).toBeNull();
    expect(profile!.map(({ depthM }) => Math.round(depthM * 10) / 10)).toEqual([0, 3, 6.1]);
    expect(writeProfile(profile!, 'us')).toBe('0 75\n10 74\n20 60');
    expect(readProfile('  \n', 'us')).toEqual({ problem: null });
  });
  it.each([
    ['0 20', 'Expected at least two depths.'],
    ['0 20\nx 3', 'Line 2: expected a depth and a temperature, got "x 3".'],
    ['0 20\n0 19', 'Line 2: 0 stands twice.'],
    ['0 20\n-3 19', 'Line 2: no water is -3 deep.'],
    ['0 20\n3 99', 'Line 2: no water is at 99.'],
  ])('refuse %j', (text, words) => expect(readProfile(text, 'metric').problem).toBe(words));
});

describe('the outside', () => {
  const DAY: WeatherDay = {
    date: '2027-03-01',
    kind: 'observed',
    airTempC: 10,
    dewPointC: 5,
    windMps: 3,
    windFromDeg: null,
    cloudFraction: 0.5,
    pressureHpa: null,
    rainMm: 0,
    solarWm2: null,
  };
  let http: HttpTestingController;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
  });
  it('is nothing known where our own server is away, and says why days were not taken', async () => {
    const outside = TestBed.inject(OutsideService);
    const refused = firstValueFrom(TestBed.inject(WeatherDaysService).take(id(1), 'days.csv', [DAY]));
    http
      .expectOne((request) => request.url.endsWith('/weather-days') && request.method === 'PUT')
      .flush({ detail: 'the disk is full' }, { status: 422, statusText: 'no' });
    await expect(refused).rejects.toThrow('the disk is full');
    const asked = firstValueFrom(outside.at(id(1)));
    http.expectOne((request) => request.url.endsWith('/outside')).flush(NOTHING_OUTSIDE);
    expect(await asked).toEqual(NOTHING_OUTSIDE);
  });

  it('keeps many days in pieces, and gives all that they replace', async () => {
    const replaced = firstValueFrom(
      TestBed.inject(WeatherDaysService).take(id(1), 'days.csv', new Array<WeatherDay>(2001).fill(DAY)),
    );
    const piece = () => http.expectOne((request) => request.method === 'PUT');
    const first = piece();
    expect((first.request.body as { days: unknown[] }).days).toHaveLength(2000);
    first.flush({ replaced: [DAY] });
    piece().flush({ replaced: [DAY, DAY] });
    expect(await replaced).toHaveLength(3);
  });
});
