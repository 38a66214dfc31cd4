import type { Book, Conditions } from '@inky-shoal/core';
import type { KeptLearned } from '../underway/trip-db';
import { dbOf, notesMark } from './device-trips';

/** What a kind of fishing had taught last; null where that is not kept, or this browser keeps nothing. */
export const readLearned = (book: Book, discipline: Conditions['discipline']): Promise<KeptLearned | null> =>
  dbOf(book)
    .learned.get(discipline)
    .then((kept) => kept ?? null)
    .catch(() => null);

/**
 * Keeps what was learnt, unless the notes have become others meanwhile: of a trip that was erased nothing is to come back.
 * Where there is no room it is learnt anew next time.
 */
export async function writeLearned(book: Book, learned: KeptLearned): Promise<void> {
  const db = dbOf(book);
  await db
    .transaction('rw', db.learned, db.events, db.facts, async () => {
      if ((await notesMark(book)) === learned.of) await db.learned.put(learned);
    })
    .catch(() => undefined);
}
