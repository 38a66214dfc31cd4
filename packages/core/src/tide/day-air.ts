import type { WeatherDay } from '../contract/outside.js';
import type { WeatherAt } from './gauge.js';
import { midnightMs } from './midnight.js';

const HALF_DAY_MS = 12 * 3_600_000;

/** Wind and pressure of a day as means of its hours. */
export type DayOfAir = Pick<WeatherDay, 'date' | 'windMps' | 'windFromDeg' | 'pressureHpa'>;

/**
 * Wind and pressure at any instant from means of days: each stands for its noon, and between two noons they change evenly. On
 * a day of no known direction, and beyond the days that are known, there is none.
 */
export function airOfDays(days: readonly DayOfAir[], timeZone: string): WeatherAt {
  const noons = days.flatMap(({ date, windMps, windFromDeg, pressureHpa }) => {
    if (windFromDeg === null) return [];
    const from = (windFromDeg * Math.PI) / 180;
    return {
      atMs: midnightMs(date, timeZone) + HALF_DAY_MS,
      north: windMps * Math.cos(from),
      east: windMps * Math.sin(from),
      hPa: pressureHpa,
    };
  });
  return (atMs) => {
    const next = noons.findIndex((noon) => noon.atMs > atMs);
    const after = noons[next] ?? noons.at(-1);
    const before = next === 0 ? after : (noons[next - 1] ?? after);
    if (!before || !after) return undefined;
    // Before the first noon and after the last the day's own wind stands for its other half.
    if (atMs < before.atMs - HALF_DAY_MS || atMs > after.atMs + HALF_DAY_MS) return undefined;
    const apart = after.atMs - before.atMs;
    if (apart > 4 * HALF_DAY_MS) return undefined;
    const share = apart > 0 ? Math.min(1, Math.max(0, (atMs - before.atMs) / apart)) : 0;
    const north = before.north + (after.north - before.north) * share;
    const east = before.east + (after.east - before.east) * share;
    const hPa = before.hPa === null || after.hPa === null ? undefined : before.hPa + (after.hPa - before.hPa) * share;
    return { mps: Math.hypot(north, east), fromDeg: (Math.atan2(east, north) * 180) / Math.PI, hPa };
  };
}
