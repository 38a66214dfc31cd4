import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { Conditions, planDay } from '@inky-shoal/core';
import { of } from 'rxjs';
import { DayService } from './day.service';
import { saySuits, SpeciesView } from './species.view';

const DAY = Conditions.parse({
  discipline: 'inshore',
  date: '2027-06-18',
  place: { latitude: 30.2, longitude: -88.1, timeZone: 'America/Chicago' },
  surfaceTempC: 26,
  salinityPsu: 8,
});

describe('two kinds of fish', () => {
  it('are planned side by side, and the day can be planned for the other', async () => {
    const change = jest.fn();
    const day = {
      planned$: of({ conditions: DAY, day: planDay(DAY) }),
      plan: (conditions: Conditions) => of(planDay(conditions)),
      change,
    };
    TestBed.configureTestingModule({ providers: [provideRouter([]), { provide: DayService, useValue: day }] });
    const went = jest.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    const fixture = TestBed.createComponent(SpeciesView);
    const host = fixture.nativeElement as HTMLElement;
    for (let tries = 0; tries < 1000 && !host.querySelector('td'); tries++) {
      await fixture.whenStable();
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    expect(host.querySelector('h1')?.textContent).toBe('Red drum and spotted seatrout.');
    const row = (label: string) =>
      [...host.querySelectorAll('tr')].find((each) => each.querySelector('th')?.textContent === label);
    expect(row('Today')?.textContent).toContain('too fresh for it');
    expect(row('Comfort')?.textContent).toMatch(/59.*88.*59.*82/);
    expect(row('Answer')?.textContent).toMatch(/ft/);
    const take = [...host.querySelectorAll('button')].find(({ textContent }) => textContent?.includes('Plan this day'));
    take!.click();
    expect(change).toHaveBeenCalledWith({ species: 'spotted-seatrout' });
    expect(went).toHaveBeenCalledWith('/sheet');
  });

  it('say in words how the day suits them', () => {
    expect(saySuits('red-drum', DAY)).toBe('The day suits it.');
    expect(saySuits('spotted-seatrout', DAY)).toBe('The day suits it badly: too fresh for it.');
    expect(saySuits('snook', { ...DAY, surfaceTempC: 12 })).toBe(
      'The day suits it badly: colder than it likes. It is in danger by itself: let it be.',
    );
  });
});
