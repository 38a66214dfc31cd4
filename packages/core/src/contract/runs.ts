import * as z from 'zod';
import { Conditions } from './conditions.js';
import { clientId, maybe, quantity, record, shortText } from './fields.js';
import * as ids from './ids.js';

const lonLat = z.tuple([quantity('a longitude in degrees', -180, 180), quantity('a latitude in degrees', -90, 90)], {
  error: 'expected a longitude and a latitude',
});
/** A run may go on past midnight. */
const minuteOfDay = quantity('minutes past midnight', 0, 2880);
const MAX_STOPS = 30;
const MAX_WAY_POINTS = 20_000;

/** One stop of a run: where, how deep, from when to when. */
export const RunStop = record('a stop', {
  name: shortText('a name', 200),
  depthM: quantity('a depth in metres', -20, 300),
  lonLat,
  fromMin: minuteOfDay,
  toMin: minuteOfDay,
  /** The way to it from where one was before, metres. */
  legM: quantity('a way in metres', 0, 1_000_000),
  /** Until when the falling water lets the boat out of it, where that is before the run is over. */
  outByMin: maybe(minuteOfDay),
  // What a later version no longer knows is left out: the stop stands without it.
  structure: z.enum(ids.STRUCTURES).optional().catch(undefined),
  cover: z.enum(ids.COVERS).optional().catch(undefined),
});

/** The order of a day over chosen spots, with its way over the water. */
export const Run = record('a run', {
  waterId: clientId,
  date: shortText('a date', 10),
  ramp: shortText('a ramp', 200),
  backMin: minuteOfDay,
  stops: z.array(RunStop).max(MAX_STOPS, { error: `expected at most ${MAX_STOPS} stops` }),
  line: z.array(lonLat).max(MAX_WAY_POINTS, { error: `expected a way of at most ${MAX_WAY_POINTS} points` }),
  /** The conditions that it was ordered for: where the day has others by now, it is to be ordered anew. */
  madeFor: maybe(Conditions),
});
export type Run = z.infer<typeof Run>;
