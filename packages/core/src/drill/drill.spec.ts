import fc from 'fast-check';
import { RETRIEVE_STYLES } from '../contract/ids.js';
import { cycleOf, cycleSound, middlePauseS, strokesBetween } from './cadence.js';
import { feelOf, feelWords, waitWords, type FeltWait } from './feel.js';
import { makePlan } from '../plan/make-plan.js';
import { day } from '../testing/days.js';
import { lureWay, motionOf } from './lure-way.js';

describe('a cadence', () => {
  it('twitches twice and waits as long as the plan says', () => {
    const cycle = cycleOf({ style: 'twitch-pause', pauseS: [6, 10] });
    expect(middlePauseS({ pauseS: [6, 10] })).toBe(8);
    expect(cycle).toMatchObject({ pauseS: 8, pauseFromS: 0.9, lengthS: 8.9 });
    expect(cycle.strokes.map(({ kind }) => kind)).toEqual(['twitch', 'twitch']);
  });

  it('goes by what somebody would have otherwise, and by the turns of their reel', () => {
    expect(cycleOf({ style: 'twitch-pause', pauseS: [6, 10] }, { pauseS: 3, strokes: 3 })).toMatchObject({
      pauseS: 3,
      pauseFromS: 1.35,
    });
    const steady = cycleOf({ style: 'steady', pauseS: null }, { turnsPerS: 2 });
    expect(steady).toMatchObject({ pauseS: 0, lengthS: 2 });
    expect(steady.strokes.every(({ kind }) => kind === 'turn')).toBe(true);
  });

  it('has strokes in every style, all within its cycle, and none at once', () => {
    for (const style of RETRIEVE_STYLES) {
      const cycle = cycleOf({ style, pauseS: [1, 3] });
      const times = cycle.strokes.map(({ atS }) => atS);
      expect(times.length).toBeGreaterThan(0);
      expect(Math.max(...times)).toBeLessThanOrEqual(cycle.lengthS);
      expect(new Set(times).size).toBe(times.length);
    }
  });

  it('does not drift: after ten minutes each stroke is where it belongs, however the time was cut up', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 30, noNaN: true }), fc.integer({ min: 1, max: 60 }), (pauseS, cuts) => {
        const cycle = cycleOf({ style: 'twitch-pause', pauseS: null }, { pauseS });
        const whole = strokesBetween(cycle, 0, 600);
        const parts = Array.from({ length: cuts }, (_, at) =>
          strokesBetween(cycle, (600 * at) / cuts, (600 * (at + 1)) / cuts),
        ).flat();
        expect(parts).toEqual(whole);
        whole.forEach(({ atS }, at) => {
          const expected = Math.floor(at / 2) * cycle.lengthS + (at % 2) * 0.45;
          expect(Math.abs(atS - expected)).toBeLessThan(1e-6);
        });
      }),
      { numRuns: 60 },
    );
  });

  it.each([44_100, 48_000])(
    'sounds at its strokes, and loops within 5 ms over ten minutes at %p samples',
    (samplesPerS) => {
      for (const pauseS of [0.37, 2, 7.77, 8, 29.3]) {
        const cycle = cycleOf({ style: 'twitch-pause', pauseS: null }, { pauseS });
        const samples = cycleSound(cycle, samplesPerS);
        expect(Math.abs(samples.length / samplesPerS - cycle.lengthS)).toBeLessThan(1 / samplesPerS);
        const drift = (600 / cycle.lengthS) * (samples.length / samplesPerS - cycle.lengthS);
        expect(Math.abs(drift)).toBeLessThan(0.005);
        for (const { atS } of cycle.strokes) {
          const from = Math.round(atS * samplesPerS);
          const peak = Math.max(...samples.subarray(from, from + 60).map(Math.abs));
          expect(peak).toBeGreaterThan(0.3);
          // Silence before it.
          if (from > 600) expect(Math.max(...samples.subarray(from - 60, from).map(Math.abs))).toBeLessThan(0.02);
        }
        expect(samples.every((each) => each >= -1 && each <= 1)).toBe(true);
      }
    },
  );
});

describe('the way of a lure', () => {
  const cycle = cycleOf({ style: 'twitch-pause', pauseS: [8, 8] });
  const depths = (verticalMps: number, strokeM = 0.15) =>
    lureWay(cycle, { depthM: 2, verticalMps, strokeM, deepestM: 3, onBottom: false }).map(({ depthM }) => depthM);

  it('is brought down by the twitches, darts under, rises in the wait where it floats, and begins again where it ended', () => {
    const way = depths(-0.03);
    expect(way[0]).toBeCloseTo(2 - 0.24, 6);
    expect(Math.max(...way)).toBeGreaterThan(2);
    expect(way.indexOf(Math.max(...way))).toBeLessThan(0.2 * way.length);
    expect(way.at(-1)).toBeCloseTo(way[0]!, 6);
  });

  it('hangs still in the wait where it weighs nothing, and sinks where it sinks', () => {
    expect(depths(0).slice(40)).toEqual(Array(depths(0).length - 40).fill(2));
    expect(depths(0.05).at(-1)).toBeGreaterThan(2.3);
  });

  it('falls no deeper than it is worked', () => {
    expect(Math.max(...depths(0.9))).toBe(3);
  });

  it('rises to the surface and no farther', () => {
    expect(Math.min(...depths(-0.5))).toBe(0);
  });

  it('is lifted off the bed and falls back to it', () => {
    const hop = cycleOf({ style: 'hop', pauseS: [4, 4] });
    const way = lureWay(hop, { depthM: 5, verticalMps: 0.6, strokeM: -0.4, deepestM: 5, onBottom: true });
    expect(Math.min(...way.map(({ depthM }) => depthM))).toBeLessThan(4.7);
    expect(way.at(-1)?.depthM).toBe(5);
    expect(Math.max(...way.map(({ depthM }) => depthM))).toBe(5);
  });
});

describe('how the lure of a plan goes', () => {
  it('is known of every lure of a cold day and a warm one, and its way stays in the water', () => {
    for (const surfaceTempC of [7, 24]) {
      for (const { presentations } of makePlan(day({ surfaceTempC })).windows) {
        for (const presentation of presentations) {
          const motion = motionOf(presentation);
          const way = lureWay(cycleOf(presentation.retrieve), motion);
          expect(way.every(({ depthM }) => depthM >= 0 && Number.isFinite(depthM))).toBe(true);
          expect(Math.max(...way.map(({ depthM }) => depthM))).toBeLessThanOrEqual(motion.deepestM);
        }
      }
    }
  });

  it('hangs as the day wants a jerkbait to hang', () => {
    const [window] = makePlan(day({ surfaceTempC: 7 })).windows;
    const jerkbait = window?.presentations.find(({ category }) => category === 'suspending-jerkbait');
    expect(jerkbait && Math.abs(motionOf(jerkbait).verticalMps)).toBeLessThanOrEqual(0.05);
  });
});

describe('a wait that is felt', () => {
  const felt = (feltS: number, wantedS = 8): FeltWait => ({ at: '2027-03-13T20:00:00Z', wantedS, feltS });

  it('is told in words', () => {
    expect(waitWords(felt(8.1))).toBe('On the second.');
    expect(waitWords(felt(7.4))).toBe('0.6 s early: 7.4 for 8.');
    expect(waitWords(felt(10.5))).toBe('2.5 seconds late: 10.5 for 8.');
  });

  it('has a bias, a spread, and whether it got nearer', () => {
    expect(feelOf([])).toBeNull();
    const short = feelOf([6, 6.4, 5.6, 6, 6, 7.8, 8, 8.2, 8, 7.9].map((each) => felt(each)));
    expect(short?.bias).toBeLessThan(0);
    expect(short?.better).toBeLessThan(0.2);
    expect(short && feelWords(short)).toMatch(
      /^\d+ % too short in the mean, give or take \d+ %, over 10 waits\. Nearer/,
    );
    const even = feelOf([7.9, 8.1, 8].map((each) => felt(each)));
    expect(even && feelWords(even)).toMatch(/^Right in the mean/);
    expect(feelWords({ waits: 1, bias: 0, spread: 0, better: 1 })).toMatch(/A few more/);
  });
});
