/** Why a book cannot be opened, in a sentence with the way out. */
export class BookTrouble extends Error {}

/** A book that cannot be asked just now. */
export class BookAway extends Error {}

const BY_CODE: readonly (readonly [code: RegExp, words: (file: string) => string])[] = [
  [/^(SQLITE_FULL|ENOSPC)/, (file) => `The disk of ${file} is full: free some room there, then start again.`],
  [
    /^(SQLITE_READONLY|SQLITE_CANTOPEN|EROFS|EACCES|EPERM|ENOTDIR)/,
    (file) => `${file} may not be written to: give this user leave to write there, or set INKY_DATA to another folder.`,
  ],
  [
    /^(SQLITE_BUSY|SQLITE_LOCKED)/,
    (file) => `${file} is held by another program: close that program, then start again.`,
  ],
];

/** An error of the system or of the database as one sentence with the way out; others as they are. */
export function inWords(error: unknown, file: string): unknown {
  const { code, cause } = error as { code?: unknown; cause?: { code?: unknown } };
  const told = String(code ?? cause?.code ?? '');
  const known = BY_CODE.find(([codes]) => codes.test(told));
  return known ? new BookTrouble(known[1](file), { cause: error }) : error;
}
