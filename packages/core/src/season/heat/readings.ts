import type { Reading, Zone } from '../../contract/records.js';
import { localTimes } from '../../day/calendar.js';
import { thermoclineOf } from '../../water/profile.js';
import type { Driver } from './driver.js';
import type { ZoneHeat } from './zone.js';

/** A reading as the filter takes it. */
export interface HeatReading {
  readonly id: string;
  readonly zone: number;
  /** Local day as a day number. */
  readonly day: number;
  /** Local hour with its fraction. */
  readonly hour: number;
  readonly surfaceC: number;
  /** Mean temperature under the thermocline, from a profile. */
  readonly deepC: number | undefined;
  /** It was taken somewhere in the water, nobody said where. */
  readonly anywhere: boolean;
}

/**
 * Readings by day, earliest first, each in its zone. What is marked as suspect is left out; what names no zone of the
 * water counts as taken somewhere in its middle.
 */
export function heatReadings(readings: readonly Reading[], zones: readonly Zone[], timeZone: string): HeatReading[] {
  const local = localTimes(timeZone);
  const index = new Map(zones.map(({ id }, at) => [id, at]));
  const middle = Math.max(
    0,
    zones.findIndex(({ position }) => position === 'mid'),
  );
  return readings
    .filter(({ suspect }) => !suspect)
    .map(({ id, at, surfaceTempC, zoneId, profile }) => {
      const zone = zoneId === undefined ? undefined : index.get(zoneId);
      return {
        id,
        zone: zone ?? middle,
        ...local(Date.parse(at)),
        surfaceC: surfaceTempC,
        deepC: profile && thermoclineOf(profile)?.belowC,
        anywhere: zone === undefined && zones.length > 1,
      };
    })
    .sort((a, b) => a.day - b.day || a.hour - b.hour);
}

/** The warmest hour of the surface. */
const WARMEST_HOUR = 15.5;
const CALM_SWING_C = 1.3;
const SWING_LIGHT_WM2 = 250;
const SWING_WIND_MPS = 3;

/**
 * Half the daily swing of the surface in degrees Celsius: wide on bright calm days over shallow water. The form follows
 * from the light taken up by a layer that wind deepens; the figures are judgement.
 */
export function swingC(driver: Driver, at: number, zone: ZoneHeat): number {
  const light = (driver.solarWm2[at] as number) / SWING_LIGHT_WM2;
  const calm = Math.exp((-(driver.windMps[at] as number) * zone.windShare) / SWING_WIND_MPS);
  return 0.15 + (CALM_SWING_C * light * calm) / (1 + 0.1 * zone.surfaceDepthM);
}

/** How far the surface stands over its daily mean at an hour, degrees Celsius. */
export const overMeanC = (swing: number, hour: number): number =>
  swing * Math.cos(((hour - WARMEST_HOUR) / 24) * 2 * Math.PI);
