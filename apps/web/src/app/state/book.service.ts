import { inject, Injectable } from '@angular/core';
import { BOOKS, type Book } from '@inky-shoal/core';
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

const BookState = z.object({ id: z.enum(BOOKS), clock: z.object({ now: z.string(), fixed: z.boolean() }) });
export type Clock = z.infer<typeof BookState>['clock'];

/** Which book is open, the demo's or the user's own, and what time it is in it. */
@Injectable({ providedIn: 'root' })
export class BookService {
  private readonly api = inject(ApiService);
  private readonly connection = inject(ConnectionService);
  private readonly store = new Store<Book>('book', z.enum(BOOKS), 'demo');
  private readonly chosen = new BehaviorSubject<Book>(this.store.read());

  readonly book$ = this.chosen.pipe(distinctUntilChanged());
  /** The clock of the open book, read again when the server is back; this machine's own where it does not say. */
  readonly clock$ = combineLatest([this.book$, this.connection.there$]).pipe(
    switchMap(([book]) =>
      this.api.get(`/books/${book}`, BookState).pipe(
        map(({ clock }) => clock),
        catchError(() => of({ now: new Date().toISOString(), fixed: false })),
      ),
    ),
    shareReplay(1),
  );

  get book(): Book {
    return this.chosen.value;
  }

  open(book: Book): void {
    this.store.write(book);
    this.chosen.next(book);
  }
}
