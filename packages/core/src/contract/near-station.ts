import * as z from 'zod';

/** A station near a place, before it is taken. */
export const NearStation = z.strictObject({
  id: z.string(),
  name: z.string(),
  latitude: z.number(),
  longitude: z.number(),
  distanceKm: z.number(),
  source: z.string(),
  licence: z.string(),
});
export type NearStation = z.infer<typeof NearStation>;

/** Stations farther than this are told, but not taken by themselves: the tide there may be another. */
export const STATION_NEAR_KM = 40;
