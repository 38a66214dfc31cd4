import { closeSync, fsyncSync, openSync, renameSync, rmSync } from 'node:fs';
import { openFile, keepPrivate } from './file.js';
import { countsOf, type Counts } from './check.js';

/** What a copy holds, as counted in it after it was made. */
export interface Copied {
  readonly counts: Counts;
  readonly bytes: number;
}

/**
 * Copies a book while others write to it (VACUUM INTO), looks the copy through, and only then gives it its name: what
 * bears the name of a backup is one.
 * @throws where the copy is not whole
 */
export function copyBook(from: string, to: string): Copied {
  const making = `${to}.making`;
  rmSync(making, { force: true });
  const book = openFile(from);
  try {
    book.run('vacuum into ?', making);
  } finally {
    book.close();
  }
  const copy = openFile(making);
  let counts: Counts;
  let bytes: number;
  try {
    const [whole] = copy.all('select cast(quick_check as blob) as words from pragma_quick_check(1)');
    if (Buffer.from((whole?.['words'] ?? '') as ArrayBuffer).toString('latin1') !== 'ok')
      throw new Error('The copy is not whole');
    counts = countsOf(copy);
    bytes = Number(
      copy.all('select page_count * page_size as bytes from pragma_page_count, pragma_page_size')[0]?.['bytes'],
    );
  } finally {
    copy.close();
  }
  keepPrivate(making);
  const written = openSync(making, 'r');
  fsyncSync(written);
  closeSync(written);
  renameSync(making, to);
  return { counts, bytes };
}
