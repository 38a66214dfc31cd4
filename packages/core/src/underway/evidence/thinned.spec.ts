import { POINT } from '../../testing/candidates';
import type { Block } from './fished';
import { posterior } from './posterior';
import { thinnedOut } from './thinned';

const { id: _, prior: __, ...FISHED } = POINT;
const HOUR: Block = { ...FISHED, atMin: 420, hours: 1, bites: 2 };
const LATER: Block = { ...HOUR, atMin: 480 };
const ELSEWHERE: Block = { ...HOUR, spot: 'b' };

describe('a place that is fished', () => {
  it('gives less afterwards, and what it gave comes back; another place is as it was', () => {
    const leftAfter = (minutes: number) => thinnedOut([HOUR], HOUR.atMin + minutes).of(HOUR);
    expect(leftAfter(0)).toBeLessThan(-0.3);
    expect(leftAfter(170)).toBeCloseTo(leftAfter(0) / 4, 6);
    expect(thinnedOut([HOUR], 500).of(ELSEWHERE)).toBeCloseTo(0, 12);
    expect(thinnedOut([], 500).of(HOUR)).toBeCloseTo(0, 12);
  });

  it('was thinned out by what was fished before, not after, whatever the order in which it is told', () => {
    const [first, second] = thinnedOut([HOUR, LATER], 540).ofBlocks;
    expect(second).toBeLessThan(first!);
    expect(thinnedOut([HOUR], 540).ofBlocks).toEqual([first]);
    expect(thinnedOut([LATER, HOUR], 540).ofBlocks).toEqual([second, first]);
    expect(thinnedOut([HOUR, { ...LATER, spot: 'b' }], 540).ofBlocks).toEqual([first, first]);
  });

  it('is known by its ground where it has no name', () => {
    const unnamed = { ...HOUR, spot: null };
    expect(thinnedOut([unnamed], 450).of({ ...unnamed, depthM: 5 })).toBeLessThan(-0.3);
    expect(thinnedOut([unnamed], 450).of({ ...unnamed, structure: 'flat' })).toBeCloseTo(0, 12);
  });

  it('was better than it seems where much was fished before: a rate is told of a place that has rested', () => {
    const blocks = [HOUR, LATER];
    const { ofBlocks, of } = thinnedOut(blocks, 500);
    const preferences = [0, 0];
    const rate = (thinned?: number) =>
      posterior(blocks, preferences, ofBlocks).rate({ fished: HOUR, preference: 0, ...(thinned && { thinned }) }, 500);
    const plain = posterior(blocks, preferences).rate({ fished: HOUR, preference: 0 }, 500);
    expect(rate().mean).toBeGreaterThan(plain.mean * 1.1);
    expect(rate(of(HOUR)).mean).toBeCloseTo(rate().mean * Math.exp(of(HOUR)), 9);
    const { against } = posterior(blocks, preferences, ofBlocks);
    const rested = against({ fished: HOUR, preference: 0 }, { fished: HOUR, preference: 0, thinned: -0.5 }, 500);
    expect(rested.mean).toBeCloseTo(0.5, 9);
  });
});
