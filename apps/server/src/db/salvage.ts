import { isUtf8 } from 'node:buffer';
import { bytesOf, openFile, type BookFile } from './file.js';
import { columnsIn } from './check.js';
import { BOOK_TABLES, TEXT_COLUMNS, type BookTable } from './text-columns.js';

/** What came out of a damaged book: rows by table, and how many places could not be read. */
export interface Salvaged {
  readonly rows: Partial<Record<BookTable, number>>;
  readonly gaps: number;
}

/** So many steps without a row, each longer than the one before, and a table is at its end. */
const MAX_MISSES = 40;
const ROWS_AT_ONCE = 200;

const BLOB_COLUMNS: Partial<Record<BookTable, readonly string[]>> = {
  photo: ['bytes'],
  chart: ['bed'],
  damaged_row: ['row'],
};
const NUMBER_COLUMNS: Partial<Record<BookTable, readonly string[]>> = {
  reading: ['surface_temp_c', 'visibility_m', 'suspect', 'version'],
  water: ['version'],
  plan: ['version'],
  tackle: ['version'],
  chart_feature: ['version'],
  trip_event: ['arrived'],
  practice_event: ['arrived'],
  history: ['id', 'version'],
};

/** Goes through the rows of a table by their numbers and jumps over pages that cannot be read. */
function* readableRows(book: BookFile, table: BookTable, columns: string): Generator<Record<string, unknown>, number> {
  let after = -1;
  let misses = 0;
  let gaps = 0;
  while (misses < MAX_MISSES) {
    try {
      const rows = book.all(
        `select rowid as row_number, ${columns} from ${table} where rowid > ? order by rowid limit ?`,
        after,
        misses ? 1 : ROWS_AT_ONCE,
      );
      if (!rows.length) return gaps;
      if (misses) gaps++;
      misses = 0;
      for (const row of rows) {
        yield row;
        after = Number(row['row_number']);
      }
    } catch {
      // The next page begins somewhere behind: steps double, so that a large hole is passed too.
      after += misses < 12 ? 1 : 2 ** (misses - 12);
      misses++;
    }
  }
  return gaps + 1;
}

/**
 * Copies what can be read of a damaged book into a new one that has its tables already. Foreign keys are off: a reading
 * whose water is gone is a reading still.
 */
export function salvage(from: string, to: string): Salvaged {
  const [damaged, whole] = [openFile(from), openFile(to)];
  const rows: Partial<Record<BookTable, number>> = {};
  let gaps = 0;
  try {
    whole.run('pragma foreign_keys = off');
    for (const table of BOOK_TABLES) {
      const wanted = [...TEXT_COLUMNS[table], ...(BLOB_COLUMNS[table] ?? []), ...(NUMBER_COLUMNS[table] ?? [])];
      let columns: string[];
      try {
        const there = new Set(columnsIn(whole, table, wanted));
        columns = columnsIn(damaged, table, wanted).filter((column) => there.has(column));
      } catch {
        gaps++;
        continue;
      }
      if (!columns.length) continue;
      const text = new Set<string>(TEXT_COLUMNS[table]);
      const select = columns.map((column) =>
        text.has(column) ? `cast("${column}" as blob) as "${column}"` : `"${column}"`,
      );
      const values = columns.map((column) => (text.has(column) ? 'cast(? as text)' : '?'));
      const insert = `insert or ignore into ${table} (${columns.map((column) => `"${column}"`).join(', ')}) values (${values.join(', ')})`;
      const reader = readableRows(damaged, table, select.join(', '));
      let count = 0;
      whole.run('begin');
      for (let next = reader.next(); ; next = reader.next()) {
        if (next.done) {
          gaps += next.value;
          break;
        }
        const row = next.value;
        const given = columns.map((column) => {
          const value = row[column] ?? null;
          return value instanceof ArrayBuffer ? Buffer.from(value) : value;
        });
        const readable = columns.every(
          (column) => !text.has(column) || isUtf8(bytesOf(row[column]) ?? new Uint8Array()),
        );
        if (!readable) {
          gaps++;
          continue;
        }
        try {
          whole.run(insert, ...given);
          count++;
        } catch {
          // A row that breaks the rules of its table is no row any more.
          gaps++;
        }
      }
      whole.run('commit');
      if (count) rows[table] = count;
    }
    // The file alone is to be the book.
    whole.run('pragma wal_checkpoint(truncate)');
    return { rows, gaps };
  } finally {
    damaged.close();
    whole.close();
  }
}
