import { instant, type GaugeHours } from '@inky-shoal/core';
import { FERROW_CLIMATE, gaugeHours, TERN_CLIMATE, weatherHours, type Climate } from '@inky-shoal/demo';
import express, { type Express, type Request, type Response } from 'express';
import * as z from 'zod';

const HOUR_MS = 3_600_000;
/** More hours than this are not served at once: three years. */
const MAX_HOURS = 3 * 366 * 24;

const degrees = (most: number) => z.coerce.number().min(-most).max(most);
const Query = z.object({ latitude: degrees(90), longitude: degrees(180), from: instant, now: instant });

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

/**
 * Stand-ins for what lies outside: `/weather` and `/gauge`, asked with latitude, longitude, from and now. Everything
 * they say is made up from a seed; the same question gets the same answer.
 */
export function standIns(): Express {
  const app = express();
  app.disable('x-powered-by');
  const answer =
    (make: (climate: Climate, fromMs: number, nowMs: number) => unknown) => (request: Request, response: Response) => {
      const query = Query.safeParse(request.query);
      if (!query.success) {
        const [first] = query.error.issues;
        response
          .status(422)
          .json({ detail: `${first?.path.join('.') ?? 'query'}: ${first?.message ?? 'not understood'}` });
        return;
      }
      const { latitude, from, now } = query.data;
      const [fromMs, nowMs] = [Date.parse(from), Date.parse(now)];
      if (fromMs > nowMs || nowMs - fromMs > MAX_HOURS * HOUR_MS) {
        response.status(422).json({ detail: 'from: expected a moment before now, by three years at most' });
        return;
      }
      response.json(make(climateAt(latitude), fromMs, nowMs));
    };
  app.get('/weather', answer(weatherHours));
  app.get('/gauge', answer(gauge));
  return app;
}
