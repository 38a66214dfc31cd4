import { deserialize, serialize } from 'node:v8';
import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Conditions } from '@inky-shoal/core';
import { DRILL_STEPS, type DrillAnswer } from '@inky-shoal/core/drill';
import { firstValueFrom, of } from 'rxjs';
import { WORKERS_IN_PAGE } from '../../testing/workers';
import { BandPictureComponent, type Band } from './band-picture.component';
import { drillApi, type SceneQuestion } from './drill-api';
import { DrillDayComponent } from './drill-day.component';
import { DrillDayView } from './drill-day.view';
import { DrillService } from './drill.service';
import { OwnDaysService } from './own-days.service';
import { PracticeService } from './practice.service';
import { TapWaitComponent } from './tap-wait.component';

const question: SceneQuestion = { seed: 5, discipline: 'bass', units: 'us' };
const scene = drillApi.scene(question);

/** Some answer to each step. */
const anyAnswer = (step: (typeof DRILL_STEPS)[number]): DrillAnswer => {
  const { phases, regimes, foods, places, hours, lures, tones, rigs } = scene.options;
  const answers: Record<(typeof DRILL_STEPS)[number], DrillAnswer> = {
    phase: { step: 'phase', phase: phases[0]! },
    regime: { step: 'regime', regime: regimes[0]! },
    food: { step: 'food', kind: foods[0]! },
    where: { step: 'where', structure: places[0]!.structure },
    depth: { step: 'depth', bandsM: hours.map(() => [1, 3] as const) },
    lure: { step: 'lure', category: lures[0]! },
    class: { step: 'class', classId: scene.options.classes[0]?.id ?? 'any' },
    trim: { step: 'trim', tone: tones[0]! },
    pause: { step: 'pause', seconds: 4 },
    rig: { step: 'rig', rig: rigs[0]!.rig },
  };
  return answers[step];
};

beforeEach(() => localStorage.clear());

describe('days to judge, beside the page', () => {
  it('go over the border whole, the same whenever they are asked', () => {
    expect(deserialize(serialize(scene))).toEqual(scene);
    expect(drillApi.scene({ ...question, seed: 6 })).not.toEqual(scene);
    expect(drillApi.scene(question)).toEqual(scene);
    for (const step of DRILL_STEPS) {
      const graded = drillApi.grade(question, anyAnswer(step));
      expect(deserialize(serialize(graded))).toEqual(graded);
      expect(graded.topic.startsWith(`${step}/`)).toBe(true);
    }
    const picture = drillApi.picture(
      question,
      scene.options.lures[0]!,
      scene.options.hours.map(() => [1, 3] as const),
    );
    expect(deserialize(serialize(picture))).toEqual(picture);
    expect(picture.bands).toHaveLength(scene.options.hours.length);
    for (const bands of picture.bands) expect(bands.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
    expect(drillApi.picture(question, null, []).strokes).toEqual([]);
  });

  it("may be one's own: its conditions are what is told, its hours those in which it bit", () => {
    const conditions = Conditions.parse({
      discipline: 'bass',
      date: '2027-03-13',
      place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
      surfaceTempC: 12,
    });
    const own = drillApi.scene({ ...question, own: { conditions, minute: 17 * 60 } });
    expect(own.words[0]).toMatch(/^13 March\. The water is 54 °F/);
    const [from, to] = [own.from, own.to].map((clock) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3)));
    expect(from! <= 17 * 60 && to! > 17 * 60).toBe(true);
    expect(own.words.join(' ')).not.toMatch(/undefined|: ;/);
  });

  it('are pooled with what each step is about, each judged once, and a lure is turned round', () => {
    const pool = drillApi.pool([1, 2, 3], 'bass', 'us');
    expect(pool.map(({ seed }) => seed)).toEqual([1, 2, 3]);
    expect(drillApi.pool([2], 'bass', 'us')[0]).toBe(pool[1]);
    const turn = drillApi.turn({ ...question, seed: 2 });
    expect(turn?.words.join(' ')).not.toMatch(/°F|You see/);
    const { structures, covers } = turn!;
    const graded = drillApi.gradeTurn(
      { ...question, seed: 2 },
      { surfaceTempC: 15, visibilityM: 1, structure: structures![0]!, cover: covers![0]! },
    );
    expect(graded.best).toMatch(/^water of/);
  });
});

describe('a day on the page', () => {
  async function open(steps?: readonly (typeof DRILL_STEPS)[number][]): Promise<ComponentFixture<DrillDayComponent>> {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), ...WORKERS_IN_PAGE],
    });
    Element.prototype.scrollIntoView = () => undefined;
    const fixture = TestBed.createComponent(DrillDayComponent);
    fixture.componentRef.setInput('question', question);
    if (steps) fixture.componentRef.setInput('steps', steps);
    await until(fixture, () => text(fixture).includes('The water is'));
    return fixture;
  }
  const text = (fixture: ComponentFixture<unknown>) =>
    ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
  async function until(fixture: ComponentFixture<unknown>, holds: () => boolean): Promise<void> {
    for (let tries = 0; tries < 2000; tries++) {
      fixture.detectChanges();
      if (holds()) return;
      await new Promise((go) => setTimeout(go, 10));
    }
    throw new Error(`waited in vain: ${text(fixture)}`);
  }
  const buttons = (fixture: ComponentFixture<unknown>) => [
    ...(fixture.nativeElement as HTMLElement).querySelectorAll('button'),
  ];
  const press = (fixture: ComponentFixture<unknown>, name: RegExp) =>
    buttons(fixture)
      .find(({ textContent }) => name.test(textContent?.trim() ?? ''))!
      .click();

  it('grades an answer, keeps it, and asks it again where it is taken back', async () => {
    const fixture = await open();
    const practice = TestBed.inject(PracticeService);
    expect(text(fixture)).toContain('What do the fish think it is?');
    press(fixture, /./);
    await until(fixture, () => text(fixture).includes('What kind of water is it?'));
    expect(text(fixture)).toMatch(/Phase: .*(Right|Nearly|Not quite|No)\./);
    expect((await firstValueFrom(practice.known$)).step).toMatchObject([{ name: 'Phase', answers: 1 }]);
    press(fixture, /^Take it back$/);
    await until(fixture, () => text(fixture).includes('What do the fish think it is?'));
    expect((await firstValueFrom(practice.known$)).step).toEqual([]);
  });

  it('may be asked for one step alone, with what comes before it told, and says when it is done', async () => {
    const fixture = await open(['lure']);
    const done = jest.fn();
    fixture.componentInstance.done.subscribe(done);
    expect(text(fixture)).toMatch(/most are on the .*What do you tie on\?/);
    press(fixture, /./);
    await until(fixture, () => done.mock.calls.length > 0);
    expect(done).toHaveBeenCalledWith({ marks: expect.any(Number) as number, answers: 1 });
    // Taken back after that it is not done any more.
    fixture.detectChanges();
    press(fixture, /^Take it back$/);
    expect(done).toHaveBeenLastCalledWith(null);
  });

  it('says so where it cannot be judged, and the next one goes on', async () => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), ...WORKERS_IN_PAGE],
    });
    const fixture = TestBed.createComponent(DrillDayComponent);
    const broken = { conditions: {} as Conditions };
    fixture.componentRef.setInput('question', { ...question, own: broken });
    await until(fixture, () => text(fixture).includes('the fault is ours'));
    fixture.componentRef.setInput('question', question);
    await until(fixture, () => text(fixture).includes('The water is'));
    expect(text(fixture)).not.toContain('fault');
  });
});

describe('a trip to be judged', () => {
  it('without a plan has nothing to judge it by, which is said; another day goes on', async () => {
    const trips$ = of([{ id: 't1', name: 'Lake, 2027-03-01', scene: null }]);
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([]),
        ...WORKERS_IN_PAGE,
        { provide: OwnDaysService, useValue: { trips$, coming$: of([]) } },
      ],
    });
    const fixture = TestBed.createComponent(DrillDayView);
    fixture.componentRef.setInput('trip', 't1');
    await fixture.whenStable();
    fixture.detectChanges();
    const root = fixture.nativeElement as HTMLElement;
    expect(root.textContent).toContain('That trip was made without a plan, so there is nothing to judge it by.');
    expect(root.textContent).toContain('Another day');
    fixture.componentRef.setInput('trip', undefined);
    fixture.componentRef.setInput('own', 'gone/2027-03-01');
    fixture.detectChanges();
    expect(root.textContent).toContain('That day is not coming any more.');
  });
});

describe('the empty sheet', () => {
  const WIDTH = 360;
  function open() {
    const fixture = TestBed.createComponent(BandPictureComponent);
    const hours = [
      { from: '06:00', to: '08:00', fromMin: 360, toMin: 480 },
      { from: '08:00', to: '12:00', fromMin: 480, toMin: 720 },
      { from: '12:00', to: '15:00', fromMin: 720, toMin: 900 },
    ];
    const inputs = { hours, bottomM: 10, units: 'metric', bands: [null, null, [1, 2]], open: true };
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    fixture.detectChanges();
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg')!;
    svg.getBoundingClientRect = () => ({ left: 0, top: 0, width: WIDTH, height: 250 }) as DOMRect;
    const drawn: (readonly Band[])[] = [];
    fixture.componentInstance.bandsChange.subscribe((bands) => drawn.push(bands));
    const point = (type: string, clientX: number, clientY: number) =>
      svg.dispatchEvent(Object.assign(new Event(type), { clientX, clientY, pointerId: 1 }));
    return { fixture, svg, drawn, point };
  }

  it('takes a box drawn with a thumb as a band over the hours that it passes, the others as they were', () => {
    const { drawn, point } = open();
    point('pointerdown', 60, 8 + 0.2 * 214);
    point('pointermove', 200, 8 + 0.5 * 214);
    point('pointerup', 200, 8 + 0.5 * 214);
    point('pointermove', 300, 8 + 0.9 * 214);
    const [from, to] = drawn.at(-1)![0]!;
    expect([from, to]).toEqual([expect.closeTo(2, 5), expect.closeTo(5, 5)]);
    expect(drawn.at(-1)![1]).toEqual(drawn.at(-1)![0]);
    expect(drawn.at(-1)![2]).toEqual([1, 2]);
  });

  it('takes what lies outside of the water for its edge', () => {
    const { drawn, point } = open();
    point('pointerdown', -50, -50);
    point('pointermove', 9999, 9999);
    expect(drawn.at(-1)).toEqual([
      [0, 10],
      [0, 10],
      [0, 10],
    ]);
  });

  it('tells what is drawn to who does not see it', () => {
    const { svg } = open();
    expect(svg.getAttribute('aria-label')).toMatch(/6 to 8 am: no band.*12 to 3 pm: 1 to 2 m/);
  });
});

describe('a wait by feel', () => {
  it('is told in seconds; while one is away it does not count', () => {
    const fixture = TestBed.createComponent(TapWaitComponent);
    const waited: number[] = [];
    fixture.componentInstance.waited.subscribe((seconds) => waited.push(seconds));
    const now = jest.spyOn(performance, 'now');
    const root = fixture.nativeElement as HTMLElement;
    const tap = (atMs: number) => {
      now.mockReturnValue(atMs);
      fixture.detectChanges();
      root.querySelector('button')!.click();
      fixture.detectChanges();
    };
    tap(1000);
    tap(9040);
    expect(waited).toEqual([8]);
    tap(20_000);
    const hidden = jest.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
    document.dispatchEvent(new Event('visibilitychange'));
    fixture.detectChanges();
    expect(root.textContent).toContain('You were away from the page');
    hidden.mockRestore();
    now.mockRestore();
    expect(waited).toEqual([8]);
  });
});

describe('questions', () => {
  it('come from days that follow the seed, which goes on', async () => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), ...WORKERS_IN_PAGE],
    });
    const service = TestBed.inject(DrillService);
    const { seed } = service;
    expect(service.goOn()).toBe(seed + 1);
    const pool = await firstValueFrom(service.pool('bass', 'us'));
    expect(pool[0]?.seed).toBe(seed + 1);
    expect(new Set(pool.map((each) => each.seed)).size).toBe(pool.length);
  });
});
