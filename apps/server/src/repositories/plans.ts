import { Conditions, Plan, RecordVersion, Run, type SavedPlan, SavedPlanSummary } from '@inky-shoal/core';
import type { Db } from '../db/open.js';
import type { PlanChange, PlanRow } from '../db/schema.js';
import type { Unread } from './unread.js';

const recordOf = ({ record }: Pick<PlanRow, 'record'>): RecordVersion | undefined =>
  record === null ? undefined : RecordVersion.parse(JSON.parse(record));

const toPlan = (row: PlanRow): SavedPlan => ({
  id: row.id,
  name: row.name,
  waterId: row.water_id ?? undefined,
  conditions: Conditions.parse(JSON.parse(row.conditions)),
  plan: Plan.parse(JSON.parse(row.plan)),
  run: row.run === null ? undefined : Run.parse(JSON.parse(row.run)),
  record: recordOf(row),
  engineVersion: row.engine_version,
  createdAt: row.created_at,
  updatedAt: row.updated_at,
  version: row.version,
});

type SummaryRow = Pick<
  PlanRow,
  'id' | 'name' | 'water_id' | 'date' | 'phase' | 'first' | 'record' | 'engine_version' | 'created_at' | 'version'
>;

const toSummary = (row: SummaryRow): SavedPlanSummary =>
  SavedPlanSummary.parse({
    id: row.id,
    name: row.name,
    waterId: row.water_id ?? undefined,
    date: row.date,
    phase: row.phase,
    first: row.first,
    record: recordOf(row),
    engineVersion: row.engine_version,
    createdAt: row.created_at,
    version: row.version,
  });

/** Saved plans of one book. Removed ones stay until their place is wanted, so that removing can be undone. */
export class PlanRepository {
  constructor(
    private readonly db: Db,
    private readonly unread: Unread,
  ) {}

  /** Saved plans, latest first. */
  async all(): Promise<SavedPlanSummary[]> {
    const rows = await this.db
      .selectFrom('plan')
      .select(['id', 'name', 'water_id', 'date', 'phase', 'first', 'record', 'engine_version', 'created_at', 'version'])
      .where('removed_at', 'is', null)
      .orderBy('created_at', 'desc')
      .orderBy('id')
      .execute();
    return this.unread.readable('plan', rows, toSummary);
  }

  async find(id: string): Promise<SavedPlan | undefined> {
    const row = await this.db
      .selectFrom('plan')
      .selectAll()
      .where('id', '=', id)
      .where('removed_at', 'is', null)
      .executeTakeFirst();
    return row && toPlan(row);
  }

  /** Saves a plan, or saves it again under the same id; the time of making stays. */
  async put(plan: SavedPlan, device: string | null = null): Promise<void> {
    const row = {
      name: plan.name,
      water_id: plan.waterId ?? null,
      conditions: JSON.stringify(plan.conditions),
      plan: JSON.stringify(plan.plan),
      date: plan.conditions.date,
      phase: plan.plan.phase.id,
      first: plan.plan.windows[0]?.presentations[0]?.category ?? null,
      engine_version: plan.engineVersion,
      updated_at: plan.updatedAt,
      removed_at: null,
      changed_by: device,
      run: plan.run ? JSON.stringify(plan.run) : null,
      record: plan.record ? JSON.stringify(plan.record) : null,
    };
    await this.db
      .insertInto('plan')
      .values({ id: plan.id, ...row, created_at: plan.createdAt })
      .onConflict((conflict) => conflict.column('id').doUpdateSet(row))
      .execute();
  }

  /** @returns whether there was one to rename */
  async rename(id: string, name: string, now: string, device: string | null = null): Promise<boolean> {
    return this.change(id, { name, updated_at: now, changed_by: device }, 'kept');
  }

  /** @returns whether there was one to remove */
  async remove(id: string, now: string, device: string | null = null): Promise<boolean> {
    return this.change(id, { removed_at: now, changed_by: device }, 'kept');
  }

  /** @returns whether there was a removed one to bring back */
  async restore(id: string): Promise<boolean> {
    return this.change(id, { removed_at: null }, 'removed');
  }

  private async change(id: string, values: Partial<PlanChange>, state: 'kept' | 'removed'): Promise<boolean> {
    const result = await this.db
      .updateTable('plan')
      .set(values)
      .where('id', '=', id)
      .where('removed_at', state === 'kept' ? 'is' : 'is not', null)
      .executeTakeFirst();
    return result.numUpdatedRows > 0n;
  }
}
