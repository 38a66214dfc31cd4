import { sql, type Kysely, type Migration } from 'kysely';

/** Owned tackle, with where it is kept, and photos of it. */
export const tackle: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema
      .createTable('tackle')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('item', 'text', (column) => column.notNull())
      .addColumn('updated_at', 'text', (column) => column.notNull())
      .addColumn('removed_at', 'text')
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema
      .createTable('photo')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('media_type', 'text', (column) => column.notNull())
      .addColumn('bytes', 'blob', (column) => column.notNull())
      .addColumn('created_at', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
  },
};
