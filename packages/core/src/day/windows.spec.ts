import fc from 'fast-check';
import { planDay } from '../plan/make-plan.js';
import { day } from '../testing/days.js';
import { clockOf, dayWindows, minutesInOrder, minutesOf, minuteWithin } from './windows.js';

describe('day windows', () => {
  it('touch and cover the day, whatever the day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 364 }),
        fc.integer({ min: 0, max: 1439 }),
        fc.integer({ min: 60, max: 1380 }),
        fc.constantFrom('clear', 'overcast', 'fog', 'rain', 'partly-cloudy'),
        (dayOfYear, fromMin, lengthMin, sky) => {
          const date = new Date(Date.UTC(2027, 0, 1 + dayOfYear)).toISOString().slice(0, 10);
          const window = { from: clockOf(fromMin), to: clockOf(fromMin + lengthMin) };
          const { windows } = planDay(day({ date, window, sky: sky as 'clear' })).plan;
          expect(windows[0]?.from).toBe(window.from);
          expect(windows.at(-1)?.to).toBe(window.to);
          windows.slice(1).forEach((next, index) => expect(next.from).toBe(windows[index]?.to));
          const spans = minutesInOrder(windows);
          expect((spans.at(-1)?.toMin ?? 0) - (spans[0]?.fromMin ?? 0)).toBe(lengthMin);
          spans.forEach((span) => expect(span.toMin).toBeGreaterThan(span.fromMin));
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

  it('make the night a window of its own, over midnight', () => {
    const { plan, moments } = planDay(
      day({ date: '2027-07-10', surfaceTempC: 27, window: { from: '18:00', to: '08:00' } }),
    );
    expect(plan.windows.map(({ light, night }) => (night ? 'night' : light))).toEqual([
      'falling',
      'low',
      'night',
      'low',
      'rising',
    ]);
    const [, , night] = plan.windows;
    expect(minutesOf(night!.from)).toBeGreaterThan(20 * 60);
    expect(minutesOf(night!.to)).toBeLessThan(6 * 60);
    expect(moments.map(({ minute }) => minute)).toEqual(Array.from({ length: 57 }, (_, step) => 18 * 60 + step * 15));
    expect(moments.find(({ minute }) => minute === 1440)?.light).toBeLessThan(1e-3);
    expect(moments.at(-1)?.light).toBeGreaterThan(0.1);
  });

  it('put a minute after midnight into the night before, and no other', () => {
    expect(minuteWithin(30, 19 * 60, 30 * 60)).toBe(24 * 60 + 30);
    expect(minuteWithin(8 * 60, 19 * 60, 30 * 60)).toBe(8 * 60);
    expect(minuteWithin(20 * 60, 19 * 60, 30 * 60)).toBe(20 * 60);
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
