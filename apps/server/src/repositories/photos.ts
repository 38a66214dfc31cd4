import type { Db } from '../db/open.js';

export interface Photo {
  readonly mediaType: string;
  readonly bytes: Buffer;
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
