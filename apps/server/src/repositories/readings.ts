import { ProfilePoint, type Reading, type ReadingBatch, type ReadingDraft } from '@inky-shoal/core';
import * as z from 'zod';
import { refuseElsewhere } from '../db/elsewhere.js';
import { putRows, removeRows } from '../db/kept-rows.js';
import type { Db } from '../db/open.js';
import type { NewReadingRow, ReadingRow } from '../db/schema.js';
import type { Unread } from './unread.js';

const Profile = z.array(ProfilePoint);

const toReading = (row: ReadingRow): Reading => ({
  id: row.id,
  waterId: row.water_id,
  at: row.at,
  surfaceTempC: row.surface_temp_c,
  ...(row.visibility_m === null ? {} : { visibilityM: row.visibility_m }),
  ...(row.zone_id === null ? {} : { zoneId: row.zone_id }),
  ...(row.profile === null ? {} : { profile: Profile.parse(JSON.parse(row.profile)) }),
  ...(row.suspect ? { suspect: true } : {}),
  version: row.version,
});

const toRow = (id: string, waterId: string, draft: ReadingDraft, device: string | null): NewReadingRow => ({
  changed_by: device,
  id,
  water_id: waterId,
  at: new Date(draft.at).toISOString(),
  surface_temp_c: draft.surfaceTempC,
  visibility_m: draft.visibilityM ?? null,
  zone_id: draft.zoneId ?? null,
  profile: draft.profile ? JSON.stringify(draft.profile) : null,
  suspect: draft.suspect ? 1 : 0,
  removed_at: null,
});

/** Readings of one book's waters. Removed ones stay until their place is wanted, so that removing can be undone. */
export class ReadingRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** Readings of a water, latest first. */
  async ofWater(waterId: string): Promise<Reading[]> {
    const rows = await this.db
      .selectFrom('reading')
      .selectAll()
      .where('water_id', '=', waterId)
      .where('removed_at', 'is', null)
      .orderBy('at', 'desc')
      .orderBy('id')
      .execute();
    return this.unread.readable('reading', rows, toReading);
  }

  /** Adds a reading or changes it; putting a removed one brings it back. */
  async put(id: string, waterId: string, draft: ReadingDraft, device: string | null = null): Promise<Reading> {
    await this.putAll(waterId, [{ id, ...draft }], device);
    return { id, waterId, ...draft, at: new Date(draft.at).toISOString() };
  }

  /** Adds or changes many: all of them or, where one cannot go in, none. */
  async putAll(waterId: string, batch: ReadingBatch, device: string | null = null): Promise<void> {
    const rows = batch.map(({ id, ...draft }) => toRow(id, waterId, draft, device));
    await this.db.transaction().execute(async (db) => {
      await refuseElsewhere(
        db,
        'reading',
        waterId,
        rows.map(({ id }) => id),
      );
      await putRows(db, 'reading', rows);
    });
  }

  /** @returns how many of these there were to remove */
  async removeAll(waterId: string, ids: readonly string[], now: string, device: string | null = null): Promise<number> {
    return removeRows(this.db, 'reading', ids, { now, device, waterId });
  }
}
