import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import Database from 'libsql';

/** A book's file as the driver has it, for what is done beside the tables: looking it through, copying it. */
export interface BookFile {
  readonly all: (sql: string, ...values: unknown[]) => Record<string, unknown>[];
  readonly run: (sql: string, ...values: unknown[]) => void;
  readonly close: () => void;
}

/** Opens a file without looking at what is in it. */
export function openFile(file: string): BookFile {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const database = new Database(file, { timeout: 3000 } as never);
  interface Statement {
    run: (...values: unknown[]) => unknown;
  }
  const insertions = new Map<string, Statement>();
  return {
    all: (sql, ...values) => database.prepare(sql).all(...values) as Record<string, unknown>[],
    run: (sql, ...values) => {
      // What takes values comes again and again: it is made ready once.
      const statement = insertions.get(sql) ?? (database.prepare(sql) as unknown as Statement);
      if (values.length) insertions.set(sql, statement);
      statement.run(...values);
    },
    close: () => database.close(),
  };
}

/** What the journal of a file is called: writes that are not folded into it yet. */
export const journalsOf = (file: string): string[] => [`${file}-wal`, `${file}-shm`];

/** Lets nobody else on this machine read a book. */
export function keepPrivate(file: string): void {
  for (const each of [file, ...journalsOf(file)]) if (existsSync(each)) chmodSync(each, 0o600);
}

/** Bytes of a blob, however the driver gives it. */
export const bytesOf = (value: unknown): Uint8Array | null =>
  value === null || value === undefined ? null : new Uint8Array(value as ArrayBuffer);
