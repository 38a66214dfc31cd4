import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Conditions } from '@inky-shoal/core';
import { matchDay, type RigPlan } from '@inky-shoal/core/tackle/match';
import { lurePreset, presetOf, type TackleDraft, type TackleItem } from '@inky-shoal/core/tackle';
import { firstValueFrom, Subject } from 'rxjs';
import { DayService } from '../sheet/day.service';
import { FieldsComponent, type FieldChange, type FieldSpec } from '../ui/fields.component';
import { FigureComponent } from '../ui/figure.component';
import { SettingsService } from '../base/settings.service';
import { fill } from '../../testing/controls';
import { rigApi } from './rig-api';
import { RigService } from './rig.service';
import { TackleService } from './tackle.service';
import { inSlots } from './boxes/arrange.component';
import { ItemFormComponent } from './boxes/item-form.component';
import { itemFields } from './boxes/item-fields';
import { PhotoProblem, smallPhoto } from './boxes/photo';
import { TackleImportComponent } from './boxes/tackle-import.component';
import { sayItem, sayRods, sayWhere } from './rig-words';
import { RigView } from './rig.view';
import { RodsComponent } from './rods.component';
import { written } from '../../testing/written';

const id = (n: number) => `01990000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const INPUT = {
  discipline: 'bass' as const,
  date: '2027-03-13',
  place: PLACE,
  surfaceTempC: 12.5,
  tempTrendCPerDay: 0.4,
  structures: ['secondary-point' as const],
  covers: ['mixed-rock' as const],
};
const OWNED: TackleItem[] = [
  { id: id(1), ...lurePreset('flat-sided-crankbait'), name: 'Crank', statedDepthM: 1.2, box: 'Box 1', slot: 'A' },
  { id: id(2), ...lurePreset('suspending-jerkbait'), name: 'Jerkbait', box: 'Box 1', slot: 'B', hookState: 'dull' },
  { id: id(3), ...presetOf('rod'), name: 'Rod', reelId: id(4) },
  { id: id(4), ...presetOf('reel'), name: 'Reel', lineId: id(5) },
  { id: id(5), ...presetOf('line'), name: 'Line', material: 'nylon', testLb: 20 },
  { id: id(6), ...presetOf('rod'), name: 'Bare rod' },
];
const kept = (items: readonly TackleItem[]) =>
  items.map(({ id: itemId, ...item }) => ({
    id: itemId,
    item: item as TackleDraft,
    updatedAt: '2027-01-01T00:00:00Z',
  }));
/** The crank alone, on line far too thick for it. */
const rigOf = (maxRods: number): RigPlan =>
  matchDay(
    Conditions.parse(INPUT),
    OWNED.filter(({ name }) => name !== 'Jerkbait'),
    { maxRods, units: 'us', date: INPUT.date },
  );

let http: HttpTestingController;
beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  http = TestBed.inject(HttpTestingController);
});

async function shown<T>(component: new () => T, inputs: Record<string, unknown> = {}): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}
const element = (fixture: ComponentFixture<unknown>): HTMLElement => fixture.nativeElement as HTMLElement;
const text = (fixture: ComponentFixture<unknown>) => (element(fixture).textContent ?? '').replace(/\s+/g, ' ').trim();
const press = async (fixture: ComponentFixture<unknown>, name: string) => {
  const button = [...element(fixture).querySelectorAll('button')].find((each) => each.textContent?.trim() === name);
  if (!button) throw new Error(`No button ${name} in "${text(fixture)}"`);
  button.click();
  await fixture.whenStable();
};
const type = fill;

describe('words', () => {
  it('say every kind of piece in a line', () => {
    const pieces: TackleItem[] = [
      ...OWNED,
      ...(['trailer', 'hook', 'weight', 'blade', 'leader'] as const).map((kind, at) => ({
        id: id(50 + at),
        ...presetOf(kind),
      })),
    ];
    expect(pieces.map((piece) => sayItem(piece, 'us'))).toEqual([
      'Flat-sided crankbait, 2¼ in, ⅜ oz',
      'Suspending jerkbait, 4¼ in, ½ oz',
      'Medium moderate-fast casting rod, 6.9 ft',
      'Casting reel, 6.4',
      'Line, 20 lb nylon',
      'Medium moderate-fast casting rod, 6.9 ft',
      'Trailer, full kicking, 3 in',
      'Treble hooks, size 6',
      'Bullet, tungsten, ⅜ oz',
      'Round blades, silver',
      'Leader, 10 lb fluorocarbon',
    ]);
    expect(sayWhere({ box: 'Box 2', slot: 'B' })).toBe('Box 2, B');
    expect(sayWhere({})).toBe('');
  });
  it('say the answer of a match, short of what is well', () => {
    const rig = rigOf(1);
    expect(sayRods(rig)).toMatch(/^Take this rod; .*will not reach as it is/);
    expect(sayRods({ ...rig, rods: [] })).toMatch(/^Nothing owned/);
    const fine = {
      ...rig,
      left: [],
      missing: [],
      rods: rig.rods.map((rod) => ({ ...rod, reach: null, respool: null })),
    };
    expect(sayRods(fine)).toBe('Take this rod: they carry the whole day.');
  });
});

it('shows a rod with what will not reach, what to do, and where the bench is', async () => {
  const { rods } = rigOf(1);
  const fixture = await shown(RodsComponent, { rods, windows: [], units: 'us' });
  expect(text(fixture)).toMatch(
    /Crank on Rod, 20 lb nylon.*This one will not reach: it gets to .*(It takes fluorocarbon|No line gets it deeper)/,
  );
  const link = element(fixture).querySelector('a')!;
  expect(link.getAttribute('href')).toMatch(/running-depth\?lure=.*&rod=.*&from=.*&to=/);
});

describe('the rods of the day', () => {
  async function view(items: readonly TackleItem[]): Promise<ComponentFixture<RigView>> {
    TestBed.inject(DayService).open({
      waterId: null,
      waterName: 'Test pond',
      savedId: null,
      savedName: null,
      input: INPUT,
    });
    const fixture = TestBed.createComponent(RigView);
    http.match('/api/books/demo/tackle').forEach((request) => request.flush(kept(items)));
    await fixture.whenStable();
    return fixture;
  }
  it('ask for tackle where there is none', async () => {
    expect(text(await view([]))).toContain('Nothing owned is written down yet');
  });
  it('give the answer, what is missing, what to see to, and a list that keeps its ticks', async () => {
    const fixture = await view(OWNED);
    expect(text(fixture)).toMatch(/Test pond, Saturday March 13, 2027.*Take this rod/);
    expect(text(fixture)).toMatch(/Bare rod cannot be fished: it has no reel/);
    const box = element(fixture).querySelector<HTMLInputElement>('.pack input')!;
    const before = element(fixture).querySelectorAll('.pack input').length;
    box.click();
    await fixture.whenStable();
    expect(text(fixture)).toContain(`${before - 1} of ${before} still to pack.`);
    const ticks = Object.keys(localStorage).filter((key) => key.startsWith('inky.packed/'));
    expect(ticks.map((key) => (JSON.parse(localStorage.getItem(key)!) as string[]).length)).toEqual([1]);
    TestBed.inject(RigService).setRods(2);
    await fixture.whenStable();
    expect(localStorage.getItem('inky.rods')).toBe('2');
  });
});

describe('a form from a list', () => {
  const SPECS: FieldSpec[] = [
    { kind: 'figure', key: 'lengthMm', label: 'Length', measure: 'length' },
    { kind: 'text', key: 'box', label: 'Box' },
    { kind: 'one', key: 'tone', label: 'Tone', choices: [{ id: 'bold', name: 'bold' }], none: 'not said' },
    {
      kind: 'some',
      key: 'families',
      label: 'Colours',
      choices: [
        { id: 'red', name: 'red' },
        { id: 'gold', name: 'gold' },
      ],
    },
  ];
  it('tells each change by its key, in SI', async () => {
    const fixture = await shown(FieldsComponent, {
      prefix: 'x',
      specs: SPECS,
      values: { families: ['red'] },
      problems: { box: 'No such box.' },
    });
    const heard: FieldChange[] = [];
    fixture.componentInstance.changed.subscribe((change) => heard.push(change));
    await type(fixture, '#x-lengthMm', '4');
    await type(fixture, '#x-box', ' Box 9 ');
    await type(fixture, '#x-tone', 'bold', 'change');
    element(fixture).querySelectorAll<HTMLInputElement>('[type=checkbox]')[1]!.click();
    expect(heard).toEqual([
      { key: 'lengthMm', value: expect.closeTo(101.6, 6) as number },
      { key: 'box', value: 'Box 9' },
      { key: 'tone', value: 'bold' },
      { key: 'families', value: ['red', 'gold'] },
    ]);
    expect(text(fixture)).toContain('No such box.');
  });
  it('keeps a figure as it is typed, and gives the text on where it is none', async () => {
    TestBed.inject(SettingsService).set({ units: 'metric' });
    const fixture = await shown(FigureComponent, { fieldId: 'f', label: 'Depth', measure: 'depth', value: 3 });
    const heard: unknown[] = [];
    fixture.componentInstance.valueChange.subscribe((value) => heard.push(value));
    await type(fixture, 'input', '2,50');
    fixture.componentRef.setInput('value', 2.5);
    await fixture.whenStable();
    expect(element(fixture).querySelector('input')!.value).toBe('2,50');
    await type(fixture, 'input', 'deep');
    await type(fixture, 'input', '');
    expect(heard).toEqual([2.5, 'deep', undefined]);
  });
  it('has fields for what a piece is: depth for divers, blades where there are, reels from what is owned', () => {
    const keys = (values: object) => itemFields(values as Record<string, unknown>, OWNED).map(({ key }) => key);
    expect(keys(lurePreset('deep-diver'))).toContain('statedDepthM');
    expect(keys(lurePreset('football-jig'))).not.toContain('statedDepthM');
    expect(keys(lurePreset('spinnerbait'))).toContain('bladeFinish');
    const reel = itemFields({ kind: 'rod' }, OWNED).find(({ key }) => key === 'reelId');
    expect(reel).toMatchObject({ choices: [{ id: id(4), name: 'Reel' }] });
    for (const kind of ['trailer', 'hook', 'weight', 'blade', 'line', 'leader', 'reel'] as const) {
      expect(keys(presetOf(kind))).toEqual(expect.arrayContaining(['count', 'box', 'slot']));
    }
  });
});

describe('entering a piece', () => {
  const form = (item: TackleItem | null = null) => shown(ItemFormComponent, { item, owned: OWNED });

  it('sends what the category brings, changed where it differs', async () => {
    const fixture = await form();
    await type(fixture, '#item-category', 'square-bill', 'change');
    await type(fixture, '#item-name', 'Bluegill back');
    await press(fixture, 'One less');
    await press(fixture, 'Keep');
    const { request } = http.expectOne(({ method, url }) => method === 'PUT' && url.includes('/tackle/'));
    expect(request.body).toMatchObject({
      kind: 'lure',
      category: 'square-bill',
      name: 'Bluegill back',
      hooks: [{ size: '8' }],
    });
  });
  it('keeps nothing that is wrong, and marks it', async () => {
    const fixture = await form();
    await type(fixture, '#item-lengthMm', 'long');
    await press(fixture, 'Keep');
    expect(text(fixture)).toMatch(/Expected a length in mm from 5 to 600, got "long"\..*Not kept yet/);
    http.expectNone(({ method }) => method === 'PUT');
  });
  it('tells of the same piece before it is kept twice, and counts it there', async () => {
    const fixture = await form();
    await type(fixture, '#item-category', 'suspending-jerkbait', 'change');
    await type(fixture, '#item-name', 'Jerkbait');
    await type(fixture, '#item-hookState', 'dull', 'change');
    await press(fixture, 'Keep');
    expect(text(fixture)).toContain('You own this already: Jerkbait, Box 1, B, 1 piece.');
    await press(fixture, 'Count it there');
    const { request } = await written(http, 'PUT');
    expect(request.url).toContain(id(2));
    expect(request.body).toMatchObject({ count: 2 });
  });
  it('changes its kind, keeping the place', async () => {
    const fixture = await form();
    await type(fixture, '#item-box', 'Box 7');
    await type(fixture, '#item-kind', 'reel', 'change');
    await type(fixture, '#item-spoolMm', '-1');
    await press(fixture, 'Keep');
    expect(text(fixture)).toMatch(/Expected a spool diameter in mm from 15 to 90/);
    expect(element(fixture).querySelector<HTMLInputElement>('#item-box')!.value).toBe('Box 7');
  });
});

it('refuses a photo of 40 MB before it is opened', async () => {
  const file = new File(['x'], 'boat.jpg');
  Object.defineProperty(file, 'size', { value: 40_000_000 });
  await expect(smallPhoto(file)).rejects.toThrow(
    new PhotoProblem('boat.jpg has 40 MB: expected a photo of at most 25 MB.'),
  );
});

it('moves pieces through the slots of a box', () => {
  const [a, b] = OWNED as [TackleItem, TackleItem];
  expect(inSlots([b, a], ['A', 'B']).map(({ name, slot }) => [name, slot])).toEqual([
    ['Jerkbait', 'A'],
    ['Crank', 'B'],
  ]);
});

describe('tackle from a file', () => {
  it('tells what is in it, and takes the rest in once that is agreed to', async () => {
    const fixture = await shown(TackleImportComponent, { owned: OWNED });
    await type(
      fixture,
      '#tackle-text',
      'kind,name,category,length_mm,weight_g,price\nlure,A,popper,60,8,1\nlure,B,teaspoon,60,8,1',
    );
    expect(text(fixture)).toMatch(
      /1 new, 1 thing that cannot be read\..*Not known here: price.*Line 3, category: expected a category \(suspending-jerkbait/,
    );
    element(fixture).querySelector<HTMLInputElement>('[type=checkbox]')!.click();
    await fixture.whenStable();
    await press(fixture, 'Add 1 piece');
    const { request } = await written(http, 'PUT');
    expect(request.body).toMatchObject([{ item: { name: 'A', category: 'popper' } }]);
  });
  it('can be read again after the reader failed once', async () => {
    const fixture = await shown(TackleImportComponent, { owned: OWNED });
    jest.spyOn(rigApi, 'readTackle').mockImplementationOnce(() => {
      throw new Error('broken');
    });
    await type(fixture, '#tackle-text', 'kind,name\nline,One\n');
    expect(text(fixture)).toContain('could not be read, and the fault is ours');
    await type(fixture, '#tackle-text', 'kind,name,material,test lb\nline,One,braid,20\n');
    expect(text(fixture)).not.toContain('the fault is ours');
  });

  it('goes in by batches, tells how many are in, and stops between two', async () => {
    const service = TestBed.inject(TackleService);
    const many = Array.from({ length: 1200 }, (_, at) => ({ ...(OWNED[0] as TackleItem), id: id(1000 + at) }));
    const [stop, told] = [new Subject<void>(), [] as number[]];
    service.addAll(many, stop).subscribe((total) => told.push(total));
    http.expectOne(({ body }) => (body as unknown[]).length === 500).flush({ kept: 500 });
    stop.next();
    http.expectOne(({ body }) => (body as unknown[]).length === 500).flush({ kept: 500 });
    http.expectNone(({ method }) => method === 'PUT');
    expect(told).toEqual([500, 1000]);
  });
  it('is told to the sheet only once it was asked for', async () => {
    const service = TestBed.inject(RigService);
    expect(await firstValueFrom(service.onSheet$)).toBeNull();
    http.expectNone('/api/books/demo/tackle');
    service.ask();
    expect(JSON.parse(localStorage.getItem('inky.rigged')!)).toBe(true);
  });
});
