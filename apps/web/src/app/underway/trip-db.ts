import type { Book, Conditions } from '@inky-shoal/core';
import type { LogbookRow } from '@inky-shoal/core/logbook';
import type { LearnedState } from '@inky-shoal/core/record';
import type { TripEvent } from '@inky-shoal/core/underway';
import Dexie, { type Table } from 'dexie';

/** How far an event has come: it waits here, the server has it, or the server refused it. */
export const WAITING = 0;
export const SENT = 1;
export const REFUSED = 2;

/** An event as the device keeps it. */
export interface KeptEvent {
  readonly id: string;
  readonly event: TripEvent;
  readonly state: typeof WAITING | typeof SENT | typeof REFUSED;
  /** Why the server refused it. */
  readonly why?: string;
}

/** A photo of a fish until the server has it. */
export interface KeptPhoto {
  readonly id: string;
  readonly photo: Blob;
}

/** The lines of a logbook, of which notes and by which names of waters they tell. */
export interface ToldRows {
  readonly of: string;
  readonly rows: readonly LogbookRow[];
}

/** What the trips of a kind of fishing taught, of which notes and by which rules. */
export interface KeptLearned {
  readonly discipline: Conditions['discipline'];
  readonly of: string;
  readonly by: string;
  /** From when on trips counted, as text: it may be always. */
  readonly since: string;
  /** The day of the last trip that taught, YYYY-MM-DD. */
  readonly lastTrip: string;
  readonly state: LearnedState | null;
}

/** The trips of a book on this device: what was noted, what of it the server has, and the device's own count. */
export class TripDb extends Dexie {
  readonly events!: Table<KeptEvent, string>;
  readonly photos!: Table<KeptPhoto, string>;
  /** The device's id, its count of events, and how far it has heard from the server. */
  readonly facts!: Table<{ readonly name: string; readonly value: string | number }, string>;

  /** What was told of all trips last, so that a long log stands at once; it can be told anew from the notes. */
  readonly told!: Table<ToldRows & { readonly name: 'rows' }, string>;

  /** What they taught last, so that a day is planned by it at once; it can be learnt anew from the notes. */
  readonly learned!: Table<KeptLearned, Conditions['discipline']>;

  constructor(book: Book) {
    // A note is on the disk when it is said to be kept, whatever happens to the phone a moment later.
    super(`inky-trips-${book}`, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, state', photos: 'id', facts: 'name' });
    this.version(2).stores({ told: 'name' });
    this.version(3).stores({ learned: 'discipline' });
  }
}
