import { sql, type Kysely, type Migration } from 'kysely';

/** Charts of waters: the frame, the bed, and what was drawn on them. */
export const chart: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema
      .createTable('chart')
      .addColumn('water_id', 'text', (column) => column.primaryKey())
      .addColumn('frame', 'text', (column) => column.notNull())
      .addColumn('bed', 'blob', (column) => column.notNull())
      .addColumn('updated_at', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema
      .createTable('chart_feature')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('water_id', 'text', (column) => column.notNull())
      .addColumn('feature', 'text', (column) => column.notNull())
      .addColumn('updated_at', 'text', (column) => column.notNull())
      .addColumn('removed_at', 'text')
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema.createIndex('chart_feature_water').on('chart_feature').column('water_id').execute();
  },
};
