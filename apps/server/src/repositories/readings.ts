import type { Reading, ReadingDraft } from '@inky-shoal/core';
import type { Db } from '../db/open.js';
import type { ReadingRow } from '../db/schema.js';

const toReading = (row: ReadingRow): Reading => ({
  id: row.id,
  waterId: row.water_id,
  at: row.at,
  surfaceTempC: row.surface_temp_c,
  visibilityM: row.visibility_m ?? undefined,
});

/** Readings of one book's waters. */
export class ReadingRepository {
  constructor(private readonly db: Db) {}

  /** Readings of a water, latest first. */
  async ofWater(waterId: string): Promise<Reading[]> {
    const rows = await this.db
      .selectFrom('reading')
      .selectAll()
      .where('water_id', '=', waterId)
      .orderBy('at', 'desc')
      .orderBy('id')
      .execute();
    return rows.map(toReading);
  }

  async put(id: string, waterId: string, draft: ReadingDraft): Promise<Reading> {
    const row = {
      water_id: waterId,
      at: new Date(draft.at).toISOString(),
      surface_temp_c: draft.surfaceTempC,
      visibility_m: draft.visibilityM ?? null,
    };
    await this.db
      .insertInto('reading')
      .values({ id, ...row })
      .onConflict((conflict) => conflict.column('id').doUpdateSet(row))
      .execute();
    return toReading({ id, ...row });
  }

  /** @returns whether there was one to remove */
  async remove(id: string, waterId: string): Promise<boolean> {
    const result = await this.db
      .deleteFrom('reading')
      .where('id', '=', id)
      .where('water_id', '=', waterId)
      .executeTakeFirst();
    return result.numDeletedRows > 0n;
  }
}
