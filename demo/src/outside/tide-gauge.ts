import { tideHeights, type TideStation } from '@inky-shoal/core/tide';
import { chanceAt, normalAt, smoothNoise } from './noise.js';
import { weatherAt, type Climate } from './weather.js';

const HOUR_MS = 3_600_000;
const QUARTER_MS = HOUR_MS / 4;
/** Wind from here holds the water in: the sea lies there. */
const ONSHORE_FROM_DEG = 180;
/** The water answers the wind over so long, and as far: metres for each (m/s)² of wind onshore. */
const ANSWERS_H = 9;
const M_PER_STRESS = 0.0055;
const LOOKED_BACK_H = 45;
/** A hectopascal less lets the water stand so much higher. */
const M_PER_HPA = 0.01;
const USUAL_HPA = 1016;
const NOISE_M = 0.02;
/** Shares of quarter hours that are lost, and of half days in which the gauge is silent. */
const LOST_SHARE = 0.06;
const SILENT_SHARE = 0.06;

const hourly = new Map<string, number>();

/** What wind and pressure do to the level at a whole hour, metres: a linear reservoir of the wind's stress, pressure a little late. */
function surgeAtHour(climate: Climate, hour: number): number {
  const key = `${climate.seed} ${hour}`;
  const known = hourly.get(key);
  if (known !== undefined) return known;
  let wind = 0;
  for (let back = 0; back <= LOOKED_BACK_H; back++) {
    const { windMps, windFromDeg } = weatherAt(climate, (hour - back) * HOUR_MS);
    const onshore = Math.cos(((windFromDeg - ONSHORE_FROM_DEG) * Math.PI) / 180);
    wind += (windMps ** 2 * onshore * Math.exp(-back / ANSWERS_H)) / ANSWERS_H;
  }
  const { pressureHpa } = weatherAt(climate, (hour - 3) * HOUR_MS);
  const far = 0.05 * smoothNoise(climate.seed + 31, hour / 60);
  const surge = wind * M_PER_STRESS - (pressureHpa - USUAL_HPA) * M_PER_HPA + far;
  hourly.set(key, surge);
  return surge;
}

/** How far the water truly stands over its table, metres. */
export function trueSurgeM(climate: Climate, atMs: number): number {
  const hour = Math.floor(atMs / HOUR_MS);
  const share = atMs / HOUR_MS - hour;
  return surgeAtHour(climate, hour) * (1 - share) + surgeAtHour(climate, hour + 1) * share;
}

/**
 * What a gauge of tidal water reads by the quarter hour, metres over its station's datum: the table, what wind and
 * pressure do, and noise; it loses some, and is silent now and then for half a day.
 */
export function tideGaugeLevels(
  climate: Climate,
  station: TideStation,
  fromMs: number,
  toMs: number,
): { readonly atMs: number; readonly levelM: number }[] {
  const first = Math.ceil(fromMs / QUARTER_MS) * QUARTER_MS;
  return tideHeights(station, first, toMs + 1, 15).flatMap(({ atMs, levelM }) => {
    const quarter = Math.round(atMs / QUARTER_MS);
    const silent = chanceAt(climate.seed + 33, Math.floor(quarter / 48)) < SILENT_SHARE;
    if (silent || chanceAt(climate.seed + 34, quarter) < LOST_SHARE) return [];
    return [{ atMs, levelM: levelM + trueSurgeM(climate, atMs) + NOISE_M * normalAt(climate.seed + 35, quarter) }];
  });
}
