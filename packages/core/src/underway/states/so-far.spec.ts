import { SILENT_HOUR } from '../../testing/stretches';
import type { Stretch } from './belief.js';
import { DaySoFar } from './so-far';
import { Ways, type Priors } from './ways';

const PRIORS: Priors = { holds: [0.8, 0.4], works: [0.8, 0.3], feeds: 0.5, kinds: [0, 1], tones: 2 };
const WAYS = new Ways(PRIORS);
const stretch = (more: Partial<Stretch> = {}): Stretch => ({ ...SILENT_HOUR, ...more });
const soFar = (stretches: readonly Stretch[], nowMin = 60) => new DaySoFar(WAYS, stretches, nowMin);

describe('how a day has gone so far', () => {
  it('bears the plan out wholly before the first cast, and the less the longer nothing comes', () => {
    const silent = [1, 2, 4].map((hours) => soFar([stretch({ hours })]).borneOut);
    expect(soFar([]).borneOut).toBe(1);
    expect([1, ...silent]).toEqual([1, ...silent].sort((a, b) => b - a));
    expect(silent.at(-1)).toBeLessThan(0.2);
  });

  it('bears the plan out where bites come as it foretold, and hardly less where more come', () => {
    const [one, three, many] = [1, 3, 8].map((bites) => soFar([stretch({ hours: 2, bites })]).borneOut);
    expect(one).toBeGreaterThan(0.3);
    expect(three).toBeGreaterThan(one!);
    expect(many).toBeGreaterThan(0.95);
  });

  it('holds silence against the plan more where it foretold more', () => {
    const [praised, doubted] = [0, 1].map((at) => soFar([stretch({ place: at, lure: at, hours: 2 })]).borneOut);
    expect(praised).toBeLessThan(doubted!);
  });

  it('knows a place that bit in the last half hour', () => {
    const bit = [stretch({ bites: 1 }), stretch({ place: 1, fromMin: 60, toMin: 80 })];
    expect(soFar(bit, 85).isLive(0)).toBe(true);
    expect(soFar(bit, 91).isLive(0)).toBe(false);
    expect(soFar(bit, 85).isLive(1)).toBe(false);
  });

  it('knows for an hour what was fished in vain: the very same, near misses or not', () => {
    const vain = soFar([stretch({ nearMisses: 2 })], 110);
    expect(vain.wasInVain(stretch({ depthLog: 0.2 }))).toBe(true);
    for (const other of [{ depthLog: 0.4 }, { paceSteps: 1 }, { tone: 1 }, { lure: 1 }, { place: 1 }]) {
      expect(vain.wasInVain(stretch(other))).toBe(false);
    }
    expect(soFar([stretch()], 120).wasInVain(stretch())).toBe(false);
    expect(soFar([stretch({ bites: 1 })], 70).wasInVain(stretch())).toBe(false);
  });
});
