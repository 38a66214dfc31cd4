import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Conditions, makePlan } from '@inky-shoal/core';
import { firstValueFrom, of } from 'rxjs';
import { BookService } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import { PlansService } from '../plans/plans.service';
import { TripStartComponent } from './start.component';
import { TripService } from './trip.service';

const conditions = Conditions.parse({
  discipline: 'bass',
  date: '2027-03-14',
  surfaceTempC: 10,
  place: { latitude: 36, longitude: -88, timeZone: 'America/Chicago' },
});
const stop = { name: 'Point', depthM: 2, lonLat: [-88, 36], fromMin: 400, toMin: 3000, legM: 900 };
const saved = {
  id: 'a',
  name: 'Sunday',
  waterId: 'w',
  conditions,
  plan: makePlan(conditions),
  run: { waterId: 'w', date: '2027-03-14', ramp: 'Ramp', backMin: 800, stops: [stop], line: [] },
};
const begin = jest.fn().mockResolvedValue(undefined);
const clock = { now: '2027-03-14T04:30:00Z', fixed: true };

let fixture: ComponentFixture<TripStartComponent>;
async function open(now: string): Promise<void> {
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      provideRouter([]),
      { provide: TripService, useValue: { begin } },
      {
        provide: PlansService,
        useValue: {
          plans$: of({ state: 'ready', value: [{ id: 'a', name: 'Sunday', date: '2027-03-14' }] }),
          get: () => of(saved),
        },
      },
    ],
  });
  Object.assign(TestBed.inject(BookService), { clock$: of({ ...clock, now }) });
  fixture = TestBed.createComponent(TripStartComponent);
  fixture.componentRef.setInput('all', []);
  await fixture.whenStable();
}
async function setOut(): Promise<void> {
  const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
  buttons.find(({ textContent }) => textContent?.trim() === 'Sunday')?.click();
  // The book's clock is asked first.
  await new Promise((resolve) => setTimeout(resolve));
}
beforeEach(() => begin.mockClear());

it('sets out with the plan of the day at once, with the stops of its run', async () => {
  await open('2027-03-14T11:30:00Z');
  await setOut();
  expect(begin).toHaveBeenCalledTimes(1);
  expect(begin.mock.calls[0]).toMatchObject([{ name: 'Sunday', stops: [{ name: 'Point', toMin: 2880 }] }]);
});

it('asks before it sets out with the plan of another day, by the clock of the water', async () => {
  // Past midnight by UTC is the evening before on this water.
  await open('2027-03-14T04:30:00Z');
  await setOut();
  expect(begin).not.toHaveBeenCalled();
  const notice = await firstValueFrom(TestBed.inject(NoticeService).notice$);
  expect(notice?.text).toBe('This plan is for Sunday March 14, 2027, and today is Saturday March 13, 2027.');
  notice?.choices?.[0]?.act();
  expect(begin).toHaveBeenCalledTimes(1);
});
