import fc from 'fast-check';
import { clarityClass, effectiveVisibilityM, judgeWater } from './clarity.js';

const water = (visibilityM: number, normalVisibilityM: number, more: Partial<Parameters<typeof judgeWater>[0]> = {}) =>
  judgeWater({ visibilityM, normalVisibilityM, visibilityTrend: 'steady', level: 'stable', ...more }, 'us').clarity;

describe('clarity', () => {
  it.each([
    [0.2, 'muddy'],
    [0.3, 'dirty'],
    [0.59, 'dirty'],
    [0.6, 'stained'],
    [1.2, 'clear'],
    [2.5, 'very-clear'],
  ] as const)('%s m is %s', (visibilityM, expected) => expect(clarityClass(visibilityM)).toBe(expected));

  it.each([
    ['always murky, a little better than usual: clear to its fish', 0.6, 0.4, {}, 'clear', 'murky'],
    ['always murky, as usual: clear to its fish', 0.4, 0.4, {}, 'clear', 'murky'],
    ['a clear lake in a flood of mud', 0.6, 3, { level: 'rising' }, 'muddy', 'mud-rising'],
    ['mud, level steady', 0.3, 2, {}, 'muddy', 'mud-steady'],
    ['clearing', 0.8, 1.4, { visibilityTrend: 'clearing' }, 'stained', 'clearing'],
    ['usual', 1.8, 2, {}, 'clear', 'usual'],
    ['very clear', 3.5, 3.5, {}, 'very-clear', 'very-clear'],
  ] as const)('%s', (_, visibilityM, normalM, more, effective, regime) => {
    expect(water(visibilityM, normalM, more)).toMatchObject({ effective, regime });
  });

  it('never takes dirtier water for clearer', () => {
    const metres = fc.double({ min: 0.05, max: 8, noNaN: true });
    fc.assert(
      fc.property(metres, metres, metres, (normal, a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)];
        expect(effectiveVisibilityM(less, normal)).toBeLessThanOrEqual(effectiveVisibilityM(more, normal) + 1e-9);
      }),
    );
  });
});
