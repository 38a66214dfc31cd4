import type { Book } from '@inky-shoal/core';
import { dbOf, notesMark } from '../record/device-trips';
import type { ToldRows } from '../underway/trip-db';

/** The lines as they were told last; null where none are kept, or this browser keeps nothing. */
export const readRows = (book: Book): Promise<ToldRows | null> =>
  dbOf(book)
    .told.get('rows')
    .then((kept) => kept ?? null)
    .catch(() => null);

/**
 * Keeps the lines, unless the notes have become others meanwhile: of a trip that was erased nothing is to come back. Where
 * there is no room they are told anew next time.
 */
export async function writeRows(book: Book, mark: string, told: ToldRows): Promise<void> {
  const db = dbOf(book);
  await db
    .transaction('rw', db.told, db.events, db.facts, async () => {
      if ((await notesMark(book)) === mark) await db.told.put({ name: 'rows', ...told });
    })
    .catch(() => undefined);
}
