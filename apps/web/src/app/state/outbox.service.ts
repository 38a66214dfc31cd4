import { inject, Injectable } from '@angular/core';
import {
  BehaviorSubject,
  catchError,
  concatMap,
  defer,
  EMPTY,
  from,
  map,
  type Observable,
  of,
  Subject,
  tap,
  throwError,
} from 'rxjs';
import * as z from 'zod';
import type { ApiError } from './api.service';
import { ApiService, type Write } from './api.service';
import { ConnectionService } from './connection.service';
import { Store } from './store';

const Waiting = z.array(
  z.object({ method: z.enum(['PUT', 'PATCH', 'DELETE', 'POST']), path: z.string(), body: z.unknown().optional() }),
);

/**
 * Writes on their way to the server. While it is away they wait here, in order and kept over a reload, and go by
 * themselves when it is back. Every write carries its own id, so sending one twice changes nothing.
 */
@Injectable({ providedIn: 'root' })
export class OutboxService {
  private readonly api = inject(ApiService);
  private readonly connection = inject(ConnectionService);
  private readonly store = new Store<Write[]>('outbox', Waiting as z.ZodType<Write[]>, []);
  private readonly waiting = new BehaviorSubject<readonly Write[]>(this.store.read());
  private readonly delivered = new Subject<void>();
  private readonly refused = new Subject<string>();
  private flushing = false;

  /** How many writes wait for the server. */
  readonly waiting$ = this.waiting.pipe(map((writes) => writes.length));
  /** Writes that had waited have reached the server: what was read before is old. */
  readonly delivered$ = this.delivered.asObservable();
  /** A write that had waited was refused, in words. */
  readonly refused$ = this.refused.asObservable();

  constructor() {
    this.connection.there$.subscribe(() => this.flush());
  }

  /**
   * Sends a write. Emits `sent`, or `waiting` where the server is away and the write is kept for later; fails where the
   * server refuses it.
   */
  send(write: Write): Observable<'sent' | 'waiting'> {
    // Nothing is kept before it is asked for: an undo stands ready, and is seldom taken.
    return defer(() => {
      if (this.waiting.value.length) return of(this.keep(write));
      return this.api.send(write).pipe(
        map(() => 'sent' as const),
        catchError((error: ApiError) => (error.kind === 'away' ? of(this.keep(write)) : throwError(() => error))),
      );
    });
  }

  private keep(write: Write): 'waiting' {
    this.set([...this.waiting.value, write]);
    // Whatever the line is like, look again soon: a write that joins others on their way is not sent with them.
    this.connection.lost();
    return 'waiting';
  }

  private set(writes: readonly Write[]): void {
    this.waiting.next(writes);
    this.store.write([...writes]);
  }

  private flush(): void {
    if (this.flushing || !this.waiting.value.length) return;
    this.flushing = true;
    from(this.waiting.value)
      .pipe(
        concatMap((write) =>
          this.api.send(write).pipe(
            catchError((error: ApiError) => {
              if (error.kind === 'away') return throwError(() => error);
              this.refused.next(error.message);
              return of(null);
            }),
            tap(() => this.set(this.waiting.value.slice(1))),
          ),
        ),
        // Away again: the connection knows, and the rest goes when it is back.
        catchError(() => EMPTY),
      )
      .subscribe({
        complete: () => {
          this.flushing = false;
          this.delivered.next();
        },
      });
  }
}
