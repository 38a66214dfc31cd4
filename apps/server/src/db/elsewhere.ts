import type { Db } from './open.js';

/** An id that is taken already, by something of another water. */
export class Elsewhere extends Error {
  constructor(
    readonly what: 'reading' | 'feature',
    readonly id: string,
  ) {
    super(`The ${what} ${id} belongs to another water.`);
  }
}

const IDS_AT_ONCE = 500;

/** @throws Elsewhere where one of the ids is kept under another water: what is one water's is not moved to another */
export async function refuseElsewhere(
  db: Db,
  table: 'reading' | 'chart_feature',
  waterId: string,
  ids: readonly string[],
): Promise<void> {
  for (let from = 0; from < ids.length; from += IDS_AT_ONCE) {
    const found = await db
      .selectFrom(table)
      .select('id')
      .where('id', 'in', ids.slice(from, from + IDS_AT_ONCE))
      .where('water_id', '!=', waterId)
      .executeTakeFirst();
    if (found) throw new Elsewhere(table === 'reading' ? 'reading' : 'feature', found.id);
  }
}
