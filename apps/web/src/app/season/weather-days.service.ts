import { inject, Injectable } from '@angular/core';
import { WeatherDay } from '@inky-shoal/core';
import { concat, last, map, type Observable, reduce, tap } from 'rxjs';
import * as z from 'zod';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { OutsideService } from './outside.service';

const Replaced = z.object({ replaced: z.array(WeatherDay) });

/** Days that go to the server in one piece. */
const AT_ONCE = 2000;
const parted = <T>(list: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(list.length / AT_ONCE) }, (_, part) =>
    list.slice(part * AT_ONCE, (part + 1) * AT_ONCE),
  );

/** Days of weather that a file told, at the waters of the open book. */
@Injectable({ providedIn: 'root' })
export class WeatherDaysService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly outside = inject(OutsideService);

  /** Keeps days of weather. @returns those that stood in their places */
  take(waterId: string, source: string, days: readonly WeatherDay[]): Observable<WeatherDay[]> {
    return concat(...parted(days).map((part) => this.put(waterId, source, part))).pipe(
      reduce((all, replaced) => [...all, ...replaced], [] as WeatherDay[]),
      tap(() => this.outside.reload()),
    );
  }

  /** Lets go of days of weather. Emits once, when all are gone. */
  remove(waterId: string, dates: readonly string[]): Observable<unknown> {
    const path = `${this.path(waterId)}/remove`;
    return concat(...parted(dates).map((body) => this.api.send({ method: 'POST', path, body }))).pipe(
      last(),
      tap(() => this.outside.reload()),
    );
  }

  private put(waterId: string, source: string, days: readonly WeatherDay[]): Observable<WeatherDay[]> {
    return this.api
      .send({ method: 'PUT', path: this.path(waterId), body: { source: source.slice(0, 80), days } })
      .pipe(map((body) => Replaced.parse(body).replaced));
  }

  private path(waterId: string): string {
    return `/books/${this.books.book}/waters/${waterId}/weather-days`;
  }
}
