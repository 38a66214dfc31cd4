import { inject, Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import {
  BehaviorSubject,
  combineLatest,
  defer,
  distinctUntilChanged,
  type Observable,
  of,
  shareReplay,
  switchMap,
  tap,
} from 'rxjs';
import * as z from 'zod';
import { BookService } from '../base/book.service';
import { SettingsService } from '../base/settings.service';
import { Store } from '../base/store';
import { TripLogService } from '../underway/trip-log.service';
import { TripSyncService } from '../underway/trip-sync.service';
import type { RecordedDay } from './record-api';
import { RECORD_WORKER } from './record-worker';

const sinceMs = (date: string): number => (date ? Date.parse(`${date}T00:00:00Z`) : -Infinity);

/** What the trips of the open book teach a plan. */
@Injectable({ providedIn: 'root' })
export class RecordService {
  private readonly worker = inject(RECORD_WORKER);
  private readonly books = inject(BookService);
  private readonly settings = inject(SettingsService);

  private readonly kept = new Store('by-record', z.boolean(), true);
  /** So that the sheet asks at once where there is a record. */
  private readonly has = new Store('has-record', z.boolean(), false);
  private readonly leans = new BehaviorSubject(this.kept.read());
  /** Whether days are planned by the record. */
  readonly leans$ = this.leans.pipe(distinctUntilChanged());
  /** Waters on which the plan stands as shipped. */
  private readonly keptOff = new Store('record-not-on', z.array(z.string()), []);
  private readonly off = new BehaviorSubject<readonly string[]>(this.keptOff.read());
  /** Waters, by their ids, whose days are planned without the record. */
  readonly off$ = this.off.asObservable();
  /** Only trips from this day on teach, YYYY-MM-DD; all where it is empty. */
  private readonly keptSince = new Store('record-since', z.string(), '');
  private readonly since = new BehaviorSubject(this.keptSince.read());
  readonly since$ = this.since.pipe(distinctUntilChanged());
  private last: { readonly conditions: Conditions; readonly day$: Observable<RecordedDay | null> } | null = null;

  private readonly log = inject(TripLogService);
  /** Emits whenever the trips on this device are others. */
  private readonly log$ = this.log.mark$;

  constructor() {
    // What other devices noted is part of the record: it is brought here.
    inject(TripSyncService);
  }

  /** Has days planned by the record, or without it. */
  leanOn(leans: boolean): void {
    this.kept.write(leans);
    this.leans.next(leans);
  }

  /** Has the days of a water planned without the record, or with it. */
  leaveOff(waterId: string, isOff: boolean): void {
    const off = [...this.off.value.filter((id) => id !== waterId), ...(isOff ? [waterId] : [])];
    this.keptOff.write(off);
    this.off.next(off);
  }

  /** Has only trips from a day on teach. Nothing is lost: with an empty day all teach again. */
  beginAt(date: string): void {
    this.keptSince.write(date);
    this.since.next(date);
  }

  /** What the record has taught, told anew with every trip. */
  readonly taught$ = defer(() => combineLatest([this.log$, this.since$, this.books.book$])).pipe(
    switchMap(([, since, book]) => this.worker.ask((record) => record.taught(book, sinceMs(since)))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** A day as the record would have it, told anew with every trip; null where there is no record. */
  of(conditions: Conditions): Observable<RecordedDay | null> {
    if (this.last?.conditions !== conditions) {
      const day$ = combineLatest([this.log$, this.settings.units$, this.books.book$, this.since$]).pipe(
        switchMap(([, units, book, since]) =>
          // Where nothing was ever noted there is nothing to learn from, and nothing is begun for it.
          this.log.now?.events.length
            ? this.worker.ask((record) => record.planDay(book, conditions, units, sinceMs(since)))
            : of(null),
        ),
        tap((found) => this.has.write(found !== null)),
        shareReplay({ bufferSize: 1, refCount: true }),
      );
      this.last = { conditions, day$ };
    }
    return this.last.day$;
  }
}
