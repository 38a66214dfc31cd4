import { provideHttpClient } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Conditions } from '@inky-shoal/core';
import { dayThatCounts } from '@inky-shoal/core/competition';
import { BehaviorSubject } from 'rxjs';
import { DayService } from '../sheet/day.service';
import { type CompetitionState, CompetitionService } from './competition.service';
import { CompetitionView } from './competition.view';
import { FiveBestComponent } from './five-best.component';

const RULES = { limit: 5, by: 'weight', culling: true } as const;
const INPUT = {
  discipline: 'bass',
  date: '2027-03-13',
  window: { from: '07:00', to: '15:00' },
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 12.7,
} as const;

const conditions = Conditions.parse({ ...INPUT, competition: RULES });
const told = (): CompetitionState => {
  const found = dayThatCounts({ conditions, units: 'us', trips: [] }, { draws: 60 });
  return found ? { state: 'told', told: { ...found, practice: { trips: [], spots: [] } } } : { state: 'none' };
};

interface Stage {
  readonly page: () => string;
  readonly type: (label: string, text: string) => void;
  readonly tick: (label: string) => void;
  readonly changed: jest.Mock;
}

async function view(competition: object | undefined, state: CompetitionState): Promise<Stage> {
  const draft$ = new BehaviorSubject({ waterName: 'Test pond', input: { ...INPUT, competition } });
  const changed = jest.fn((input: object) =>
    draft$.next({ ...draft$.value, input: { ...draft$.value.input, ...input } as never }),
  );
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideRouter([]),
      { provide: DayService, useValue: { draft$, change: changed } },
      { provide: CompetitionService, useValue: { ahead$: new BehaviorSubject(state) } },
    ],
  });
  const fixture = TestBed.createComponent(CompetitionView);
  await fixture.whenStable();
  const root = fixture.nativeElement as HTMLElement;
  const field = (label: string) => {
    const own = [...root.querySelectorAll('label')].find((each) => each.textContent?.trim().startsWith(label));
    const input = own?.querySelector('input') ?? root.querySelector<HTMLInputElement>(`#${own?.getAttribute('for')}`);
    if (!input) throw new Error(`no field ${label}`);
    return input;
  };
  return {
    page: () => {
      fixture.detectChanges();
      return (root.textContent ?? '').replace(/\s+/g, ' ');
    },
    type: (label, text) => {
      const input = field(label);
      input.value = text;
      input.dispatchEvent(new Event('input'));
      fixture.detectChanges();
    },
    tick: (label) => {
      field(label).click();
      fixture.detectChanges();
    },
    changed,
  };
}

describe('the day that counts', () => {
  it('is an ordinary day until it is said, and then has the usual rules', async () => {
    const { page, tick, changed } = await view(undefined, { state: 'none' });
    expect(page()).toContain('A limit first, then a big one');
    tick('This day counts');
    expect(changed).toHaveBeenLastCalledWith({ competition: expect.objectContaining(RULES) as object });
    expect(page()).toContain('Fish that count');
  });

  it('says when to change over, with its odds, and that nothing was practised', async () => {
    const { page } = await view(RULES, told());
    expect(page()).toMatch(/(Fish for a|Change over).*lb at the end as a rule.*The box is full on/);
    expect(page()).toContain('No trip on this water in those days before');
  });

  it.each([
    ['Fish that count', '0', 'Expected 1 to 20, got 0.'],
    ['Fish that count', '2.5', 'Expected a whole number, got 2.5.'],
    ['Fish that count', 'many', 'Expected 1 to 20, got "many".'],
    ['Least length', '900', 'got 900 in.'],
    ['Practice days', '99', 'Expected 0 to 30, got 99.'],
  ])('refuses %s of %s in words, and keeps the rules as they were', async (label, text, words) => {
    const { page, type, changed } = await view(RULES, told());
    type(label, text);
    expect(page()).toContain(words);
    expect(changed).not.toHaveBeenCalled();
    expect(page()).toContain('lb at the end as a rule');
  });

  it('says that it failed where it could not be worked out', async () => {
    expect((await view(RULES, { state: 'failed' })).page()).toContain('the fault is ours');
  });
});

describe('the box underway', () => {
  it.each([
    ['told', told(), 'Nothing in the box yet; five count.'],
    ['failed', { state: 'failed' } as const, 'the fault is ours. The log goes on.'],
  ])('is %s', async (_state, state, words) => {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        { provide: CompetitionService, useValue: { underway$: new BehaviorSubject<CompetitionState>(state) } },
      ],
    });
    const fixture = TestBed.createComponent(FiveBestComponent);
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).textContent).toContain(words);
  });
});
