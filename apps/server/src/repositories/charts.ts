import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { ChartFeature, ChartFrame, type WaterChart } from '@inky-shoal/core/chart';
import { refuseElsewhere } from '../db/elsewhere.js';
import { putRows, removeRows } from '../db/kept-rows.js';
import type { Db } from '../db/open.js';
import type { Unread } from './unread.js';

const pack = promisify(gzip);
/** Charts of one book. Removed features stay until they are put again, so that removing can be undone. */
export class ChartRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** The frame and all features of a water; no frame where it has no chart. */
  async find(waterId: string): Promise<WaterChart> {
    const row = await this.db
      .selectFrom('chart')
      .select(['frame', 'updated_at'])
      .where('water_id', '=', waterId)
      .executeTakeFirst();
    const features = await this.db
      .selectFrom('chart_feature')
      .select(['id', 'feature'])
      .where('water_id', '=', waterId)
      .where('removed_at', 'is', null)
      .orderBy('id')
      .execute();
    return {
      chart: row ? { ...ChartFrame.parse(JSON.parse(row.frame)), updatedAt: row.updated_at } : null,
      features: this.unread.readable('mark', features, ({ feature }) => ChartFeature.parse(JSON.parse(feature))),
    };
  }

  /** The bed of a water, packed with gzip as it is kept. */
  async bed(waterId: string): Promise<Buffer | undefined> {
    const row = await this.db.selectFrom('chart').select('bed').where('water_id', '=', waterId).executeTakeFirst();
    return row && Buffer.from(row.bed);
  }

  /** Keeps a chart, in place of the one before. @param bed whole centimetres, two bytes a cell */
  async put(waterId: string, frame: ChartFrame, bed: Uint8Array, now: string): Promise<void> {
    const row = { frame: JSON.stringify(frame), bed: await pack(bed), updated_at: now };
    await this.db
      .insertInto('chart')
      .values({ water_id: waterId, ...row })
      .onConflict((conflict) => conflict.column('water_id').doUpdateSet(row))
      .execute();
  }

  /** Takes a chart out, its features not: they are drawn in degrees and need no bed. */
  async remove(waterId: string): Promise<void> {
    await this.db.deleteFrom('chart').where('water_id', '=', waterId).execute();
  }

  /** Adds or changes features, and brings removed ones back: all of them or, where one cannot go in, none. */
  async putFeatures(
    waterId: string,
    features: readonly ChartFeature[],
    now: string,
    device: string | null = null,
  ): Promise<void> {
    const rows = features.map((feature) => ({
      id: feature.id,
      water_id: waterId,
      feature: JSON.stringify(feature),
      updated_at: now,
      removed_at: null,
      changed_by: device,
    }));
    await this.db.transaction().execute(async (db) => {
      await refuseElsewhere(
        db,
        'chart_feature',
        waterId,
        rows.map(({ id }) => id),
      );
      await putRows(db, 'chart_feature', rows);
    });
  }

  /** @returns how many of these there were to remove */
  async removeFeatures(
    waterId: string,
    ids: readonly string[],
    now: string,
    device: string | null = null,
  ): Promise<number> {
    return removeRows(this.db, 'chart_feature', ids, { now, device, waterId });
  }
}
