import type { Book } from '@inky-shoal/core';
import { tripsOf, type KnownTrips, type Trip } from '@inky-shoal/core/underway';
import { TripDb } from '../underway/trip-db';

/** The trips of a book as they stand on this device. */
export interface DeviceTrips {
  /** Of which notes they tell. */
  readonly mark: string;
  readonly trips: readonly Trip[];
}

const dbs = new Map<Book, TripDb>();
/** Trips as they were told last, book by book: what was told before is not told anew. */
const known = new Map<Book, KnownTrips>();
const last = new Map<Book, DeviceTrips>();

/** The database of a book's trips, opened once. */
export function dbOf(book: Book): TripDb {
  let db = dbs.get(book);
  if (!db) dbs.set(book, (db = new TripDb(book)));
  return db;
}

/** A mark of the notes as they stand: another one as soon as any came or went. */
export async function notesMark(book: Book): Promise<string> {
  const db = dbOf(book);
  const [count, seq, heard] = await Promise.all([db.events.count(), db.facts.get('seq'), db.facts.get('heard')]);
  return `${count} ${seq?.value ?? ''} ${heard?.value ?? ''}`;
}

/** Reads the trips of a book by itself, beside the page; those of the last time where no event has come since. */
export async function deviceTrips(book: Book): Promise<DeviceTrips> {
  const db = dbOf(book);
  const mark = await notesMark(book);
  const before = last.get(book);
  if (before?.mark === mark) return before;
  let trips = known.get(book);
  if (!trips) known.set(book, (trips = new Map()));
  const told = (await db.events.toArray()).map(({ event }) => event);
  const now = { mark, trips: tripsOf(told, trips) };
  last.set(book, now);
  return now;
}
