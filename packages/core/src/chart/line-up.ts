import type { LonLat } from './projection.js';

const RAD = Math.PI / 180;

/** Bearing from one place to another as one sets out, degrees clockwise from true north (great circle). */
export function bearingDeg([lon0, lat0]: LonLat, [lon1, lat1]: LonLat): number {
  const [a, b, over] = [lat0 * RAD, lat1 * RAD, (lon1 - lon0) * RAD];
  const east = Math.sin(over) * Math.cos(b);
  const north = Math.cos(a) * Math.sin(b) - Math.sin(a) * Math.cos(b) * Math.cos(over);
  return (Math.atan2(east, north) / RAD + 360) % 360;
}

/** The angle at which two lines of sight cross, 0 to 90 degrees. */
export const cutDeg = (one: number, other: number): number => {
  const apart = Math.abs(one - other) % 180;
  return Math.min(apart, 180 - apart);
};

/** Lines of sight that cross under a smaller angle than this tell badly where one is. Common seamanship. */
export const MIN_CUT_DEG = 30;

/** The widest angle at which any two of some line-ups cross, degrees; null for fewer than two. */
export function bestCutDeg(bearings: readonly number[]): number | null {
  const cuts = bearings.flatMap((one, index) => bearings.slice(index + 1).map((other) => cutDeg(one, other)));
  return cuts.length ? Math.max(...cuts) : null;
}
