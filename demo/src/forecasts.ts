import { COMPARED_LEADS, dateOf, dayNumber, type WeatherDay } from '@inky-shoal/core';
import { DEMO_NOW } from './clock.js';
import { weatherDays } from './outside/days.js';
import { FERROW_CLIMATE, TERN_CLIMATE } from './outside/places.js';
import type { Climate } from './outside/weather.js';
import { ferrow, ternHollow } from './waters.js';

const DAY_MS = 86_400_000;
/** Forecasts of so many days before the demo's. */
const DAYS_BACK = 40;
/** An angler looks in the evening. */
const EVENING = 'T00:00:00Z';

/** A day as it was forecast so many days before. */
export interface MadeForecast {
  readonly leadDays: number;
  readonly day: WeatherDay;
}

/** What was forecast on the evenings up to a day, of the days after each. */
export function forecastsUntil(
  climate: Climate,
  timeZone: string,
  untilDay: number,
  count = DAYS_BACK,
): MadeForecast[] {
  return Array.from({ length: count }, (_, back) => untilDay - back).flatMap((evening) => {
    const nowMs = Date.parse(`${dateOf(evening + 1)}${EVENING}`);
    const days = weatherDays(climate, nowMs - DAY_MS, nowMs, timeZone);
    return COMPARED_LEADS.flatMap((leadDays) => {
      const day = days.find(({ date, kind }) => kind === 'forecast' && dayNumber(date) === evening + leadDays);
      return day ? [{ leadDays, day }] : [];
    });
  });
}

type ForecastsOf = readonly [waterId: string, made: MadeForecast[]];
let made: readonly ForecastsOf[] | undefined;

/** What was forecast at the demo's waters over the last weeks, by their ids: made once a process. */
export function demoForecasts(): readonly ForecastsOf[] {
  const yesterday = dayNumber(DEMO_NOW.slice(0, 10)) - 1;
  return (made ??= [
    [ferrow.id, forecastsUntil(FERROW_CLIMATE, ferrow.place.timeZone, yesterday)],
    [ternHollow.id, forecastsUntil(TERN_CLIMATE, ternHollow.place.timeZone, yesterday)],
  ]);
}
