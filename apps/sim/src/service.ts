import { instant, toShown, type GaugeHours, type UnitSystem } from '@inky-shoal/core';
import { FERROW_CLIMATE, gaugeHours, TERN_CLIMATE, weatherHours, type Climate } from '@inky-shoal/demo';
import express, { type Express, type Request, type Response } from 'express';
import * as z from 'zod';
import { seaGauge } from './sea-gauge.js';
import { sensorThings } from './sensor-things.js';

const HOUR_MS = 3_600_000;
/** More hours than this are not served at once: three years. */
const MAX_HOURS = 3 * 366 * 24;

const degrees = (most: number) => z.coerce.number().min(-most).max(most);
/** A moment, or the day that begins with it. */
const moment = z.preprocess(
  (value) => (/^\d{4}-\d\d-\d\d$/.test(String(value)) ? `${String(value)}T00:00:00Z` : value),
  instant,
);
const Query = z.object({
  latitude: degrees(90),
  longitude: degrees(180),
  from: moment,
  now: instant,
  units: z.enum(['us', 'metric']).default('metric'),
});

/** The nearest of the made-up climates. */
const climateAt = (latitude: number): Climate =>
  Math.abs(latitude - TERN_CLIMATE.latitude) < Math.abs(latitude - FERROW_CLIMATE.latitude)
    ? TERN_CLIMATE
    : FERROW_CLIMATE;

/** Hours of the gauge up to now, in columns. */
function gauge(climate: Climate, fromMs: number, nowMs: number): GaugeHours {
  const first = Math.ceil(fromMs / HOUR_MS) * HOUR_MS;
  const hours = gaugeHours(climate, first, Math.max(1, Math.floor((nowMs - first) / HOUR_MS) + 1));
  return {
    source: 'gauge stand-in',
    issuedAt: new Date(nowMs).toISOString(),
    firstHour: new Date(first).toISOString(),
    levelM: hours.map(({ levelM }) => Math.round(levelM * 100) / 100),
    inflowM3s: hours.map(({ inflowM3s }) => Math.round(inflowM3s * 10) / 10),
    turbidityNtu: hours.map(({ turbidityNtu }) => Math.round(turbidityNtu * 10) / 10),
  };
}

const QUARTER_MS = HOUR_MS / 4;

/** Levels of the gauge of tidal water up to now, by the quarter hour; null where it was silent. Inland there is none. */
function tideGauge(climate: Climate, fromMs: number, nowMs: number) {
  const first = Math.ceil(fromMs / QUARTER_MS) * QUARTER_MS;
  const levels = new Map(
    (climate === TERN_CLIMATE ? seaGauge(first, nowMs) : []).map(({ atMs, levelM }) => [atMs, levelM]),
  );
  const count = Math.max(1, Math.floor((nowMs - first) / QUARTER_MS) + 1);
  return {
    source: 'tide gauge stand-in',
    issuedAt: new Date(nowMs).toISOString(),
    firstAt: new Date(first).toISOString(),
    stepMin: 15,
    levelM: Array.from({ length: count }, (_, at) => {
      const levelM = levels.get(first + at * QUARTER_MS);
      return levelM === undefined ? null : Math.round(levelM * 1000) / 1000;
    }),
  };
}

const hourlyColumn = (values: readonly (number | null)[], shown: (value: number) => number = (value) => value) =>
  values.map((value) => (value === null ? null : Math.round(shown(value) * 100) / 100));

/** The same weather in the open hourly layout: columns with a time in it, and the units that they are in. */
function hourly(climate: Climate, fromMs: number, nowMs: number, units: UnitSystem) {
  const weather = weatherHours(climate, fromMs, nowMs);
  const [us, first] = [units === 'us', Date.parse(weather.firstHour)];
  const temp = (celsius: number) => toShown('temp', celsius, units);
  return {
    utc_offset_seconds: 0,
    hourly_units: {
      time: 'iso8601',
      temperature_2m: us ? '°F' : '°C',
      dew_point_2m: us ? '°F' : '°C',
      pressure_msl: 'hPa',
      cloud_cover: '%',
      wind_speed_10m: us ? 'mp/h' : 'km/h',
      wind_direction_10m: '°',
      precipitation: us ? 'inch' : 'mm',
      shortwave_radiation: 'W/m²',
    },
    hourly: {
      time: weather.airTempC.map((_, hour) => new Date(first + hour * HOUR_MS).toISOString().slice(0, 16)),
      temperature_2m: hourlyColumn(weather.airTempC, temp),
      dew_point_2m: hourlyColumn(weather.dewPointC, temp),
      pressure_msl: hourlyColumn(weather.pressureHpa),
      cloud_cover: hourlyColumn(weather.cloudFraction, (share) => share * 100),
      wind_speed_10m: hourlyColumn(weather.windMps, (mps) => (us ? mps / 0.44704 : mps * 3.6)),
      wind_direction_10m: hourlyColumn(weather.windFromDeg),
      precipitation: hourlyColumn(weather.rainMm, (mm) => (us ? mm / 25.4 : mm)),
      shortwave_radiation: hourlyColumn(weather.solarWm2),
    },
  };
}

/**
 * Stand-ins for what lies outside: `/weather` and `/gauge`, asked with latitude, longitude, from and now, and
 * `/hourly`, the same weather in the open layout, in the units asked for; `/tide-gauge`; gauges as SensorThings. Everything
 * they say is made up from a seed; the same question gets the same answer.
 */
export function standIns(): Express {
  const app = express();
  app.disable('x-powered-by');
  const answer =
    (make: (climate: Climate, fromMs: number, nowMs: number, units: UnitSystem) => unknown) =>
    (request: Request, response: Response) => {
      const query = Query.safeParse(request.query);
      if (!query.success) {
        const [first] = query.error.issues;
        response
          .status(422)
          .json({ detail: `${first?.path.join('.') ?? 'query'}: ${first?.message ?? 'not understood'}` });
        return;
      }
      const { latitude, from, now, units } = query.data;
      const [fromMs, nowMs] = [Date.parse(from), Date.parse(now)];
      if (fromMs > nowMs || nowMs - fromMs > MAX_HOURS * HOUR_MS) {
        response.status(422).json({ detail: 'from: expected a moment before now, by three years at most' });
        return;
      }
      response.json(make(climateAt(latitude), fromMs, nowMs, units));
    };
  app.get('/weather', answer(weatherHours));
  app.get('/gauge', answer(gauge));
  app.get('/hourly', answer(hourly));
  app.get('/tide-gauge', answer(tideGauge));
  app.use(sensorThings());
  return app;
}
