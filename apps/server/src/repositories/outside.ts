import type * as z from 'zod';
import { inBatches } from '../db/in-batches.js';
import type { Db } from '../db/open.js';
import type { OutsideStateTable } from '../db/schema.js';

/** What days tell; a forecast stays as it was made, by its lead in days, beside the weather that came. */
export type OutsideKind = 'weather' | 'gauge' | 'tide-gauge' | `forecast-${number}`;

/** How a source stood when it was last asked. */
export interface KeptState {
  readonly source: string | null;
  readonly issuedAt: string | null;
  readonly answeredAt: string | null;
  readonly askedAt: string | null;
  readonly failure: string | null;
}

const toState = (row: OutsideStateTable): KeptState => ({
  source: row.source,
  issuedAt: row.issued_at,
  answeredAt: row.answered_at,
  askedAt: row.asked_at,
  failure: row.failure,
});

const DAYS_AT_ONCE = 250;

/** What was brought from outside, water by water, kept for when the outside does not answer. */
export class OutsideRepository {
  constructor(private readonly db: Db) {}

  /** Days of one kind, earliest first. */
  async days<T extends z.ZodType>(waterId: string, kind: OutsideKind, shape: T): Promise<z.output<T>[]> {
    const rows = await this.db
      .selectFrom('outside_day')
      .select('day')
      .where('water_id', '=', waterId)
      .where('kind', '=', kind)
      .orderBy('date')
      .execute();
    return rows.map(({ day }) => shape.parse(JSON.parse(day)));
  }

  /** Days of these dates that are kept. */
  async daysOn<T extends z.ZodType>(
    waterId: string,
    kind: OutsideKind,
    dates: readonly string[],
    shape: T,
  ): Promise<z.output<T>[]> {
    const rows = await this.db
      .selectFrom('outside_day')
      .select('day')
      .where('water_id', '=', waterId)
      .where('kind', '=', kind)
      .where('date', 'in', dates)
      .orderBy('date')
      .execute();
    return rows.map(({ day }) => shape.parse(JSON.parse(day)));
  }

  /** Lets go of days. @returns how many there were */
  async removeDays(waterId: string, kind: OutsideKind, dates: readonly string[]): Promise<number> {
    const { numDeletedRows } = await this.db
      .deleteFrom('outside_day')
      .where('water_id', '=', waterId)
      .where('kind', '=', kind)
      .where('date', 'in', dates)
      .executeTakeFirstOrThrow();
    return Number(numDeletedRows);
  }

  /** Lets go of days before a date. */
  async removeBefore(waterId: string, kind: OutsideKind, date: string): Promise<void> {
    await this.db
      .deleteFrom('outside_day')
      .where('water_id', '=', waterId)
      .where('kind', '=', kind)
      .where('date', '<', date)
      .execute();
  }

  async state(waterId: string, kind: OutsideKind): Promise<KeptState | undefined> {
    const row = await this.db
      .selectFrom('outside_state')
      .selectAll()
      .where('water_id', '=', waterId)
      .where('kind', '=', kind)
      .executeTakeFirst();
    return row && toState(row);
  }

  /** Keeps days over those of the same dates, and how the source stands. */
  async keep(
    waterId: string,
    kind: OutsideKind,
    days: readonly { readonly date: string }[],
    state: KeptState,
  ): Promise<void> {
    await this.db.transaction().execute(async (db) => {
      const kept = new OutsideRepository(db);
      await kept.keepDays(waterId, kind, days);
      await kept.keepState(waterId, kind, state);
    });
  }

  /** Keeps days over those of the same dates. */
  async keepDays(waterId: string, kind: OutsideKind, days: readonly { readonly date: string }[]): Promise<void> {
    await inBatches(days, DAYS_AT_ONCE, (batch) =>
      this.db
        .insertInto('outside_day')
        .values(batch.map((day) => ({ water_id: waterId, kind, date: day.date, day: JSON.stringify(day) })))
        .onConflict((conflict) =>
          conflict.columns(['water_id', 'kind', 'date']).doUpdateSet((set) => ({ day: set.ref('excluded.day') })),
        )
        .execute(),
    );
  }

  async keepState(waterId: string, kind: OutsideKind, state: KeptState): Promise<void> {
    const row = {
      source: state.source,
      issued_at: state.issuedAt,
      answered_at: state.answeredAt,
      asked_at: state.askedAt,
      failure: state.failure,
    };
    await this.db
      .insertInto('outside_state')
      .values({ water_id: waterId, kind, ...row })
      .onConflict((conflict) => conflict.columns(['water_id', 'kind']).doUpdateSet(row))
      .execute();
  }
}
