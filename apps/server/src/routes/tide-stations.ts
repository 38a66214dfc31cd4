import { parse } from '@inky-shoal/core';
import { Router, type Request } from 'express';
import * as z from 'zod';
import { HttpProblem, invalidInput } from '../http/problem.js';
import type { StationReader } from '../services/station-reader.js';

const MOST = 6;
const degrees = (what: string, most: number) => {
  const error = `expected ${what} in degrees from ${-most} to ${most}`;
  return z.coerce.number({ error }).min(-most, { error }).max(most, { error });
};
const Near = z.strictObject({
  latitude: degrees('a latitude', 90),
  longitude: degrees('a longitude', 180),
  kind: z.enum(['tide', 'current'], { error: 'expected tide or current' }).default('tide'),
});
const ById = z.strictObject({ id: z.string({ error: 'expected the id of a station' }).max(200) });

function asked<Schema extends z.ZodType>({ query }: Request, schema: Schema): z.output<Schema> {
  const read = parse(schema, query);
  if (!read.ok) throw invalidInput(read.problems);
  return read.value;
}

/** Stations of tides and of currents by place, and one of them with its constituents. */
export function tideStationRoutes(stations: StationReader): Router {
  const router = Router();
  router.get('/tide-stations', async (request, response) => {
    const { kind, ...place } = asked(request, Near);
    response.json(await stations.near(place, MOST, kind));
  });
  router.get('/tide-station', async (request, response) => {
    const station = await stations.tide(asked(request, ById).id);
    if (!station) throw new HttpProblem(404, 'No such station', 'There is no station of tides with this id.');
    response.json(station);
  });
  router.get('/current-station', async (request, response) => {
    const station = await stations.current(asked(request, ById).id);
    if (!station) throw new HttpProblem(404, 'No such station', 'There is no station of currents with this id.');
    response.json(station);
  });
  return router;
}
