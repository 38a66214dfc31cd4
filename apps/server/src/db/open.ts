import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Kysely, Migrator, sql, SqliteDialect } from 'kysely';
import Database from 'libsql';
import { firstTables } from './migrations/0001-first-tables.js';
import { season } from './migrations/0002-season.js';
import { tackle } from './migrations/0003-tackle.js';
import { chart } from './migrations/0004-chart.js';
import { trips } from './migrations/0005-trips.js';
import { safe } from './migrations/0006-safe.js';
import { keepPrivate } from './file.js';
import type { Tables } from './schema.js';

/** Migrations in order. A migration that has been released is never edited; a change is a new one. */
const MIGRATIONS = {
  '0001-first-tables': firstTables,
  '0002-season': season,
  '0003-tackle': tackle,
  '0004-chart': chart,
  '0005-trips': trips,
  '0006-safe': safe,
};
/** Names of all migrations, in order. */
export const MIGRATION_NAMES: readonly string[] = Object.keys(MIGRATIONS);

export type Db = Kysely<Tables>;

/**
 * Opens a book's file and brings its tables up to date. Write-ahead log, foreign keys on, and every commit synced to
 * the disk, so that what was answered survives the machine going away.
 */
export async function openDb(file: string): Promise<Db> {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const database = new Database(file);
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  database.pragma('foreign_keys = ON');
  database.pragma('busy_timeout = 3000');
  // What is erased is written over, not only let go.
  database.pragma('secure_delete = ON');
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: database as never }) });
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve(MIGRATIONS) } });
  const { error } = await migrator.migrateToLatest();
  if (error) {
    await db.destroy();
    const { code } = error as { code?: string };
    throw Object.assign(new Error(`The book ${file} could not be brought up to date`, { cause: error }), { code });
  }
  keepPrivate(file);
  return db;
}

/** Folds the journal into the file, so that the file alone is the whole book, and closes it. */
export async function closeDb(db: Db): Promise<void> {
  await sql`pragma wal_checkpoint(truncate)`.execute(db);
  await db.destroy();
}
