import { sql, type Kysely, type Migration } from 'kysely';

export const firstTables: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema
      .createTable('water')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('draft', 'text', (column) => column.notNull())
      .addColumn('created_at', 'text', (column) => column.notNull())
      .addColumn('updated_at', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema
      .createTable('reading')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('water_id', 'text', (column) => column.notNull().references('water.id').onDelete('cascade'))
      .addColumn('at', 'text', (column) => column.notNull())
      .addColumn('surface_temp_c', 'real', (column) => column.notNull())
      .addColumn('visibility_m', 'real')
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema.createIndex('reading_by_water').on('reading').columns(['water_id', 'at']).execute();
    await db.schema
      .createTable('plan')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('name', 'text', (column) => column.notNull())
      .addColumn('water_id', 'text', (column) => column.references('water.id').onDelete('set null'))
      .addColumn('conditions', 'text', (column) => column.notNull())
      .addColumn('plan', 'text', (column) => column.notNull())
      .addColumn('engine_version', 'text', (column) => column.notNull())
      .addColumn('created_at', 'text', (column) => column.notNull())
      .addColumn('updated_at', 'text', (column) => column.notNull())
      .addColumn('removed_at', 'text')
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema
      .createTable('fact')
      .addColumn('name', 'text', (column) => column.primaryKey())
      .addColumn('value', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
  },
};
