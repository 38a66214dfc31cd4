import { inject, Injectable } from '@angular/core';
import { OutsideAt } from '@inky-shoal/core';
import { catchError, expand, type Observable, of, Subject, switchMap, takeWhile, tap, timer } from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';

const SILENT = { source: null, issuedAt: null, answeredAt: null, failure: null, asking: false };
/** Nothing is known of the outside, or our own server does not answer. */
export const NOTHING_OUTSIDE: OutsideAt = { weather: SILENT, gauge: SILENT, weatherDays: [], gaugeDays: [] };

const LOOK_AGAIN_MS = 2000;
const MAX_LOOKS = 10;

/** Weather and gauge at the waters of the open book. */
@Injectable({ providedIn: 'root' })
export class OutsideService {
  private readonly api = inject(ApiService);
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

  /** Another service is asked from now on, or other days are kept: what is shown is read again. */
  reload(): void {
    this.changed.next();
  }
}
