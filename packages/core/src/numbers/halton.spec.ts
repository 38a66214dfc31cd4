import { haltonPoints, MAX_DIMENSIONS } from './halton.js';
import { normalQuantile } from './normal-quantile.js';
import { normalShare } from './normal-share.js';
import { seededNumbers } from './seeded.js';

describe('points that fill a cube evenly', () => {
  it('are the same for a seed, a shorter list the beginning of a longer, and lie within', () => {
    const points = haltonPoints(200, MAX_DIMENSIONS, 7);
    expect(haltonPoints(50, MAX_DIMENSIONS, 7)).toEqual(points.slice(0, 50));
    expect(haltonPoints(50, MAX_DIMENSIONS, 8)).not.toEqual(points.slice(0, 50));
    for (const value of points.flat()) expect(value > 0 && value < 1).toBe(true);
  });

  it.each([0, 1, 4, 7])('come nearer to a mean over dimension %s than chance does', (dimension) => {
    const meanOff = (values: readonly number[]) =>
      Math.abs(values.reduce((sum, value) => sum + value ** 2, 0) / values.length - 1 / 3);
    const runs = Array.from({ length: 20 }, (_, seed) => {
      const random = seededNumbers(1000 + seed);
      return {
        even: meanOff(haltonPoints(256, 8, seed).map((point) => point[dimension] as number)),
        chance: meanOff(Array.from({ length: 256 }, random)),
      };
    });
    const sum = (of: 'even' | 'chance') => runs.reduce((total, run) => total + run[of], 0);
    expect(sum('even')).toBeLessThan(0.5 * sum('chance'));
  });
});

describe('the quantile of a normal distribution', () => {
  it.each([1e-6, 0.001, 0.0243, 0.1, 0.5, 0.7, 0.99, 0.9999])('is the inverse of its share at %s', (share) => {
    expect(normalShare(normalQuantile(share))).toBeCloseTo(share, 6);
  });
  it.each([
    [0.975, 1.959964],
    [0.9, 1.281552],
    [0.5, 0],
  ])('of %s is %s, as the tables have it', (share, value) => expect(normalQuantile(share)).toBeCloseTo(value, 5));
});
