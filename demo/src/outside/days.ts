import type { WeatherDay, WeatherHours } from '@inky-shoal/core';
import { daysOfWeather } from '@inky-shoal/core/formats';
import { forecastAt, issueMs, weatherAt, type Climate, type Hour } from './weather.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
export const FORECAST_DAYS = 10;

const round = (value: number, places: number): number => Math.round(value * 10 ** places) / 10 ** places;

/**
 * Hourly weather as the stand-in serves it: observed up to now, forecast for ten days from its last issue on.
 * @param fromMs first hour asked for
 */
export function weatherHours(climate: Climate, fromMs: number, nowMs: number): WeatherHours {
  const issued = issueMs(nowMs);
  const first = Math.ceil(fromMs / HOUR_MS) * HOUR_MS;
  const forecastFrom = Math.floor(nowMs / HOUR_MS) * HOUR_MS + HOUR_MS;
  const last = issued + FORECAST_DAYS * DAY_MS;
  const hours: Hour[] = [];
  for (let timeMs = first; timeMs <= last; timeMs += HOUR_MS) {
    hours.push(timeMs < forecastFrom ? weatherAt(climate, timeMs) : forecastAt(climate, issued, timeMs));
  }
  const column = (pick: (hour: Hour) => number, places: number) => hours.map((hour) => round(pick(hour), places));
  return {
    source: 'weather stand-in',
    issuedAt: new Date(issued).toISOString(),
    firstHour: new Date(first).toISOString(),
    forecastFrom: new Date(forecastFrom).toISOString(),
    airTempC: column(({ airTempC }) => airTempC, 1),
    dewPointC: column(({ dewPointC }) => dewPointC, 1),
    windMps: column(({ windMps }) => windMps, 1),
    windFromDeg: column(({ windFromDeg }) => windFromDeg, 0),
    cloudFraction: column(({ cloudFraction }) => cloudFraction, 2),
    pressureHpa: column(({ pressureHpa }) => pressureHpa, 1),
    rainMm: column(({ rainMm }) => rainMm, 1),
    solarWm2: column(({ solarWm2 }) => solarWm2, 0),
  };
}

/** The same as days on the water's clock. */
export const weatherDays = (climate: Climate, fromMs: number, nowMs: number, timeZone: string): WeatherDay[] =>
  daysOfWeather(weatherHours(climate, fromMs, nowMs), timeZone);
