import { PracticeEvent, type PracticeNews } from '@inky-shoal/core/drill';
import { inBatches } from '../db/in-batches.js';
import type { Db } from '../db/open.js';
import type { Unread } from './unread.js';

const ROWS_AT_ONCE = 500;
/** Events that go out at once. */
const MAX_OUT = 2000;

/** What was practised in a book. Events are only ever added; the same id is the same event. */
export class PracticeRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** Adds events, all of them or none. Those that came before are passed over. @returns how many were new */
  async add(events: readonly PracticeEvent[]): Promise<number> {
    let added = 0;
    await this.db.transaction().execute(async (db) => {
      const rows = events.map((event) => ({ id: event.id, event: JSON.stringify(event) }));
      await inBatches(rows, ROWS_AT_ONCE, async (batch) => {
        const result = await db
          .insertInto('practice_event')
          .values(batch)
          .onConflict((conflict) => conflict.column('id').doNothing())
          .executeTakeFirst();
        added += Number(result.numInsertedOrUpdatedRows ?? 0n);
      });
    });
    return added;
  }

  /** What arrived after a point, in the order of arrival. */
  async after(arrived: number): Promise<PracticeNews> {
    const rows = await this.db
      .selectFrom('practice_event')
      .select(['arrived', 'event'])
      .where('arrived', '>', arrived)
      .orderBy('arrived')
      .limit(MAX_OUT + 1)
      .execute();
    const out = rows.slice(0, MAX_OUT);
    return {
      events: this.unread.readable('answer of practice', out, ({ event }) => PracticeEvent.parse(JSON.parse(event))),
      upTo: out.at(-1)?.arrived ?? arrived,
      more: out.length < rows.length,
    };
  }
}
