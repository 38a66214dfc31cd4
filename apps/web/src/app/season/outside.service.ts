import { inject, Injectable } from '@angular/core';
import { OutsideAt, WeatherDay } from '@inky-shoal/core';
import {
  catchError,
  concat,
  expand,
  last,
  map,
  type Observable,
  of,
  reduce,
  Subject,
  switchMap,
  takeWhile,
  tap,
  timer,
} from 'rxjs';
import * as z from 'zod';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';

const SILENT = { source: null, issuedAt: null, answeredAt: null, failure: null, asking: false };
/** Nothing is known of the outside, or our own server does not answer. */
export const NOTHING_OUTSIDE: OutsideAt = { weather: SILENT, gauge: SILENT, weatherDays: [], gaugeDays: [] };

const Replaced = z.object({ replaced: z.array(WeatherDay) });

/** Days that go to the server in one piece. */
const AT_ONCE = 2000;
const parted = <T>(list: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(list.length / AT_ONCE) }, (_, part) =>
    list.slice(part * AT_ONCE, (part + 1) * AT_ONCE),
  );

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

  /** Keeps days of weather that a file told. @returns those that stood in their places */
  takeDays(waterId: string, source: string, days: readonly WeatherDay[]): Observable<WeatherDay[]> {
    return concat(...parted(days).map((part) => this.putDays(waterId, source, part))).pipe(
      reduce((all, replaced) => [...all, ...replaced], [] as WeatherDay[]),
      tap(() => this.changed.next()),
    );
  }

  /** Lets go of days of weather. Emits once, when all are gone. */
  removeDays(waterId: string, dates: readonly string[]): Observable<unknown> {
    const path = `${this.daysPath(waterId)}/remove`;
    return concat(...parted(dates).map((body) => this.api.send({ method: 'POST', path, body }))).pipe(
      last(),
      tap(() => this.changed.next()),
    );
  }

  private putDays(waterId: string, source: string, days: readonly WeatherDay[]): Observable<WeatherDay[]> {
    return this.api
      .send({ method: 'PUT', path: this.daysPath(waterId), body: { source: source.slice(0, 80), days } })
      .pipe(map((body) => Replaced.parse(body).replaced));
  }

  private daysPath(waterId: string): string {
    return `/books/${this.books.book}/waters/${waterId}/weather-days`;
  }

  /** Another service is asked from now on: what is shown is read again. */
  reload(): void {
    this.changed.next();
  }
}
