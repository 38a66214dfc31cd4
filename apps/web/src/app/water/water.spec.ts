import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { ChartFeature, KeptChart } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { filter, firstValueFrom, type Subject } from 'rxjs';
import { ConnectionService } from '../base/connection.service';
import { DayService } from '../sheet/day.service';
import { OutboxService } from '../base/outbox.service';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { sayWay } from '../sheet/words';
import {
  buttons,
  COLS,
  giveChart,
  giveWaters,
  INPUT,
  lonLat,
  openDay,
  PATH,
  press,
  RAMP,
  ROWS,
  FRAME,
  text,
  until,
  WATER,
} from '../../testing/test-lake';
import { fill, unfold } from '../../testing/controls';
import { ChartService, type ChartState } from './chart.service';
import { KeptRuns } from '../sheet/kept-runs';
import { SavePlanService } from '../sheet/save-plan.service';
import { RunService } from './run.service';
import { contoursIn, rgbOf, tintsOf } from './chart-tints';
import type { ChartMapEvents } from './chart-map';
import { depthLines, heatPixels, soundings, tintPixels } from './drawing';
import type { MapToolEvents } from './map-tools';
import { RunOnSheetComponent } from './run-on-sheet.component';
import { sayAnswer, sayGood, sayGround, sayLie, sayMinute, sayPlace, sayTide, sayWayHome } from './spot-words';
import { WaterView } from './water.view';

/** What the page told the map to show; the map itself needs a canvas, which the test environment does not have. */
const shownOnMap: Record<string, unknown> = {};
const onMap: { events?: ChartMapEvents & MapToolEvents; pen: string[] } = { pen: [] };
jest.mock('./chart-map', () => ({
  ChartMap: jest.fn((_box, { cols, rows }: KeptChart, _wet, _ink, events: ChartMapEvents & MapToolEvents) => {
    onMap.events = events;
    const window = { west: 0, east: cols, north: 0, south: rows, step: 1 };
    queueMicrotask(() => events.looked({ window, cellsAPixel: 0.2 }));
    const pen = (name: string) => () => onMap.pen.push(name);
    const penTools = { putInMiddle: pen('middle'), back: pen('back'), finish: pen('finish') };
    return new Proxy(
      {},
      {
        get: (_, name) =>
          name === 'penTools'
            ? penTools
            : (given: unknown) => {
                shownOnMap[String(name)] = given;
              },
      },
    );
  }),
}));

let http: HttpTestingController;
beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('inky.settings', JSON.stringify({ units: 'metric', look: 'paper' }));
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  http = TestBed.inject(HttpTestingController);
});

const settled = (charted: ChartState) => charted.state !== 'reading';

describe('the chart of the day', () => {
  const states: ChartState[] = [];
  const watch = (): ChartService => {
    states.length = 0;
    const service = TestBed.inject(ChartService);
    service.chartState$.subscribe((charted) => states.push(charted));
    return service;
  };

  it('is read for the water on the sheet, and made ready again for another day or level', async () => {
    openDay();
    const service = watch();
    giveWaters([WATER]);
    giveChart();
    const ready = await firstValueFrom(service.chartState$.pipe(filter(settled)));
    if (ready.state !== 'ready') throw new Error(ready.state);
    expect(ready.chart.minutes[0]).toBe(360);
    expect(ready.chart.minutes.at(-1)).toBe(840);
    expect(ready.chart.wet).toEqual({ west: 3, east: COLS - 4, north: 3, south: ROWS - 4 });
    expect(ready.chart.features).toEqual([RAMP]);
    service.setLevel(-1);
    await firstValueFrom(service.chartState$.pipe(filter((each) => each.state === 'ready' && each.chart.wet.west > 3)));
    TestBed.inject(DayService).change({ date: '2027-03-20' });
    await firstValueFrom(
      service.chartState$.pipe(filter((each) => each.state === 'ready' && each.chart.conditions.date === '2027-03-20')),
    );
    http.expectNone(`${PATH}/bed`);
  });

  it('is not read twice when one comes back to the same day', async () => {
    openDay();
    const service = TestBed.inject(ChartService);
    const first = firstValueFrom(service.warm());
    giveWaters([WATER]);
    giveChart();
    await first;
    const again = firstValueFrom(service.chartState$.pipe(filter(settled)));
    http.expectOne(PATH).flush({ chart: FRAME, features: [RAMP] });
    http.expectNone(`${PATH}/bed`);
    expect((await again).state).toBe('ready');
  });

  it('stands while it is asked for again, since what waited was delivered', async () => {
    openDay();
    const service = watch();
    giveWaters([WATER]);
    giveChart();
    await firstValueFrom(service.chartState$.pipe(filter(settled)));
    states.length = 0;
    (TestBed.inject(OutboxService) as unknown as { readonly delivered: Subject<void> }).delivered.next();
    giveWaters([WATER]);
    http.expectOne(PATH).flush({ chart: FRAME, features: [] });
    await firstValueFrom(service.chartState$.pipe(filter((each) => settled(each) && states.length > 0)));
    expect(states.map(({ state }) => state)).toEqual(['ready']);
  });

  it('says that there is no water', () => {
    watch();
    expect(states.at(-1)).toEqual({ state: 'reading' });
    giveWaters([]);
    expect(states.at(-1)).toEqual({ state: 'no-water' });
  });

  it('says that a water has no chart', () => {
    openDay();
    watch();
    giveWaters([WATER]);
    http.expectOne(PATH).flush({ chart: null, features: [] });
    expect(states.at(-1)).toEqual({ state: 'no-chart', water: WATER });
  });

  it('says so where the server is away, and opens by itself when it is back', async () => {
    jest.useFakeTimers();
    openDay();
    watch();
    giveWaters([WATER]);
    for (let attempt = 0; attempt < 3; attempt++) {
      http.expectOne(PATH).error(new ProgressEvent('error'));
      await jest.advanceTimersByTimeAsync(600);
    }
    expect(states.at(-1)).toEqual({ state: 'failed', message: 'The server does not answer.' });
    jest.useRealTimers();
    TestBed.inject(ConnectionService).found();
    giveWaters([WATER]);
    giveChart();
    const ready = firstValueFrom(
      TestBed.inject(ChartService).chartState$.pipe(filter(({ state }) => state === 'ready')),
    );
    expect((await ready).state).toBe('ready');
  });
});

const FAR_RAMP_ID = '01950000-0000-7000-8000-000000000009';
const BEST = '[aria-label="Best places"]';

describe('the view of the chart', () => {
  beforeAll(() => {
    globalThis.ResizeObserver ??= jest.fn(() => ({ observe: jest.fn(), unobserve: jest.fn(), disconnect: jest.fn() }));
  });
  const open = async (
    features?: readonly ChartFeature[],
    input?: Parameters<typeof openDay>[0],
  ): Promise<ComponentFixture<WaterView>> => {
    openDay(input);
    const fixture = TestBed.createComponent(WaterView);
    fixture.detectChanges();
    giveWaters([WATER]);
    giveChart(features);
    await until(fixture, () => buttons(fixture, BEST).length > 3 && text(fixture).includes('First light'));
    return fixture;
  };

  it('answers, lists places, and shows both on the map', async () => {
    const fixture = await open();
    expect(text(fixture)).toMatch(/First light.*\d m\./);
    expect(text(fixture)).toContain('Test lake, Saturday March 13, 2027');
    expect(buttons(fixture, BEST).map((each) => each.textContent)).toEqual(
      expect.arrayContaining([expect.stringMatching(/main-lake point|Main-lake point|Flat/i)]),
    );
    // Every fourth byte says how far the colour covers.
    const heat = shownOnMap['setHeat'] as Uint8Array;
    expect(heat.some((byte, at) => at % 4 === 3 && byte > 200)).toBe(true);
    await until(fixture, () => (shownOnMap['setContours'] as unknown[]).length > 0);
    expect((shownOnMap['setSoundings'] as unknown[]).length).toBeGreaterThan(3);
  });

  it('tells of a place, finds more like it, and forgets those when another is chosen', async () => {
    const fixture = await open();
    buttons(fixture, BEST)[0]?.click();
    await until(fixture, () => text(fixture).includes('off the bank'));
    await press(fixture, 'More like this');
    await until(fixture, () => text(fixture).includes('Most like'));
    const alike = buttons(fixture, '[aria-label="Places alike"]');
    alike[0]?.click();
    await fixture.whenStable();
    expect(text(fixture)).toContain('Most like');
    await press(fixture, 'Close');
    expect(text(fixture)).not.toContain('Most like');
    expect(text(fixture)).not.toContain('off the bank');
  });

  it('orders a run from the ramp, and takes it off and back', async () => {
    const fixture = await open();
    await press(fixture, 'Take the best six');
    expect(text(fixture)).toMatch(/\d spots picked/);
    await press(fixture, 'Order the run');
    await until(fixture, () => text(fixture).includes('Back at Test ramp'));
    const sheet = TestBed.createComponent(RunOnSheetComponent);
    sheet.componentRef.setInput('units', 'metric');
    await sheet.whenStable();
    expect(text(sheet)).toMatch(/Run.*am to .*Back at Test ramp/);
    await press(fixture, 'Take it off');
    expect(text(fixture)).not.toContain('Back at Test ramp');
    TestBed.inject(NoticeService).undo();
    await fixture.whenStable();
    expect(text(fixture)).toContain('Back at Test ramp');
  });

  it('orders a run by what is wished: minutes, pace, hours, and from which ramp to which', async () => {
    const far: ChartFeature = {
      ...RAMP,
      id: FAR_RAMP_ID,
      name: 'Far ramp',
      shape: { type: 'Point', coordinates: lonLat(70, 60) },
    };
    const fixture = await open([RAMP, far]);
    const page = fixture.nativeElement as HTMLElement;
    const notices: string[] = [];
    TestBed.inject(NoticeService).notice$.subscribe((notice) => notice && notices.push(notice.text));
    const FIELDS = ['stay', 'boat', 'out', 'back', 'from', 'to'] as const;
    const set = (at: number, value: string) => fill(fixture, `#run-${FIELDS[at]}`, value, 'change');
    await press(fixture, 'Take the best six');
    await unfold(fixture, 'Minutes, boat and hours');
    await set(0, '20');
    await set(1, '8');
    await set(2, '08:00');
    await set(3, '12:00');
    await set(5, far.id);
    const own = page.querySelector<HTMLInputElement>('.picked input');
    if (!own) throw new Error('no spot picked');
    own.value = '65';
    own.dispatchEvent(new Event('change'));
    await press(fixture, 'Order the run');
    await until(fixture, () => text(fixture).includes('Back at Far ramp'));
    const run = await firstValueFrom(TestBed.inject(RunService).run$);
    const stays = run?.stops.map(({ fromMin, toMin }) => toMin - fromMin) ?? [];
    expect(stays.filter((minutes) => minutes === 20).length).toBeGreaterThan(1);
    expect(stays.every((minutes) => minutes === 20 || minutes === 65)).toBe(true);
    expect(run?.stops[0]?.fromMin).toBeGreaterThanOrEqual(480);
    expect(run?.backMin).toBeLessThanOrEqual(720);
    expect(run?.line.at(-1)?.[0]).toBeCloseTo(lonLat(70, 60)[0], 3);
    expect(await firstValueFrom(TestBed.inject(RunService).wish$)).toEqual({
      stayMin: 20,
      speedMps: 8,
      draughtM: 0.3,
    });
    for (const [at, wrong, words] of [
      [0, '2', 'Expected from 5 to 480 minutes, got "2".'],
      [1, '90', 'Expected a speed of'],
      [3, '07:00', ''],
    ] as const) {
      await set(at, wrong);
      if (words) expect(notices.at(-1)).toContain(words);
    }
    await press(fixture, 'Order the run');
    expect(notices.at(-1)).toBe('The run is back before it is out: change one of the two times.');
    const [off] = buttons(fixture, '.picked');
    const before = buttons(fixture, '.picked').length;
    off?.click();
    await fixture.whenStable();
    expect(buttons(fixture, '.picked')).toHaveLength(before - 1);
  });

  it('says that a run wants a ramp, and what a level may be', async () => {
    const fixture = await open([]);
    const notices: string[] = [];
    TestBed.inject(NoticeService).notice$.subscribe((notice) => notice && notices.push(notice.text));
    await press(fixture, 'Take the best six');
    await press(fixture, 'Order the run');
    expect(notices.at(-1)).toBe('No ramp is marked on this chart: a run starts and ends at one.');
    const level = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('.level input');
    if (!level) throw new Error('no level');
    for (const wrong of ['high', '', '45']) {
      level.value = wrong;
      level.dispatchEvent(new Event('change'));
      expect(notices.at(-1)).toBe(`Expected a level within 30 m of the chart's zero, got "${wrong}".`);
    }
    level.value = '-0,5';
    level.dispatchEvent(new Event('change'));
    expect(await firstValueFrom(TestBed.inject(ChartService).levelM$)).toBeCloseTo(-0.5);
  });

  it('says how the tide stands at each hour, and takes it from every depth that is shown', async () => {
    const tide = { stage: 'falling' as const, hoursIntoStage: 0, rangeM: 2 };
    const fixture = await open([RAMP], { discipline: 'inshore', waterKind: 'estuary', tide });
    await until(fixture, () => text(fixture).includes('Tide +1 m'));
    const deepest = () =>
      Math.max(...(shownOnMap['setSoundings'] as { text: string }[]).map((sounding) => Number(sounding.text)));
    await until(fixture, () => (shownOnMap['setSoundings'] as unknown[]).length > 0 && deepest() === 8);
    const hour = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('#hour');
    if (!hour) throw new Error('no hour');
    hour.value = '25';
    hour.dispatchEvent(new Event('input'));
    await until(fixture, () => text(fixture).includes('Tide −1 m') && deepest() === 6);
  });

  it('goes on in the units that are set', async () => {
    const fixture = await open();
    TestBed.inject(SettingsService).set({ units: 'us' });
    await until(fixture, () => /[\d½] ft/.test(buttons(fixture, BEST)[0]?.textContent ?? ''));
  });
});

describe('a run that was kept', () => {
  it('stands over a reload, for its own water and day alone', async () => {
    openDay();
    const run = {
      waterId: WATER.id,
      date: INPUT.date,
      ramp: 'Test ramp',
      backMin: 700,
      stops: [{ name: 'Hump', depthM: 3, lonLat: lonLat(20, 20), fromMin: 400, toMin: 440, legM: 300 }],
      line: [lonLat(10, 10), lonLat(20, 20)],
    };
    const runs = TestBed.inject(KeptRuns);
    runs.keep(run);
    expect(JSON.parse(localStorage.getItem(`inky.run/${INPUT.date}/${WATER.id}`) ?? '')).toEqual(run);
    expect(await firstValueFrom(runs.run$)).toEqual(run);
    TestBed.inject(DayService).change({ date: '2027-03-14' });
    expect(await firstValueFrom(runs.run$)).toBeNull();
  });

  it('is stale once the day has other conditions than it was ordered for', async () => {
    openDay();
    const runs = TestBed.inject(KeptRuns);
    const day = TestBed.inject(DayService);
    const madeFor = await firstValueFrom(day.conditions$);
    runs.keep({ waterId: WATER.id, date: INPUT.date, ramp: 'Test ramp', backMin: 700, stops: [], line: [], madeFor });
    expect(await firstValueFrom(runs.isStale$)).toBe(false);
    day.change({ windMps: (madeFor.windMps ?? 3) + 4 });
    expect(await firstValueFrom(runs.isStale$)).toBe(true);
    day.change({ windMps: madeFor.windMps });
    expect(await firstValueFrom(runs.isStale$)).toBe(false);
  });

  it('goes with its plan into the book, and is saved with it where the day stands as it was saved', async () => {
    openDay();
    const [runs, day, saving] = [TestBed.inject(KeptRuns), TestBed.inject(DayService), TestBed.inject(SavePlanService)];
    const run = { waterId: WATER.id, date: INPUT.date, ramp: 'Test ramp', backMin: 700, stops: [], line: [] };
    const sent = () => http.match(({ method, url }) => method === 'PUT' && url.includes('/plans/'));
    const saved = async () => {
      const requests = sent();
      for (const each of requests) each.flush({});
      await new Promise((resolve) => setTimeout(resolve));
      return requests.map(({ request }) => request.body as { run?: unknown });
    };
    // A day that is saved nowhere has its run here alone.
    runs.keep(run);
    saving.saveRun();
    expect(sent()).toEqual([]);
    const planned = await firstValueFrom(day.planned$.pipe(filter((each) => each !== null)));
    saving.save((await firstValueFrom(day.draft$))!, planned, 'Dawn', false);
    expect((await saved()).map((body) => body.run)).toEqual([run]);
    runs.remove(run);
    saving.saveRun();
    expect((await saved()).map((body) => body.run)).toEqual([undefined]);
    day.change({ windMps: 9 });
    runs.keep(run);
    saving.saveRun();
    expect(sent()).toEqual([]);
  });
});

describe('words', () => {
  it('tell ways near and far, in both units', () => {
    expect(sayWay(12, 'us')).toBe('40 ft');
    expect(sayWay(1, 'us')).toBe('10 ft');
    expect(sayWay(4000, 'us')).toBe('2.5 miles');
    expect(sayWay(12, 'metric')).toBe('10 m');
    expect(sayWay(4000, 'metric')).toBe('4.0 km');
  });

  it('tell a place, its ground and its lie', () => {
    expect(sayPlace({ structure: 'secondary-point', zone: 'Long Arm' })).toBe('Secondary point, Long Arm');
    expect(sayPlace({ structure: 'hump', zone: null })).toBe('Hump');
    expect(sayGround({ depthM: 2, cover: 'chunk-rock' }, 'metric')).toBe('2 m, chunk rock');
    const lie = {
      slopeDeg: 12.4,
      shoreM: 40,
      deepM: 0,
      channelM: 90,
      waveM: 0.3,
      shaded: true,
      guessM: null,
      coverM: 0,
    };
    expect(sayLie(lie, 'metric')).toBe(
      'Slopes 12°, 40 m off the bank, in the deep, 90 m to a channel, waves of 0.3 m, in the shade.',
    );
    expect(sayLie({ ...lie, coverM: 30, guessM: 60 }, 'metric')).toMatch(
      /30 m to cover,.*No sounding within 60 m: the depth is a guess\.$/,
    );
    const far = { ...lie, deepM: 6000, channelM: 900, waveM: 0.02, shaded: false };
    expect(sayLie(far, 'metric')).toBe('Slopes 12°, 40 m off the bank.');
    expect(sayLie({ ...far, deepM: 200, channelM: 0 }, 'metric')).toContain('200 m to deep water, on a channel');
  });

  it('tell when a place is good', () => {
    const byQuarter = [360, 375, 390, 405, 420].map((minute) => ({ minute, goodness: 1 }));
    expect(sayGood({ byQuarter, good: [{ fromMin: 360, toMin: 420 }] })).toBe('all day');
    expect(sayGood({ byQuarter, good: [{ fromMin: 375, toMin: 420 }] })).toBe('6:15 to 7 am');
    expect(sayMinute(750)).toBe('12:30 pm');
  });

  it('answer for first light and noon', () => {
    const spot = (cell: number, zone: string | null) => ({ cell, zone, structure: 'hump', depthM: 2 }) as PlacedSpot;
    expect(sayAnswer(spot(1, 'North'), spot(2, null), 'metric')).toBe(
      'First light: the hump in North, 2 m. Noon: the hump, 2 m.',
    );
    expect(sayAnswer(spot(1, null), spot(1, null), 'metric')).toBe('First light and noon alike: the hump, 2 m.');
    expect(sayAnswer(undefined, undefined, 'metric')).toBe('Nowhere on this chart holds fish today.');
  });
});

describe('what is drawn', () => {
  it('takes colours from the look, darker the deeper', () => {
    expect(rgbOf('#0a1')).toEqual([0, 170, 17]);
    expect(rgbOf('#15242d')).toEqual([21, 36, 45]);
    const inks = { waterLight: '#ffffff', waterDark: '#000000', paper: '#fedcba', paper2: '#123456' };
    const { fromM, colours, land, dry } = tintsOf(inks);
    expect(colours).toHaveLength(fromM.length + 1);
    colours.slice(1).forEach(([red], at) => expect(red).toBeLessThan(colours[at]?.[0] ?? 0));
    expect(colours[0]).toEqual([255, 255, 255]);
    expect([land, dry]).toEqual([
      [0x12, 0x34, 0x56],
      [0xfe, 0xdc, 0xba],
    ]);
    // Ankle and knee deep are told apart where there is a tide.
    expect(tintsOf(inks, true).fromM).toEqual([0.25, 0.5, ...fromM]);
  });

  it('gives each cell the tint of its depth, land its own, and leaves the unknown clear', () => {
    const tints = {
      fromM: [2],
      colours: [
        [1, 2, 3],
        [4, 5, 6],
      ] as const,
      land: [7, 8, 9] as const,
      dry: [10, 11, 12] as const,
    };
    const pixels = tintPixels(
      { values: Float32Array.of(-1, -2, 3, Number.NaN), cols: 4 },
      Float32Array.of(1, 2, 0, 0),
      tints,
    );
    expect([...pixels]).toEqual([1, 2, 3, 255, 4, 5, 6, 255, 7, 8, 9, 255, 0, 0, 0, 0]);
  });

  it('hatches what is guessed, and covers more the better a place is', () => {
    const tints = { fromM: [], colours: [[100, 100, 100]] as const, land: [0, 0, 0] as const, dry: [0, 0, 0] as const };
    const depths = new Float32Array(25).fill(1);
    const pixels = tintPixels({ values: depths, cols: 5 }, depths, tints, { isGuess: (cell) => cell >= 10 });
    const reds = Array.from({ length: 25 }, (_, cell) => pixels[cell * 4] as number);
    expect(reds.slice(0, 10).every((red) => red === 100)).toBe(true);
    expect(reds.slice(10).filter((red) => red > 100)).toHaveLength(3);
    expect([...heatPixels(Uint8Array.of(0, 21, 255), [1, 2, 3])]).toEqual([0, 0, 0, 0, 1, 2, 3, 61, 1, 2, 3, 215]);
  });

  it('leaves tidal ground as dry as paper, and hatches the water that comes or goes', () => {
    const tints = {
      fromM: [0.25, 0.5],
      colours: [
        [200, 0, 0],
        [150, 0, 0],
        [100, 0, 0],
      ] as const,
      land: [7, 0, 0] as const,
      dry: [255, 0, 0] as const,
    };
    // Land, ground that is dry by now, an edge of 0.2 m, and water that stays.
    const depths = Float32Array.of(0, 0, 0, ...new Array<number>(6).fill(0.2), 1, 1, 1);
    const highM = depths.map((depth, cell) => (cell === 0 ? 0 : depth + 1));
    const reds = (way: 'flooding' | 'draining' | 'slack', edgeM: number) => {
      const pixels = tintPixels({ values: depths, cols: 3 }, depths, tints, { tide: { way, edgeM, highM } });
      return Array.from(depths, (_, cell) => pixels[cell * 4]);
    };
    expect(reds('slack', 0)).toEqual([7, 255, 255, 200, 200, 200, 200, 200, 200, 100, 100, 100]);
    const comes = reds('flooding', 0.3);
    expect(comes.slice(3, 9).filter((red) => red === 100)).toHaveLength(2);
    const goes = reds('draining', 0.3);
    expect(goes.slice(3, 9).filter((red) => red === 255)).toHaveLength(2);
    for (const each of [comes, goes]) expect(each.slice(9)).toEqual([100, 100, 100]);
    expect(reds('draining', 0.1).slice(3, 9)).toEqual(new Array(6).fill(200));
  });

  it('says what the tide does, and when it lets the boat home', () => {
    const hour = { aboveM: -0.3, riseMPerHour: -0.2, way: 'draining', edgeM: 0.1, flatsWet: 0.42 } as const;
    expect(sayTide({ ...hour, mouths: 9, mouthsWet: 7 }, 'metric')).toEqual({
      level: '−0.3 m, draining, 0.2 m an hour',
      ground: 'Flats 40 % wet. 7 of 9 drain mouths run out.',
    });
    expect(sayTide({ ...hour, way: 'slack', mouths: 1, mouthsWet: 1 }, 'us')).toEqual({
      level: '−1 ft, slack',
      ground: 'Flats 40 % wet.',
    });
    expect(sayWayHome({ open: [] })).toMatch(/shut all day/);
    expect(
      sayWayHome({
        open: [
          { fromMin: 360, toMin: 585 },
          { fromMin: 850, toMin: 1020 },
        ],
      }),
    ).toBe('Way home: open 6 am to 9:45 am, 2:10 pm to 5 pm.');
  });

  const slope = Float32Array.from({ length: 400 }, (_, cell) => (cell % 20) * 0.5);
  const grid = { cols: 20, cellM: 10, westM: 100, northM: 900 };
  const whole = { west: 0, east: 20, north: 0, south: 20, step: 1 };

  it('runs contours where the depth is, not along the edge, whatever part and however finely is looked at', () => {
    // Where the depth is 3 m is the middle of the seventh column.
    for (const window of [whole, { ...whole, west: 4, north: 6 }, { ...whole, step: 2 }]) {
      const [line] = depthLines(grid, slope, [3], window);
      expect(line?.depthM).toBe(3);
      expect(line?.ends.at(-1)).toBe(line?.points.length);
      const xs = [...(line?.points ?? [])].filter((_, at) => at % 2 === 0);
      expect(xs.length).toBeGreaterThan(8);
      for (const x of xs) expect(Math.abs(x - 165)).toBeLessThan(1e-6);
    }
  });

  it('writes depths in the middle of blocks that stand still', () => {
    const found = soundings(grid, slope, whole, 10);
    expect(found[0]).toEqual({ at: [155, 845], depthM: 2.5 });
    expect(found).toHaveLength(4);
    expect(soundings(grid, slope, { ...whole, west: 7 }, 10)).toEqual(found.filter(({ at: [x] }) => x > 200));
    expect(soundings(grid, new Float32Array(400), whole, 10)).toEqual([]);
  });

  it('labels contours in the units that are set', () => {
    expect(contoursIn('us')[1]).toEqual({ depthM: expect.closeTo(1.8288, 4) as number, label: '6', strong: true });
    expect(contoursIn('metric')[0]).toEqual({ depthM: 1, label: '1', strong: false });
  });
});
