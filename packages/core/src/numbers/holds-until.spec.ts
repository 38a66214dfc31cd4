import fc from 'fast-check';
import { holdsUntil } from './holds-until.js';

describe('how far something holds', () => {
  it('is found to as much as the halvings give, from both sides', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 0.999, noNaN: true }), (edge) => {
        const { stands, tips } = holdsUntil((share) => share < edge, 8, 10);
        expect(stands < edge && tips! >= edge && tips! - stands <= 1 / 8 / 1024 + 1e-12).toBe(true);
      }),
    );
  });

  it('has no end where it holds all the way, and is at hand where it never does', () => {
    expect(holdsUntil(() => true, 8, 6)).toEqual({ stands: 1, tips: null });
    expect(holdsUntil(() => false, 8, 6)).toEqual({ stands: 0, tips: 1 / 8 / 64 });
  });
});
