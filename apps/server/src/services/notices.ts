import { randomUUID } from 'node:crypto';
import type { BookNotice } from '@inky-shoal/core';
import type { Finding } from '../db/open-book.js';
import type { FactRepository } from '../repositories/facts.js';
import type { Unread } from '../repositories/unread.js';

const NOTICES = 'notices';

/** What the user must hear of a book: kept in it until it was read. */
export class NoticeService {
  private readonly kept: Promise<unknown>;

  /**
   * @param findings what was found when the book was opened
   * @param lastBackup the last backup that was made before it was
   */
  constructor(
    private readonly facts: FactRepository,
    private readonly unread: Unread,
    findings: readonly Finding[],
    lastBackup: BookNotice['backup'],
    private readonly now: () => string,
  ) {
    this.kept = findings.length
      ? this.add(findings.map((finding) => ({ ...finding, backup: lastBackup })))
      : Promise.resolve();
  }

  /** Notices that were not read yet, earliest first. */
  async all(): Promise<BookNotice[]> {
    await this.kept;
    const notices = await this.read();
    const { count } = this.unread;
    if (!count) return notices;
    const words = `${count === 1 ? 'One entry is' : `${count} entries are`} not understood and left out of the lists. Nothing of them is lost.`;
    return [...notices, { id: 'unread', at: this.now(), kind: 'unread', words }];
  }

  async add(findings: readonly Omit<BookNotice, 'id' | 'at'>[]): Promise<void> {
    const at = this.now();
    const more = findings.map((finding): BookNotice => ({ ...finding, id: randomUUID(), at }));
    await this.facts.set(NOTICES, JSON.stringify([...(await this.read()), ...more]));
  }

  /** @returns whether there was one to take down */
  async takeDown(id: string): Promise<boolean> {
    const before = await this.read();
    const after = before.filter((each) => each.id !== id);
    await this.facts.set(NOTICES, JSON.stringify(after));
    return after.length < before.length;
  }

  private async read(): Promise<BookNotice[]> {
    return JSON.parse((await this.facts.get(NOTICES)) ?? '[]') as BookNotice[];
  }
}
