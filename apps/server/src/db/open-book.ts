import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sumOf, type BookCheck, type Counts } from './check.js';
import { journalsOf } from './file.js';
import type { Keeper } from './keeper.js';
import { closeDb, MIGRATION_NAMES, openDb, type Db } from './open.js';
import { TABLE_WORDS, type BookTable } from './text-columns.js';
import { BookTrouble, inWords } from './trouble.js';

/** What was found wrong with a book when it was opened, in words. */
export interface Finding {
  readonly kind: 'rows' | 'pages' | 'unreadable' | 'emptied' | 'older';
  readonly words: string;
}

export interface OpenedBook {
  readonly db: Db;
  readonly findings: readonly Finding[];
}

export interface OpenBookOptions {
  readonly dataDir: string;
  /** Name of the book, and of its file. */
  readonly id: string;
  readonly keeper: Keeper;
  readonly now: () => Date;
  /** Called before a book is changed by a newer version of the program. */
  readonly beforeMigration: (file: string) => Promise<void>;
}

const counted = (counts: Counts): string =>
  Object.entries(counts)
    .filter(([, count]) => count > 0)
    .map(([table, count]) => `${count} ${TABLE_WORDS[table as BookTable][count === 1 ? 0 : 1]}`)
    .join(', ');

/** A name that no other file has, for what is put beside the book. */
const beside = (file: string, what: string, now: Date): string =>
  file.replace(/\.sqlite$/, `.${what}-${now.toISOString().replace(/[:.]/g, '-')}.sqlite`);

/** Moves a file with its journal, so that nothing of it is lost. */
function moveAside(file: string, to: string): void {
  renameSync(file, to);
  const [journals, moved] = [journalsOf(file), journalsOf(to)];
  journals.forEach((journal, index) => {
    if (existsSync(journal)) renameSync(journal, moved[index] as string);
  });
}

/** How a book stood when it was last open, beside it: what the file alone cannot say after it was cut or replaced. */
interface LastRun {
  readonly bookId: string;
  readonly run: number;
  readonly rows: number;
}

const lastRunFile = (dataDir: string, id: string): string => join(dataDir, `${id}.last-run.json`);

function readLastRun(file: string): LastRun | null {
  try {
    const { bookId, run, rows } = JSON.parse(readFileSync(file, 'utf8')) as Partial<LastRun>;
    return typeof bookId === 'string' && typeof run === 'number' && typeof rows === 'number'
      ? { bookId, run, rows }
      : null;
  } catch {
    // Without it, or with one that says nothing, there is nothing to hold the book against.
    return null;
  }
}

function writeLastRun(file: string, lastRun: LastRun): void {
  writeFileSync(`${file}.new`, JSON.stringify(lastRun), { mode: 0o600 });
  renameSync(`${file}.new`, file);
}

async function fact(db: Db, name: string): Promise<string | undefined> {
  return (await db.selectFrom('fact').select('value').where('name', '=', name).executeTakeFirst())?.value;
}

async function setFact(db: Db, name: string, value: string): Promise<void> {
  await db
    .insertInto('fact')
    .values({ name, value })
    .onConflict((conflict) => conflict.column('name').doUpdateSet({ value }))
    .execute();
}

const COUNTED = [
  'water',
  'reading',
  'plan',
  'tackle',
  'photo',
  'chart',
  'chart_feature',
  'trip_event',
  'practice_event',
] as const;

async function rowsIn(db: Db): Promise<number> {
  let rows = 0;
  for (const table of COUNTED) {
    const found = await db
      .selectFrom(table)
      .select((each) => each.fn.countAll<number>().as('rows'))
      .executeTakeFirst();
    rows += Number(found?.rows ?? 0);
  }
  return rows;
}

/** Holds the book against how it was left, and counts this run. */
async function comparedWithLastRun(db: Db, file: string): Promise<Finding[]> {
  const before = readLastRun(file);
  const bookId = await fact(db, 'book-id');
  const run = Number((await fact(db, 'run')) ?? 0);
  const rows = await rowsIn(db);
  const findings: Finding[] = [];
  if (before && before.rows > 0 && rows === 0) {
    findings.push({
      kind: 'emptied',
      words: `The book is empty, and held ${before.rows} notes, plans and other things when it was last open.`,
    });
  } else if (before && before.bookId === bookId && run < before.run) {
    findings.push({
      kind: 'older',
      words:
        'The book is older than it was when it was last open: its journal is missing, or an old copy lies in its place.',
    });
  }
  const next = { bookId: bookId ?? before?.bookId ?? randomUUID(), run: Math.max(run, before?.run ?? 0) + 1, rows };
  await setFact(db, 'book-id', next.bookId);
  await setFact(db, 'run', String(next.run));
  writeLastRun(file, next);
  return findings;
}

/** What to do about a file that is damaged, and what is said of it. */
async function mended(file: string, check: BookCheck, { keeper, now }: OpenBookOptions): Promise<Finding[]> {
  if (check.state === 'rows') {
    return [
      { kind: 'rows', words: `Damaged and set aside: ${counted(check.setAside)}. The rest of the book is whole.` },
    ];
  }
  if (check.state !== 'pages' && check.state !== 'unreadable') return [];
  const damaged = beside(file, 'damaged', now());
  const saved = `${file}.salvaged`;
  [saved, ...journalsOf(saved)].forEach((each) => rmSync(each, { force: true }));
  const kept = `The damaged file is kept as ${damaged}.`;
  try {
    const { rows } = await keeper.salvage(file, saved);
    moveAside(file, damaged);
    if (sumOf(rows) > 0) {
      renameSync(saved, file);
      journalsOf(saved).forEach((journal) => rmSync(journal, { force: true }));
      return [{ kind: 'pages', words: `The book was damaged. What could be read is here: ${counted(rows)}. ${kept}` }];
    }
  } catch (error) {
    // Nothing could be read of it: the book begins anew, and the file is kept.
    if (existsSync(file)) moveAside(file, damaged);
    if (/FULL|ENOSPC|READONLY|EACCES/.test(String((error as { code?: unknown }).code))) throw error;
  }
  rmSync(saved, { force: true });
  return [{ kind: 'unreadable', words: `The book could not be read and begins empty. ${kept}` }];
}

/** Ends what was cut off when a book was put back or mended: the file that was to take its place was whole by then. */
function endHalfDone(file: string): void {
  if (existsSync(file)) return;
  const coming = [`${file}.restoring`, `${file}.salvaged`].find((each) => existsSync(each));
  if (coming) renameSync(coming, file);
}

/** A file that was cut to nothing is put aside with its journal, which may hold the rest; a new book begins. */
function putEmptyAside(file: string, now: Date): void {
  if (journalsOf(file).some((journal) => existsSync(journal) && statSync(journal).size > 0))
    moveAside(file, beside(file, 'damaged', now));
}

/**
 * Opens a book: looked through first by a process of its own, so that no damage ends the server; mended as far as can be;
 * backed up before a newer program changes it; held against how it was left.
 * @throws BookTrouble in one sentence where it cannot be opened
 */
export async function openBook(options: OpenBookOptions): Promise<OpenedBook> {
  const { dataDir, id, keeper, beforeMigration } = options;
  const file = join(dataDir, `${id}.sqlite`);
  try {
    endHalfDone(file);
    const check = await keeper.check(file);
    if (check.state === 'none' && existsSync(file)) putEmptyAside(file, options.now());
    if ('migrations' in check) {
      const newer = check.migrations.find((name) => !MIGRATION_NAMES.includes(name));
      if (newer) {
        throw new BookTrouble(
          `The book ${file} was written by a newer Inky Shoal: start that one, or set INKY_DATA to another folder.`,
        );
      }
      if (check.migrations.length < MIGRATION_NAMES.length && sumOf(check.counts) > 0) await beforeMigration(file);
    }
    const findings = await mended(file, check, options);
    const db = await openDb(file);
    return { db, findings: [...findings, ...(await comparedWithLastRun(db, lastRunFile(dataDir, id)))] };
  } catch (error) {
    throw inWords(error, file);
  }
}

/** Notes how a book is left, folds its journal and closes it. */
export async function closeBook(db: Db, dataDir: string, id: string): Promise<void> {
  const bookId = await fact(db, 'book-id');
  const run = Number((await fact(db, 'run')) ?? 0);
  if (bookId) writeLastRun(lastRunFile(dataDir, id), { bookId, run, rows: await rowsIn(db) });
  await closeDb(db);
}
