import { planDay, type Book, type Conditions, type Plan, type PlannedDay, type UnitSystem } from '@inky-shoal/core';
import { learn, leaningOf, likeTrips, movedBy, recordOf, type Learned, type Moved } from '@inky-shoal/core/record';
import { tripsOf, type KnownTrips } from '@inky-shoal/core/underway';
import { TripDb } from '../underway/trip-db';

/** A day as the record would have it. */
export interface RecordedDay {
  readonly day: PlannedDay;
  /** The same day without the record. */
  readonly shipped: Plan;
  readonly trips: number;
  readonly hours: number;
  readonly moved: readonly Moved[];
}

/** What was learnt of a book's trips, by how many events told them: they are only added. */
interface Known {
  readonly of: string;
  readonly learned: Learned | null;
}
const known = new Map<string, Known>();
/** Trips as they were told last, book by book: what was told before is not told anew. */
const knownTrips = new Map<Book, KnownTrips>();
const dbs = new Map<Book, TripDb>();

function tripDb(book: Book): TripDb {
  let db = dbs.get(book);
  if (!db) dbs.set(book, (db = new TripDb(book)));
  return db;
}

function tripsKnown(book: Book): KnownTrips {
  let trips = knownTrips.get(book);
  if (!trips) knownTrips.set(book, (trips = new Map()));
  return trips;
}

async function learnedOf(book: Book, conditions: Conditions): Promise<Learned | null> {
  const { events } = tripDb(book);
  const key = `${book} ${conditions.discipline}`;
  const of = String(await events.count());
  const before = known.get(key);
  if (before?.of === of) return before.learned;
  const told = (await events.toArray()).map(({ event }) => event);
  const learned = learn(likeTrips(recordOf(tripsOf(told, tripsKnown(book))), conditions), before?.learned);
  known.set(key, { of, learned });
  return learned;
}

/** The record, beside the page so that it never holds it up: it reads the trips on this device by itself. */
export const recordApi = {
  /** A day planned with what the trips of a book taught; null where they taught nothing yet. */
  async planDay(book: Book, conditions: Conditions, units: UnitSystem): Promise<RecordedDay | null> {
    const learned = await learnedOf(book, conditions);
    if (!learned) return null;
    const { trips, hours } = learned;
    return {
      day: planDay(conditions, { units, leaning: leaningOf(learned) }),
      shipped: planDay(conditions, { units }).plan,
      trips,
      hours,
      moved: movedBy(learned),
    };
  },
};
export type RecordApi = typeof recordApi;
