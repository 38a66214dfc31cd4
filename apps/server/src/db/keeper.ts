import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { ArchiveAbout } from '../archive/tables.js';
import type { BookCheck, Counts } from './check.js';
import type { Copied } from './copy.js';
import type { Salvaged } from './salvage.js';

const execute = promisify(execFile);
const MAX_MS = 10 * 60_000;

/** What the keeper could not do, with the code of the system or the database where there is one. */
export class KeeperFailure extends Error {
  constructor(
    message: string,
    readonly code?: string,
  ) {
    super(message);
  }
}

/** Has books looked through, copied and salvaged by a process of its own. */
export class Keeper {
  /** @param programDir where the built server lies */
  constructor(private readonly programDir: string) {}

  /** A file over which the process ends is unreadable: that is an answer, too. */
  async check(file: string): Promise<BookCheck> {
    try {
      return await this.work<BookCheck>('check', file);
    } catch (error) {
      return { state: 'unreadable', words: (error as Error).message };
    }
  }

  copy(from: string, to: string): Promise<Copied> {
    return this.work('copy', from, to);
  }

  /** What a book holds, by table. */
  counts(file: string): Promise<Counts> {
    return this.work('counts', file);
  }

  /** Writes all of a book into a zip. @returns rows by table */
  writeArchive(book: string, archive: string, id: string, madeAt: string): Promise<Record<string, number>> {
    return this.work('write-archive', book, archive, id, madeAt);
  }

  /** Reads an archive into a new book. @throws KeeperFailure with the code INKY_ARCHIVE where it cannot be taken */
  readArchive(archive: string, book: string): Promise<ArchiveAbout> {
    return this.work('read-archive', archive, book);
  }

  salvage(from: string, to: string): Promise<Salvaged> {
    return this.work('salvage', from, to);
  }

  private async work<T>(what: string, ...files: string[]): Promise<T> {
    const program = join(this.programDir, 'db/keeper-program.js');
    let answer: { done?: T; failed?: { code?: string; message: string } };
    try {
      const { stdout } = await execute(process.execPath, [program, what, ...files], { timeout: MAX_MS });
      answer = JSON.parse(stdout) as typeof answer;
    } catch (error) {
      throw new KeeperFailure('The file ended the program that read it', (error as { code?: string }).code);
    }
    if (answer.failed) throw new KeeperFailure(answer.failed.message, answer.failed.code);
    return answer.done as T;
  }
}
