import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import 'fake-indexeddb/auto';
import type { OutsideAt, Reading, Water, WeatherDay } from '@inky-shoal/core';
import Dexie from 'dexie';
import { filter, firstValueFrom, lastValueFrom, map, of, Subject, tap, throwError } from 'rxjs';
import { BookService } from './base/book.service';
import { ConnectionService } from './base/connection.service';
import { DayService } from './sheet/day.service';
import { dayToPlan, draftFor } from './sheet/draft';
import { NoticeService } from './base/notice.service';
import { OutboxService } from './base/outbox.service';
import { PlannerService } from './base/planner/planner.service';
import { SettingsService } from './base/settings.service';
import { NOTHING_OUTSIDE, OutsideService } from './season/outside.service';
import { SeasonService, type WaterSeason } from './season/season.service';
import { WatersService } from './waters/waters.service';

const WATER: Water = {
  id: '01950000-0000-7000-8000-000000000001',
  name: 'Test pond',
  discipline: 'bass',
  waterKind: 'pond',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  normalVisibilityM: 0.9,
  yearLowC: undefined,
  maxDepthM: undefined,
  structures: undefined,
  covers: undefined,
  createdAt: '2027-01-01T00:00:00Z',
  updatedAt: '2027-01-01T00:00:00Z',
};
const reading = (at: string, surfaceTempC: number, visibilityM?: number): Reading => ({
  id: WATER.id,
  waterId: WATER.id,
  at,
  surfaceTempC,
  visibilityM,
});
const CALM: WeatherDay = {
  date: '2027-03-13',
  kind: 'forecast',
  airTempC: 12,
  dewPointC: 5,
  windMps: 1,
  windFromDeg: 200,
  cloudFraction: 0.5,
  pressureHpa: 1015,
  rainMm: 0,
  solarWm2: null,
};
const MORNING = { now: '2027-03-13T08:12:00-06:00', fixed: true };

let http: HttpTestingController;
beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  http = TestBed.inject(HttpTestingController);
});

describe('the first draft of a day', () => {
  it('plans today in the morning and tomorrow from the afternoon on, by the clock of the water', () => {
    expect(dayToPlan(MORNING, 'America/Chicago')).toBe('2027-03-13');
    expect(dayToPlan({ now: '2027-03-13T19:00:00-06:00', fixed: true }, 'America/Chicago')).toBe('2027-03-14');
    expect(dayToPlan({ now: '2027-03-13T23:30:00Z', fixed: false }, 'Pacific/Auckland')).toBe('2027-03-14');
  });

  it('takes the latest reading, the last clarity seen, and the readings of two weeks', () => {
    const draft = draftFor(
      WATER,
      [
        reading('2027-03-12T21:00:00Z', 10.9),
        reading('2027-03-10T21:00:00Z', 10.4, 1.1),
        reading('2027-01-10T21:00:00Z', 4),
      ],
      MORNING,
    );
    expect(draft.input).toMatchObject({ surfaceTempC: 10.9, visibilityM: 1.1, date: '2027-03-13' });
    expect(draft.input.readings).toHaveLength(2);
  });
});

describe('the day', () => {
  const open = () => {
    const service = TestBed.inject(DayService);
    service.open(draftFor(WATER, [reading('2027-03-12T21:00:00Z', 10.9)], MORNING));
    return service;
  };

  it('is planned by the record where that has something to say, and by the planner where it has not or fails', async () => {
    const service = open();
    const planned = async () => (await firstValueFrom(service.planned$.pipe(filter(Boolean)))).day;
    const shipped = await planned();
    const other = { ...shipped, sunrise: '05:55' };
    for (const [answer, sunrise] of [
      [of(other), '05:55'],
      [of(null), shipped.sunrise],
      [throwError(() => new Error('gone')), shipped.sunrise],
    ] as const) {
      service.leanOn(() => answer);
      expect(
        (await firstValueFrom(service.planned$.pipe(filter((each) => each?.day.sunrise === sunrise))))?.day.plan,
      ).toEqual(shipped.plan);
    }
    service.leanOn(null);
    expect(await planned()).toEqual(shipped);
  });

  it('plans anew with every change, and keeps the last plan while a word is wrong', async () => {
    const service = open();
    const before = await firstValueFrom(service.planned$.pipe(filter(Boolean)));
    expect(before.conditions.surfaceTempC).toBe(10.9);
    service.change({ surfaceTempC: 100 });
    expect(await firstValueFrom(service.problems$)).toMatchObject([{ path: 'surfaceTempC' }]);
    expect((await firstValueFrom(service.planned$))?.conditions.surfaceTempC).toBe(10.9);
    service.change({ surfaceTempC: 20 });
    expect(await firstValueFrom(service.problems$)).toEqual([]);
    await firstValueFrom(service.planned$.pipe(filter((planned) => planned?.conditions.surfaceTempC === 20)));
  });

  it('keeps what was typed over a reload, right or wrong', async () => {
    open().change({ surfaceTempC: 100 });
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    expect((await firstValueFrom(TestBed.inject(DayService).draft$))?.input.surfaceTempC).toBe(100);
  });

  it('is a plan of its own each time it is saved, unless it takes the place of what it was', () => {
    const service = open();
    const first = service.savedAs('Saturday');
    expect(service.savedAs('Saturday', true)).toBe(first);
    expect(service.savedAs('Saturday again')).not.toBe(first);
  });

  it('says that its water cannot be estimated for another day while the server is away', async () => {
    const service = open();
    const notice = firstValueFrom(TestBed.inject(NoticeService).notice$.pipe(filter(Boolean)));
    service.change({ date: '2027-06-01' });
    for (let attempt = 0; attempt < 3; attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 20 + 250 * attempt));
      for (const request of http.match(() => true)) request.error(new ProgressEvent('error'));
    }
    expect((await notice).text).toContain('cannot be estimated now');
    expect((await firstValueFrom(service.draft$))?.input).toMatchObject({ date: '2027-06-01', surfaceTempC: 10.9 });
  });

  it('says that another takes its place, and comes back', async () => {
    const service = open();
    service.change({ surfaceTempC: 14 });
    const notice = firstValueFrom(TestBed.inject(NoticeService).notice$.pipe(filter(Boolean)));
    service.open({ ...draftFor(WATER, [], MORNING), waterName: 'Elsewhere' });
    expect((await notice).text).toBe('The sheet begins anew: Elsewhere.');
    TestBed.inject(NoticeService).undo();
    expect((await firstValueFrom(service.draft$))?.input.surfaceTempC).toBe(14);
  });
});

describe('the season of a water', () => {
  const outside = (asking: boolean, weatherDays: WeatherDay[] = []): OutsideAt => ({
    ...NOTHING_OUTSIDE,
    weather: { ...NOTHING_OUTSIDE.weather, asking },
    weatherDays,
  });
  const season = () => {
    const told$ = new Subject<OutsideAt>();
    jest.spyOn(TestBed.inject(WatersService), 'readingsOf').mockReturnValue(of([]));
    jest.spyOn(TestBed.inject(OutsideService), 'at').mockReturnValue(told$);
    jest.replaceProperty(TestBed.inject(BookService), 'clock$', of(MORNING));
    const asked = jest.spyOn(TestBed.inject(PlannerService), 'seasonYear');
    return { service: TestBed.inject(SeasonService), told$, asked };
  };

  it('is worked out once for all who ask, and not again while weather is only on its way', async () => {
    const { service, told$, asked } = season();
    const seen: WaterSeason[][] = [[], []];
    const over = seen.map((list) => lastValueFrom(service.of(WATER).pipe(tap((each) => list.push(each)))));
    told$.next(outside(true));
    told$.next(outside(true));
    expect(asked).toHaveBeenCalledTimes(1);
    told$.next(outside(false, [CALM]));
    told$.complete();
    const [one, other] = await Promise.all(over);
    expect(asked).toHaveBeenCalledTimes(2);
    expect(one!.year).toBe(other!.year);
    expect(one!.outside.weatherDays).toEqual([CALM]);
  });

  it('that could not be worked out is asked for anew', async () => {
    const { service, told$, asked } = season();
    asked.mockReturnValueOnce(throwError(() => new Error('gone')));
    const failed = firstValueFrom(service.of(WATER));
    told$.next(outside(false));
    await expect(failed).rejects.toThrow('gone');
    const found = firstValueFrom(service.of(WATER));
    told$.next(outside(false));
    expect((await found).year.zones.length).toBeGreaterThan(0);
  });
});

describe('a day that begins before its weather is in', () => {
  const said = (asking: boolean, windMps?: number): OutsideAt => ({
    ...NOTHING_OUTSIDE,
    weather: { ...NOTHING_OUTSIDE.weather, asking },
    weatherDays: windMps === undefined ? [] : [{ ...CALM, windMps }],
  });
  const begun = async () => {
    const year = await firstValueFrom(
      TestBed.inject(PlannerService).seasonYear({
        water: WATER,
        readings: [],
        weather: [],
        gauge: [],
        now: MORNING.now,
        units: 'us',
      }),
    );
    const outside$ = new Subject<OutsideAt>();
    jest
      .spyOn(TestBed.inject(SeasonService), 'of')
      .mockReturnValue(
        outside$.pipe(map((outside): WaterSeason => ({ water: WATER, readings: [], outside, clock: MORNING, year }))),
      );
    const service = TestBed.inject(DayService);
    service.begin(WATER);
    outside$.next(said(true));
    return { service, outside$ };
  };
  const windOf = async (service: DayService) => (await firstValueFrom(service.draft$))?.input.windMps;

  it('takes it when it comes, and then no more', async () => {
    const { service, outside$ } = await begun();
    expect(await windOf(service)).toBeUndefined();
    outside$.next(said(false, 6));
    expect(await windOf(service)).toBe(6);
    outside$.next(said(false, 9));
    expect(await windOf(service)).toBe(6);
  });

  it('stays as it is once somebody changed it, and where what is under way fails', async () => {
    const { service, outside$ } = await begun();
    service.change({ surfaceTempC: 14 });
    outside$.next(said(false, 6));
    expect((await firstValueFrom(service.draft$))?.input).toMatchObject({ surfaceTempC: 14 });
    expect(await windOf(service)).toBeUndefined();
    const again = await begun();
    const before = await firstValueFrom(again.service.draft$);
    again.outside$.error(new Error('away'));
    expect(await firstValueFrom(again.service.draft$)).toBe(before);
  });
});

describe('writes while the server is away', () => {
  const PUT = { method: 'PUT', path: '/books/own/plans/1', body: { name: 'a' } } as const;
  const other = (n: number) => ({ ...PUT, path: `/books/own/plans/${n}` });
  const away = (url: string) => http.expectOne(url).error(new ProgressEvent('error'));
  const waiting = () => firstValueFrom(TestBed.inject(OutboxService).waiting$);
  /** Lets what was asked of the database come round, until it holds. */
  async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
    for (let tries = 0; tries < 2000; tries++) {
      if (await holds()) return;
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    throw new Error('It did not come to hold');
  }
  /** Answers a call as soon as it comes. */
  async function answer(url: string, body: object, options?: { status: number; statusText: string }): Promise<void> {
    let found: ReturnType<typeof http.match> = [];
    await until(() => (found = http.match(url)).length > 0);
    found[0]!.flush(body, options);
  }
  /** Another start, or another window, of the same browser. */
  function again(): OutboxService {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    return TestBed.inject(OutboxService);
  }

  beforeEach(() => {
    globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value)) as never;
  });
  afterEach(async () => {
    TestBed.resetTestingModule();
    await Dexie.delete('inky-outbox');
  });

  it('wait in order, over a reload too, and go when it is back', async () => {
    const outbox = TestBed.inject(OutboxService);
    const sent = firstValueFrom(outbox.send(PUT));
    away('/api/books/own/plans/1');
    expect(await sent).toBe('waiting');
    expect(await firstValueFrom(outbox.send(other(2)))).toBe('waiting');
    expect(await waiting()).toBe(2);
    again();
    await answer('/api/books/own/plans/1', {});
    await answer('/api/books/own/plans/2', {});
    await until(async () => (await waiting()) === 0);
    http.verify();
  });

  it('of two windows are all kept', async () => {
    const first = TestBed.inject(OutboxService);
    const sent = firstValueFrom(first.send(PUT));
    away('/api/books/own/plans/1');
    await sent;
    const second = TestBed.runInInjectionContext(() => new OutboxService());
    void second.begin();
    await until(async () => (await firstValueFrom(second.waiting$)) === 1);
    expect(
      await Promise.all([first.send(other(2)), second.send(other(3))].map((each) => firstValueFrom(each))),
    ).toEqual(['waiting', 'waiting']);
    again();
    for (const n of [1, 2, 3])
      await until(() => http.match(`/api/books/own/plans/${n}`).some((call) => (call.flush({}), true)));
    await until(async () => (await waiting()) === 0);
  });

  it('of what another device changed meanwhile become second copies, and what follows goes to the copy', async () => {
    const outbox = TestBed.inject(OutboxService);
    const sent = firstValueFrom(outbox.send({ ...PUT, from: 3 }));
    away('/api/books/own/plans/1');
    await sent;
    await firstValueFrom(outbox.send({ ...PUT, body: { name: 'b' }, from: 3 }));
    const later = again();
    const copied = firstValueFrom(later.copied$);
    let first: ReturnType<typeof http.match> = [];
    await until(() => (first = http.match('/api/books/own/plans/1')).length > 0);
    expect(first[0]!.request.headers.get('x-inky-changed-from')).toBe('3');
    expect(first[0]!.request.headers.get('x-inky-device')).toBe('Computer');
    const body = { detail: 'Changed meanwhile.', copy: { id: '9', name: 'a (second copy)' }, version: 5 };
    first[0]!.flush(body, { status: 409, statusText: 'Conflict' });
    let second: ReturnType<typeof http.match> = [];
    await until(() => (second = http.match('/api/books/own/plans/9')).length > 0);
    expect(second[0]!.request.body).toEqual({ name: 'b' });
    expect(second[0]!.request.headers.has('x-inky-changed-from')).toBe(false);
    second[0]!.flush({});
    expect(await copied).toMatchObject({ copy: { id: '9', name: 'a (second copy)', version: 5 } });
    await until(async () => (await waiting()) === 0);
    expect(await later.refusedWrites()).toEqual([]);
  });

  it('that cannot be kept are refused in words, and nothing says that they wait', async () => {
    const outbox = TestBed.inject(OutboxService);
    const full = () => {
      throw Object.assign(new Error('full'), { name: 'QuotaExceededError' });
    };
    const places = [jest.spyOn(Dexie.prototype, 'open'), jest.spyOn(Storage.prototype, 'setItem')];
    for (const place of places) place.mockImplementation(full);
    const sent = firstValueFrom(outbox.send(PUT));
    away('/api/books/own/plans/1');
    await expect(sent).rejects.toThrow('this browser has no room left or keeps nothing: this was not kept');
    for (const place of places) place.mockRestore();
    expect(await waiting()).toBe(0);
  });

  it('are kept where the server went away before the page had all its parts', async () => {
    const outbox = TestBed.inject(OutboxService);
    const open = jest.spyOn(Dexie.prototype, 'open').mockImplementation(() => {
      throw new TypeError('Failed to fetch dynamically imported module');
    });
    const sent = firstValueFrom(outbox.send(PUT));
    away('/api/books/own/plans/1');
    expect(await sent).toBe('waiting');
    expect(await firstValueFrom(outbox.send(other(2)))).toBe('waiting');
    expect(await waiting()).toBe(2);
    open.mockRestore();
    again();
    await answer('/api/books/own/plans/1', {});
    await answer('/api/books/own/plans/2', {});
    await until(async () => (await waiting()) === 0);
    expect(localStorage.getItem('inky.outbox')).toBe('[]');
  });

  it('that only stand ready, as an undo does, are not kept among those that wait', async () => {
    const outbox = TestBed.inject(OutboxService);
    const sent = firstValueFrom(outbox.send(PUT));
    away('/api/books/own/plans/1');
    await sent;
    const undo = outbox.send({ method: 'DELETE', path: '/books/own/plans/1' });
    expect(await waiting()).toBe(1);
    expect(await firstValueFrom(undo)).toBe('waiting');
    expect(await waiting()).toBe(2);
  });

  it('fail in words where the server refuses, or says what ails it, and are not kept', async () => {
    const outbox = TestBed.inject(OutboxService);
    for (const [status, detail] of [
      [422, 'name: expected a name'],
      [507, 'The disk is full where the book lies: nothing was changed.'],
    ] as const) {
      const sent = firstValueFrom(outbox.send(PUT));
      http.expectOne('/api/books/own/plans/1').flush({ detail }, { status, statusText: 'No' });
      await expect(sent).rejects.toThrow(detail);
    }
    expect(await waiting()).toBe(0);
  });

  it('that had waited and are refused say so, are kept aside, and make way for the next', async () => {
    // As a former version kept them.
    localStorage.setItem('inky.outbox', JSON.stringify([PUT, other(2)]));
    const outbox = TestBed.inject(OutboxService);
    const why = firstValueFrom(outbox.refused$);
    await answer('/api/books/own/plans/1', { detail: 'no' }, { status: 422, statusText: 'Unprocessable' });
    expect(await why).toBe('no');
    await answer('/api/books/own/plans/2', {});
    await until(async () => (await waiting()) === 0);
    expect(await outbox.refusedWrites()).toMatchObject([{ write: PUT, why: 'no' }]);
    await outbox.forgetRefused();
    expect(await outbox.refusedWrites()).toEqual([]);
  });
});

describe('what was read before the server went away', () => {
  const list = () => http.expectOne('/api/books/demo/waters');

  it('is read again when it is back', async () => {
    const waters = TestBed.inject(WatersService);
    const states: string[] = [];
    waters.waters$.subscribe(({ state }) => states.push(state));
    list().flush([WATER]);
    const connection = TestBed.inject(ConnectionService);
    connection.lost();
    connection.found();
    list().flush([WATER, { ...WATER, id: '01950000-0000-7000-8000-000000000002' }]);
    const loaded = await firstValueFrom(waters.waters$);
    expect(loaded.state === 'ready' && loaded.value).toHaveLength(2);
    expect(states).toEqual(['ready', 'ready']);
  });

  it('is said to have changed when the server is back, and not at the beginning', () => {
    const waters = TestBed.inject(WatersService);
    let changes = 0;
    waters.changed$.subscribe(() => changes++);
    expect(changes).toBe(0);
    const connection = TestBed.inject(ConnectionService);
    connection.lost();
    connection.found();
    expect(changes).toBe(1);
  });

  it('goes on standing while it is read anew, however long that takes', async () => {
    jest.useFakeTimers();
    const waters = TestBed.inject(WatersService);
    const states: string[] = [];
    waters.waters$.subscribe(({ state }) => states.push(state));
    await jest.advanceTimersByTimeAsync(400);
    list().flush([WATER]);
    waters.reload();
    await jest.advanceTimersByTimeAsync(400);
    list().flush([WATER]);
    jest.useRealTimers();
    expect(states).toEqual(['loading', 'ready', 'ready']);
  });

  it('says so in words where it cannot be read, after asking again twice', async () => {
    jest.useFakeTimers();
    const waters = TestBed.inject(WatersService);
    const seen: unknown[] = [];
    waters.waters$.subscribe((loaded) => seen.push(loaded));
    for (let attempt = 0; attempt < 3; attempt++) {
      list().error(new ProgressEvent('error'));
      await jest.advanceTimersByTimeAsync(600);
    }
    jest.useRealTimers();
    expect(seen.at(-1)).toEqual({ state: 'failed', message: 'The server does not answer.' });
  });
});

describe('readings of the water looked at', () => {
  it('go on standing while they are read anew, however long that takes', async () => {
    jest.useFakeTimers();
    const waters = TestBed.inject(WatersService);
    const states: string[] = [];
    waters.look(WATER.id);
    waters.readings$.subscribe(({ state }) => states.push(state));
    const ask = () => http.expectOne(`/api/books/demo/waters/${WATER.id}/readings`);
    ask().flush([]);
    waters.reload();
    await jest.advanceTimersByTimeAsync(1000);
    ask().flush([]);
    jest.useRealTimers();
    expect(states).not.toContain('loading');
    expect(states.length).toBeGreaterThan(1);
  });
});

describe('a day that the engine gives up on', () => {
  it('leaves the last plan standing, says so, and goes on with the next change', async () => {
    const service = TestBed.inject(DayService);
    service.open(draftFor(WATER, [reading('2027-03-12T21:00:00Z', 10.9)], MORNING));
    await firstValueFrom(service.planned$.pipe(filter(Boolean)));
    const planner = jest
      .spyOn(TestBed.inject(PlannerService), 'plan')
      .mockReturnValueOnce(throwError(() => new Error('broken')));
    service.change({ windMps: 9 });
    expect(await firstValueFrom(service.failed$)).toBe(true);
    expect((await firstValueFrom(service.planned$))?.conditions.surfaceTempC).toBe(10.9);
    planner.mockRestore();
    service.change({ windMps: 2 });
    await firstValueFrom(service.planned$.pipe(filter((planned) => planned?.conditions.windMps === 2)));
    expect(await firstValueFrom(service.failed$)).toBe(false);
  });
});

describe('a day in two windows', () => {
  const heard = () => firstValueFrom(TestBed.inject(NoticeService).notice$);
  const shown = async () => (await firstValueFrom(TestBed.inject(DayService).draft$))?.input.surfaceTempC;
  /** Another window writes its day, and this one hears of it. */
  const typedElsewhere = (surfaceTempC: number) => {
    const draft = draftFor(WATER, [reading('2027-03-12T21:00:00Z', surfaceTempC)], MORNING);
    localStorage.setItem('inky.draft/demo', JSON.stringify(draft));
    dispatchEvent(new StorageEvent('storage', { key: 'inky.draft/demo' }));
  };

  it('stays as it is on the screen, says that the other went on, and may take it', async () => {
    TestBed.inject(DayService).open(draftFor(WATER, [reading('2027-03-12T21:00:00Z', 10.9)], MORNING));
    typedElsewhere(16);
    expect(await shown()).toBe(10.9);
    const notice = await heard();
    expect(notice?.text).toContain('changed in another window');
    notice?.choices?.find(({ label }) => label === 'Show the other')?.act();
    expect(await shown()).toBe(16);
  });

  it('is said once, and this one is kept again where it is chosen', async () => {
    TestBed.inject(DayService).open(draftFor(WATER, [reading('2027-03-12T21:00:00Z', 10.9)], MORNING));
    typedElsewhere(16);
    const notice = await heard();
    TestBed.inject(NoticeService).clear();
    typedElsewhere(17);
    expect(await heard()).toBeNull();
    notice?.choices?.find(({ label }) => label === 'Keep this one')?.act();
    expect(JSON.parse(localStorage.getItem('inky.draft/demo') ?? '')).toMatchObject({ input: { surfaceTempC: 10.9 } });
  });
});

describe('notices', () => {
  it('undo once, and go by themselves', async () => {
    jest.useFakeTimers();
    const notices = TestBed.inject(NoticeService);
    const undo = jest.fn();
    notices.say('Removed.', undo);
    notices.undo();
    notices.undo();
    expect(undo).toHaveBeenCalledTimes(1);
    notices.say('Saved.');
    await jest.advanceTimersByTimeAsync(10_000);
    jest.useRealTimers();
    expect(await firstValueFrom(notices.notice$)).toBeNull();
  });
});

describe('settings', () => {
  it('put the look on the page and are kept; what is broken falls back', async () => {
    TestBed.inject(SettingsService).set({ look: 'night', units: 'metric' });
    expect(document.documentElement.getAttribute('data-look')).toBe('night');
    expect(localStorage.getItem('inky.setting/units')).toBe('"metric"');
    expect(localStorage.getItem('inky.setting/look')).toBe('"night"');
    localStorage.setItem('inky.setting/units', '"cubits"');
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    expect(TestBed.inject(SettingsService).units).toBe('us');
  });
});
