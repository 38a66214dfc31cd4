import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { DeferBlockBehavior, TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { of } from 'rxjs';
import { choose, fill } from '../../testing/controls';
import { BookService } from '../base/book.service';
import { DayService } from '../sheet/day.service';
import { FirstDayComponent } from './first-day.component';
import { noStationNear } from '../../testing/stations';

// The map itself is looked at in the browser.
jest.mock('./place-map', () => ({ PlaceMap: jest.fn() }));

const begin = jest.fn();
let http: HttpTestingController;
let fixture: ComponentFixture<FirstDayComponent>;

async function open(now: string): Promise<void> {
  localStorage.clear();
  begin.mockClear();
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      provideRouter([]),
      { provide: DayService, useValue: { begin } },
      { provide: BookService, useValue: { book: 'own', book$: of('own'), clock$: of({ now, fixed: true }) } },
    ],
    deferBlockBehavior: DeferBlockBehavior.Manual,
  });
  http = TestBed.inject(HttpTestingController);
  fixture = TestBed.createComponent(FirstDayComponent);
  await fixture.whenStable();
}
const page = () => fixture.nativeElement as HTMLElement;
const date = () => page().querySelector<HTMLInputElement>('#first-date');
const press = async (words: string) => {
  const button = [...page().querySelectorAll('button')].find((each) => each.textContent?.trim() === words);
  if (!button) throw new Error(`No ${words} in "${page().textContent}"`);
  button.click();
  await fixture.whenStable();
};
async function place(words: string): Promise<void> {
  await fill(fixture, '#water-where', words);
  await import('@photostructure/tz-lookup');
  await fixture.whenStable();
}
/** Answers what is asked until nothing more is: the water, then its reading. */
async function answer(): Promise<{ url: string; body: unknown }[]> {
  const sent: { url: string; body: unknown }[] = [];
  for (let round = 0; round < 10; round++) {
    for (const { request, flush } of http
      .match(({ method }) => method === 'PUT')
      .map((each) => ({
        request: each.request,
        flush: () => each.flush({ ...(each.request.body as object), version: 1 }),
      }))) {
      sent.push({ url: request.url, body: request.body });
      flush();
    }
    await new Promise((resolve) => setTimeout(resolve, 5));
    await fixture.whenStable();
  }
  return sent;
}

describe('the first day of an empty book', () => {
  it('takes today in the morning and tomorrow from the afternoon on, and says so', async () => {
    await open('2027-05-04T09:00:00-05:00');
    await place('34.93, -88.12');
    expect(date()?.value).toBe('2027-05-04');
    expect(page().textContent).toContain('Today.');
    TestBed.resetTestingModule();
    await open('2027-05-04T15:00:00-05:00');
    await place('34.93, -88.12');
    expect(date()?.value).toBe('2027-05-05');
    expect(page().textContent).toContain('Tomorrow, since it is past two: ');
  });

  it('makes a water of a place alone, and plans the day on it', async () => {
    await open('2027-05-04T09:00:00-05:00');
    await place('34.93, -88.12');
    await press('Plan this day');
    const [water, ...rest] = await answer();
    expect(rest).toEqual([]);
    expect(water?.body).toMatchObject({
      waterKind: 'lowland-reservoir',
      place: { latitude: 34.93, longitude: -88.12, timeZone: 'America/Chicago' },
    });
    expect(begin).toHaveBeenCalledWith(expect.objectContaining({ discipline: 'bass' }), { date: '2027-05-04' });
  });

  it('keeps what is known of the water as its first reading, and plans with it', async () => {
    await open('2027-05-04T09:00:00-05:00');
    await place('27.8, -97.1');
    await choose(fixture, 'first-discipline', 'inshore');
    await fill(fixture, '#first-temp', '68');
    await fill(fixture, '#first-seen', '2 1/2');
    await press('Plan this day');
    noStationNear();
    const [water, reading] = await answer();
    expect(water?.body).toMatchObject({ discipline: 'inshore', waterKind: 'estuary' });
    expect(reading?.body).toMatchObject({ at: '2027-05-04T14:00:00.000Z', surfaceTempC: 20 });
    const [, said] = begin.mock.calls[0] as [unknown, Record<string, number>];
    expect(said['surfaceTempC']).toBeCloseTo(20, 9);
    expect(said['visibilityM']).toBeCloseTo(0.762, 9);
  });

  it('says what is wrong, field by field, and makes nothing', async () => {
    await open('2027-05-04T09:00:00-05:00');
    await fill(fixture, '#water-where', 'behind the mill');
    await fill(fixture, '#first-temp', '140');
    await press('Plan this day');
    expect(page().querySelector('#water-where-problem')?.textContent).toContain('behind the mill');
    expect(page().querySelector('#first-temp-problem')?.textContent).toContain('got 140 °F');
    expect(await answer()).toEqual([]);
    expect(begin).not.toHaveBeenCalled();
  });
});
