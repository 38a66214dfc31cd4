import { inject, Injectable } from '@angular/core';
import { BookNotice, BOOKS, type Book } from '@inky-shoal/core';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  distinctUntilChanged,
  map,
  of,
  shareReplay,
  switchMap,
} from 'rxjs';
import * as z from 'zod';
import { ApiService } from './api.service';
import { ConnectionService } from './connection.service';
import { Store } from './store';

const BookState = z.object({
  id: z.enum(BOOKS),
  clock: z.object({ now: z.string(), fixed: z.boolean() }),
  notices: z.array(BookNotice).default([]),
});
export type Clock = z.infer<typeof BookState>['clock'];

/** Which book is open, the demo's or the user's own, and what time it is in it. */
@Injectable({ providedIn: 'root' })
export class BookService {
  private readonly api = inject(ApiService);
  private readonly connection = inject(ConnectionService);
  private readonly store = new Store<Book>('book', z.enum(BOOKS), 'demo');
  private readonly chosen = new BehaviorSubject<Book>(this.store.read());

  readonly book$ = this.chosen.pipe(distinctUntilChanged());
  private readonly changed = new BehaviorSubject(null);
  private readonly state$ = combineLatest([this.book$, this.connection.reachable$, this.changed]).pipe(
    switchMap(([book]) => this.api.get(`/books/${book}`, BookState).pipe(catchError(() => of(null)))),
    shareReplay(1),
  );
  /** The clock of the open book, read again when the server is back; this machine's own where it does not say. */
  readonly clock$ = this.state$.pipe(map((state) => state?.clock ?? { now: new Date().toISOString(), fixed: false }));
  /** What the user must hear of the open book. */
  readonly notices$ = this.state$.pipe(map((state) => state?.notices ?? []));

  get book(): Book {
    return this.chosen.value;
  }

  open(book: Book): void {
    this.store.write(book);
    this.chosen.next(book);
  }

  /** Takes a notice down that was read. */
  takeDown(id: string): void {
    this.api
      .send({ method: 'DELETE', path: `/books/${this.book}/notices/${id}` })
      .pipe(catchError(() => of(null)))
      .subscribe(() => this.changed.next(null));
  }

  /** Reads the book's state again. */
  reload(): void {
    this.changed.next(null);
  }
}
