/**
 * Looks books through, copies and salvages them, and makes archives of them, in a process of its own: a damaged file may
 * end it, and a large one takes its time, while the server goes on. Each piece of work loads only what it wants.
 */
const [what, first, second, third, fourth] = process.argv.slice(2) as [string, string, string, string, string];

/** Makes a book with its tables, for what is put into it. */
async function newBook(file: string): Promise<void> {
  const { closeDb, openDb } = await import('./open.js');
  await closeDb(await openDb(file));
}

const WORK: Readonly<Record<string, () => Promise<unknown>>> = {
  check: async () => (await import('./check.js')).checkBook(first),
  copy: async () => (await import('./copy.js')).copyBook(first, second),
  counts: async () => {
    const [{ countsOf }, { openFile }] = [await import('./check.js'), await import('./file.js')];
    const book = openFile(first);
    try {
      return countsOf(book);
    } finally {
      book.close();
    }
  },
  salvage: async () => {
    // Its tables are made here: a file that the server itself had open could not take the damaged one's place.
    await newBook(second);
    return (await import('./salvage.js')).salvage(first, second);
  },
  'write-archive': async () => (await import('../archive/write.js')).writeArchive(first, second, third, fourth),
  'read-archive': async () => {
    await newBook(second);
    return (await import('../archive/read.js')).readArchive(first, second);
  },
};

try {
  process.stdout.write(JSON.stringify({ done: await WORK[what]?.() }));
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  process.stdout.write(JSON.stringify({ failed: { code, message } }));
}

// A module of its own, with nothing to lend.
export {};
