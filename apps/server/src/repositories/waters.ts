import type { Water } from '@inky-shoal/core';
import { WaterDraft } from '@inky-shoal/core';
import type { Db } from '../db/open.js';
import type { WaterRow } from '../db/schema.js';
import type { Unread } from './unread.js';

const toWater = (row: WaterRow): Water => ({
  id: row.id,
  ...WaterDraft.parse(JSON.parse(row.draft)),
  createdAt: row.created_at,
  updatedAt: row.updated_at,
  version: row.version,
});

/** Waters of one book. */
export class WaterRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  async all(): Promise<Water[]> {
    const rows = await this.db
      .selectFrom('water')
      .selectAll()
      .where('removed_at', 'is', null)
      .orderBy('created_at')
      .orderBy('id')
      .execute();
    return this.unread.readable('water', rows, toWater);
  }

  async find(id: string): Promise<Water | undefined> {
    const row = await this.db
      .selectFrom('water')
      .selectAll()
      .where('id', '=', id)
      .where('removed_at', 'is', null)
      .executeTakeFirst();
    return row && toWater(row);
  }

  /** Whether there is such a water, on the list or removed: what hangs on it is kept for its coming back. */
  async has(id: string): Promise<boolean> {
    return !!(await this.db.selectFrom('water').select('id').where('id', '=', id).executeTakeFirst());
  }

  /** Makes a water or changes it; the time of making stays. */
  async put(id: string, draft: WaterDraft, now: string, device: string | null = null): Promise<void> {
    const row = { draft: JSON.stringify(draft), updated_at: now, removed_at: null, changed_by: device };
    await this.db
      .insertInto('water')
      .values({ id, ...row, created_at: now })
      .onConflict((conflict) => conflict.column('id').doUpdateSet(row))
      .execute();
  }

  /** Removes a water; what hangs on it stays with it, out of sight. @returns whether there was one to remove */
  async remove(id: string, now: string, device: string | null): Promise<boolean> {
    const result = await this.db
      .updateTable('water')
      .set({ removed_at: now, changed_by: device })
      .where('id', '=', id)
      .where('removed_at', 'is', null)
      .executeTakeFirst();
    return result.numUpdatedRows > 0n;
  }

  /** Erases waters with all that hangs on them. */
  async removeAll(ids: readonly string[]): Promise<void> {
    await this.db.deleteFrom('water').where('id', 'in', ids).execute();
  }
}
