import type { Book } from '@inky-shoal/core';
import type { LogbookRow } from '@inky-shoal/core/logbook';
import Dexie, { type Table } from 'dexie';

/** The lines of a logbook. */
export interface ToldRows {
  /** Of which notes, and by which names of waters, they tell. */
  readonly of: string;
  readonly rows: readonly LogbookRow[];
}

/** The same as they are kept. */
interface KeptRows extends ToldRows {
  readonly name: 'rows';
}

/**
 * Lines of the logbook kept in this browser, so that a long log stands at once: all of it can be told anew from the notes
 * and may be lost.
 */
class RowsDb extends Dexie {
  readonly kept!: Table<KeptRows, string>;

  constructor(book: Book) {
    super(`inky-log-rows-${book}`);
    this.version(1).stores({ kept: 'name' });
  }
}

const dbs = new Map<Book, RowsDb>();

function rowsDb(book: Book): RowsDb {
  let db = dbs.get(book);
  if (!db) dbs.set(book, (db = new RowsDb(book)));
  return db;
}

/** The lines as they were kept; null where none are, or this browser keeps nothing. */
export const readRows = (book: Book): Promise<ToldRows | null> =>
  rowsDb(book)
    .kept.get('rows')
    .then((kept) => kept ?? null)
    .catch(() => null);

/** Keeps the lines; where there is no room they are told anew next time. */
export const writeRows = (book: Book, of: string, rows: readonly LogbookRow[]): Promise<void> =>
  rowsDb(book)
    .kept.put({ name: 'rows', of, rows })
    .then(() => undefined)
    .catch(() => undefined);
