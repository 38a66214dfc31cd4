import { SOUND } from '../testing/tide-station.js';
import { surgeOf, type GaugeLevel } from './gauge.js';
import { tideHeights } from './harmonic.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const NOW_MS = Date.UTC(2027, 5, 18, 12);
/** A gauge that reads every quarter hour of some days what the table says and so much more. */
const read = (days: number, moreM: (atMs: number) => number, untilMs = NOW_MS): GaugeLevel[] =>
  tideHeights(SOUND, NOW_MS - days * DAY_MS, untilMs + 1, 15).map(({ atMs, levelM }) => ({
    atMs,
    levelM: levelM + moreM(atMs),
  }));

describe('a gauge against its table', () => {
  it('tells how far the water stands over it, and lets that fade with a doubt that grows', () => {
    const surge = surgeOf(
      SOUND,
      read(1, () => 0.3),
      NOW_MS,
    )!;
    expect(surge.heardMs).toBe(NOW_MS);
    expect(surge.overM).toBeCloseTo(0.3, 3);
    const course = [1, 6, 24, 60].map((hours) => surge.at(NOW_MS + hours * HOUR_MS));
    const over = course.map(({ overM }) => overM);
    expect(over).toEqual([...over].sort((a, b) => b - a));
    expect(over[0]).toBeGreaterThan(0.27);
    expect(over.at(-1)).toBeLessThan(0.1);
    const doubt = course.map(({ doubtM }) => doubtM);
    expect(doubt).toEqual([...doubt].sort((a, b) => a - b));
  });

  it('takes off a zero of its own, and keeps water that is high for weeks', () => {
    expect(
      surgeOf(
        SOUND,
        read(10, () => 3.2),
        NOW_MS,
      )!.overM,
    ).toBeCloseTo(0, 3);
    expect(
      surgeOf(
        SOUND,
        read(10, () => 0.2),
        NOW_MS,
      )!.overM,
    ).toBeCloseTo(0.2, 3);
  });

  it('passes over what is no level, as 99.99', () => {
    const levels = read(2, () => 0.1).map((each, at) => (at % 10 === 0 ? { ...each, levelM: 99.99 } : each));
    const surge = surgeOf(SOUND, levels, NOW_MS)!;
    expect(surge.overM).toBeCloseTo(0.1, 3);
    expect(surge.passedOver).toBeGreaterThan(15);
    const nothing = read(2, () => 0).map((each) => ({ ...each, levelM: 99.99 }));
    expect(surgeOf(SOUND, nothing, NOW_MS)).toBeNull();
  });

  it('says nothing where it was silent for half a day, or never said anything', () => {
    expect(
      surgeOf(
        SOUND,
        read(2, () => 0.3, NOW_MS - 13 * HOUR_MS),
        NOW_MS,
      ),
    ).toBeNull();
    expect(surgeOf(SOUND, [], NOW_MS)).toBeNull();
    expect(
      surgeOf(
        SOUND,
        read(2, () => 0.3, NOW_MS - 3 * HOUR_MS),
        NOW_MS,
      )!.overM,
    ).toBeCloseTo(0.3, 3);
  });

  it('learns from the record what a wind does, and expects it of the wind to come', () => {
    // Every fourth day a south wind of 12 m/s blows for twelve hours, next in six hours, and holds the water in.
    const blows = (atMs: number) => (Math.floor((atMs - NOW_MS) / HOUR_MS - 6) + 96 * 20) % 96 < 12;
    const wind = (atMs: number) => ({ mps: blows(atMs) ? 12 : 1, fromDeg: 180 });
    let held = 0;
    const byHour = new Map<number, number>();
    for (let hour = NOW_MS / HOUR_MS - 45 * 24; hour <= NOW_MS / HOUR_MS + 48; hour++) {
      held = held * Math.exp(-1 / 9) + (blows(hour * HOUR_MS) ? 0.05 : 0);
      byHour.set(hour, held);
    }
    const truth = (atMs: number) => byHour.get(Math.floor(atMs / HOUR_MS)) ?? 0;
    const levels = read(28, truth);
    const knowing = surgeOf(SOUND, levels, NOW_MS, wind)!;
    const blind = surgeOf(SOUND, levels, NOW_MS)!;
    const off = (surge: typeof knowing) =>
      Array.from({ length: 24 }, (_, at) => NOW_MS + (at + 1) * 2 * HOUR_MS).reduce(
        (sum, atMs) => sum + Math.abs(surge.at(atMs).overM - truth(atMs)),
        0,
      );
    expect(off(knowing)).toBeLessThan(0.7 * off(blind));
  });

  it('says nothing of a gauge that does not go with the table: a river, or another coast', () => {
    const river = read(10, () => 0).map(({ atMs }, at) => ({ atMs, levelM: 0.4 + 0.01 * Math.sin(at / 40) }));
    expect(surgeOf(SOUND, river, NOW_MS)).toBeNull();
  });

  it('says nothing more than three days ahead', () => {
    const surge = surgeOf(
      SOUND,
      read(10, () => 0.3),
      NOW_MS,
    )!;
    expect(surge.at(NOW_MS + 73 * HOUR_MS).overM).toBe(0);
    expect(surge.at(NOW_MS + 73 * HOUR_MS).doubtM).toBeGreaterThan(surge.at(NOW_MS + HOUR_MS).doubtM);
  });
});
