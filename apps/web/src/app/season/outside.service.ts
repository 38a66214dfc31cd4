import { HttpClient, type HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { OutsideAddress, OutsideAt } from '@inky-shoal/core';
import {
  catchError,
  expand,
  map,
  type Observable,
  of,
  Subject,
  switchMap,
  takeWhile,
  tap,
  throwError,
  timer,
} from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import type { KeptAddress } from '../base/loaded';

const SILENT = { source: null, issuedAt: null, answeredAt: null, failure: null, asking: false };
/** Nothing is known of the outside, or our own server does not answer. */
export const NOTHING_OUTSIDE: OutsideAt = { weather: SILENT, gauge: SILENT, weatherDays: [], gaugeDays: [] };

const LOOK_AGAIN_MS = 2000;
const MAX_LOOKS = 10;

/** Weather and gauge at the waters of the open book. */
@Injectable({ providedIn: 'root' })
export class OutsideService {
  private readonly api = inject(ApiService);
  private readonly http = inject(HttpClient);
  private readonly books = inject(BookService);
  private readonly changed = new Subject<void>();

  /** New figures have come in. */
  readonly changed$ = this.changed.asObservable();

  /** What is known at a water; emits again when a question that was under way has been answered. */
  at(waterId: string, ask = false): Observable<OutsideAt> {
    const path = `/books/${this.books.book}/waters/${waterId}/outside`;
    const look = (again: boolean) => this.api.get(again ? `${path}?ask=1` : path, OutsideAt);
    return look(ask).pipe(
      expand((known, index) =>
        index < MAX_LOOKS && (known.weather.asking || known.gauge.asking)
          ? timer(LOOK_AGAIN_MS).pipe(switchMap(() => look(false)))
          : of(),
      ),
      takeWhile(({ weather, gauge }) => weather.asking || gauge.asking, true),
      catchError(() => of(NOTHING_OUTSIDE)),
    );
  }

  /** Asks the source at once. */
  ask(waterId: string): Observable<OutsideAt> {
    return this.at(waterId, true).pipe(tap(() => this.changed.next()));
  }

  /** Takes in weather from the text of a CSV file. Fails with a sentence where it cannot be read. */
  takeFile(waterId: string, text: string): Observable<void> {
    return this.http
      .post(`/api/books/${this.books.book}/waters/${waterId}/weather`, text, {
        headers: { 'content-type': 'text/csv' },
      })
      .pipe(
        map(() => undefined),
        tap(() => this.changed.next()),
        catchError((error: HttpErrorResponse) => {
          const detail = (error.error as { detail?: string } | null)?.detail;
          return throwError(() => new Error(detail ?? 'The server does not answer.'));
        }),
      );
  }

  /** Where the book's weather service is; no address where it has none. */
  address(): Observable<KeptAddress> {
    return this.api
      .get(`/books/${this.books.book}/outside`, OutsideAddress)
      .pipe(map(({ address, privateNetwork = false }) => ({ address, privateNetwork })));
  }

  setAddress(body: KeptAddress): Observable<unknown> {
    return this.api
      .send({ method: 'PUT', path: `/books/${this.books.book}/outside`, body })
      .pipe(tap(() => this.changed.next()));
  }
}
