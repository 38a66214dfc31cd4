import type { Book } from '@inky-shoal/core';
import { tripsOf, type KnownTrips, type Trip } from '@inky-shoal/core/underway';
import { TripDb } from '../underway/trip-db';

/** The trips of a book as they stand on this device, and how many events told them. */
export interface DeviceTrips {
  readonly events: number;
  readonly trips: readonly Trip[];
}

const dbs = new Map<Book, TripDb>();
/** Trips as they were told last, book by book: what was told before is not told anew. */
const known = new Map<Book, KnownTrips>();
const last = new Map<Book, DeviceTrips>();

/** Reads the trips of a book by itself, beside the page; those of the last time where no event has come since. */
export async function deviceTrips(book: Book): Promise<DeviceTrips> {
  let db = dbs.get(book);
  if (!db) dbs.set(book, (db = new TripDb(book)));
  const count = await db.events.count();
  const before = last.get(book);
  if (before?.events === count) return before;
  let trips = known.get(book);
  if (!trips) known.set(book, (trips = new Map()));
  const told = (await db.events.toArray()).map(({ event }) => event);
  const now = { events: told.length, trips: tripsOf(told, trips) };
  last.set(book, now);
  return now;
}
