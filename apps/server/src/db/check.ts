import { isUtf8 } from 'node:buffer';
import { existsSync, statSync } from 'node:fs';
import { BOOK_TABLES, FETCHED_TABLES, TEXT_COLUMNS, type BookTable } from './text-columns.js';
import { bytesOf, openFile, type BookFile } from './file.js';

/** So many rows, by table. */
export type Counts = Partial<Record<BookTable, number>>;

/**
 * What a book's file is like: there is none yet; it is whole; rows of it hold no text and were set aside; pages of it are
 * damaged; it is no book at all.
 */
export type BookCheck =
  | { readonly state: 'none' }
  | { readonly state: 'whole'; readonly migrations: readonly string[]; readonly counts: Counts }
  | {
      readonly state: 'rows';
      readonly migrations: readonly string[];
      readonly counts: Counts;
      readonly setAside: Counts;
    }
  | { readonly state: 'pages' | 'unreadable'; readonly words: string };

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;
/** A column as bytes whatever it holds, under its own name. */
const asBytes = (column: string): string => `cast(${quoted(column)} as blob) as ${quoted(column)}`;

const utf8 = (value: unknown): boolean => {
  const bytes = bytesOf(value);
  return bytes === null || isUtf8(bytes);
};

/** All columns of a table; none where there is no such table. */
function allColumns(book: BookFile, table: string): string[] {
  const found = book.all(`select cast(name as blob) as name from pragma_table_info('${table}')`);
  return found.map(({ name }) => Buffer.from(bytesOf(name) ?? []).toString('latin1'));
}

/** Columns that a table has, of those asked for; none where there is no such table. */
export function columnsIn(book: BookFile, table: string, wanted: readonly string[]): string[] {
  const names = new Set(allColumns(book, table));
  return wanted.filter((column) => names.has(column));
}

/** Rowids of rows that hold text which is none. */
function unreadableRows(book: BookFile, table: BookTable): number[] {
  const columns = columnsIn(book, table, TEXT_COLUMNS[table]);
  if (!columns.length) return [];
  const found: number[] = [];
  const at = 'rowid as row_number';
  for (const row of book.all(`select ${at}, ${columns.map(asBytes).join(', ')} from ${table}`)) {
    if (!columns.every((column) => utf8(row[column]))) found.push(Number(row['row_number']));
  }
  return found;
}

/** A row as it lies there, every column by name, bytes as hexadecimal: kept for whoever can make something of it. */
function rowAsBytes(book: BookFile, table: BookTable, row: number): Uint8Array {
  const columns = allColumns(book, table);
  const [found = {}] = book.all(`select ${columns.map(asBytes).join(', ')} from ${table} where rowid = ?`, row);
  const hex = Object.entries(found).map(([name, value]) => [name, Buffer.from(bytesOf(value) ?? []).toString('hex')]);
  return Buffer.from(JSON.stringify(Object.fromEntries(hex)));
}

const ASIDE = `create table if not exists damaged_row (
  from_table text not null, found_at text not null, row blob not null) strict`;

/** Takes rows that are no text out of their tables, so that nobody stumbles over them; nothing that hangs on them goes. */
function setAside(book: BookFile): Counts {
  const counts: Counts = {};
  book.run('pragma foreign_keys = off');
  for (const table of BOOK_TABLES) {
    const rows = unreadableRows(book, table);
    if (!rows.length) continue;
    book.run('begin immediate');
    book.run(ASIDE);
    for (const row of rows) {
      book.run(
        'insert into damaged_row values (?, ?, ?)',
        table,
        new Date().toISOString(),
        rowAsBytes(book, table, row),
      );
      book.run(`delete from ${table} where rowid = ?`, row);
    }
    book.run('commit');
    counts[table] = rows.length;
  }
  for (const [table, wanted] of Object.entries(FETCHED_TABLES)) {
    const columns = columnsIn(book, table, wanted);
    if (!columns.length) continue;
    const rows = book.all(`select ${columns.map(asBytes).join(', ')} from ${table}`);
    if (rows.every((row) => columns.every((column) => utf8(row[column])))) continue;
    book.run(`delete from ${table}`);
  }
  return counts;
}

/** Migrations that a book went through; throws where their names are no text. */
function migrationsOf(book: BookFile): string[] {
  if (!columnsIn(book, 'kysely_migration', ['name']).length) return [];
  return book
    .all('select cast(name as blob) as name, cast(timestamp as blob) as timestamp from kysely_migration')
    .map(({ name, timestamp }) => {
      if (!utf8(name) || !utf8(timestamp)) throw new Error('the list of its versions is damaged');
      return Buffer.from(bytesOf(name) ?? []).toString();
    })
    .sort();
}

/** Tables that hold what the user wrote, not what the book keeps for itself. */
const OWN_TABLES = BOOK_TABLES.filter((table) => !['fact', 'history', 'damaged_row'].includes(table));

/** Notes, plans and the like that a book holds, removed ones too, by table. */
export function countsOf(book: BookFile): Counts {
  const counts: Counts = {};
  for (const table of OWN_TABLES) {
    if (!columnsIn(book, table, TEXT_COLUMNS[table]).length) continue;
    counts[table] = Number(book.all(`select count(*) as rows from ${table}`)[0]?.['rows'] ?? 0);
  }
  return counts;
}

export const sumOf = (counts: Counts): number => Object.values(counts).reduce((sum, count) => sum + count, 0);

/**
 * Looks a book's file through before anything is read from it: its pages, its list of tables, and whether what should be
 * text is text. Rows that are not are set aside in the file itself. Text is only ever read as bytes here, since the
 * driver ends the whole program over text that is none.
 */
export function checkBook(file: string): BookCheck {
  if (!existsSync(file) || statSync(file).size === 0) return { state: 'none' };
  let book: BookFile | undefined;
  try {
    book = openFile(file);
    const words = book
      .all('select cast(quick_check as blob) as words from pragma_quick_check(20)')
      .map((row) => Buffer.from(bytesOf(row['words']) ?? []).toString('latin1'));
    if (words.join() !== 'ok') return { state: 'pages', words: words.slice(0, 3).join('; ') };
    const schema = book.all('select cast(name as blob) as name, cast(sql as blob) as sql from sqlite_schema');
    if (!schema.every(({ name, sql }) => utf8(name) && utf8(sql)))
      return { state: 'pages', words: 'the list of its tables is damaged' };
    const migrations = migrationsOf(book);
    const aside = setAside(book);
    const counts = countsOf(book);
    return Object.keys(aside).length
      ? { state: 'rows', migrations, counts, setAside: aside }
      : { state: 'whole', migrations, counts };
  } catch (error) {
    const { code = '', message } = error as { code?: string; message: string };
    return { state: code === 'SQLITE_NOTADB' ? 'unreadable' : 'pages', words: message };
  } finally {
    try {
      book?.close();
    } catch {
      // A file that cannot even be closed was told already.
    }
  }
}
