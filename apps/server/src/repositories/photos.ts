import { sql } from 'kysely';
import type { Db } from '../db/open.js';

export interface Photo {
  readonly mediaType: string;
  readonly bytes: Buffer;
}

/** Erases those of some photographs that nothing shows, nor showed once. */
export async function eraseUnshown(db: Db, ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    await sql`delete from photo where id = ${id}
      and not exists (select 1 from tackle where instr(item, ${id}) > 0)
      and not exists (select 1 from trip_event where instr(event, ${id}) > 0)
      and not exists (select 1 from history where instr(body, ${id}) > 0)`.execute(db);
  }
}

/** Photos of one book, as their pages made them small. */
export class PhotoRepository {
  constructor(private readonly db: Db) {}

  async find(id: string): Promise<Photo | undefined> {
    const row = await this.db
      .selectFrom('photo')
      .select(['media_type', 'bytes'])
      .where('id', '=', id)
      .executeTakeFirst();
    return row && { mediaType: row.media_type, bytes: Buffer.from(row.bytes) };
  }

  async put(id: string, { mediaType, bytes }: Photo, now: string): Promise<void> {
    const row = { media_type: mediaType, bytes };
    await this.db
      .insertInto('photo')
      .values({ id, ...row, created_at: now })
      .onConflict((conflict) => conflict.column('id').doUpdateSet(row))
      .execute();
  }
}
