import { parse } from '@inky-shoal/core';
import { Router, type Request } from 'express';
import * as z from 'zod';
import { HttpProblem, invalidInput } from '../http/problem.js';
import { stationOf, stationsNear } from '../services/tide-stations.js';

const MOST = 6;
const degrees = (what: string, most: number) => {
  const error = `expected ${what} in degrees from ${-most} to ${most}`;
  return z.coerce.number({ error }).min(-most, { error }).max(most, { error });
};
const Near = z.strictObject({ latitude: degrees('a latitude', 90), longitude: degrees('a longitude', 180) });
const ById = z.strictObject({ id: z.string({ error: 'expected the id of a station' }).max(200) });

function asked<Schema extends z.ZodType>({ query }: Request, schema: Schema): z.output<Schema> {
  const read = parse(schema, query);
  if (!read.ok) throw invalidInput(read.problems);
  return read.value;
}

/** Stations of tides by place, and one of them with its constituents. */
export function tideStationRoutes(): Router {
  const router = Router();
  router.get('/tide-stations', async (request, response) => {
    const { latitude, longitude } = asked(request, Near);
    response.json(await stationsNear(latitude, longitude, MOST));
  });
  router.get('/tide-station', async (request, response) => {
    const station = await stationOf(asked(request, ById).id);
    if (!station) throw new HttpProblem(404, 'No such station', 'There is no station of tides with this id.');
    response.json(station);
  });
  return router;
}
