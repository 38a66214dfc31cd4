import { schuremanM, TABLE_NAMES } from '../testing/schureman.js';
import { springAndNeapRangeM, tideHeights, tideTurns } from './harmonic.js';
import type { TideStation } from '../contract/tide.js';

const DAY_MS = 86_400_000;
const START_MS = Date.UTC(2027, 0, 1);
const part = (name: string, amplitudeM: number, phaseDeg: number) => ({ name, amplitudeM, phaseDeg });

const EIGHT = [
  part('M2', 0.68, 214),
  part('S2', 0.13, 240),
  part('N2', 0.15, 196),
  part('K2', 0.04, 238),
  part('K1', 0.11, 121),
  part('O1', 0.08, 130),
  part('P1', 0.035, 122),
  part('Q1', 0.015, 118),
];
/** Authorities write the arguments of these two otherwise. Both are of some millimetres on all coasts. */
const WRITTEN_OTHERWISE = ['M1', 'M3'];
/** The other 29 of the common 37. */
const ALL = [
  ...EIGHT,
  ...TABLE_NAMES.filter((name) => !EIGHT.some((each) => each.name === name)).map((name, at) =>
    part(name, WRITTEN_OTHERWISE.includes(name) ? 0.003 : 0.006 + (at % 5) * 0.004, (at * 47) % 360),
  ),
];
const station = (constituents: TideStation['constituents']): TideStation => ({
  name: 'Made-up sound',
  latitude: 30.2,
  longitude: -88.1,
  constituents,
  meanLevelM: 0.9,
  datum: 'mean lower low water',
});

describe.each([
  ['8 constituents', EIGHT],
  ['37 constituents', ALL],
] as const)('a station of %s', (_, constituents) => {
  const sound = station(constituents);

  it('stands within 2 cm of an independent reckoning, every hour of a year, on a range of two metres', () => {
    const heights = tideHeights(sound, START_MS, START_MS + 365 * DAY_MS, 60);
    expect(heights).toHaveLength(365 * 24);
    const off = heights.map(({ atMs, levelM }) => Math.abs(levelM - 0.9 - schuremanM(constituents, atMs)));
    expect(Math.max(...off)).toBeLessThan(0.02);
    const levels = heights.map(({ levelM }) => levelM);
    expect(Math.max(...levels) - Math.min(...levels)).toBeGreaterThan(1.9);
  });

  it('turns within 3 minutes of it', () => {
    const turns = tideTurns(sound, START_MS, START_MS + 60 * DAY_MS);
    expect(turns.length).toBeGreaterThan(220);
    turns.slice(1).forEach(({ kind }, at) => expect(kind).not.toBe(turns[at]?.kind));
    for (const { atMs, kind } of turns) {
      const minutes = Array.from({ length: 61 }, (_, at) => atMs + (at - 30) * 60_000);
      const sign = kind === 'high' ? 1 : -1;
      const levels = minutes.map((at) => sign * schuremanM(constituents, at));
      const turn = minutes[levels.indexOf(Math.max(...levels))] as number;
      expect(Math.abs(turn - atMs) / 60_000).toBeLessThanOrEqual(3);
    }
  });
});

describe('a tide', () => {
  it('runs farther at springs than at neaps', () => {
    const { springM, neapM } = springAndNeapRangeM(station(EIGHT));
    expect([springM, neapM].map((range) => Math.round(range * 100) / 100)).toEqual([1.62, 1.1]);
    // Where it rises once a day, by the moon's declination.
    const gulf = springAndNeapRangeM(station([part('M2', 0.02, 0), part('K1', 0.15, 0), part('O1', 0.14, 0)]));
    expect(gulf.springM).toBeCloseTo(0.58, 9);
    expect(gulf.neapM).toBeCloseTo(0.02, 9);
  });

  it('of a subordinate station comes later and less high', () => {
    const main = station(EIGHT);
    const creek: TideStation = { ...main, offsets: { highMin: 40, lowMin: 65, highFactor: 0.8, lowFactor: 0.7 } };
    const [at, later] = [main, creek].map((each) => tideTurns(each, START_MS, START_MS + 3 * DAY_MS)[0]!);
    expect(later!.atMs - at!.atMs).toBe((at!.kind === 'high' ? 40 : 65) * 60_000);
    expect(later!.levelM).toBeCloseTo(at!.levelM * (at!.kind === 'high' ? 0.8 : 0.7), 6);
  });

  it('of no time is none', () => {
    expect(tideHeights(station(EIGHT), START_MS, START_MS, 15)).toEqual([]);
    expect(tideTurns(station(EIGHT), START_MS, START_MS)).toEqual([]);
  });
});

it('tells one moment alone, and one that is over the end of a stretch', () => {
  const sound = station(EIGHT);
  const whole = tideHeights(sound, START_MS, START_MS + 31 * DAY_MS, 60);
  expect(whole).toHaveLength(31 * 24);
  const [alone] = tideHeights(sound, START_MS, START_MS + 1, 60);
  expect(alone!.atMs).toBe(START_MS);
  expect(alone!.levelM).toBeCloseTo(whole[0]!.levelM, 2);
  expect(tideHeights(sound, START_MS, START_MS + 30 * DAY_MS + 1, 60)).toHaveLength(30 * 24 + 1);
});
