import { TestBed } from '@angular/core/testing';
import { Conditions, type ConditionsInput } from '@inky-shoal/core';
import { of, throwError } from 'rxjs';
import { PlannerService } from '../base/planner/planner.service';
import { DecidingComponent } from './deciding.component';
import type { Draft } from './draft';

const INPUT: ConditionsInput = {
  discipline: 'bass',
  date: '2027-03-13',
  surfaceTempC: 10.5,
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
};
const draft = (typed: string[]): Draft => ({
  waterId: null,
  waterName: 'Test lake',
  savedId: null,
  savedName: null,
  zoneId: 'z',
  typed,
  input: INPUT,
});
const deciding = jest.fn();

async function shown(typed: string[] = []) {
  TestBed.configureTestingModule({ providers: [{ provide: PlannerService, useValue: { deciding } }] });
  const fixture = TestBed.createComponent(DecidingComponent);
  fixture.componentRef.setInput('draft', draft(typed));
  fixture.componentRef.setInput('conditions', Conditions.parse(INPUT));
  fixture.componentRef.setInput('windowId', 'w2');
  await fixture.whenStable();
  await new Promise((resolve) => setTimeout(resolve, 500));
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ').trim();
}

describe('what is worth knowing', () => {
  it('is asked for with what it would change', async () => {
    deciding.mockReturnValue(
      of({
        field: 'visibilityM',
        chance: 0.5,
        outcomes: [
          { when: 'dirtier', category: 'square-bill' },
          { when: 'clearer', category: 'suspending-jerkbait' },
        ],
      }),
    );
    expect(await shown(['surfaceTempC'])).toBe(
      'Worth knowing: how far down one sees. If dirtier, the square-bill crankbait comes first; clearer, the suspending jerkbait.',
    );
    const [, windowId, unsaid] = deciding.mock.calls[0] as [unknown, string, string[]];
    expect(windowId).toBe('w2');
    expect(unsaid).toContain('visibilityM');
    expect(unsaid).not.toContain('surfaceTempC');
  });

  it('is not told where nothing decides, or where it cannot be worked out', async () => {
    deciding.mockReturnValue(of(null));
    expect(await shown()).toBe('');
    TestBed.resetTestingModule();
    deciding.mockReturnValue(throwError(() => new Error('gone')));
    expect(await shown()).toBe('');
  });
});
