import { inject, Injectable } from '@angular/core';
import { dayNumber, type Conditions } from '@inky-shoal/core';
import { Sought, type Claim, type FactorRates, type LogbookRow } from '@inky-shoal/core/logbook';
import {
  BehaviorSubject,
  combineLatest,
  concat,
  distinctUntilChanged,
  filter,
  firstValueFrom,
  from,
  map,
  type Observable,
  shareReplay,
  switchMap,
  tap,
} from 'rxjs';
import * as z from 'zod';
import { BookService } from '../base/book.service';
import { valueOr } from '../base/loaded';
import { Store } from '../base/store';
import { DayService } from '../sheet/day.service';
import { RECORD_WORKER } from '../record/record-worker';
import { TripLogService } from '../underway/trip-log.service';
import { TripSyncService } from '../underway/trip-sync.service';
import { localDay } from '../ui/local-time';
import { zoneHere } from '../underway/past/past-trips.service';
import { saveFile } from '../ui/save-file';
import { WatersService } from '../waters/waters.service';
import { readRows } from './kept-rows';
import { LOG_FILES, type LikeTrip, type LogFile, type Places, type ShowsQuery, type WaterNames } from './log-api';

/** A search that was given a name. */
const SavedSearch = z.object({ name: z.string(), sought: Sought });
export type SavedSearch = z.infer<typeof SavedSearch>;

/** The logbook of the open book: its trips as lines, and what they show. */
@Injectable({ providedIn: 'root' })
export class LogService {
  private readonly worker = inject(RECORD_WORKER);
  private readonly books = inject(BookService);

  /** What waters and their zones are called now. */
  readonly names$: Observable<WaterNames> = inject(WatersService).waters$.pipe(
    map((loaded) =>
      Object.fromEntries(
        valueOr(loaded, [])
          .flatMap(({ zones = [], ...water }) => [water, ...zones])
          .map(({ id, name }) => [id, name]),
      ),
    ),
    distinctUntilChanged((one, two) => JSON.stringify(one) === JSON.stringify(two)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  /** Emits whenever the trips on this device are others. */
  private readonly changed$ = inject(TripLogService).mark$;
  /**
   * Every trip that is over as a line, the latest first: as they were told last at once, then as they are. A log that was
   * never told here says nothing until it is.
   */
  readonly rows$: Observable<readonly LogbookRow[]> = this.books.book$.pipe(
    switchMap((book) => this.rowsOf(book)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private readonly keptSearches = new Store('log-searches', z.array(SavedSearch), []);
  private readonly searches = new BehaviorSubject<readonly SavedSearch[]>(this.keptSearches.read());
  readonly searches$ = this.searches.asObservable();

  constructor() {
    inject(TripSyncService);
  }

  private rowsOf(book: BookService['book']): Observable<readonly LogbookRow[]> {
    let have: string | null = null;
    const fresh$ = combineLatest([this.names$, this.changed$]).pipe(
      switchMap(([names]) => this.worker.ask((api) => api.rows(book, names, have))),
    );
    return concat(from(readRows(book)), fresh$).pipe(
      filter((told) => told !== null),
      tap(({ of }) => (have = of)),
      map(({ rows }) => rows),
    );
  }

  /** Keeps a search under its name; another of that name gives way to it. */
  keepSearch(search: SavedSearch): void {
    this.writeSearches([...this.searches.value.filter(({ name }) => name !== search.name), search]);
  }

  forgetSearch(name: string): void {
    this.writeSearches(this.searches.value.filter((each) => each.name !== name));
  }

  private writeSearches(searches: SavedSearch[]): void {
    this.keptSearches.write(searches);
    this.searches.next(searches);
  }

  shows(query: ShowsQuery): Observable<FactorRates> {
    return this.ofTrips((book) => this.worker.ask((api) => api.shows(book, query)));
  }

  claim(query: ShowsQuery, level: string): Observable<Claim | null> {
    return this.ofTrips((book) => this.worker.ask((api) => api.claim(book, query, level)));
  }

  /** The trips most like a planned day, nearest first. */
  likeDays(conditions: Conditions, most: number): Observable<readonly LikeTrip[]> {
    return this.ofTrips((book) => this.worker.ask((api) => api.likeDays(book, conditions, most)));
  }

  /** The day on the sheet: what places remember is told as of then. */
  readonly asked$: Observable<{ readonly day: number; readonly visibilityM: number | undefined }> = combineLatest([
    inject(DayService).draft$,
    this.books.clock$,
  ]).pipe(
    map(([draft, clock]) => ({
      day: dayNumber(draft?.input.date ?? localDay(clock.now, zoneHere())),
      visibilityM: draft?.input.visibilityM ?? undefined,
    })),
    filter(({ day }) => Number.isFinite(day)),
    distinctUntilChanged((one, two) => one.day === two.day && one.visibilityM === two.visibilityM),
  );

  /** What places remember on a day. */
  places(day: number, visibilityM: number | undefined): Observable<Places> {
    return this.ofTrips((book) => this.worker.ask((api) => api.places(book, day, visibilityM)));
  }

  /** Hands trips to the browser as a file to keep. */
  async save(file: LogFile, tripIds: readonly string[]): Promise<void> {
    const names = await firstValueFrom(this.names$);
    const text = await firstValueFrom(this.worker.ask((api) => api.file(this.books.book, file, names, tripIds)));
    saveFile(LOG_FILES[file].file, text, LOG_FILES[file].type);
  }

  /** Asks anew whenever the trips are others. */
  private ofTrips<Answer>(ask: (book: BookService['book']) => Observable<Answer>): Observable<Answer> {
    return combineLatest([this.books.book$, this.changed$]).pipe(switchMap(([book]) => ask(book)));
  }
}
