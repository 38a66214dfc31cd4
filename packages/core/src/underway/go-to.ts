import { globeM } from '../chart/globe.js';
import { bearingDeg } from '../chart/line-up.js';
import type { LonLat } from '../chart/projection.js';

/** The way to a place. */
export interface GoTo {
  readonly distanceM: number;
  /** True bearing at the start, degrees. */
  readonly bearingDeg: number;
}

/** Which way and how far a place lies. */
export const goTo = (from: LonLat, to: LonLat): GoTo => ({
  distanceM: globeM(from, to),
  bearingDeg: bearingDeg(from, to),
});
