import type { ConditionsInput } from '../contract/conditions.js';
import { day } from '../testing/days.js';
import { ASKED_FOR, decidingCondition } from './deciding.js';
import { makePlan } from './make-plan.js';

const DAYS: Partial<ConditionsInput>[] = [
  { date: '2027-01-20', surfaceTempC: 6, visibilityM: 1.4 },
  { date: '2027-03-20', surfaceTempC: 10.5, visibilityM: 0.9 },
  { date: '2027-04-20', surfaceTempC: 18, visibilityM: 1 },
  { date: '2027-07-20', surfaceTempC: 29, visibilityM: 1.2 },
  { date: '2027-10-10', surfaceTempC: 19, visibilityM: 0.8 },
];
const firstOf = (changes: Partial<ConditionsInput>) => makePlan(day(changes)).windows[0]!.presentations[0]!.category;

describe('what would decide most', () => {
  it('is found on most days of the year, and is one of what was not said', () => {
    const found = DAYS.map((changes) => decidingCondition(day(changes), 'w1', ASKED_FOR));
    expect(found.filter(Boolean).length).toBeGreaterThanOrEqual(3);
    for (const each of found) {
      if (!each) continue;
      expect(ASKED_FOR).toContain(each.field);
      expect(each.chance).toBeGreaterThan(0);
      expect(each.chance).toBeLessThanOrEqual(0.5);
    }
  });

  it('changes the first lure when it turns out so', () => {
    let seen = 0;
    for (const changes of DAYS) {
      const found = decidingCondition(day(changes), 'w1', ['visibilityM']);
      for (const { when, category } of found?.outcomes ?? []) {
        const visibilityM = changes.visibilityM! * (when === 'clearer' ? 1.9 : 1 / 1.9);
        expect(firstOf({ ...changes, visibilityM })).toBe(category);
        expect(category).not.toBe(firstOf(changes));
        seen++;
      }
    }
    expect(seen).toBeGreaterThan(0);
  });

  it('is nothing where all was said, and of what was said nothing is asked', () => {
    for (const changes of DAYS) {
      expect(decidingCondition(day(changes), 'w1', [])).toBeNull();
      const whole = decidingCondition(day(changes), 'w1', ASKED_FOR);
      const rest = ASKED_FOR.filter((field) => field !== whole?.field);
      expect(decidingCondition(day(changes), 'w1', rest)?.field).not.toBe(whole?.field ?? 'nothing');
    }
  });

  it('is nothing of a window that there is not', () => {
    expect(decidingCondition(day(), 'w99', ASKED_FOR)).toBeNull();
  });
});
