import { TackleDraft, type KeptTackle } from '@inky-shoal/core/tackle';
import { putRows, removeRows } from '../db/kept-rows.js';
import type { Db } from '../db/open.js';
import type { TackleRow } from '../db/schema.js';
import type { Unread } from './unread.js';

type Checked = Pick<KeptTackle, 'item'> & { readonly text: string };

/** Tackle of one book. Removed pieces stay until they are put again, so that removing can be undone. */
export class TackleRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** What was read of pieces before: thousands need not be checked again each time they are listed. */
  private readonly checked = new Map<string, Checked>();

  private toKept({ id, item: text, updated_at, version }: TackleRow): KeptTackle {
    let known = this.checked.get(id);
    if (known?.text !== text) this.checked.set(id, (known = { text, item: TackleDraft.parse(JSON.parse(text)) }));
    return { version, id, item: known.item, updatedAt: updated_at };
  }

  /** All pieces, in the order in which they were made. */
  async all(): Promise<KeptTackle[]> {
    const rows = await this.db.selectFrom('tackle').selectAll().where('removed_at', 'is', null).orderBy('id').execute();
    return this.unread.readable('tackle', rows, (row) => this.toKept(row));
  }

  /** Adds or changes pieces, and brings removed ones back: all of them or, where one cannot go in, none. */
  async putAll(
    batch: readonly Pick<KeptTackle, 'id' | 'item'>[],
    now: string,
    device: string | null = null,
  ): Promise<void> {
    const rows = batch.map(({ id, item }) => ({
      id,
      kind: item.kind,
      item: JSON.stringify(item),
      updated_at: now,
      removed_at: null,
      changed_by: device,
    }));
    await this.db.transaction().execute((db) => putRows(db, 'tackle', rows));
  }

  /** @returns how many of these there were to remove */
  async removeAll(ids: readonly string[], now: string, device: string | null = null): Promise<number> {
    return removeRows(this.db, 'tackle', ids, { now, device });
  }
}
