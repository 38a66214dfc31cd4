import { sql, type Kysely, type Migration } from 'kysely';

/** What was practised: events that are only ever added, in the order in which they arrived. */
export const practice: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema
      .createTable('practice_event')
      .addColumn('arrived', 'integer', (column) => column.primaryKey().autoIncrement())
      .addColumn('id', 'text', (column) => column.notNull().unique())
      .addColumn('event', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
  },
};
