import { inject, Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import {
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  map,
  type Observable,
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
  private last: { readonly conditions: Conditions; readonly day$: Observable<RecordedDay | null> } | null = null;

  /** Emits whenever the trips on this device are others. */
  private readonly log$ = inject(TripLogService).log$.pipe(
    map(({ book, events }) => `${book} ${events.length}`),
    distinctUntilChanged(),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  constructor() {
    // What other devices noted is part of the record: it is brought here.
    inject(TripSyncService);
  }

  /** Has days planned by the record, or without it. */
  leanOn(leans: boolean): void {
    this.kept.write(leans);
    this.leans.next(leans);
  }

  /** A day as the record would have it, told anew with every trip; null where there is no record. */
  of(conditions: Conditions): Observable<RecordedDay | null> {
    if (this.last?.conditions !== conditions) {
      const day$ = combineLatest([this.log$, this.settings.units$, this.books.book$]).pipe(
        switchMap(([, units, book]) => this.worker.ask((record) => record.planDay(book, conditions, units))),
        tap((found) => this.has.write(found !== null)),
        shareReplay({ bufferSize: 1, refCount: true }),
      );
      this.last = { conditions, day$ };
    }
    return this.last.day$;
  }
}
