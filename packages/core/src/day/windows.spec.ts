import fc from 'fast-check';
import { planDay } from '../plan/make-plan.js';
import { day } from '../testing/days.js';
import { clockOf, dayWindows, minutesOf } from './windows.js';

describe('day windows', () => {
  it('touch and cover the day, whatever the day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 364 }),
        fc.integer({ min: 0, max: 18 * 60 }),
        fc.integer({ min: 60, max: 5 * 60 }),
        fc.constantFrom('clear', 'overcast', 'fog', 'rain', 'partly-cloudy'),
        (dayOfYear, fromMin, lengthMin, sky) => {
          const date = new Date(Date.UTC(2027, 0, 1 + dayOfYear)).toISOString().slice(0, 10);
          const window = { from: clockOf(fromMin), to: clockOf(fromMin + lengthMin) };
          const { windows } = planDay(day({ date, window, sky: sky as 'clear' })).plan;
          expect(windows[0]?.from).toBe(window.from);
          expect(windows.at(-1)?.to).toBe(window.to);
          windows.slice(1).forEach((next, index) => expect(next.from).toBe(windows[index]?.to));
          windows.forEach(({ from, to }) => expect(minutesOf(to)).toBeGreaterThan(minutesOf(from)));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('name low light at dawn, high at noon and keep the low light longer under cloud', () => {
    const lights = (sky: 'clear' | 'overcast') =>
      planDay(day({ sky, window: { from: '06:00', to: '20:30' }, date: '2027-05-20' })).plan.windows;
    expect(lights('clear').map(({ light }) => light)).toEqual(['low', 'rising', 'high', 'falling', 'low']);
    expect(minutesOf(lights('overcast')[0]!.to)).toBeGreaterThan(minutesOf(lights('clear')[0]!.to));
    expect(lights('overcast').map(({ light }) => light)).not.toContain('high');
  });

  it('have nothing to say about an empty curve', () => expect(dayWindows([], 720)).toEqual([]));

  it.each([
    ['an hour and three quarters after sunrise in stain', 0.9, 'partly-cloudy', 100],
    ['sooner where it is clear', 2, 'clear', 68],
    ['half an hour later under cloud', 0.9, 'overcast', 130],
  ] as const)('cut at the end of a shad spawn: %s', (_, visibilityM, sky, after) => {
    const { plan, sunrise } = planDay(
      day({
        sky,
        date: '2027-05-08',
        window: { from: '05:30', to: '14:00' },
        surfaceTempC: 21.3,
        tempTrendCPerDay: 0.2,
        visibilityM,
        normalVisibilityM: visibilityM,
      }),
    );
    const ends = plan.windows.map(({ to }) => minutesOf(to));
    const wanted = minutesOf(sunrise!) + after;
    expect(Math.min(...ends.map((end) => Math.abs(end - wanted)))).toBeLessThanOrEqual(15);
  });
});
