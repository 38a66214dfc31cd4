import {
  Body,
  Equator,
  Illumination,
  Observer,
  SearchAltitude,
  SearchHourAngle,
  SearchRiseSet,
  type AstroTime,
} from 'astronomy-engine';
import { TZDate } from '@date-fns/tz';
import type { Place } from '../contract/conditions.js';

/** The sun and moon of one local day. Instants are UTC; null where the sun does not cross that line on that day. */
export interface SunDay {
  readonly sunrise: Date | null;
  readonly sunset: Date | null;
  readonly civilDawn: Date | null;
  readonly civilDusk: Date | null;
  readonly solarNoon: Date;
  /** The same on the local clock, in minutes past midnight. */
  readonly sunriseMin: number | null;
  readonly sunsetMin: number | null;
  readonly noonMin: number;
  /** Height of the sun's centre at noon, without refraction. */
  readonly noonAltitudeDeg: number;
  readonly declinationDeg: number;
  /** Lit part of the moon at noon, 0 to 1. */
  readonly moonIlluminatedFraction: number;
}

const DAY_MS = 86_400_000;
const DEG = Math.PI / 180;

const MAX_KEPT = 64;
const days = new Map<string, SunDay>();

/**
 * The sun and moon of a day at a place; a day that is planned again and again is worked out once.
 * @example
 * const sun = sunDay('2027-06-21', { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' });
 * clockOf(sun.sunriseMin) // => '05:37'
 */
export function sunDay(date: string, place: Place): SunDay {
  const key = `${date} ${place.latitude} ${place.longitude} ${place.timeZone}`;
  let day = days.get(key);
  if (!day) {
    if (days.size >= MAX_KEPT) days.clear();
    days.set(key, (day = workOutSunDay(date, place)));
  }
  return day;
}

/**
 * Sun and moon of a local day by astronomy-engine (VSOP87 truncated; rise and set by the upper limb with 34' of
 * refraction, civil twilight at -6 degrees).
 * @param date local calendar day, YYYY-MM-DD
 */
function workOutSunDay(date: string, place: Place): SunDay {
  const observer = new Observer(place.latitude, place.longitude, 0);
  const localMidnight = new Date(Date.parse(`${date}T00:00:00Z`) - (place.longitude / 360) * DAY_MS);
  const noon = SearchHourAngle(Body.Sun, observer, 0, localMidnight);
  const solarNoon = noon.time.date;
  const midnight = new Date(solarNoon.getTime() - DAY_MS / 2);
  const declinationDeg = Equator(Body.Sun, noon.time, observer, true, true).dec;
  const found = (time: AstroTime | null) => time?.date ?? null;
  const sunrise = found(SearchRiseSet(Body.Sun, observer, +1, midnight, 0.5));
  const sunset = found(SearchRiseSet(Body.Sun, observer, -1, solarNoon, 0.5));
  const minutes = (instant: Date | null) => instant && localMinutes(instant, place.timeZone);
  return {
    sunrise,
    sunset,
    sunriseMin: minutes(sunrise),
    sunsetMin: minutes(sunset),
    noonMin: localMinutes(solarNoon, place.timeZone),
    civilDawn: found(SearchAltitude(Body.Sun, observer, +1, midnight, 0.5, -6)),
    civilDusk: found(SearchAltitude(Body.Sun, observer, -1, solarNoon, 0.5, -6)),
    solarNoon,
    noonAltitudeDeg: 90 - Math.abs(place.latitude - declinationDeg),
    declinationDeg,
    moonIlluminatedFraction: Illumination(Body.Moon, solarNoon).phase_fraction,
  };
}

/** Height of the sun's centre in degrees at a time on the local clock, from hour angle and the day's declination. */
export function sunAltitudeDeg(
  sun: Pick<SunDay, 'noonMin' | 'declinationDeg'>,
  latitude: number,
  minute: number,
): number {
  const hourAngle = ((minute - sun.noonMin) / 1440) * 2 * Math.PI;
  const [lat, dec] = [latitude * DEG, sun.declinationDeg * DEG];
  const sine = Math.sin(lat) * Math.sin(dec) + Math.cos(lat) * Math.cos(dec) * Math.cos(hourAngle);
  return Math.asin(sine) / DEG;
}

/** Where the sun stands at a time on the local clock, degrees from north over east, from the same hour angle. */
export function sunAzimuthDeg(
  sun: Pick<SunDay, 'noonMin' | 'declinationDeg'>,
  latitude: number,
  minute: number,
): number {
  const hourAngle = ((minute - sun.noonMin) / 1440) * 2 * Math.PI;
  const [lat, dec] = [latitude * DEG, sun.declinationDeg * DEG];
  const west = Math.sin(hourAngle);
  const south = Math.cos(hourAngle) * Math.sin(lat) - Math.tan(dec) * Math.cos(lat);
  return (Math.atan2(west, south) / DEG + 180 + 360) % 360;
}

/**
 * Length of the day in hours from latitude and day of the year (Forsythe et al. 1995, the CBM model, with the sunrise
 * defined by the upper limb: p = 0.8333).
 */
export function dayLengthH(latitude: number, dayOfYear: number): number {
  const theta = 0.2163108 + 2 * Math.atan(0.9671396 * Math.tan(0.0086 * (dayOfYear - 186)));
  const phi = Math.asin(0.39795 * Math.cos(theta));
  const x =
    (Math.sin(0.8333 * DEG) + Math.sin(latitude * DEG) * Math.sin(phi)) / (Math.cos(latitude * DEG) * Math.cos(phi));
  return 24 - (24 / Math.PI) * Math.acos(Math.min(1, Math.max(-1, x)));
}

/** Day of the year, 1 to 366, of a calendar day. */
export function dayOfYear(date: string): number {
  return Math.round((Date.parse(date) - Date.parse(`${date.slice(0, 4)}-01-01`)) / DAY_MS) + 1;
}

/** Month of the year with its fraction, 1 to 13, as the north counts it: half a year later south of the equator. */
export const yearMonth = (latitude: number, dayOfYear: number): number =>
  1 + (((dayOfYear + (latitude < 0 ? 182.6 : 0)) % 365.25) / 365.25) * 12;

/** Minutes on the local clock since midnight, of an instant that falls on or near that day. */
function localMinutes(instant: Date, timeZone: string): number {
  const local = new TZDate(instant, timeZone);
  return local.getHours() * 60 + local.getMinutes() + local.getSeconds() / 60;
}
