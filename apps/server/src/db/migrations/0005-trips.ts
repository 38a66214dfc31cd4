import { sql, type Kysely, type Migration } from 'kysely';

/** What happened on trips: events that are only ever added, in the order in which they arrived. */
export const trips: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema
      .createTable('trip_event')
      .addColumn('arrived', 'integer', (column) => column.primaryKey().autoIncrement())
      .addColumn('id', 'text', (column) => column.notNull().unique())
      .addColumn('trip_id', 'text', (column) => column.notNull())
      .addColumn('event', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema.createIndex('trip_event_trip').on('trip_event').column('trip_id').execute();
  },
};
