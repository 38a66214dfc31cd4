import type { LonLat } from './projection.js';

/** Mean radius of the earth, metres (IUGG). */
const EARTH_M = 6_371_009;

/** Way over the globe between two places, metres (haversine). */
export function globeM([lon0, lat0]: LonLat, [lon1, lat1]: LonLat): number {
  const rad = Math.PI / 180;
  const across = Math.sin(((lon1 - lon0) * rad) / 2) ** 2;
  const up = Math.sin(((lat1 - lat0) * rad) / 2) ** 2;
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(up + Math.cos(lat0 * rad) * Math.cos(lat1 * rad) * across)));
}
