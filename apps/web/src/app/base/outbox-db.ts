import Dexie, { liveQuery, type Table } from 'dexie';
import type { Write } from './api.service';

/** A write that waits for the server, in the order in which it was made. */
export interface WaitingWrite {
  readonly seq?: number;
  readonly write: Write;
  readonly at: string;
}

/** A write that had waited and that the server refused: kept until the user has seen to it. */
export interface RefusedWrite extends WaitingWrite {
  readonly why: string;
}

/** Writes of this browser, one row each, so that two windows never write over one another. */
export class OutboxDb extends Dexie {
  readonly waiting!: Table<WaitingWrite, number>;
  readonly refused!: Table<RefusedWrite, number>;

  constructor() {
    // A change is on the disk when it is said to be kept.
    super('inky-outbox', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ waiting: '++seq', refused: '++seq' });
  }

  /** Calls back with how many wait and how many were refused, now and after every change in any window. */
  watch(told: (counts: { waiting: number; refused: number }) => void): { unsubscribe(): void } {
    return liveQuery(async () => ({
      waiting: await this.waiting.count(),
      refused: await this.refused.count(),
    })).subscribe(told);
  }
}
