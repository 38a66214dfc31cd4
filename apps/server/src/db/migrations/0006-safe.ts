import { sql, type Kysely, type Migration } from 'kysely';

/** Tables whose rows carry the version that they are and keep their former ones, with the columns that make a version. */
const VERSIONED = {
  water: ['draft'],
  reading: ['water_id', 'at', 'surface_temp_c', 'visibility_m', 'zone_id', 'profile', 'suspect'],
  plan: ['name', 'water_id', 'conditions', 'plan', 'engine_version'],
  tackle: ['kind', 'item'],
  chart_feature: ['water_id', 'feature'],
} as const;

/** What a list of plans shows, in columns of its own; versions with their history; what could not be read. */
export const safe: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    for (const column of ['date', 'phase', 'first'])
      await db.schema.alterTable('plan').addColumn(column, 'text').execute();
    // A text that is no JSON is told when it is looked at: it must not keep the book closed.
    await sql`update plan set
      date = case when json_valid(conditions) then json_extract(conditions, '$.date') end,
      phase = case when json_valid(plan) then json_extract(plan, '$.phase.id') end,
      first = case when json_valid(plan) then json_extract(plan, '$.windows[0].presentations[0].category') end`.execute(
      db,
    );
    await db.schema.alterTable('water').addColumn('removed_at', 'text').execute();
    await db.schema
      .createTable('history')
      .addColumn('id', 'integer', (column) => column.primaryKey())
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('entity_id', 'text', (column) => column.notNull())
      .addColumn('version', 'integer', (column) => column.notNull())
      .addColumn('what', 'text', (column) => column.notNull())
      .addColumn('at', 'text', (column) => column.notNull())
      .addColumn('device', 'text')
      .addColumn('body', 'text', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
    await db.schema.createIndex('history_of').on('history').columns(['kind', 'entity_id', 'version']).execute();
    for (const [table, columns] of Object.entries(VERSIONED)) {
      await db.schema
        .alterTable(table)
        .addColumn('version', 'integer', (column) => column.notNull().defaultTo(1))
        .execute();
      await db.schema.alterTable(table).addColumn('changed_by', 'text').execute();
      // Kept by the database itself: no way of changing a row passes it by. The columns are our own names.
      const differs = [...columns, 'removed_at'].map((column) => `old.${column} is not new.${column}`).join(' or ');
      const former = columns.map((column) => `'${column}', old.${column}`).join(', ');
      await sql
        .raw(
          `create trigger ${table}_history after update on ${table} when ${differs} begin
            insert into history (kind, entity_id, version, what, at, device, body) values (
              '${table}', old.id, old.version,
              case
                when old.removed_at is null and new.removed_at is not null then 'removed'
                when old.removed_at is not null and new.removed_at is null then 'restored'
                else 'changed'
              end,
              strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), new.changed_by, json_object(${former}));
            update ${table} set version = old.version + 1 where id = old.id;
          end`,
        )
        .execute(db);
    }
    // A book that was looked through before it came so far may have it already.
    await db.schema
      .createTable('damaged_row')
      .ifNotExists()
      .addColumn('from_table', 'text', (column) => column.notNull())
      .addColumn('found_at', 'text', (column) => column.notNull())
      .addColumn('row', 'blob', (column) => column.notNull())
      .modifyEnd(sql`strict`)
      .execute();
  },
};
