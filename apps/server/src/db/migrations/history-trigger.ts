import { sql, type Kysely } from 'kysely';

/**
 * Makes the trigger that keeps the former version of a row, and counts its versions. Kept by the database itself: no way
 * of changing a row passes it by. The migration that made the first ones has its own text, since a released migration is
 * never edited; so neither is this, once released.
 * @param columns those that make a version; our own names
 */
export async function makeHistoryTrigger(
  db: Kysely<unknown>,
  table: string,
  columns: readonly string[],
): Promise<void> {
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
