import { inject, Injectable } from '@angular/core';
import { Reading, Water, type ReadingDraftInput, type WaterDraftInput } from '@inky-shoal/core';
import {
  BehaviorSubject,
  combineLatest,
  concat,
  filter,
  last,
  map,
  merge,
  type Observable,
  of,
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
  private readonly changed = new Subject<void>();
  private readonly reload$ = merge(this.changed, this.outbox.delivered$, inject(ConnectionService).reachable$);
  private readonly looked = new BehaviorSubject<string | null>(null);

  /** Something of the waters or their readings has been changed, or what waited has been delivered. */
  readonly changed$ = this.reload$;

  private readonly watersOfBook$ = combineLatest([this.books.book$, this.reload$]).pipe(
    switchMap(([book]) =>
      loading(this.api.get(`/books/${book}/waters`, z.array(Water))).pipe(map((loaded) => ({ book, loaded }))),
    ),
    shareReplay(1),
  );
  /** Waters of the open book. Who hears of another book first is not given those of the former one. */
  readonly waters$: Observable<Loaded<Water[]>> = combineLatest([this.books.book$, this.watersOfBook$]).pipe(
    filter(([book, { book: theirs }]) => book === theirs),
    map(([, { loaded }]) => loaded),
  );
  /** Readings of the water looked at, latest first. */
  readonly readings$: Observable<Loaded<Reading[]>> = combineLatest([this.looked, this.reload$]).pipe(
    switchMap(([waterId]) =>
      waterId ? loading(this.readingsOf(waterId)) : of<Loaded<Reading[]>>({ state: 'ready', value: [] }),
    ),
    shareReplay(1),
  );

  look(waterId: string | null): void {
    this.looked.next(waterId);
  }

  readingsOf(waterId: string): Observable<Reading[]> {
    return this.api.get(`/books/${this.books.book}/waters/${waterId}/readings`, z.array(Reading));
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
    const path = `/books/${this.books.book}/waters/${waterId}/readings`;
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

  private readingPath(waterId: string, id: string): string {
    return `/books/${this.books.book}/waters/${waterId}/readings/${id}`;
  }

  private write(write: Parameters<OutboxService['send']>[0]): Observable<'sent' | 'waiting'> {
    return this.outbox.send(write).pipe(tap(() => this.changed.next()));
  }
}
