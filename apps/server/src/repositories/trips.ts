import { TripEvent, type TripNews } from '@inky-shoal/core/underway';
import { inBatches } from '../db/in-batches.js';
import type { Db } from '../db/open.js';
import type { Unread } from './unread.js';

const ROWS_AT_ONCE = 500;
/** Events that go out at once. */
const MOST_OUT = 2000;

/** Events of a book's trips. They are only ever added; the same id is the same event. */
export class TripRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** Adds events, all of them or none. Those that came before are passed over. @returns how many were new */
  async add(events: readonly TripEvent[]): Promise<number> {
    let added = 0;
    const rows = events.map((event) => ({ id: event.id, trip_id: event.tripId, event: JSON.stringify(event) }));
    await this.db.transaction().execute(async (db) => {
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

  /** What arrived after a point, in the order of arrival. */
  async after(arrived: number): Promise<TripNews> {
    const rows = await this.db
      .selectFrom('trip_event')
      .select(['arrived', 'event'])
      .where('arrived', '>', arrived)
      .orderBy('arrived')
      .limit(MOST_OUT + 1)
      .execute();
    const out = rows.slice(0, MOST_OUT);
    return {
      events: this.unread.readable('note', out, ({ event }) => TripEvent.parse(JSON.parse(event))),
      upTo: out.at(-1)?.arrived ?? arrived,
      more: rows.length > MOST_OUT,
    };
  }
}
