import { randomUUID } from 'node:crypto';
import { TripEvent, tripOf, type TripNews } from '@inky-shoal/core/underway';
import { sql } from 'kysely';
import { inBatches } from '../db/in-batches.js';
import type { Db } from '../db/open.js';
import { eraseUnshown } from './photos.js';
import type { Unread } from './unread.js';

const ROWS_AT_ONCE = 500;
/** Events that go out at once. */
const MAX_OUT = 2000;

/** Whether a note begins a trip. */
const beginsTrip = sql<number>`json_valid(event) and json_extract(event, '$.kind') = 'begin'`;

/** Notes up to where the last trip among them begins: one that is cut in two seems to be underway until the rest comes. */
function wholeTrips<Row extends { readonly begins: number }>(rows: readonly Row[]): readonly Row[] {
  const lastBegin = rows.findLastIndex(({ begins }) => begins);
  return lastBegin > 0 ? rows.slice(0, lastBegin) : rows;
}

/** Those of some trips of which nothing is to be left. */
async function erasedAmong(db: Db, tripIds: readonly string[]): Promise<Set<string>> {
  const rows = await db
    .selectFrom('trip_event')
    .select('trip_id')
    .where('trip_id', 'in', tripIds)
    .where(sql<boolean>`json_valid(event) and json_extract(event, '$.kind') = 'erase'`)
    .execute();
  return new Set(rows.map(({ trip_id }) => trip_id));
}

/**
 * Events of a book's trips. They are only ever added; the same id is the same event. A trip that was erased is one event
 * that says so, and no other of it is taken any more.
 */
export class TripRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** Adds events, all of them or none. Those that came before are passed over. @returns how many were new */
  async add(events: readonly TripEvent[]): Promise<number> {
    let added = 0;
    await this.db.transaction().execute(async (db) => {
      const erased = await erasedAmong(db, [...new Set(events.map(({ tripId }) => tripId))]);
      // That nothing is left is said here alone.
      const rows = events
        .filter(({ kind, tripId }) => kind !== 'erase' && !erased.has(tripId))
        .map((event) => ({ id: event.id, trip_id: event.tripId, event: JSON.stringify(event) }));
      await inBatches(rows, ROWS_AT_ONCE, async (batch) => {
        const result = await db
          .insertInto('trip_event')
          .values(batch)
          .onConflict((conflict) => conflict.column('id').doNothing())
          .executeTakeFirst();
        added += Number(result.numInsertedOrUpdatedRows ?? 0n);
      });
    });
    return added;
  }

  /** Trips that lie in the bin, with when they went there. */
  async removed(): Promise<{ readonly tripId: string; readonly removedAt: string }[]> {
    const rows = await this.db
      .selectFrom('trip_event')
      .select('trip_id')
      .distinct()
      .where(sql<boolean>`json_valid(event) and json_extract(event, '$.kind') = 'remove'`)
      .execute();
    const found = await Promise.all(rows.map(({ trip_id }) => this.removedAt(trip_id)));
    return rows.flatMap(({ trip_id: tripId }, index) => {
      const removedAt = found[index];
      return removedAt ? [{ tripId, removedAt }] : [];
    });
  }

  /**
   * Erases a trip that lies in the bin, with its photographs where nothing else shows them; every device that hears of it
   * does the same. @returns whether it lay there
   */
  async erase(tripId: string, at: string): Promise<boolean> {
    if (!(await this.removedAt(tripId))) return false;
    await this.db.transaction().execute(async (db) => {
      const { rows: photos } = await sql<{ id: string }>`
        select photo.id from photo where exists (
          select 1 from trip_event where trip_id = ${tripId} and instr(event, photo.id) > 0)`.execute(db);
      await db.deleteFrom('trip_event').where('trip_id', '=', tripId).execute();
      await eraseUnshown(
        db,
        photos.map(({ id }) => id),
      );
      const event: TripEvent = { kind: 'erase', id: randomUUID(), tripId, deviceId: randomUUID(), seq: 0, at };
      await db
        .insertInto('trip_event')
        .values({ id: event.id, trip_id: tripId, event: JSON.stringify(event) })
        .execute();
    });
    // What the journal still holds goes into the file, where it is written over.
    await sql`pragma wal_checkpoint(truncate)`.execute(this.db);
    return true;
  }

  /** When a trip went to the bin; null where it does not lie there. */
  private async removedAt(tripId: string): Promise<string | null> {
    const rows = await this.db.selectFrom('trip_event').select(['id', 'event']).where('trip_id', '=', tripId).execute();
    const events = this.unread.readable('note', rows, ({ event }) => TripEvent.parse(JSON.parse(event)));
    return tripOf(events, tripId)?.removedAt ?? null;
  }

  /** What arrived after a point, in the order of arrival; what is too much for once ends before a trip begins. */
  async after(arrived: number): Promise<TripNews> {
    const rows = await this.db
      .selectFrom('trip_event')
      .select(['arrived', 'event', beginsTrip.as('begins')])
      .where('arrived', '>', arrived)
      .orderBy('arrived')
      .limit(MAX_OUT + 1)
      .execute();
    const out = rows.length > MAX_OUT ? wholeTrips(rows.slice(0, MAX_OUT)) : rows;
    return {
      events: this.unread.readable('note', out, ({ event }) => TripEvent.parse(JSON.parse(event))),
      upTo: out.at(-1)?.arrived ?? arrived,
      more: out.length < rows.length,
    };
  }
}
