import { makePlan } from '../plan/make-plan.js';
import { day } from '../testing/days.js';
import { clockOf } from '../day/windows.js';
import { tideOfMoment, windowAt } from './moment.js';
import { tideWords } from './words.js';

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

describe('the tide of a moment', () => {
  // High at eight in the morning, low a little after two.
  const hourlyTide = Array.from({ length: 92 }, (_, at) => ({
    at: clockOf(at * 15),
    levelM: 0.5 * Math.cos(((at * 15 - 480) / 372.6) * Math.PI),
  }));
  const words = (minute: number) => {
    const tide = tideOfMoment({ hourlyTide }, minute);
    return tide && tideWords(tide);
  };

  it('is told by its stage and by what it runs towards', () => {
    expect(words(300)).toBe('Tide rising, high water in 3 h 00');
    expect(words(470)).toBe('Slack at high water, high water in 10 min');
    expect(words(720)).toBe('Tide falling, low water in 2 h 15');
  });

  it('is not known beyond its levels, nor where none are', () => {
    expect(words(1400)).toBeNull();
    expect(tideOfMoment({}, 600)).toBeNull();
  });
});
