import { makePlan } from '../plan/make-plan.js';
import { day } from '../testing/days.js';
import { windowAt } from './moment.js';

describe('the window of a moment', () => {
  const { windows } = makePlan(day({ window: { from: '18:00', to: '07:00' } }));
  const night = windows.findIndex((window) => window.night);

  it('is the night after midnight, too', () => {
    expect(windowAt(windows, 23 * 60)).toBe(windows[night]);
    expect(windowAt(windows, 2 * 60)).toBe(windows[night]);
  });

  it('is the first before the hours and the last after them', () => {
    expect(windowAt(windows, 17 * 60)).toBe(windows[0]);
    expect(windowAt(windows, 6 * 60 + 45)).toBe(windows.at(-1));
    expect(windowAt([], 600)).toBeNull();
  });
});
