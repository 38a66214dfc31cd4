import { inject, Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import type { Trip } from '@inky-shoal/core/underway';
import {
  catchError,
  combineLatest,
  debounceTime,
  distinctUntilChanged,
  map,
  type Observable,
  of,
  shareReplay,
  startWith,
  switchMap,
} from 'rxjs';
import { BookService } from '../base/book.service';
import { SettingsService } from '../base/settings.service';
import { RECORD_WORKER } from '../record/record-worker';
import { DayService } from '../sheet/day.service';
import { TripLogService } from '../underway/trip-log.service';
import { TripService } from '../underway/trip.service';
import type { CompetitionQuestion, ToldCompetition } from './competition-api';

/** The day that counts: none, on its way, told, or not to be had. */
export type CompetitionState =
  { readonly state: 'none' | 'working' | 'failed' } | { readonly state: 'told'; readonly told: ToldCompetition };

const NONE: CompetitionState = { state: 'none' };
const WORKING: CompetitionState = { state: 'working' };
/** Rules that are being typed are asked of once nobody has changed them for so long. */
const SETTLED_MS = 400;
/** Underway it is thought over anew with every note, and so often. */
const EVERY_MS = 5 * 60_000;

/** Works out a day that counts, the evening before and underway. */
@Injectable({ providedIn: 'root' })
export class CompetitionService {
  private readonly worker = inject(RECORD_WORKER);
  private readonly books = inject(BookService);
  private readonly settings = inject(SettingsService);
  private readonly trips = inject(TripService);

  /** Emits whenever the trips on this device are others: practice is among them. */
  private readonly log$ = inject(TripLogService).mark$;

  /** The day on the sheet, as it is before it begins. */
  readonly ahead$: Observable<CompetitionState> = combineLatest([
    inject(DayService).planned$,
    inject(DayService).draft$.pipe(
      map((draft) => draft?.waterId ?? undefined),
      distinctUntilChanged(),
    ),
    this.settings.units$,
    this.log$,
  ]).pipe(
    debounceTime(SETTLED_MS),
    switchMap(([planned, waterId, units]) =>
      this.ask(planned?.conditions, (conditions) => ({ conditions, units, waterId })),
    ),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** The trip that is under way: with every fish it is told anew. */
  readonly underway$: Observable<CompetitionState> = combineLatest([
    this.trips.trip$,
    this.trips.nowMs$.pipe(
      map((nowMs) => Math.floor(nowMs / EVERY_MS)),
      distinctUntilChanged(),
    ),
    this.settings.units$,
  ]).pipe(
    switchMap(([trip, , units]) =>
      this.ask(trip?.plan?.conditions, (conditions) => {
        const { waterId } = (trip as Trip).begin;
        return {
          conditions,
          units,
          waterId,
          underway: { trip: trip as Trip, nowMs: this.trips.nowOf(trip) },
        };
      }),
    ),
    // What was told stands until the next is there.
    distinctUntilChanged((before, after) => before.state === 'told' && after.state === 'working'),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private ask(
    conditions: Conditions | undefined,
    question: (conditions: Conditions) => CompetitionQuestion,
  ): Observable<CompetitionState> {
    if (!conditions?.competition) return of(NONE);
    return this.worker
      .ask((record) => record.dayThatCounts(this.books.book, question(conditions)))
      .pipe(
        map((told): CompetitionState => (told ? { state: 'told', told } : NONE)),
        catchError(() => of<CompetitionState>({ state: 'failed' })),
        startWith(WORKING),
      );
  }
}
