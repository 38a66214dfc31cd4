import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Kysely, Migrator, sql, SqliteAdapter, SqliteDialect } from 'kysely';
import Database from 'libsql';
import { firstTables } from './migrations/0001-first-tables.js';
import { season } from './migrations/0002-season.js';
import { tackle } from './migrations/0003-tackle.js';
import { chart } from './migrations/0004-chart.js';
import { trips } from './migrations/0005-trips.js';
import { safe } from './migrations/0006-safe.js';
import { runs } from './migrations/0007-runs.js';
import { recordOfPlan } from './migrations/0008-record.js';
import { practice } from './migrations/0009-practice.js';
import { keepPrivate } from './file.js';
import type { Tables } from './schema.js';
import { BookTrouble } from './trouble.js';

/** Migrations in order. A migration that has been released is never edited; a change is a new one. */
const MIGRATIONS = {
  '0001-first-tables': firstTables,
  '0002-season': season,
  '0003-tackle': tackle,
  '0004-chart': chart,
  '0005-trips': trips,
  '0006-safe': safe,
  '0007-runs': runs,
  '0008-record': recordOfPlan,
  '0009-practice': practice,
};
/** Names of all migrations, in order. */
export const MIGRATION_NAMES: readonly string[] = Object.keys(MIGRATIONS);

export type Db = Kysely<Tables>;

/** SQLite changes tables within a transaction like anything else: all steps hold, or none where one is cut off. */
class BookDialect extends SqliteDialect {
  override createAdapter(): SqliteAdapter {
    return new (class extends SqliteAdapter {
      override get supportsTransactionalDdl(): boolean {
        return true;
      }
    })();
  }
}

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
  const db = new Kysely<Tables>({ dialect: new BookDialect({ database: database as never }) });
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve(MIGRATIONS) } });
  const { error } = await migrator.migrateToLatest();
  if (error) {
    await db.destroy();
    const { code } = error as { code?: string };
    const words = `The book ${file} could not be brought up to date and stands as it was: start the version that wrote it, or go back to a backup with npm run restore.`;
    throw Object.assign(new BookTrouble(words, { cause: error }), { code });
  }
  keepPrivate(file);
  return db;
}

/** Folds the journal into the file, so that the file alone is the whole book, and closes it. */
export async function closeDb(db: Db): Promise<void> {
  await sql`pragma wal_checkpoint(truncate)`.execute(db);
  await db.destroy();
}
