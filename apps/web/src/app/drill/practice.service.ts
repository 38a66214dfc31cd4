import { DestroyRef, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Book } from '@inky-shoal/core';
import {
  counted,
  knownBy,
  MAX_PRACTICE_EVENTS,
  memoryOf,
  PracticeNews,
  type PracticeEvent,
} from '@inky-shoal/core/drill';
import {
  BehaviorSubject,
  combineLatest,
  concatMap,
  distinctUntilChanged,
  firstValueFrom,
  from,
  map,
  merge,
  type Observable,
  startWith,
  Subject,
  switchMap,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import { ApiError, ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { NoticeService } from '../base/notice.service';
import { PracticeDb, REFUSED, SENT, WAITING, type KeptPractice } from './practice-db';

type Said<E> = E extends PracticeEvent ? Omit<E, 'id' | 'at'> : never;

/** Events that go to the server at once. */
const BATCH = 1000;

const NOT_KEPT = 'This browser keeps nothing: what you practise is lost when the page is closed. Allow storage.';

/**
 * What was practised, in the open book: kept on this device at once, brought to the server whenever it answers, and what
 * other devices practised brought here. Every event has an id of its own, so sending it again changes nothing.
 */
@Injectable({ providedIn: 'root' })
export class PracticeService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly notices = inject(NoticeService);
  private readonly dbs = new Map<Book, PracticeDb>();
  private readonly events = new BehaviorSubject<readonly PracticeEvent[]>([]);
  private readonly read = new BehaviorSubject<Book | null>(null);
  private readonly added = new Subject<void>();
  /** It was said that nothing is kept here. */
  private told = false;

  /** All events of the open book that are known here. */
  readonly events$: Observable<readonly PracticeEvent[]> = this.events.asObservable();
  /** Whether those on this device were read already. */
  readonly ready$: Observable<boolean> = combineLatest([this.read, this.books.book$]).pipe(
    map(([read, book]) => read === book),
    distinctUntilChanged(),
  );
  /** Waits that were felt without a sound, the earliest first. */
  readonly waits$ = this.events.pipe(map((events) => counted(events).filter((event) => event.kind === 'wait')));
  /** How one gets on, by step, phase, water and lure. */
  readonly known$ = this.events.pipe(map(knownBy));

  constructor() {
    this.books.book$.pipe(takeUntilDestroyed()).subscribe((book) => {
      this.events.next([]);
      void this.readKept(book);
    });
    const reachable$ = inject(ConnectionService).reachable$;
    combineLatest([this.read, merge(reachable$, this.added).pipe(startWith(undefined))])
      .pipe(
        concatMap(([book]) => from(book ? this.send(book) : Promise.resolve())),
        takeUntilDestroyed(),
      )
      .subscribe();
    combineLatest([this.read, reachable$])
      .pipe(
        switchMap(([book]) => from(book ? this.listen(book) : Promise.resolve())),
        takeUntilDestroyed(),
      )
      .subscribe();
    inject(DestroyRef).onDestroy(() => this.dbs.forEach((db) => db.close()));
  }

  /** What is remembered of each topic at a moment. */
  memory(nowMs: number) {
    return memoryOf(this.events.value, nowMs);
  }

  /** Keeps what was practised. It counts at once, whether or not this browser keeps it. */
  add(said: Said<PracticeEvent>): PracticeEvent {
    const event = { ...said, id: uuid(), at: new Date().toISOString() } as PracticeEvent;
    this.events.next([...this.events.value, event]);
    void this.keep(this.books.book, event);
    return event;
  }

  /** Has events not count any more; emits what has them count again. */
  takeBack(ids: readonly string[]): () => void {
    const portions = Math.ceil(ids.length / MAX_PRACTICE_EVENTS);
    const taken = Array.from({ length: portions }, (_, at) =>
      this.add({ kind: 'take-back', of: ids.slice(at * MAX_PRACTICE_EVENTS, (at + 1) * MAX_PRACTICE_EVENTS) }),
    );
    return () => void this.add({ kind: 'take-back', of: taken.map(({ id }) => id) });
  }

  private db(book: Book): PracticeDb {
    let db = this.dbs.get(book);
    if (!db) this.dbs.set(book, (db = new PracticeDb(book)));
    return db;
  }

  private async keep(book: Book, event: PracticeEvent): Promise<void> {
    try {
      await this.db(book).events.add({ id: event.id, event, state: WAITING });
    } catch {
      // It goes to the server all the same, if that answers now.
      await this.post(book, [event]).catch(() => this.sayNotKept());
      return;
    }
    this.added.next();
  }

  private sayNotKept(): void {
    if (!this.told) this.notices.say(NOT_KEPT);
    this.told = true;
  }

  private async readKept(book: Book): Promise<void> {
    try {
      const rows = await this.db(book).events.toArray();
      if (this.books.book === book) this.take(rows.map(({ event }) => event));
    } catch {
      // Nothing is kept here: what the server has stands.
    }
    if (this.books.book === book) this.read.next(book);
  }

  /** Adds events that are not here yet. */
  private take(events: readonly PracticeEvent[]): void {
    const known = new Set(this.events.value.map(({ id }) => id));
    const fresh = events.filter(({ id }) => !known.has(id));
    if (fresh.length) this.events.next([...this.events.value, ...fresh]);
  }

  private async post(book: Book, events: readonly PracticeEvent[]): Promise<void> {
    await firstValueFrom(this.api.send({ method: 'POST', path: `/books/${book}/practice`, body: events }));
  }

  private async send(book: Book): Promise<void> {
    try {
      const { events } = this.db(book);
      for (;;) {
        const rows = await events.where('state').equals(WAITING).limit(BATCH).toArray();
        if (!rows.length) return;
        await this.sendRows(book, rows);
      }
    } catch (error) {
      // Away: it waits here, and goes when the server is back.
      if (!(error instanceof ApiError)) this.sayNotKept();
    }
  }

  /** Sends rows; what the server will not have is set aside, one by one, so that the rest goes. */
  private async sendRows(book: Book, rows: readonly KeptPractice[]): Promise<void> {
    const { events } = this.db(book);
    try {
      await this.post(
        book,
        rows.map(({ event }) => event),
      );
      await events.bulkPut(rows.map((row) => ({ ...row, state: SENT })));
    } catch (error) {
      if (!(error instanceof ApiError) || error.kind !== 'refused') throw error;
      if (rows.length === 1) {
        await events.bulkPut(rows.map((row) => ({ ...row, state: REFUSED })));
        return;
      }
      const half = Math.ceil(rows.length / 2);
      await this.sendRows(book, rows.slice(0, half));
      await this.sendRows(book, rows.slice(half));
    }
  }

  private async listen(book: Book): Promise<void> {
    try {
      const db = this.db(book);
      for (let more = true; more;) {
        const heard = (await db.facts.get('heard').catch(() => undefined))?.value ?? 0;
        const news = await firstValueFrom(this.api.get(`/books/${book}/practice?after=${heard}`, PracticeNews));
        if (this.books.book === book) this.take(news.events);
        await db.transaction('rw', db.events, db.facts, async () => {
          await db.events.bulkPut(news.events.map((event): KeptPractice => ({ id: event.id, event, state: SENT })));
          await db.facts.put({ name: 'heard', value: news.upTo });
        });
        ({ more } = news);
      }
    } catch {
      // Away, or nothing is kept here: what is known stands, and it is asked again when the server is back.
    }
  }
}
