import { globeM } from '../chart/globe.js';
import type { TripStop } from '../contract/trips.js';
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

/** The stop of the hour, or the next one, of the day's order. */
export function nextStop(stops: readonly TripStop[], minute: number): TripStop | null {
  return stops.find(({ toMin }) => minute < toMin) ?? null;
}
