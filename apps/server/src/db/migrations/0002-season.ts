import { sql, type Kysely, type Migration } from 'kysely';

/** Readings get a zone, a profile and a mark of doubt, and are removed so that it can be undone; the outside is cached. */
export const season: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema.alterTable('reading').addColumn('zone_id', 'text').execute();
    await db.schema.alterTable('reading').addColumn('profile', 'text').execute();
    await db.schema
      .alterTable('reading')
      .addColumn('suspect', 'integer', (column) => column.notNull().defaultTo(0))
      .execute();
    await db.schema.alterTable('reading').addColumn('removed_at', 'text').execute();
    await db.schema
      .createTable('outside_day')
      .addColumn('water_id', 'text', (column) => column.notNull().references('water.id').onDelete('cascade'))
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('date', 'text', (column) => column.notNull())
      .addColumn('day', 'text', (column) => column.notNull())
      .addPrimaryKeyConstraint('outside_day_key', ['water_id', 'kind', 'date'])
      .modifyEnd(sql`strict, without rowid`)
      .execute();
    await db.schema
      .createTable('outside_state')
      .addColumn('water_id', 'text', (column) => column.notNull().references('water.id').onDelete('cascade'))
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('source', 'text')
      .addColumn('issued_at', 'text')
      .addColumn('answered_at', 'text')
      .addColumn('asked_at', 'text')
      .addColumn('failure', 'text')
      .addPrimaryKeyConstraint('outside_state_key', ['water_id', 'kind'])
      .modifyEnd(sql`strict, without rowid`)
      .execute();
  },
};
