import type { Sky } from '../contract/ids.js';
import { surfaceLight, surfaceTransmission } from './light.js';
import { sunAltitudeDeg, type SunDay } from './sun.js';

/** The day in quarter hours: where the sun stands, how much light gets into the water, how warmed the shallows are. */
export interface Moment {
  /** Minutes past local midnight. */
  readonly minute: number;
  readonly sunAltitudeDeg: number;
  /** Share of full sun that gets through cloud and surface, 0 to 1. */
  readonly light: number;
  /** How far the sun has warmed rock, wood and flats so far, 0 to 1; lags the sun by about two hours. */
  readonly sunWarmth: number;
}

export const STEP_MIN = 15;
/** Time constant by which a shallow flat or a rock follows the sun. */
const WARMTH_LAG_MIN = 150;
/** Warming is reckoned from here, when the night's cold is done. */
const BEFORE_DAWN_MIN = 240;

/**
 * Light and warmth from `fromMin` to `toMin` in steps of a quarter hour, both ends included.
 * Warmth is a first-order lag on the light since first light, which is how a thin layer answers to heating.
 */
export function dayCurve(latitude: number, sun: SunDay, sky: Sky, fromMin: number, toMin: number): Moment[] {
  const moments: Moment[] = [];
  let warmth = 0;
  const stepsBefore = Math.max(0, Math.ceil((fromMin - BEFORE_DAWN_MIN) / STEP_MIN));
  for (let step = -stepsBefore; ; step++) {
    const minute = Math.min(fromMin + step * STEP_MIN, toMin);
    const altitude = sunAltitudeDeg(sun, latitude, minute);
    const light = surfaceLight(altitude, sky) * surfaceTransmission(altitude);
    warmth += (light - warmth) * (1 - Math.exp(-STEP_MIN / WARMTH_LAG_MIN));
    if (step >= 0) moments.push({ minute, sunAltitudeDeg: altitude, light, sunWarmth: Math.min(1, warmth / 0.5) });
    if (minute >= toMin) break;
  }
  return moments;
}
