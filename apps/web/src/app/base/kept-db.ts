import Dexie, { type Table } from 'dexie';

/** A value of this browser under its name, as text; null where it was removed. */
export interface KeptRow {
  readonly name: string;
  readonly text: string | null;
  /** When it was written, milliseconds, later for every write. */
  readonly at: number;
}

/** What the page keeps for itself (days begun, runs, settings): a row each, so that no window writes over another's. */
export class KeptDb extends Dexie {
  readonly rows!: Table<KeptRow, string>;

  constructor() {
    // What is said to be kept is on the disk, whatever happens to the phone a moment later.
    super('inky-kept', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ rows: 'name' });
  }
}
