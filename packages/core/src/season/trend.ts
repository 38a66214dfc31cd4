import type { TemperatureReading } from '../contract/conditions.js';

const DAY_MS = 86_400_000;
/** Trend looks back this far from the day planned. */
export const TREND_DAYS = 10;

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const upper = sorted[middle] as number;
  return sorted.length % 2 ? upper : ((sorted[middle - 1] as number) + upper) / 2;
}

/**
 * Trend of the water in degrees Celsius a day from readings that are noisy and uneven in time: the median of the slopes
 * between all pairs at least half a day apart (Theil 1950, Sen 1968), over the last ten days.
 * @returns undefined where the readings do not span a day
 */
export function trendCPerDay(readings: readonly TemperatureReading[], untilMs: number): number | undefined {
  const points = readings
    .map((reading) => ({ day: (Date.parse(reading.at) - untilMs) / DAY_MS, tempC: reading.surfaceTempC }))
    .filter(({ day }) => day > -TREND_DAYS && day <= 1);
  const slopes: number[] = [];
  for (const [index, a] of points.entries()) {
    for (const b of points.slice(index + 1)) {
      if (Math.abs(b.day - a.day) >= 0.5) slopes.push((b.tempC - a.tempC) / (b.day - a.day));
    }
  }
  const span = Math.max(...points.map((p) => p.day)) - Math.min(...points.map((p) => p.day));
  return slopes.length && span >= 1 ? median(slopes) : undefined;
}

/** The sharp change over the last 48 hours in degrees Celsius: latest less earliest in that time; 0 where unknown. */
export function changeOver48hC(readings: readonly TemperatureReading[], untilMs: number): number {
  const recent = readings
    .filter((reading) => Date.parse(reading.at) > untilMs - 2 * DAY_MS && Date.parse(reading.at) <= untilMs + DAY_MS)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const [first, last] = [recent[0], recent.at(-1)];
  return first && last ? last.surfaceTempC - first.surfaceTempC : 0;
}

/** A followed course is smooth already: its slope needs no robust fit. */
const COURSE_TREND_DAYS = 10;

/** Least-squares slope of a followed course over the ten days up to `at`, degrees Celsius a day. */
export function trendOf(surfaceC: Float32Array, at: number): number {
  const count = Math.min(COURSE_TREND_DAYS, at + 1);
  if (count < 3) return 0;
  let [sum, weighted] = [0, 0];
  for (let back = 0; back < count; back++) {
    const value = surfaceC[at - back] as number;
    sum += value;
    weighted -= back * value;
  }
  const meanX = -(count - 1) / 2;
  return (weighted - meanX * sum) / ((count * (count * count - 1)) / 12);
}
