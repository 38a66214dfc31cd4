import type { Book } from '@inky-shoal/core';
import type { PracticeEvent } from '@inky-shoal/core/drill';
import Dexie, { type Table } from 'dexie';

/** How far an event has come: it waits here, the server has it, or the server refused it. */
export const WAITING = 0;
export const SENT = 1;
export const REFUSED = 2;

export interface KeptPractice {
  readonly id: string;
  readonly event: PracticeEvent;
  readonly state: typeof WAITING | typeof SENT | typeof REFUSED;
}

/** What was practised in a book, on this device, and how far this device has heard from the server. */
export class PracticeDb extends Dexie {
  readonly events!: Table<KeptPractice, string>;
  readonly facts!: Table<{ readonly name: string; readonly value: number }, string>;

  constructor(book: Book) {
    super(`inky-practice-${book}`, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, state', facts: 'name' });
  }
}
