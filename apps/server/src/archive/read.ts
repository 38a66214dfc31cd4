import { closeSync, openSync, readSync } from 'node:fs';
import { Unzip, UnzipInflate } from 'fflate';
import { openFile, type BookFile } from '../db/file.js';
import { ARCHIVED, ArchiveAbout, type ArchivedTable } from './tables.js';

/** An archive that cannot be taken, in a sentence that says where. */
export class ArchiveProblem extends Error {
  readonly code = 'INKY_ARCHIVE';
}

const PIECE_BYTES = 65_536;
/** More than this does not come out of an archive, nor more files. */
const MAX_BYTES = 4e9;
const MAX_ENTRY_BYTES = 500e6;
const MAX_ENTRIES = 100_000;
const MAX_ENTRIES_WORDS = `expected at most ${MAX_ENTRIES} files`;

/** Goes through a zip on the disk and gives the files that are asked for, one by one. */
function eachFile(
  archive: string,
  wanted: (name: string) => boolean,
  take: (name: string, bytes: Uint8Array) => void,
): void {
  let [total, entries] = [0, 0];
  const unzip = new Unzip((entry) => {
    if (++entries > MAX_ENTRIES) throw new ArchiveProblem(`This archive has too many files: ${MAX_ENTRIES_WORDS}.`);
    if (!wanted(entry.name)) return;
    const pieces: Uint8Array[] = [];
    let bytes = 0;
    entry.ondata = (error, piece, last) => {
      if (error) throw new ArchiveProblem(`${entry.name} is damaged in this archive.`);
      bytes += piece.length;
      total += piece.length;
      if (bytes > MAX_ENTRY_BYTES || total > MAX_BYTES)
        throw new ArchiveProblem(`${entry.name} unpacks to more than can be taken.`);
      pieces.push(piece);
      if (last) take(entry.name, Buffer.concat(pieces));
    };
    entry.start();
  });
  unzip.register(UnzipInflate);
  const opened = openSync(archive, 'r');
  const piece = Buffer.alloc(PIECE_BYTES);
  try {
    for (let read = readSync(opened, piece); ;) {
      const next = Buffer.alloc(PIECE_BYTES);
      const more = readSync(opened, next);
      unzip.push(Uint8Array.from(piece.subarray(0, read)), more === 0);
      if (more === 0) break;
      next.copy(piece);
      read = more;
    }
  } catch (error) {
    if (error instanceof ArchiveProblem) throw error;
    throw new ArchiveProblem(
      'This is no archive of Inky Shoal, or it is damaged: expected a zip file that was written here.',
    );
  } finally {
    closeSync(opened);
  }
}

const utf8 = new TextDecoder('utf-8', { fatal: true });

function linesOf(name: string, bytes: Uint8Array): string[] {
  try {
    return utf8.decode(bytes).split('\n').filter(Boolean);
  } catch {
    throw new ArchiveProblem(`${name} is no text: expected UTF-8.`);
  }
}

/** Puts the lines of a table into the book. @returns its rows' files of bytes, with the rows they belong to */
function takeLines(book: BookFile, table: ArchivedTable, lines: readonly string[]): Map<string, number> {
  const { table: name, file, line: shape, json, bytes } = table;
  const files = new Map<string, number>();
  lines.forEach((text, index) => {
    const where = `${file} line ${index + 1}`;
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch {
      throw new ArchiveProblem(`${where}: expected a line of JSON.`);
    }
    const checked = shape.safeParse(value);
    if (!checked.success) {
      const [issue] = checked.error.issues;
      throw new ArchiveProblem(
        `${where}: ${issue?.path.length ? `${issue.path.join('.')}: ` : ''}${issue?.message ?? 'another shape'}.`,
      );
    }
    const row = checked.data as Record<string, unknown>;
    const columns = [...Object.keys(row), ...(bytes ? [bytes.column] : [])];
    const values = Object.entries(row).map(([column, each]) =>
      json.includes(column) && each !== null ? JSON.stringify(each) : each,
    );
    try {
      book.run(
        `insert into ${name} (${columns.map((column) => `"${column}"`).join(', ')}) values (${columns.map(() => '?').join(', ')})`,
        ...values,
        ...(bytes ? [Buffer.alloc(0)] : []),
      );
    } catch (error) {
      throw new ArchiveProblem(`${where}: it cannot go into the book. ${(error as Error).message}.`);
    }
    if (bytes) files.set(bytes.fileOf(row), Number(book.all('select last_insert_rowid() as id')[0]?.['id']));
  });
  return files;
}

/**
 * Reads an archive into a new book that has its tables already: all of it, or an ArchiveProblem that says where it is
 * wrong. @returns what the archive says of itself
 */
export function readArchive(archiveFile: string, bookFile: string): ArchiveAbout {
  const files = new Map<string, Uint8Array>();
  const named = new Set(['about.json', ...ARCHIVED.map(({ file }) => file)]);
  eachFile(
    archiveFile,
    (name) => named.has(name),
    (name, bytes) => files.set(name, bytes),
  );
  const about = ArchiveAbout.safeParse(
    JSON.parse(linesOf('about.json', files.get('about.json') ?? Buffer.from('{}')).join('\n')),
  );
  if (!about.success) {
    throw new ArchiveProblem(
      'This is no archive that can be read here: expected about.json with form inky-shoal-archive, version 1.',
    );
  }
  const book = openFile(bookFile);
  try {
    book.run('pragma foreign_keys = off');
    book.run('begin');
    const waiting = new Map<string, { table: ArchivedTable; row: number }>();
    for (const table of ARCHIVED) {
      const bytes = files.get(table.file);
      if (!bytes) throw new ArchiveProblem(`${table.file} is missing in this archive.`);
      for (const [file, row] of takeLines(book, table, linesOf(table.file, bytes))) waiting.set(file, { table, row });
      files.delete(table.file);
    }
    eachFile(
      archiveFile,
      (name) => waiting.has(name),
      (name, bytes) => {
        const found = waiting.get(name);
        if (!found) return;
        book.run(
          `update ${found.table.table} set ${found.table.bytes?.column} = ? where rowid = ?`,
          Buffer.from(bytes),
          found.row,
        );
        waiting.delete(name);
      },
    );
    const [missing] = waiting.keys();
    if (missing) throw new ArchiveProblem(`${missing} is missing in this archive.`);
    book.run('commit');
    book.run('pragma wal_checkpoint(truncate)');
    return about.data;
  } finally {
    book.close();
  }
}
