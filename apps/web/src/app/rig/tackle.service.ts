import { inject, Injectable } from '@angular/core';
import type { KeptTackle, TackleItem } from '@inky-shoal/core/tackle';
import {
  combineLatest,
  concatMap,
  defer,
  EMPTY,
  finalize,
  from,
  map,
  merge,
  type Observable,
  of,
  scan,
  shareReplay,
  Subject,
  switchMap,
  tap,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { ApiService, photoAddress, type Write } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { loading, type Loaded } from '../base/loaded';
import { OutboxService } from '../base/outbox.service';

/** Pieces that go to the server at a time. */
const AT_ONCE = 500;

/** The server checks each piece as it reads it; of thousands that is not done twice. */
const listed = z.array(
  z.custom<KeptTackle>((piece) => typeof piece === 'object' && piece !== null && 'id' in piece && 'item' in piece),
);

const itemOf = ({ id, item }: KeptTackle): TackleItem => ({ ...item, id });
const draftOf = ({ id, ...item }: TackleItem) => ({ id, item });

/** Owned tackle of the open book. */
@Injectable({ providedIn: 'root' })
export class TackleService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly outbox = inject(OutboxService);
  private readonly changed = new Subject<void>();
  private versions: ReadonlyMap<string, number> = new Map();

  /** Everything owned. */
  readonly tackle$: Observable<Loaded<TackleItem[]>> = combineLatest([
    this.books.book$,
    merge(this.changed, this.outbox.delivered$, inject(ConnectionService).reachable$),
  ]).pipe(
    switchMap(([book]) =>
      loading(
        this.api.get(`/books/${book}/tackle`, listed).pipe(
          tap((kept) => (this.versions = new Map(kept.map(({ id, version = 1 }) => [id, version])))),
          map((kept) => kept.map(itemOf)),
        ),
      ),
    ),
    shareReplay(1),
  );

  /** Reads the book again. */
  reload(): void {
    this.changed.next();
  }

  /** The version of a piece as it was last read. */
  versionOf(id: string): number | undefined {
    return this.versions.get(id);
  }

  /** Keeps a piece, new or changed, or one that was removed. @param from the version that is changed */
  put({ id, ...item }: TackleItem, from?: number): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PUT', path: `${this.path()}/${id}`, body: item, from });
  }

  /** Keeps several pieces in one go, as when they change places. */
  putAll(items: readonly TackleItem[]): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PUT', path: this.path(), body: items.map(draftOf) });
  }

  remove(ids: readonly string[]): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'POST', path: `${this.path()}/remove`, body: ids });
  }

  /** Takes many in, batch by batch; emits how many are in. @param stop ends it after the batch that is on its way */
  addAll(items: readonly TackleItem[], stop: Observable<unknown>): Observable<number> {
    const batches = Array.from({ length: Math.ceil(items.length / AT_ONCE) }, (_, at) =>
      items.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
    );
    return defer(() => {
      let stopped = false;
      const stopping = stop.subscribe(() => (stopped = true));
      const send = (batch: readonly TackleItem[]) =>
        this.api.send({ method: 'PUT', path: this.path(), body: batch.map(draftOf) }).pipe(map(() => batch.length));
      return from(batches).pipe(
        concatMap((batch) => defer(() => (stopped ? EMPTY : send(batch)))),
        scan((total, count) => total + count, 0),
        finalize(() => {
          stopping.unsubscribe();
          this.changed.next();
        }),
      );
    });
  }

  /** Takes many out again, as undo does. */
  takeOut(ids: readonly string[]): Observable<unknown> {
    const batches = Array.from({ length: Math.ceil(ids.length / AT_ONCE) }, (_, at) =>
      ids.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
    );
    return from(batches).pipe(
      concatMap((batch) => this.api.send({ method: 'POST', path: `${this.path()}/remove`, body: batch })),
      tap({ finalize: () => this.changed.next() }),
    );
  }

  /** Keeps a photo that is small already; emits its id. */
  keepPhoto(photo: Blob): Observable<string> {
    const id = uuid();
    return this.api
      .send({ method: 'PUT', path: `/books/${this.books.book}/photos/${id}`, body: photo })
      .pipe(switchMap(() => of(id)));
  }

  photoAddress(photoId: string): string {
    return photoAddress(this.books.book, photoId);
  }

  private path(): string {
    return `/books/${this.books.book}/tackle`;
  }

  private write(write: Write): Observable<'sent' | 'waiting'> {
    return this.outbox.send(write).pipe(tap(() => this.changed.next()));
  }
}
