import { checkBook, countsOf } from './check.js';
import { openFile } from './file.js';
import { copyBook } from './copy.js';
import { closeDb, openDb } from './open.js';
import { salvage } from './salvage.js';

/**
 * Looks books through, copies and salvages them, in a process of its own: a damaged file may end it, and a large one
 * takes its time, while the server goes on.
 */
const [what, ...files] = process.argv.slice(2) as [string, string, string];
const work: Readonly<Record<string, () => unknown>> = {
  check: () => checkBook(files[0]),
  copy: () => copyBook(files[0], files[1]),
  counts: () => {
    const book = openFile(files[0]);
    try {
      return countsOf(book);
    } finally {
      book.close();
    }
  },
  salvage: async () => {
    // Its tables are made here: a file that the server itself had open could not take the damaged one's place.
    await closeDb(await openDb(files[1]));
    return salvage(files[0], files[1]);
  },
};
try {
  process.stdout.write(JSON.stringify({ done: await work[what]?.() }));
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  process.stdout.write(JSON.stringify({ failed: { code, message } }));
}
