import { inject, Injectable } from '@angular/core';
import { Reading, Water, type Book, type ReadingDraftInput, type WaterDraftInput } from '@inky-shoal/core';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  concat,
  distinctUntilChanged,
  EMPTY,
  filter,
  finalize,
  last,
  map,
  merge,
  type Observable,
  of,
  share,
  shareReplay,
  Subject,
  switchMap,
  tap,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { loading, type Loaded } from '../base/loaded';
import { OutboxService } from '../base/outbox.service';

export type BatchedReading = ReadingDraftInput & { readonly id: string };
/** Readings that go to the server in one piece. */
const AT_ONCE = 500;

/** Waters of the open book and their readings. */
@Injectable({ providedIn: 'root' })
export class WatersService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly outbox = inject(OutboxService);
  private readonly connection = inject(ConnectionService);
  private readonly changed = new Subject<void>();
  /** Readings that have been asked for and not come yet, by path; what changed meanwhile is asked for anew. */
  private readonly asked = new Map<string, Observable<Reading[]>>();
  /** The book whose waters are shown. */
  private shownOf: Book | null = null;
  /** Readings as they were last read, by path. */
  private readonly known = new Map<string, Reading[]>();
  private readonly reload$ = merge(this.changed, this.outbox.delivered$, this.connection.reachable$);
  private readonly looked = new BehaviorSubject<string | null>(null);

  /** Something of the waters or their readings has been changed, what waited has been delivered, or the server is back. */
  readonly changed$ = merge(this.changed, this.outbox.delivered$, this.connection.back$);

  private readonly watersOfBook$ = combineLatest([this.books.book$, this.reload$]).pipe(
    switchMap(([book]) =>
      loading(this.api.get(`/books/${book}/waters`, z.array(Water))).pipe(
        // What is known goes on standing while it is read anew: a view that goes away loses what was typed in it.
        filter(({ state }) => state !== 'loading' || this.shownOf !== book),
        tap(({ state }) => state === 'ready' && (this.shownOf = book)),
        map((loaded) => ({ book, loaded })),
      ),
    ),
    shareReplay(1),
  );
  /** Waters of the open book. Who hears of another book first is not given those of the former one. */
  readonly waters$: Observable<Loaded<Water[]>> = combineLatest([this.books.book$, this.watersOfBook$]).pipe(
    filter(([book, { book: theirs }]) => book === theirs),
    map(([, { loaded }]) => loaded),
  );
  /** Readings of the water looked at, latest first. */
  readonly readings$: Observable<Loaded<Reading[]>> = combineLatest([
    this.looked.pipe(distinctUntilChanged()),
    this.reload$,
  ]).pipe(
    switchMap(([waterId]) =>
      waterId ? loading(this.knownFirst(waterId)) : of<Loaded<Reading[]>>({ state: 'ready', value: [] }),
    ),
    shareReplay(1),
  );

  constructor() {
    // First of all that hear of a change: what was asked for before it may be old. What is known goes on standing until it
    // is read anew: a list that goes away meanwhile takes with it what was sought in it.
    this.reload$.subscribe(() => this.asked.clear());
  }

  look(waterId: string | null): void {
    this.looked.next(waterId);
  }

  /** The readings of a water, latest first; who asks while they are on their way is given the same. */
  readingsOf(waterId: string): Observable<Reading[]> {
    const path = this.readingsPath(waterId);
    const onTheirWay = this.asked.get(path);
    if (onTheirWay) return onTheirWay;
    const readings: Observable<Reading[]> = this.api.get(path, z.array(Reading)).pipe(
      tap((value) => this.asked.get(path) === readings && this.known.set(path, value)),
      finalize(() => this.asked.get(path) === readings && this.asked.delete(path)),
      share(),
    );
    this.asked.set(path, readings);
    return readings;
  }

  /** What was read before is shown until it is read again. */
  private knownFirst(waterId: string): Observable<Reading[]> {
    const known = this.known.get(this.readingsPath(waterId));
    const fresh = this.readingsOf(waterId);
    // Where they cannot be read again, what is known goes on standing: that the server is away is said elsewhere.
    return known ? concat(of(known), fresh.pipe(catchError(() => EMPTY))) : fresh;
  }

  reload(): void {
    this.changed.next();
  }

  /** Makes a water or changes it. The id is made here. @param from the version that is changed */
  make(draft: WaterDraftInput, id = uuid(), from?: number): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PUT', path: `/books/${this.books.book}/waters/${id}`, body: draft, from });
  }

  /** Takes a water off the list, with what hangs on it; making it again with its id brings all of it back. */
  remove(id: string): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'DELETE', path: `/books/${this.books.book}/waters/${id}` });
  }

  addReading(waterId: string, draft: ReadingDraftInput, id = uuid(), from?: number): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PUT', path: this.readingPath(waterId, id), body: draft, from });
  }

  removeReading({ waterId, id }: Reading): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'DELETE', path: this.readingPath(waterId, id) });
  }

  /** Adds many readings, some hundreds at a time. Emits once, when the last are on their way. */
  addReadings(waterId: string, batch: readonly BatchedReading[]): Observable<'sent' | 'waiting'> {
    const path = this.readingsPath(waterId);
    const parts = Array.from({ length: Math.ceil(batch.length / AT_ONCE) }, (_, part) =>
      batch.slice(part * AT_ONCE, (part + 1) * AT_ONCE),
    );
    return concat(...parts.map((body) => this.outbox.send({ method: 'PUT', path, body }))).pipe(
      last(),
      tap(() => this.changed.next()),
    );
  }

  /** Takes readings out again, as when an import is undone. */
  removeReadings(waterId: string, ids: readonly string[]): Observable<'sent' | 'waiting'> {
    const path = `/books/${this.books.book}/waters/${waterId}/readings/remove`;
    const parts = Array.from({ length: Math.ceil(ids.length / AT_ONCE) }, (_, part) =>
      ids.slice(part * AT_ONCE, (part + 1) * AT_ONCE),
    );
    return concat(...parts.map((body) => this.outbox.send({ method: 'POST', path, body }))).pipe(
      last(),
      tap(() => this.changed.next()),
    );
  }

  private readingsPath(waterId: string): string {
    return `/books/${this.books.book}/waters/${waterId}/readings`;
  }

  private readingPath(waterId: string, id: string): string {
    return `${this.readingsPath(waterId)}/${id}`;
  }

  private write(write: Parameters<OutboxService['send']>[0]): Observable<'sent' | 'waiting'> {
    return this.outbox.send(write).pipe(tap(() => this.changed.next()));
  }
}
