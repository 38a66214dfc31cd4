import { closeSync, openSync, writeSync } from 'node:fs';
import { ENGINE_VERSION } from '@inky-shoal/core';
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { openFile } from '../db/file.js';
import { openForms, type OpenRows } from './open-forms.js';
import { ARCHIVED, OWN_FACTS, type ArchiveAbout, type ArchivedTable } from './tables.js';

type Row = Record<string, unknown>;

/** Puts files one after the other into a zip that grows on the disk. */
class ZipFile {
  private readonly opened: number;
  private readonly zip: Zip;
  private failure: Error | undefined;

  constructor(file: string) {
    this.opened = openSync(file, 'w', 0o600);
    this.zip = new Zip((error, piece) => {
      if (error) this.failure = error;
      else writeSync(this.opened, piece);
    });
  }

  /** @param packed whether the bytes are packed already, as photographs are */
  add(name: string, bytes: Uint8Array, packed = false): void {
    const entry = packed ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    this.zip.add(entry);
    entry.push(bytes, true);
    if (this.failure) throw this.failure;
  }

  close(): void {
    this.zip.end();
    closeSync(this.opened);
  }
}

const bytes = (value: unknown): Uint8Array => new Uint8Array(value as ArrayBuffer);

/** A row as its line tells it: columns by name, JSON as what it holds, bytes left to a file of their own. */
function told(row: Row, { json, bytes: own }: ArchivedTable): Row {
  const line: Row = {};
  for (const [column, value] of Object.entries(row)) {
    if (column === own?.column) continue;
    line[column] = json.includes(column) && typeof value === 'string' ? (JSON.parse(value) as unknown) : value;
  }
  return line;
}

/**
 * Writes all of a book into one zip: lines of JSON by table, photographs, charts, and the forms that other programs read.
 * The book is read as it stood at one moment, however long it takes. @returns rows by table
 */
export function writeArchive(
  bookFile: string,
  archiveFile: string,
  book: string,
  madeAt: string,
): Record<string, number> {
  const from = openFile(bookFile);
  const zip = new ZipFile(archiveFile);
  const counts: Record<string, number> = {};
  const kept: Record<string, Row[]> = {};
  try {
    from.run('begin');
    for (const table of ARCHIVED) {
      const { table: name, order, file, bytes: own } = table;
      const rows = from
        .all(`select * from ${name} order by ${order}`)
        .filter((row) => name !== 'fact' || !OWN_FACTS.has(String(row['name'])));
      const lines = rows.map((row) => told(row, table));
      zip.add(file, strToU8(lines.map((line) => `${JSON.stringify(line)}\n`).join('')));
      if (own) rows.forEach((row) => zip.add(own.fileOf(row), bytes(row[own.column]), true));
      counts[name] = rows.length;
      kept[name] = lines.filter(({ removed_at }) => removed_at === undefined || removed_at === null);
    }
    for (const [file, text] of openForms(kept as OpenRows)) zip.add(file, strToU8(text));
    const about: ArchiveAbout = {
      form: 'inky-shoal-archive',
      version: 1,
      book,
      engineVersion: ENGINE_VERSION,
      madeAt,
      rows: counts,
    };
    zip.add('about.json', strToU8(`${JSON.stringify(about, null, 2)}\n`));
    return counts;
  } finally {
    zip.close();
    from.run('rollback');
    from.close();
  }
}
