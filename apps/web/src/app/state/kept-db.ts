import Dexie, { type Table } from 'dexie';
import type { KeptRow } from './store';

/** What the page keeps for itself (days begun, runs, settings): a row each, so that no window writes over another's. */
export class KeptDb extends Dexie {
  readonly rows!: Table<KeptRow, string>;

  constructor() {
    // What is said to be kept is on the disk, whatever happens to the phone a moment later.
    super('inky-kept', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ rows: 'name' });
  }
}
