import type { Response } from 'express';

/** Words of one kind follow one another no quicker than this, milliseconds. */
const APART_MS = 100;
/** Between words a comment keeps the line to the page open. */
const KEEP_OPEN_MS = 15_000;
/** A page that takes nothing for so long is gone, milliseconds. */
const GIVEN_UP_MS = 30_000;

/**
 * Server-sent events to one page: of each kind only the latest is sent, at most ten times a second, and nothing piles up
 * for a page that does not read.
 */
export class EventStream<T> {
  private readonly waiting = new Map<string, T>();
  private next: NodeJS.Timeout | undefined;
  private stuck: NodeJS.Timeout | undefined;
  private readonly open: NodeJS.Timeout;
  private sentAt = 0;

  /** @param kindOf what a later word takes the place of */
  constructor(
    private readonly response: Response,
    private readonly kindOf: (word: T) => string,
  ) {
    response.setHeader('content-type', 'text/event-stream');
    // Packed, words would be held back until there are many.
    response.setHeader('cache-control', 'no-store, no-transform');
    response.flushHeaders();
    this.open = setInterval(() => this.write(': still here\n\n'), KEEP_OPEN_MS);
    response.on('drain', () => {
      clearTimeout(this.stuck);
      this.stuck = undefined;
      this.flush();
    });
    response.on('close', () => this.end());
  }

  send(word: T): void {
    const kind = this.kindOf(word);
    // Put at the end, so that kinds go out in the order in which they were last said.
    this.waiting.delete(kind);
    this.waiting.set(kind, word);
    this.next ??= setTimeout(() => this.flush(), Math.max(0, this.sentAt + APART_MS - Date.now()));
  }

  private flush(): void {
    clearTimeout(this.next);
    this.next = undefined;
    if (!this.waiting.size || this.response.writableNeedDrain) return;
    const words = [...this.waiting.values()];
    this.waiting.clear();
    this.sentAt = Date.now();
    this.write(words.map((word) => `data: ${JSON.stringify(word)}\n\n`).join(''));
  }

  private write(text: string): void {
    if (this.response.writableNeedDrain || this.response.destroyed) return;
    if (!this.response.write(text)) this.stuck ??= setTimeout(() => this.response.destroy(), GIVEN_UP_MS);
  }

  private end(): void {
    clearTimeout(this.next);
    clearTimeout(this.stuck);
    clearInterval(this.open);
  }
}
