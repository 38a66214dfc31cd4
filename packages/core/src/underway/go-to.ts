import { bearingDeg } from '../chart/line-up.js';

type LonLat = readonly [longitude: number, latitude: number];

/** Mean radius of the earth, metres. */
const EARTH_M = 6_371_009;
const rad = Math.PI / 180;

/** Metres over ground between two places, along a great circle by the haversine. */
export function metresBetween([lon0, lat0]: LonLat, [lon1, lat1]: LonLat): number {
  const across = Math.sin(((lat1 - lat0) * rad) / 2) ** 2;
  const along = Math.cos(lat0 * rad) * Math.cos(lat1 * rad) * Math.sin(((lon1 - lon0) * rad) / 2) ** 2;
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(across + along)));
}

/** The way to a place. */
export interface GoTo {
  readonly distanceM: number;
  /** True bearing at the start, degrees. */
  readonly bearingDeg: number;
}

/** Which way and how far a place lies. */
export const goTo = (from: LonLat, to: LonLat): GoTo => ({
  distanceM: metresBetween(from, to),
  bearingDeg: bearingDeg(from, to),
});
