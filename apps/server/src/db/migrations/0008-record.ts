import { sql, type Kysely, type Migration } from 'kysely';
import { makeHistoryTrigger } from './history-trigger.js';

/** Which record a plan was made with goes with it, and is part of its versions. */
export const recordOfPlan: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await db.schema.alterTable('plan').addColumn('record', 'text').execute();
    await sql`drop trigger plan_history`.execute(db);
    // What was kept before is the planner's own; brought back it is so again.
    await sql`update history set body = json_set(body, '$.record', null) where kind = 'plan' and json_valid(body)`.execute(
      db,
    );
    const columns = ['name', 'water_id', 'conditions', 'plan', 'engine_version', 'run', 'record'];
    await makeHistoryTrigger(db, 'plan', columns);
  },
};
