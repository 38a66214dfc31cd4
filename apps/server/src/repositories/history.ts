import { createHash } from 'node:crypto';
import { HISTORY_KINDS, type BinEntry, type HistoryEntry, type HistoryKind } from '@inky-shoal/core';
import { sql } from 'kysely';
import type { Db } from '../db/open.js';
import { eraseUnshown } from './photos.js';

/** How long what was removed lies in the bin. */
export const BIN_DAYS = 90;
const DAY_MS = 86_400_000;
const MAX_LISTED = 300;

/** What was removed before this has lain in the bin long enough. */
export const binnedBefore = (now: Date): string => new Date(now.getTime() - BIN_DAYS * DAY_MS).toISOString();

type Content = Readonly<Record<string, unknown>>;

/** What an entry is called, from its columns: by its name, else by what it is. */
export function nameIn(kind: HistoryKind, body: Content): string {
  const inside = (column: string): Record<string, unknown> => {
    try {
      return JSON.parse(String(body[column])) as Record<string, unknown>;
    } catch {
      // What cannot be read has no name.
      return {};
    }
  };
  switch (kind) {
    case 'plan':
      return String(body['name']);
    case 'water':
      return String(inside('draft')['name'] ?? 'Water');
    case 'tackle':
      return String(inside('item')['name'] ?? 'Tackle');
    case 'chart_feature': {
      const { name, kind: what } = inside('feature');
      return String(name ?? what ?? 'Mark');
    }
    case 'reading':
      return `Reading of ${String(body['at']).slice(0, 16).replace('T', ' ')}`;
  }
}

/** An id for the second copy of something: the same for the same change, so that sending it twice makes one copy. */
export function secondCopyId(id: string, content: unknown): string {
  const hex = createHash('sha256')
    .update(`${id}\n${JSON.stringify(content)}`)
    .digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** Former versions, what was removed, and its end. */
export class HistoryRepository {
  constructor(private readonly db: Db) {}

  /** The version that something is, with what is asked of it; undefined where it is not, or was removed. */
  async current(kind: HistoryKind, id: string): Promise<{ version: number; row: Content } | undefined> {
    const { rows } =
      await sql<Content>`select * from ${sql.table(kind)} where id = ${id} and removed_at is null`.execute(this.db);
    const [row] = rows;
    return row && { version: Number(row['version']), row };
  }

  /**
   * Whether a change was made from a version that has been changed meanwhile, to something else than stands there.
   * @param from the version it was made from; undefined where whoever made it does not say
   */
  async isStale(kind: HistoryKind, id: string, from: number | undefined, content: Content): Promise<boolean> {
    if (from === undefined) return false;
    const now = await this.current(kind, id);
    if (!now || now.version === from) return false;
    return Object.entries(content).some(([column, value]) => now.row[column] !== value);
  }

  /** What was done lately, or to one thing: latest first, each with the version before it. */
  async lately(of?: { readonly kind: HistoryKind; readonly id: string }): Promise<HistoryEntry[]> {
    let query = this.db.selectFrom('history').selectAll().orderBy('id', 'desc').limit(MAX_LISTED);
    if (of) query = query.where('kind', '=', of.kind).where('entity_id', '=', of.id);
    const rows = await query.execute();
    return rows.map(({ id, kind, entity_id, version, what, at, device, body }) => ({
      entry: id,
      kind: kind as HistoryKind,
      id: entity_id,
      version,
      what: what as HistoryEntry['what'],
      at,
      device,
      name: nameIn(kind as HistoryKind, JSON.parse(body) as Content),
    }));
  }

  /** Brings a former version back, as a change like any other. @returns whether there was such a version */
  async bringBack(entry: number, device: string | null): Promise<boolean> {
    const row = await this.db.selectFrom('history').selectAll().where('id', '=', entry).executeTakeFirst();
    if (!row) return false;
    const columns = JSON.parse(row.body) as Content;
    const set = [...Object.entries(columns), ['removed_at', null] as const, ['changed_by', device] as const].map(
      ([column, value]) => sql`${sql.ref(column)} = ${value}`,
    );
    const { numAffectedRows = 0n } =
      await sql`update ${sql.table(row.kind)} set ${sql.join(set)} where id = ${row.entity_id}`.execute(this.db);
    return numAffectedRows > 0n;
  }

  /** What was removed and not erased yet, latest first. */
  async bin(): Promise<BinEntry[]> {
    const found: BinEntry[] = [];
    for (const kind of HISTORY_KINDS) {
      const { rows } = await sql<Content>`
        select * from ${sql.table(kind)} where removed_at is not null order by removed_at desc limit ${MAX_LISTED}`.execute(
        this.db,
      );
      for (const row of rows) {
        found.push({ kind, id: String(row['id']), name: nameIn(kind, row), removedAt: String(row['removed_at']) });
      }
    }
    return found.sort((a, b) => b.removedAt.localeCompare(a.removedAt));
  }

  /** Takes something out of the bin. @returns whether it was there */
  async takeOut(kind: HistoryKind, id: string, device: string | null): Promise<boolean> {
    const { numAffectedRows = 0n } = await sql`
      update ${sql.table(kind)} set removed_at = null, changed_by = ${device}
      where id = ${id} and removed_at is not null`.execute(this.db);
    return numAffectedRows > 0n;
  }

  /**
   * Erases what lies in the bin, its former versions, and photographs that nothing else shows; what it held is written
   * over in the file. @returns whether it was there
   */
  async erase(kind: HistoryKind, id: string): Promise<boolean> {
    const erased = await this.db.transaction().execute(async (db) => {
      const photos = await this.photosOf(db, kind, id);
      const { numAffectedRows = 0n } = await sql`
        delete from ${sql.table(kind)} where id = ${id} and removed_at is not null`.execute(db);
      if (numAffectedRows === 0n) return false;
      await db.deleteFrom('history').where('kind', '=', kind).where('entity_id', '=', id).execute();
      await eraseUnshown(db, photos);
      return true;
    });
    // What the journal still holds goes into the file, where it is written over.
    if (erased) await sql`pragma wal_checkpoint(truncate)`.execute(this.db);
    return erased;
  }

  /** Erases what has lain in the bin for ninety days. @returns how many things */
  async empty(now: Date): Promise<number> {
    const before = binnedBefore(now);
    const old = (await this.bin()).filter(({ removedAt }) => removedAt < before);
    for (const { kind, id } of old) await this.erase(kind, id);
    return old.length;
  }

  /** Photographs that something shows, or showed once. */
  private async photosOf(db: Db, kind: HistoryKind, id: string): Promise<string[]> {
    const { rows } = await sql<{ id: string }>`
      select photo.id from photo where exists (
        select 1 from history where kind = ${kind} and entity_id = ${id} and instr(body, photo.id) > 0)
      ${kind === 'tackle' ? sql`or exists (select 1 from tackle where id = ${id} and instr(item, photo.id) > 0)` : sql``}`.execute(
      db,
    );
    return rows.map((row) => row.id);
  }
}
