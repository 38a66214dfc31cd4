import { inject, Injectable } from '@angular/core';
import { Reading, Water, type ReadingDraftInput, type WaterDraftInput } from '@inky-shoal/core';
import { BehaviorSubject, combineLatest, merge, type Observable, of, shareReplay, Subject, switchMap, tap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { ApiService } from './api.service';
import { BookService } from './book.service';
import { ConnectionService } from './connection.service';
import { loading, type Loaded } from './loaded';
import { OutboxService } from './outbox.service';

/** Waters of the open book and their readings. */
@Injectable({ providedIn: 'root' })
export class WatersService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly outbox = inject(OutboxService);
  private readonly changed = new Subject<void>();
  private readonly again$ = merge(this.changed, this.outbox.delivered$, inject(ConnectionService).there$);
  private readonly looked = new BehaviorSubject<string | null>(null);

  readonly waters$: Observable<Loaded<Water[]>> = combineLatest([this.books.book$, this.again$]).pipe(
    switchMap(([book]) => loading(this.api.get(`/books/${book}/waters`, z.array(Water)))),
    shareReplay(1),
  );
  /** Readings of the water looked at, latest first. */
  readonly readings$: Observable<Loaded<Reading[]>> = combineLatest([this.looked, this.again$]).pipe(
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

  /** Makes a water. The id is made here. */
  make(draft: WaterDraftInput, id = uuid()): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PUT', path: `/books/${this.books.book}/waters/${id}`, body: draft });
  }

  addReading(waterId: string, draft: ReadingDraftInput, id = uuid()): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'PUT', path: this.readingPath(waterId, id), body: draft });
  }

  removeReading({ waterId, id }: Reading): Observable<'sent' | 'waiting'> {
    return this.write({ method: 'DELETE', path: this.readingPath(waterId, id) });
  }

  private readingPath(waterId: string, id: string): string {
    return `/books/${this.books.book}/waters/${waterId}/readings/${id}`;
  }

  private write(write: Parameters<OutboxService['send']>[0]): Observable<'sent' | 'waiting'> {
    return this.outbox.send(write).pipe(tap(() => this.changed.next()));
  }
}
