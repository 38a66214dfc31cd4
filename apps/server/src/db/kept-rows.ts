import type { Insertable, Kysely } from 'kysely';
import { inBatches } from './in-batches.js';
import type { Tables } from './schema.js';

/** Tables whose rows are put whole, by their id, and stay when they are removed, so that removing can be undone. */
export type KeptTable = 'chart_feature' | 'reading' | 'tackle';

const ROWS_AT_ONCE = 1000;

/** Puts rows whole: those that are there are changed, and come back where they were removed. */
export async function putRows<Table extends KeptTable>(
  db: Kysely<Tables>,
  table: Table,
  rows: readonly Insertable<Tables[Table]>[],
): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = Object.keys(first).filter((column) => column !== 'id');
  // One table of several is more than the builder's types can follow; the rows are checked above.
  const of = db as unknown as Kysely<Record<KeptTable, Record<string, unknown>>>;
  await inBatches(rows as unknown as readonly Record<string, unknown>[], ROWS_AT_ONCE, (batch) =>
    of
      .insertInto(table as KeptTable)
      .values(batch)
      .onConflict((conflict) =>
        conflict
          .column('id')
          .doUpdateSet((set) => Object.fromEntries(columns.map((column) => [column, set.ref(`excluded.${column}`)]))),
      )
      .execute(),
  );
}

/** Removes rows, which stay out of sight. @returns how many of these there were to remove */
export async function removeRows(
  db: Kysely<Tables>,
  table: KeptTable,
  ids: readonly string[],
  by: { readonly now: string; readonly device: string | null; readonly waterId?: string },
): Promise<number> {
  const of = db as unknown as Kysely<Record<KeptTable, Record<string, unknown>>>;
  let update = of
    .updateTable(table)
    .set({ removed_at: by.now, changed_by: by.device })
    .where('removed_at', 'is', null)
    .where('id', 'in', ids);
  if (by.waterId !== undefined) update = update.where('water_id', '=', by.waterId);
  return Number((await update.executeTakeFirst()).numUpdatedRows);
}
