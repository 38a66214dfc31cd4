import { DestroyRef, inject, Injectable } from '@angular/core';
import {
  BehaviorSubject,
  catchError,
  defer,
  distinctUntilChanged,
  firstValueFrom,
  from,
  map,
  merge,
  of,
  type Observable,
  Subject,
  throwError,
} from 'rxjs';
import * as z from 'zod';
import { ApiError, ApiService, type Write } from './api.service';
import { ConnectionService } from './connection.service';
import type { OutboxDb, RefusedWrite } from './outbox-db';
import { QuickStore } from './store';

/** Writes as they were kept before each had a row of its own. */
const Former = z.array(
  z.object({ method: z.enum(['PUT', 'PATCH', 'DELETE', 'POST']), path: z.string(), body: z.unknown().optional() }),
) as z.ZodType<Write[]>;

const NOT_KEPT =
  'The server does not answer, and this browser has no room left or keeps nothing: this was not kept. Free some room, then try again.';

/** Does something in one window at a time. @param orNever not at all where another window is at it */
async function alone(name: string, work: () => Promise<void>, orNever = false): Promise<void> {
  const locks = (navigator as { locks?: LockManager }).locks;
  if (!locks) return work();
  await locks.request(name, { ifAvailable: orNever }, async (lock) => {
    if (lock) await work();
  });
}

/** What came of a write: what the server answered, or the second copy that was kept of it. */
export interface Answered {
  readonly state: 'sent' | 'waiting';
  readonly body: unknown;
  readonly copy?: Copied['copy'];
}

/** A change that was kept as a second copy. */
export interface Copied {
  readonly write: Write;
  readonly copy: { readonly id: string; readonly name: string; readonly version: number };
}

/**
 * Writes on their way to the server. While it is away they wait in this browser's database, a row each and in order, and
 * go by themselves when it is back; of several windows one sends. Every write carries its own id, so sending one twice
 * changes nothing. What cannot be kept is refused in words.
 */
@Injectable({ providedIn: 'root' })
export class OutboxService {
  private readonly api = inject(ApiService);
  private readonly connection = inject(ConnectionService);
  private readonly former = new QuickStore<Write[]>('outbox', Former, []);
  /** Whether something waited when this browser was last here: known at once, while the database is still opened. */
  private readonly waits = new QuickStore('outbox-waits', z.boolean(), false);
  private readonly counts = new BehaviorSubject({ waiting: 0, refused: 0 });
  private readonly delivered = new Subject<void>();
  private readonly refused = new Subject<string>();
  private readonly copied = new Subject<Copied>();
  private db: Promise<OutboxDb> | undefined;
  private flushing: Promise<void> | undefined;
  private over = false;

  /** How many writes wait for the server. */
  readonly waiting$ = this.counts.pipe(
    map(({ waiting }) => waiting),
    distinctUntilChanged(),
  );
  /** How many writes had waited and were refused. */
  readonly refusedCount$ = this.counts.pipe(
    map(({ refused }) => refused),
    distinctUntilChanged(),
  );
  /** Writes that had waited, or those of another window, have reached the server: what was read before is old. */
  readonly delivered$: Observable<unknown> = merge(this.delivered, this.api.changedElsewhere$);
  /** A write that had waited was refused, in words. */
  readonly refused$ = this.refused.asObservable();

  constructor() {
    this.connection.reachable$.subscribe(() => void this.flush());
    if (this.mayWait) void this.begin();
    // What another window puts into the list counts here, too.
    const heard = ({ key }: StorageEvent) => {
      const list = this.former.read();
      if (key === this.former.key && !this.db) this.setCounts({ ...this.counts.value, waiting: list.length });
    };
    addEventListener('storage', heard);
    inject(DestroyRef).onDestroy(() => {
      removeEventListener('storage', heard);
      this.over = true;
      void this.db?.then((db) => db.close());
    });
  }

  /** Looks whether something waits, and sends it. */
  async begin(): Promise<void> {
    // A browser that keeps nothing has nothing that waits.
    await this.open().catch(() => undefined);
    await this.flush();
  }

  /** What was changed on another device meanwhile, and is kept as a second copy. */
  readonly copied$ = this.copied.asObservable();

  /** Sends a write as `send` does, and gives what the server answered with it; nothing where it waits. */
  ask(write: Write): Observable<Answered> {
    return defer(() => {
      if (this.mayWait) return from(this.keep(write)).pipe(map((state) => ({ state, body: null })));
      return this.api.send(write).pipe(
        map((body) => ({ state: 'sent' as const, body })),
        catchError((error: ApiError) => {
          if (error.kind === 'away') return from(this.keep(write)).pipe(map((state) => ({ state, body: null })));
          // It is kept, if not where it was meant to be: that is told, and it has arrived.
          if (!error.copied) return throwError(() => error);
          this.copied.next({ write, copy: error.copied });
          return of({ state: 'sent' as const, body: null, copy: error.copied });
        }),
      );
    });
  }

  /**
   * Sends a write. Emits `sent`, or `waiting` where the server is away and the write is on this browser's disk; fails
   * where the server refuses it or where it could not be kept.
   */
  send(write: Write): Observable<'sent' | 'waiting'> {
    // Nothing is kept before it is asked for: an undo stands ready, and is seldom taken.
    return this.ask(write).pipe(map(({ state }) => state));
  }

  /** Writes that had waited and were refused, the earliest first. */
  async refusedWrites(): Promise<RefusedWrite[]> {
    return (await this.open()).refused.orderBy('seq').toArray();
  }

  /** Lets go of what was refused. */
  async forgetRefused(): Promise<void> {
    await (await this.open()).refused.clear();
  }

  private get mayWait(): boolean {
    return this.counts.value.waiting > 0 || this.waits.read() || this.former.read().length > 0;
  }

  private open(): Promise<OutboxDb> {
    this.db ??= this.opened().catch((error: unknown) => {
      this.db = undefined;
      throw error;
    });
    return this.db;
  }

  private async opened(): Promise<OutboxDb> {
    const { OutboxDb: Db } = await import('./outbox-db');
    const db = new Db();
    await db.open();
    await alone('inky-outbox-list', async () => {
      const list = this.former.read();
      if (!list.length) return;
      await db.waiting.bulkAdd(list.map((write) => ({ write, at: new Date().toISOString() })));
      this.former.write([]);
    });
    await this.count(db);
    db.watch((counts) => {
      const before = this.counts.value.waiting;
      this.setCounts(counts);
      // Another window has sent what waited.
      if (before > 0 && counts.waiting === 0) this.delivered.next();
    });
    return db;
  }

  private async count(db: OutboxDb): Promise<void> {
    this.setCounts({ waiting: await db.waiting.count(), refused: await db.refused.count() });
  }

  private setCounts(counts: { waiting: number; refused: number }): void {
    this.waits.write(counts.waiting > 0);
    this.counts.next(counts);
  }

  private async keep(write: Write): Promise<'waiting'> {
    let db: OutboxDb | undefined;
    try {
      db = await this.open();
    } catch {
      // The server went away before the page had all its parts: until then a plain list does, read anew each time.
      this.keepInList(write);
    }
    if (db) await this.keepInRow(db, write);
    // Asked once something is kept that nobody else has: the browser may then not clear it by itself.
    void (navigator as { storage?: StorageManager }).storage?.persist?.().catch(() => false);
    // Whatever the line is like, look again soon: a write that joins others on their way is not sent with them.
    this.connection.lost();
    return 'waiting';
  }

  private keepInList(write: Write): void {
    const list = [...this.former.read(), write];
    if (!this.former.write(list)) throw new ApiError('away', NOT_KEPT);
    this.setCounts({ ...this.counts.value, waiting: list.length });
  }

  private async keepInRow(db: OutboxDb, write: Write): Promise<void> {
    try {
      // What was changed here since is no other device's change: only the first of its kind says from what.
      const behind = await db.waiting.filter((each) => each.write.path === write.path).count();
      const kept = behind ? { ...write, from: undefined } : write;
      await db.waiting.add({ write: kept, at: new Date().toISOString() });
      await this.count(db);
    } catch {
      throw new ApiError('away', NOT_KEPT);
    }
  }

  private flush(): Promise<void> {
    if (!this.counts.value.waiting || this.over) return Promise.resolve();
    this.flushing ??= this.sendAll().finally(() => (this.flushing = undefined));
    return this.flushing;
  }

  /** Sends what waits, one after the other; of several windows the one that has the lock. */
  private async sendAll(): Promise<void> {
    const sendThem = async () => {
      const db = await this.open();
      let sent = false;
      while (!this.over) {
        const next = await db.waiting.orderBy('seq').first();
        if (!next) break;
        try {
          await firstValueFrom(this.api.send(next.write));
        } catch (error) {
          // Away again: the connection knows, and the rest goes when it is back.
          if (!(error instanceof ApiError) || error.kind !== 'refused') break;
          if (error.copied) await this.follow(db, next.write, error.copied);
          else {
            await db.refused.add({ ...next, why: error.message });
            this.refused.next(error.message);
          }
        }
        await db.waiting.delete(next.seq as number);
        await this.count(db);
        sent = true;
      }
      if (sent) this.delivered.next();
    };
    await alone('inky-outbox', sendThem, true);
  }

  /** A change became a second copy: what was changed of it after that goes to the copy. */
  private async follow(db: OutboxDb, write: Write, copy: Copied['copy']): Promise<void> {
    const path = write.path.replace(/[^/]+$/, copy.id);
    await db.waiting
      .filter((each) => each.write.path === write.path && each.write !== write)
      .modify((each: { write: Write }) => {
        each.write = { ...each.write, path };
      });
    this.copied.next({ write, copy });
  }
}
