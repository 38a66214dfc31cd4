import { randomUUID } from 'node:crypto';
import { existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { BOOKS, type Book } from '@inky-shoal/core';
import { sumOf, type Counts } from '../db/check.js';
import { takeFolder } from '../db/folder-lock.js';
import { journalsOf } from '../db/file.js';
import { Keeper } from '../db/keeper.js';
import { openBook } from '../db/open-book.js';
import { BookAway, inWords } from '../db/trouble.js';
import { HoursReader } from '../outside/hours-reader.js';
import type { RetryPolicy } from '../outside/ask-patiently.js';
import { BackupService } from './backups.js';
import { BookService } from './book.js';
import type { LineRetryPolicy } from './instruments.js';

export interface LibraryOptions {
  readonly dataDir: string;
  /** Where backups lie. */
  readonly backupDir: string;
  /** Where the built server lies, whose parts run beside it. */
  readonly programDir: string;
  readonly systemNow: () => Date;
  /** Address of the stand-ins for the demo's weather and gauge; null where they are not there. */
  readonly demoOutside: string | null;
  /** Where the demo's boat speaks; null where it has none. */
  readonly demoBoat: string | null;
  /** Whether the demo's book has its trips of the past; it has where it is not said. */
  readonly demoTrips?: boolean | undefined;
  readonly retryPolicy?: RetryPolicy | undefined;
  readonly lineRetryPolicy?: LineRetryPolicy | undefined;
}

/** What a book holds now and what a backup of it holds, by kind. */
export interface Compared {
  readonly now: Counts;
  readonly then: Counts;
}

const DAILY_LOOK_MS = 3_600_000;

/**
 * Both books of a data folder. Demo and real data live in different files and never mix. A book can be put back to a
 * backup while the server runs: for that moment it is away.
 */
export class Library {
  private readonly books = new Map<Book, BookService>();
  private readonly keeper: Keeper;
  private readonly reader: HoursReader;
  private daily: NodeJS.Timeout | undefined;
  private looking: Promise<void> = Promise.resolve();
  private closed = false;
  /** Books that are being put in place. */
  private readonly comingInPlace = new Map<string, Promise<void>>();

  private constructor(
    private readonly options: LibraryOptions,
    private readonly folder: { readonly letGo: () => void },
  ) {
    this.keeper = new Keeper(options.programDir);
    this.reader = new HoursReader(options.programDir);
    if (options.demoOutside !== null) this.reader.warmUp();
  }

  /** Opens both books. @throws BookTrouble in one sentence where that cannot be */
  static async open(options: LibraryOptions): Promise<Library> {
    let folder: { readonly letGo: () => void };
    try {
      folder = takeFolder(options.dataDir);
    } catch (error) {
      throw inWords(error, options.dataDir);
    }
    const library = new Library(options, folder);
    try {
      await Promise.all(BOOKS.map((id) => library.openOne(id)));
      await library.book('demo').seedDemo(options.demoTrips ?? true);
    } catch (error) {
      await library.close();
      throw error;
    }
    library.lookAfterBackups();
    return library;
  }

  /** Waits until a book lies in its place: it is away for a moment while it is put back to a backup. */
  async whenInPlace(id: string): Promise<void> {
    await this.comingInPlace.get(id);
  }

  /** @throws BookAway while it is put back to a backup */
  book(id: Book): BookService {
    const book = this.books.get(id);
    if (!book) throw new BookAway('The book is being put back to a backup: try again in a moment.');
    return book;
  }

  /** What a backup holds beside what the book holds. @returns undefined where there is no such backup */
  async compare(id: Book, name: string): Promise<Compared | undefined> {
    const path = this.book(id).backups.pathOf(name);
    if (!path) return undefined;
    const [now, then] = await Promise.all([this.keeper.counts(this.fileOf(id)), this.keeper.counts(path)]);
    return { now, then };
  }

  /**
   * Puts a book back to a backup: copied to a file of its own and looked through first, then put in place. What the book
   * held is a backup, too; where it is too damaged for that, its file is kept.
   * @returns whether there was such a backup
   */
  async restore(id: Book, name: string): Promise<boolean> {
    const before = this.book(id);
    const path = before.backups.pathOf(name);
    if (!path) return false;
    const file = this.fileOf(id);
    const coming = `${file}.restoring`;
    this.clear(coming);
    await this.keeper.copy(path, coming);
    const check = await this.keeper.check(coming);
    if (check.state !== 'whole') throw new Error('The backup is not whole');
    await this.putInPlace(id, coming, 'before-restore');
    return true;
  }

  /** Writes all of a book into a zip in the data folder, which whoever asked takes away. @returns its path */
  async archive(id: Book): Promise<string> {
    const madeAt = this.options.systemNow().toISOString();
    const file = join(this.options.dataDir, `${id}-${randomUUID()}.zip`);
    await this.keeper.writeArchive(this.fileOf(id), file, id, madeAt);
    return file;
  }

  /**
   * Puts what an archive holds in the place of a book: read into a book of its own first, all of it or nothing; what the
   * book held is a backup. @throws KeeperFailure with the code INKY_ARCHIVE where it cannot be taken
   */
  async importArchive(id: Book, archive: string): Promise<void> {
    const coming = `${this.fileOf(id)}.restoring`;
    this.clear(coming);
    try {
      await this.keeper.readArchive(archive, coming);
    } catch (error) {
      this.clear(coming);
      throw error;
    }
    await this.putInPlace(id, coming, 'before-import');
  }

  /** Puts a book that lies ready in place of the one that is open; what is asked of it meanwhile waits. */
  private async putInPlace(id: Book, coming: string, reason: 'before-restore' | 'before-import'): Promise<void> {
    const done = this.swap(id, coming, reason);
    this.comingInPlace.set(
      id,
      done.catch(() => undefined),
    );
    try {
      await done;
    } finally {
      this.comingInPlace.delete(id);
    }
  }

  private async swap(id: Book, coming: string, reason: 'before-restore' | 'before-import'): Promise<void> {
    const before = this.book(id);
    const file = this.fileOf(id);
    const saved = await before.backups.make(reason).catch(() => null);
    this.books.delete(id);
    try {
      await before.close();
      if (!saved) renameSync(file, `${file}.${reason}-${Date.now()}`);
      // What it was left like says nothing of a book that is put back.
      rmSync(join(this.options.dataDir, `${id}.last-run.json`), { force: true });
      for (const journal of [...journalsOf(file), ...journalsOf(coming)]) rmSync(journal, { force: true });
      renameSync(coming, file);
    } finally {
      await this.openOne(id);
    }
  }

  async close(): Promise<void> {
    this.closed = true;
    clearInterval(this.daily);
    await this.looking;
    await Promise.all([...this.books.values()].map((book) => book.close()));
    await this.reader.close();
    this.folder.letGo();
  }

  private clear(file: string): void {
    for (const each of [file, ...journalsOf(file)]) if (existsSync(each)) rmSync(each);
  }

  private fileOf(id: Book): string {
    return join(this.options.dataDir, `${id}.sqlite`);
  }

  private async openOne(id: Book): Promise<void> {
    const { dataDir, backupDir, systemNow, demoOutside, demoBoat, retryPolicy, lineRetryPolicy } = this.options;
    const backups = new BackupService(id, this.fileOf(id), backupDir, this.keeper, systemNow);
    const [lastBackup] = backups.list();
    const opened = await openBook({
      dataDir,
      id,
      keeper: this.keeper,
      now: systemNow,
      beforeMigration: () => backups.make('before-migration').then(() => undefined),
    });
    // The stand-ins make their weather up: only the demo may take them for the world.
    const outside = id === 'demo' ? { address: demoOutside, boat: demoBoat } : { address: null, boat: null };
    const more = { retryPolicy, lineRetryPolicy, reader: this.reader };
    this.books.set(
      id,
      new BookService(id, { ...opened, lastBackup }, dataDir, backups, systemNow, { ...outside, ...more }),
    );
  }

  /** The demo ships with the program; the user's own book is backed up every day on which the server runs. */
  private lookAfterBackups(): void {
    const look = async () => {
      const own = this.books.get('own');
      if (!own) return;
      try {
        const counts = await this.keeper.counts(this.fileOf('own'));
        if (!this.closed && sumOf(counts) > 0) await own.backups.daily();
        if (!this.closed) await own.emptyBin(this.options.systemNow());
      } catch (error) {
        const why = (error as Error).message;
        await own.notices
          .add([{ kind: 'backup', words: `Today's backup could not be made: ${why}` }])
          .catch(() => undefined);
      }
    };
    this.looking = look();
    this.daily = setInterval(() => (this.looking = look()), DAILY_LOOK_MS);
    this.daily.unref();
  }
}
