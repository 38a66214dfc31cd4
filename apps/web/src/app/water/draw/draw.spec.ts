import { type HttpRequest, provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { filter, firstValueFrom } from 'rxjs';
import type { ChartFeature, FeatureShape, KeptChart } from '@inky-shoal/core/chart';
import {
  buttons,
  COLS,
  FRAME,
  giveChart,
  giveWaters,
  lonLat,
  openDay,
  PATH,
  press,
  RAMP,
  ROWS,
  text,
  until,
  WATER,
} from '../../../testing/test-lake';
import { ConnectionService } from '../../base/connection.service';
import { OutboxService } from '../../base/outbox.service';
import { DrawnService } from '../drawn.service';
import { NoticeService } from '../../base/notice.service';
import * as saving from '../../ui/save-file';
import type { ChartMapEvents } from '../chart-map';
import type { MapToolEvents } from '../map-tools';
import { WaterView } from '../water.view';
import { fill, openFile, unfold } from '../../../testing/controls';
import { choiceOf, DRAW_GROUPS, idOf, sayFeature } from './what-to-draw';

const onMap: {
  events?: ChartMapEvents & MapToolEvents;
  pen: string[];
  shown?: readonly ChartFeature[];
  mode?: { pen: string | null; chosenId: string | null };
} = {
  pen: [],
};
jest.mock('../chart-map', () => ({
  ChartMap: jest.fn((_box, _frame: KeptChart, _wet, _ink, events: ChartMapEvents & MapToolEvents) => {
    onMap.events = events;
    const pen = (name: string) => () => onMap.pen.push(name);
    const given = { penTools: { putInMiddle: pen('middle'), back: pen('back'), finish: pen('finish') } };
    return new Proxy(given, {
      get: (own, name) =>
        name === 'penTools'
          ? own.penTools
          : (value: unknown) => {
              if (name === 'setFeatures') onMap.shown = value as readonly ChartFeature[];
              if (name === 'setMode') onMap.mode = value as typeof onMap.mode;
            },
    });
  }),
}));

let http: HttpTestingController;
let notices: string[];
beforeAll(() => {
  globalThis.ResizeObserver ??= jest.fn(() => ({ observe: jest.fn(), unobserve: jest.fn(), disconnect: jest.fn() }));
  Element.prototype.scrollIntoView ??= jest.fn();
});
beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('inky.settings', JSON.stringify({ units: 'metric', look: 'paper' }));
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  http = TestBed.inject(HttpTestingController);
  notices = [];
  TestBed.inject(NoticeService).notice$.subscribe((notice) => notice && notices.push(notice.text));
});

afterEach(async () => {
  // A write that is never answered would be given up seconds later, and wait in the database of another test.
  for (const write of http.match(({ method }) => method !== 'GET')) if (!write.cancelled) write.flush({});
  TestBed.resetTestingModule();
  await Dexie.delete('inky-outbox');
});

type View = ComponentFixture<WaterView>;
const BEST = '[aria-label="Best places"]';
const page = (fixture: View) => fixture.nativeElement as HTMLElement;

async function open(features: readonly ChartFeature[] = [RAMP]): Promise<View> {
  openDay();
  const fixture = TestBed.createComponent(WaterView);
  fixture.detectChanges();
  giveWaters([WATER]);
  giveChart(features);
  await until(fixture, () => buttons(fixture, BEST).length > 3);
  await press(fixture, 'Draw and files');
  for (const label of ['What is drawn', 'Marks, tracks and areas', 'Another chart']) await unfold(fixture, label);
  return fixture;
}
const set = (fixture: View, selector: string, value: string) => fill(fixture, selector, value, 'change');
async function draw(fixture: View, what: string, shape: FeatureShape): Promise<void> {
  await set(fixture, '#draw-what', what);
  await press(fixture, 'Put it on the chart');
  await until(fixture, () => onMap.mode?.pen === shape.type);
  onMap.events?.drawn(shape);
  await fixture.whenStable();
}
const area = (...cells: readonly (readonly [number, number])[]): FeatureShape => ({
  type: 'Polygon',
  coordinates: [[...cells, cells[0] as [number, number]].map(([col, row]) => lonLat(col, row))],
});
const GRASS = area([20, 20], [30, 20], [30, 30], [20, 30]);
/** Requests that came to the server, once there are some: what is sent goes through the browser's database first. */
async function requestsTo(method: string, url: string): Promise<TestRequest[]> {
  for (let tries = 0; tries < 2000; tries++) {
    const requests = http.match({ method, url });
    if (requests.length) return requests;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  throw new Error(`No ${method} of ${url} came`);
}
async function bodySent<T>(method: string, url: string, answer: object): Promise<T> {
  const requests = await requestsTo(method, url);
  requests.forEach((each) => each.flush(answer));
  return requests.at(-1)?.request.body as T;
}
/** The features that went to the server last. */
const sent = () => bodySent<ChartFeature[]>('PUT', `${PATH}/features`, { kept: 1 });
const removed = () => bodySent<string[]>('POST', `${PATH}/features/remove`, { removed: 1 });
/** What the list of drawn things says. */
const listed = (fixture: View) =>
  [...page(fixture).querySelectorAll('[aria-label="What is drawn"] button')].map((each) => each.textContent?.trim());

describe('drawing', () => {
  it('puts an area on the chart, names and notes it, changes what it is, and keeps each step', async () => {
    const fixture = await open();
    await draw(fixture, 'cover:submerged-grass', GRASS);
    expect(await sent()).toEqual([expect.objectContaining({ kind: 'cover', cover: 'submerged-grass', shape: GRASS })]);
    expect(listed(fixture)).toEqual(['Submerged grass', 'Test ramp (ramp)']);
    await set(fixture, '#feature-name', 'The meadow');
    await fixture.whenStable();
    expect((await sent())[0]).toMatchObject({ name: 'The meadow' });
    await set(fixture, '#feature-note', 'green and healthy');
    await fixture.whenStable();
    expect((await sent())[0]).toMatchObject({ name: 'The meadow', note: 'green and healthy' });
    await set(fixture, '#feature-what', 'bottom:gravel');
    await fixture.whenStable();
    const [gravel] = await sent();
    expect(gravel).toMatchObject({ kind: 'bottom', bottom: 'gravel' });
    expect(gravel?.cover).toBeUndefined();
    expect(text(fixture)).toContain('The meadow (gravel)');
  });

  it('is taken back and done again step by step, and what was removed comes back', async () => {
    const fixture = await open();
    await draw(fixture, 'cover:submerged-grass', GRASS);
    const [grass] = await sent();
    await press(fixture, 'Remove it');
    expect(await removed()).toEqual([grass?.id]);
    expect(notices.at(-1)).toBe('Submerged grass removed.');
    TestBed.inject(NoticeService).undo();
    await fixture.whenStable();
    expect(await sent()).toEqual([grass]);
    await press(fixture, 'Undo');
    expect(await removed()).toEqual([grass?.id]);
    expect(listed(fixture)).toEqual(['Test ramp (ramp)']);
    await press(fixture, 'Redo');
    expect(await sent()).toEqual([grass]);
    // The notice brings back what it speaks of, whatever was drawn since.
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(50, 40) });
    const [mark] = await sent();
    TestBed.inject(DrawnService).remove([grass as ChartFeature]);
    await removed();
    TestBed.inject(DrawnService).undo();
    await sent();
    const back = TestBed.inject(DrawnService).remove([grass as ChartFeature]);
    await removed();
    TestBed.inject(DrawnService).put([{ ...(mark as ChartFeature), name: 'Later' }]);
    await sent();
    back();
    expect(await sent()).toEqual([grass]);
    await fixture.whenStable();
    expect(listed(fixture)).toContain('Later (mark)');
    // Something new ends what could be done again.
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(40, 40) });
    expect(buttons(fixture).find((each) => each.textContent?.trim() === 'Redo')?.disabled).toBe(true);
  });

  it.each([
    ['of two corners', area([20, 20], [30, 20]), 'An area wants three corners or more.'],
    ['that crosses itself', area([20, 20], [30, 30], [30, 20], [20, 30]), 'crosses itself after its points 1 and 3'],
  ])('does not take an area %s, and says why', async (_, shape, words) => {
    const fixture = await open();
    await draw(fixture, 'cover:submerged-grass', shape);
    expect(notices.at(-1)).toContain(words);
    http.expectNone(`${PATH}/features`);
    expect(listed(fixture)).toEqual(['Test ramp (ramp)']);
  });

  it('moves points, but not so that an area crosses itself', async () => {
    const fixture = await open();
    await draw(fixture, 'cover:submerged-grass', GRASS);
    const [grass] = (await sent()) as [ChartFeature];
    const moved = area([20, 20], [32, 18], [30, 30], [20, 30]);
    onMap.events?.reshaped(grass, moved);
    await fixture.whenStable();
    expect((await sent())[0]).toEqual({ ...grass, shape: moved });
    delete onMap.shown;
    onMap.events?.reshaped(grass, area([20, 20], [30, 30], [30, 20], [20, 30]));
    await fixture.whenStable();
    // The chart is told again what is kept: it shows the points where they were dragged to.
    await until(fixture, () => onMap.shown !== undefined);
    expect(onMap.shown).toContainEqual({ ...grass, shape: moved });
    expect(notices.at(-1)).toMatch(/crosses itself .* is as it was/);
    http.expectNone(`${PATH}/features`);
  });

  it('gives a mark line-ups with their bearings, and says how well they cross', async () => {
    const fixture = await open();
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(40, 40) });
    const lineUp = async (col: number, row: number) => {
      await press(fixture, 'Add a line-up');
      onMap.events?.drawn({ type: 'Point', coordinates: lonLat(col, row) });
      await sent();
      await fixture.whenStable();
    };
    await sent();
    await lineUp(80, 40);
    expect(text(fixture)).toMatch(/(89|90|91)°/);
    expect(text(fixture)).toContain('One more that crosses it');
    await lineUp(80, 44);
    expect(text(fixture)).toContain('too flat to be sure');
    await lineUp(40, 10);
    expect(text(fixture)).toMatch(/They cross at \d\d°: that finds the place again/);
    await set(fixture, '.line-up input', 'Pump house over the dead pine');
    await fixture.whenStable();
    expect((await sent())[0]?.lineUps?.map((each) => each.text)).toEqual([
      'Pump house over the dead pine',
      'Line-up 2',
      'Line-up 3',
    ]);
    await press(fixture, 'Remove');
    expect((await sent())[0]?.lineUps).toHaveLength(2);
  });

  it('finds more like a mark, where that stands in water', async () => {
    const fixture = await open();
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(0, 0) });
    await press(fixture, 'More like this');
    expect(notices.at(-1)).toBe('This mark does not stand in water on this chart.');
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(15, 30) });
    await press(fixture, 'More like this');
    await until(fixture, () => text(fixture).includes('Most like'));
    expect(buttons(fixture, '[aria-label="Places alike"]').length).toBeGreaterThan(0);
  });

  it('draws with keys: points in the middle, one back, the end, and off', async () => {
    const fixture = await open();
    await set(fixture, '#draw-what', 'cover:submerged-grass');
    await press(fixture, 'Put it on the chart');
    await until(fixture, () => onMap.mode?.pen === 'Polygon');
    onMap.pen.length = 0;
    const box = page(fixture).querySelector('.box');
    const key = (name: string) => box?.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
    ['Enter', 'Enter', 'Backspace', 'f', 'x'].forEach(key);
    await press(fixture, 'In the middle');
    await press(fixture, 'One point back');
    await press(fixture, 'Finish');
    expect(onMap.pen).toEqual(['middle', 'middle', 'back', 'finish', 'middle', 'back', 'finish']);
    key('Escape');
    await fixture.whenStable();
    expect(text(fixture)).toContain('Put it on the chart');
  });

  it('waits for the server where that is away, and goes on', async () => {
    const fixture = await open();
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(40, 40) });
    (await requestsTo('PUT', `${PATH}/features`)).forEach((each) => each.error(new ProgressEvent('error')));
    const waiting = () => firstValueFrom(TestBed.inject(OutboxService).waiting$);
    await firstValueFrom(TestBed.inject(OutboxService).waiting$.pipe(filter(Boolean)));
    await fixture.whenStable();
    expect(listed(fixture)).toEqual(['Mark', 'Test ramp (ramp)']);
    TestBed.inject(ConnectionService).found();
    // It is tried again by itself, maybe more than once.
    const bodies: unknown[] = [];
    for (let tries = 0; tries < 2000 && (!bodies.length || (await waiting())); tries++) {
      for (const request of http.match({ method: 'PUT', url: `${PATH}/features` })) {
        if (request.cancelled) continue;
        bodies.push(request.request.body);
        request.flush({ kept: 1 });
      }
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    expect(bodies[0]).toMatchObject([{ kind: 'mark' }]);
    expect(await waiting()).toBe(0);
  });

  it('is as it was before where the server refuses it', async () => {
    const fixture = await open();
    await draw(fixture, 'mark', { type: 'Point', coordinates: lonLat(40, 40) });
    const [request] = await requestsTo('PUT', `${PATH}/features`);
    request?.flush({ detail: 'No such water.' }, { status: 404, statusText: 'Not Found' });
    await until(fixture, () => !!notices.at(-1)?.includes('is as it was before'));
    await fixture.whenStable();
    expect(notices.at(-1)).toContain('is as it was before. No such water.');
    expect(listed(fixture)).toEqual(['Test ramp (ramp)']);
  });

  it('knows what each thing is drawn as, and calls it by its name or by what it is', () => {
    const all = DRAW_GROUPS.flatMap(({ choices }) => choices);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    for (const { id, what } of all) expect(idOf(what)).toBe(id);
    expect(choiceOf('structure:dock')?.as).toBe('LineString');
    expect(choiceOf('cover:stump')?.as).toBe('Point');
    expect(sayFeature({ kind: 'cover' })).toBe('Area');
    expect(sayFeature({ kind: 'structure', structure: 'bridge', name: 'Old road' })).toBe('Old road (bridge)');
  });
});

describe('a mark from here', () => {
  const here = (answer: (found: PositionCallback, not: PositionErrorCallback) => void) =>
    Object.defineProperty(navigator, 'geolocation', { configurable: true, value: { getCurrentPosition: answer } });
  const at = ([longitude, latitude]: [number, number]) =>
    here((found) => found({ coords: { longitude, latitude, accuracy: 6.4 } } as GeolocationPosition));

  it('is put where one is, with how well that is known', async () => {
    const fixture = await open();
    at(lonLat(30, 30));
    await press(fixture, 'Mark here');
    expect((await sent())[0]).toMatchObject({
      kind: 'mark',
      note: 'Known within 6 m',
      shape: { coordinates: lonLat(30, 30) },
    });
  });

  it('is not put off the chart, nor where one may not know or cannot', async () => {
    const fixture = await open();
    at([-88.0, 36.4]);
    await press(fixture, 'Mark here');
    expect(notices.at(-1)).toBe('You are not on this chart, so no mark was put.');
    here((_, not) => not({ code: 1 } as GeolocationPositionError));
    await press(fixture, 'Mark here');
    expect(notices.at(-1)).toBe('This browser may not tell where you are: allow it in its settings.');
    here((_, not) => not({ code: 3 } as GeolocationPositionError));
    await press(fixture, 'Mark here');
    expect(notices.at(-1)).toContain('try again under open sky');
    http.expectNone(`${PATH}/features`);
  });
});

const choose = (fixture: View, label: string, name: string, content: string | ArrayBuffer, size?: number) => {
  const file = new File([content], name);
  if (size) Object.defineProperty(file, 'size', { value: size });
  openFile(fixture, label, file);
};

describe('marks, tracks and areas as files', () => {
  const MARKS = 'Bring in from GPX';
  const gpx = ([longitude, latitude]: [number, number]) =>
    `<gpx version="1.1"><wpt lat="${latitude}" lon="${longitude}"><name>Stump</name></wpt></gpx>`;

  it('are told before they come in, come in as one step, and go out again', async () => {
    const fixture = await open();
    choose(fixture, MARKS, 'mine.gpx', gpx(lonLat(33, 33)));
    await until(fixture, () => text(fixture).includes('1 mark.'));
    await press(fixture, 'Put them on the chart');
    expect(await sent()).toEqual([expect.objectContaining({ kind: 'mark', name: 'Stump' })]);
    expect(listed(fixture)).toEqual(['Stump (mark)', 'Test ramp (ramp)']);
    const saved: string[] = [];
    jest.spyOn(saving, 'saveFile').mockImplementation((...given) => void saved.push(...given));
    await press(fixture, 'KML');
    expect(saved[0]).toBe('test-lake.kml');
    choose(fixture, MARKS, saved[0] as string, saved[1] as string);
    await until(fixture, () => text(fixture).includes('2 marks. 2 of them are drawn already'));
    await press(fixture, 'Never mind');
    TestBed.inject(DrawnService).undo();
    await fixture.whenStable();
    expect(listed(fixture)).toEqual(['Test ramp (ramp)']);
  });

  it('that cannot be taken are refused in words, and the chart is as it was', async () => {
    const fixture = await open();
    const [longitude, latitude] = lonLat(33, 33);
    choose(fixture, MARKS, 'swapped.gpx', gpx([latitude, longitude]));
    await until(fixture, () => text(fixture).includes('swapped.gpx: Latitude and longitude are swapped'));
    choose(fixture, MARKS, 'none.gpx', '<gpx version="1.1"></gpx>');
    await until(fixture, () => text(fixture).includes('none.gpx: There are no marks, tracks or areas in this file.'));
    choose(fixture, MARKS, 'huge.gpx', '<gpx/>', 500e6);
    await until(fixture, () => text(fixture).includes('huge.gpx is 500 MB: expected at most 40.'));
    http.expectNone(`${PATH}/features`);
  });
});

describe('a chart from a file', () => {
  const BED = 'Choose a file of depths';
  const grid = (change: (row: string, at: number) => string = (row) => row) => {
    const rows = Array.from({ length: 30 }, (_, row) =>
      Array.from({ length: 30 }, (__, col) => (Math.min(row, col, 29 - row, 29 - col) < 3 ? 1 : -4)).join(' '),
    );
    const { westM, northM } = FRAME;
    const head = `ncols 30\nnrows 30\nxllcorner ${westM}\nyllcorner ${northM - 300}\ncellsize 10\n`;
    return `${head}${rows.map(change).join('\n')}\n`;
  };
  const isBed = ({ url, method }: HttpRequest<unknown>) => method === 'PUT' && url.startsWith(`${PATH}/bed?frame=`);
  const bedRequest = () => http.expectOne(isBed);

  it('is told and laid, is read otherwise by choice, takes the place of the old one, and gives it back', async () => {
    const fixture = await open();
    choose(fixture, BED, 'lake.asc', grid());
    await until(fixture, () => text(fixture).includes('So read it is'));
    expect(text(fixture)).toContain('lake.asc: 900 cells of a grid, from -4 to 1.');
    expect(text(fixture)).toMatch(/5\.8 ha of water, 4 m at its deepest, in cells of 10 m/);
    await set(fixture, '#bed-unit', 'ft');
    await until(fixture, () => text(fixture).includes('1.2 m at its deepest'));
    await set(fixture, '#bed-surface', '-2');
    await until(fixture, () => text(fixture).includes('0.6 m at its deepest'));
    await set(fixture, '#bed-surface', '-9');
    await until(fixture, () => text(fixture).includes('all of it lies above the water'));
    await set(fixture, '#bed-surface', '0');
    await until(fixture, () => text(fixture).includes('1.2 m at its deepest'));
    await press(fixture, 'Make it the chart');
    // The chart before is fetched first, so that it can come back.
    http.expectOne(PATH).flush({ chart: FRAME, features: [RAMP] });
    http.expectOne(`${PATH}/bed`).flush(new Uint8Array(COLS * ROWS * 2).buffer);
    const put = bedRequest();
    const frame = JSON.parse(decodeURIComponent(put.request.url.split('frame=')[1] ?? '')) as KeptChart;
    expect(frame).toMatchObject({ epsg: 32616, cols: 30, rows: 30, cellM: 10, source: 'lake.asc' });
    put.flush({});
    await until(fixture, () => notices.at(-1) === 'The chart of Test lake is in.');
    http.match(PATH).forEach((each) => each.flush({ chart: FRAME, features: [RAMP] }));
    TestBed.inject(NoticeService).undo();
    // It is packed first.
    let back: TestRequest | undefined;
    await until(fixture, () => !!(back ??= http.match(isBed)[0]));
    if (!back) throw new Error('not put back');
    expect(decodeURIComponent(back.request.url)).toContain(`"cols":${COLS}`);
    back.flush({});
  });

  it.each([
    ['is cut short', () => grid().split('\n').slice(0, 15).join('\n'), /line \d+: the file ends in row \d+ of 30/],
    [
      'has a row too short',
      () => grid((row, at) => (at === 4 ? row.slice(2) : row)),
      /line 10: expected 30 columns, got 29/,
    ],
    ['knows nothing', () => grid((row) => row.replace(/\S+/g, '-9999')), /no data in every cell/],
  ])('that %s is refused with its line, and the chart is as it was', async (_, file, words) => {
    const fixture = await open();
    choose(fixture, BED, 'lake.asc', file());
    await until(fixture, () => words.test(text(fixture)));
    expect(text(fixture)).not.toContain('Make it the chart');
    http.expectNone(PATH);
  });

  it('of 500 MB is refused before it is read; without a server it says so and keeps what was chosen', async () => {
    const fixture = await open();
    choose(fixture, BED, 'lake.tif', 'II', 500e6);
    await until(fixture, () => text(fixture).includes('lake.tif is 500 MB: expected at most 250'));
    choose(fixture, BED, 'lake.asc', grid());
    await until(fixture, () => text(fixture).includes('So read it is'));
    await press(fixture, 'Make it the chart');
    http.expectOne(PATH).flush({ chart: null, features: [] });
    bedRequest().error(new ProgressEvent('error'));
    await until(fixture, () => text(fixture).includes('The chart is as it was. The server does not answer.'));
    expect(text(fixture)).toContain('Make it the chart');
  });

  it('is brought in where a water has none', async () => {
    openDay();
    const fixture = TestBed.createComponent(WaterView);
    fixture.detectChanges();
    giveWaters([WATER]);
    http.expectOne(PATH).flush({ chart: null, features: [] });
    await fixture.whenStable();
    expect(text(fixture)).toContain('This water has no chart yet.');
    choose(fixture, BED, 'lake.csv', 'lat,lon,depth\n35.9,-88.4\n');
    await until(fixture, () => text(fixture).includes('lake.csv: line 2: expected 3 columns, got 2.'));
  });
});
