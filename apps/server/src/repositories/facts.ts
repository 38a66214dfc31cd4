import type { Db } from '../db/open.js';

/** Small facts about a book. */
export class FactRepository {
  constructor(private readonly db: Db) {}

  async get(name: string): Promise<string | undefined> {
    const row = await this.db.selectFrom('fact').select('value').where('name', '=', name).executeTakeFirst();
    return row?.value;
  }

  async set(name: string, value: string): Promise<void> {
    await this.db
      .insertInto('fact')
      .values({ name, value })
      .onConflict((conflict) => conflict.column('name').doUpdateSet({ value }))
      .execute();
  }

  async remove(name: string): Promise<void> {
    await this.db.deleteFrom('fact').where('name', '=', name).execute();
  }
}
