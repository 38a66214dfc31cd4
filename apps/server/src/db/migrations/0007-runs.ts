import { sql, type Kysely, type Migration } from 'kysely';
import { makeHistoryTrigger } from './history-trigger.js';

/** The run of a day goes with its plan, and is part of its versions. */
export const runs: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema.alterTable('plan').addColumn('run', 'text').execute();
    await sql`drop trigger plan_history`.execute(db);
    await makeHistoryTrigger(db, 'plan', ['name', 'water_id', 'conditions', 'plan', 'engine_version', 'run']);
  },
};
