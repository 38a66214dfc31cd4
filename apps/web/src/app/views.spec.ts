import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import {
  Conditions,
  ENGINE_VERSION,
  makePlan,
  type Reading,
  type SavedPlan,
  type SavedPlanSummary,
  type Water,
} from '@inky-shoal/core';
import { firstValueFrom } from 'rxjs';
import { CompareView } from './plans/compare.view';
import { PlansView } from './plans/plans.view';
import { SettingsView } from './settings/settings.view';
import { NotHereView } from './shell/not-here.view';
import { BookService } from './base/book.service';
import { DayService } from './sheet/day.service';
import { NoticeService } from './base/notice.service';
import { WatersView } from './waters/waters.view';
import { written } from '../testing/written';

// The map itself is looked at in the browser.
jest.mock('./waters/place-map', () => ({ PlaceMap: jest.fn() }));

const id = (n: number) => `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const PLACE = { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' };
const WATER: Water = {
  id: id(1),
  name: 'Test pond',
  discipline: 'bass',
  waterKind: 'pond',
  place: PLACE,
  createdAt: '2027-01-01T00:00:00Z',
  updatedAt: '2027-01-01T00:00:00Z',
};
const READINGS: Reading[] = [
  { id: id(11), waterId: id(1), at: '2027-03-12T21:00:00Z', surfaceTempC: 11, visibilityM: 1.5 },
  { id: id(12), waterId: id(1), at: '2027-03-09T21:00:00Z', surfaceTempC: 10.1 },
];
const saved = (n: number, name: string, surfaceTempC: number): SavedPlan => {
  const conditions = Conditions.parse({ discipline: 'bass', date: '2027-03-13', place: PLACE, surfaceTempC });
  const at = '2027-03-12T20:00:00Z';
  return {
    id: id(n),
    name,
    waterId: id(1),
    conditions,
    plan: makePlan(conditions),
    engineVersion: ENGINE_VERSION,
    createdAt: at,
    updatedAt: at,
  };
};
const summary = ({
  id: planId,
  name,
  waterId,
  conditions,
  plan,
  engineVersion,
  createdAt,
}: SavedPlan): SavedPlanSummary => ({
  id: planId,
  name,
  waterId,
  date: conditions.date,
  phase: plan.phase.id,
  first: plan.windows[0]?.presentations[0]?.category ?? null,
  engineVersion,
  createdAt,
});

let http: HttpTestingController;
beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      provideRouter([{ path: '**', component: NotHereView }]),
    ],
  });
  http = TestBed.inject(HttpTestingController);
});

/** Answers what is asked so far; unknown questions stay open. */
function answer(answers: Record<string, unknown>): void {
  for (const [path, body] of Object.entries(answers)) {
    for (const request of http.match((each) => each.method === 'GET' && each.url === `/api${path}`))
      request.flush(body as object);
  }
}

class Shown<T> {
  constructor(readonly fixture: ComponentFixture<T>) {}

  static async of<T>(view: Type<T>, inputs: Record<string, unknown> = {}): Promise<Shown<T>> {
    const fixture = TestBed.createComponent(view);
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    return new Shown(fixture);
  }

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }
  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ');
  }
  async settle(): Promise<void> {
    await this.fixture.whenStable();
  }
  async press(name: string): Promise<void> {
    const named = (button: Element) =>
      button.getAttribute('aria-label') === name || button.textContent?.trim() === name;
    const button = [...this.element.querySelectorAll('button')].find(named);
    if (!button) throw new Error(`No button ${name} in: ${this.text}`);
    button.click();
    await this.settle();
  }
  async type(selector: string, value: string): Promise<void> {
    const field = this.element.querySelector<HTMLInputElement>(selector);
    if (!field) throw new Error(`No field ${selector}`);
    field.value = value;
    field.dispatchEvent(new Event('input'));
    await this.settle();
  }
}

describe('waters', () => {
  async function waters() {
    const view = await Shown.of(WatersView);
    answer({
      '/books/demo/waters': [WATER],
      '/books/demo': { id: 'demo', clock: { now: '2027-03-13T08:12:00-06:00', fixed: true } },
    });
    await view.settle();
    answer({ [`/books/demo/waters/${id(1)}/readings`]: READINGS });
    await view.settle();
    return view;
  }

  it('list their readings and say how the water goes', async () => {
    const view = await waters();
    expect(view.text).toContain('52 °F at the last reading, up 0.5 °F a day over the last ten days.');
    expect(view.element.querySelectorAll('tbody tr')).toHaveLength(2);
    expect(view.element.querySelector<HTMLInputElement>('#reading-at')?.value).toBe('2027-03-13T08:12');
  });

  it('send a reading in SI with its moment, and refuse one that cannot be', async () => {
    const view = await waters();
    await view.type('#reading-temp', '212');
    await view.type('#reading-seen', '-1');
    await view.press('Add');
    expect(view.text).toContain('Expected 28 to 104 °F, got 212 °F.');
    expect(view.text).toContain('got -1 ft');
    http.expectNone((request) => request.method === 'PUT');
    await view.type('#reading-temp', '59');
    await view.type('#reading-seen', '');
    await view.press('Add');
    const sent = await written(http, 'PUT');
    expect(sent.request.url).toMatch(new RegExp(`/books/demo/waters/${id(1)}/readings/[0-9a-f-]{36}$`));
    expect(sent.request.body).toMatchObject({ at: '2027-03-13T14:12:00.000Z', surfaceTempC: 15 });
  });

  it('remove a reading and put the same back on undo', async () => {
    const view = await waters();
    await view.press('Remove the reading of Mar 12, 2027, 3 pm');
    (await written(http, 'DELETE')).flush(null);
    const notices = TestBed.inject(NoticeService);
    expect((await firstValueFrom(notices.notice$))?.text).toBe('Reading removed.');
    notices.undo();
    const back = await written(http, 'PUT');
    expect(back.request.url).toContain(id(11));
    expect(back.request.body).toMatchObject({ surfaceTempC: 11, visibilityM: 1.5 });
  });

  it('say so where the server does not answer, and ask again when pressed', async () => {
    const view = await Shown.of(WatersView);
    for (let attempt = 0; attempt < 3; attempt++) {
      http.match('/api/books/demo/waters').forEach((request) => request.error(new ProgressEvent('error')));
      await new Promise((resolve) => setTimeout(resolve, 600));
    }
    await view.settle();
    expect(view.text).toContain('The waters cannot be read');
    await view.press('Try again');
    answer({ '/books/demo/waters': [WATER] });
    await view.settle();
    expect(view.text).toContain('Test pond');
  });
});

describe('saved plans', () => {
  const [cold, warm] = [saved(21, 'Cold morning', 6), saved(22, 'Warm evening', 22)];

  async function plans(list: SavedPlan[]) {
    const view = await Shown.of(PlansView);
    answer({ '/books/demo/plans': list.map(summary), '/books/demo/waters': [WATER] });
    await view.settle();
    return view;
  }

  it('say what to do first where there are none', async () => {
    expect((await plans([])).text).toContain('None yet. A plan saved on the sheet stands here.');
  });

  it('are told with day, water, phase and first lure', async () => {
    expect((await plans([cold, warm])).text).toMatch(
      /Cold morning ?Saturday March 13, 2027, Test pond\. Winter, [a-z -]+ first\./,
    );
  });

  it('are renamed by what is typed', async () => {
    const view = await plans([cold]);
    await view.press('Rename Cold morning');
    await view.type('#new-name', ' Cold dawn ');
    await view.press('Rename');
    expect((await written(http, 'PATCH')).request.body).toEqual({ name: 'Cold dawn' });
  });

  it('are removed at once and brought back on undo', async () => {
    const view = await plans([cold]);
    await view.press('Remove Cold morning');
    (await written(http, 'DELETE')).flush(null);
    TestBed.inject(NoticeService).undo();
    expect((await written(http, 'POST')).request.url).toContain(`${id(21)}/restore`);
  });

  it('are compared two at a time: a third takes the place of the first', async () => {
    const view = await plans([cold, warm, saved(23, 'Third', 12)]);
    for (const box of view.element.querySelectorAll<HTMLInputElement>('input[type=checkbox]')) box.click();
    await view.settle();
    expect(view.element.querySelector('.hint a')?.getAttribute('href')).toBe(`/plans/compare/${id(22)}/${id(23)}`);
  });

  it('open their conditions on the sheet under their name', async () => {
    const view = await plans([cold]);
    await view.press('Open Cold morning');
    answer({ [`/books/demo/plans/${id(21)}`]: cold });
    const draft = await firstValueFrom(TestBed.inject(DayService).draft$);
    expect(draft).toMatchObject({
      savedId: id(21),
      savedName: 'Cold morning',
      waterName: 'Test pond',
      input: { surfaceTempC: 6 },
    });
  });

  it('stand side by side, what differs marked, windows in the order of the day', async () => {
    const view = await Shown.of(CompareView, { left: id(21), right: id(22) });
    answer({ [`/books/demo/plans/${id(21)}`]: cold, [`/books/demo/plans/${id(22)}`]: warm });
    await view.settle();
    const rows = [...view.element.querySelectorAll('tbody tr')];
    const labels = rows.map((row) => row.querySelector('th')?.textContent);
    expect(labels.slice(0, 3)).toEqual(['Answer', 'Day', 'Water']);
    expect(labels.indexOf('First light')).toBeLessThan(labels.indexOf('Last light'));
    expect(labels.at(-1)).toBe('Engine');
    const differs = (label: string) => rows[labels.indexOf(label)]?.classList.contains('differs');
    expect([differs('Water'), differs('Day'), differs('Engine')]).toEqual([true, false, false]);
  });
});

describe('settings', () => {
  it('open the empty book of one’s own, and the demo again', async () => {
    const view = await Shown.of(SettingsView);
    await view.press('Start my own, empty');
    expect(TestBed.inject(BookService).book).toBe('own');
    expect(view.text).toContain('You are in your own book');
    await view.press('Go to the demo');
    expect(TestBed.inject(BookService).book).toBe('demo');
  });
});
