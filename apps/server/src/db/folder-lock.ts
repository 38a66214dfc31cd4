import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { BookTrouble } from './trouble.js';
import { openFile } from './file.js';

/**
 * Takes a data folder for this process until it is let go: two servers on one folder would write over one another. The
 * system itself lets go of it when the process ends, however it ends.
 * @throws BookTrouble where another has it, or where it may not be written to
 */
export function takeFolder(dataDir: string): { readonly letGo: () => void } {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const lock = openFile(join(dataDir, 'in-use.sqlite'));
  try {
    lock.run('pragma busy_timeout = 300');
    lock.run('begin exclusive');
  } catch (error) {
    lock.close();
    if (/^SQLITE_(BUSY|LOCKED)/.test(String((error as { code?: unknown }).code)))
      throw new BookTrouble(
        `The data folder ${dataDir} is in use by another Inky Shoal: stop that one, or set INKY_DATA to another folder.`,
      );
    throw error;
  }
  return {
    letGo: () => {
      // The driver closes a file when it comes to it: the lock goes at once.
      lock.run('rollback');
      lock.close();
    },
  };
}
