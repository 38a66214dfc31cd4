import { inject, Injectable } from '@angular/core';
import type { OutsideAt, Reading, SeasonInput, SeasonYear, Water } from '@inky-shoal/core';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  map,
  merge,
  type Observable,
  of,
  shareReplay,
  startWith,
  switchMap,
  take,
  tap,
} from 'rxjs';
import { BookService, type Clock } from '../base/book.service';
import { loading, type Loaded, valueOr } from '../base/loaded';
import { PlannerService } from '../base/planner/planner.service';
import { SettingsService } from '../base/settings.service';
import { WatersService } from '../waters/waters.service';
import { NOTHING_OUTSIDE, OutsideService } from './outside.service';

/** Where a water stands, with what it was worked out from. */
export interface WaterSeason {
  readonly water: Water;
  readonly readings: readonly Reading[];
  readonly outside: OutsideAt;
  readonly clock: Clock;
  readonly year: SeasonYear;
}

/** The season of the water looked at. */
@Injectable({ providedIn: 'root' })
export class SeasonService {
  private readonly waters = inject(WatersService);
  private readonly outside = inject(OutsideService);
  private readonly books = inject(BookService);
  private readonly settings = inject(SettingsService);
  private readonly planner = inject(PlannerService);
  /** What years were worked out from last, and those years, by water. */
  private readonly years = new Map<string, { readonly from: string; readonly year$: Observable<SeasonYear> }>();
  private readonly looked = new BehaviorSubject<string | null>(null);

  /** The water whose season is shown: the one looked at, else the first of the book. */
  readonly water$ = combineLatest([this.waters.waters$, this.looked]).pipe(
    map(([loaded, looked]) => {
      const waters = valueOr(loaded, []);
      return waters.find(({ id }) => id === looked) ?? waters[0] ?? null;
    }),
  );

  /** Worked out anew when a reading, the weather, the clock or the units change. */
  readonly season$: Observable<Loaded<WaterSeason | null>> = combineLatest([
    this.water$,
    this.settings.units$,
    merge(this.waters.changed$, this.outside.changed$).pipe(startWith(undefined)),
  ]).pipe(
    switchMap(([water]) => (water ? loading(this.of(water)) : of<Loaded<null>>({ state: 'ready', value: null }))),
    shareReplay(1),
  );

  look(waterId: string): void {
    this.looked.next(waterId);
  }

  /** Looks at a water where none was looked at before. */
  lookAtFirst(waterId: string): void {
    if (this.looked.value === null) this.looked.next(waterId);
  }

  /** The season of a water; again when weather that was under way comes in. */
  of(water: Water): Observable<WaterSeason> {
    return combineLatest([
      this.waters.readingsOf(water.id),
      this.books.clock$.pipe(take(1)),
      this.outside.at(water.id).pipe(catchError(() => of(NOTHING_OUTSIDE))),
    ]).pipe(
      switchMap(([readings, clock, outside]) =>
        this.yearOf({
          water,
          readings,
          weather: outside.weatherDays,
          gauge: outside.gaugeDays,
          now: clock.now,
          units: this.settings.units,
        }).pipe(map((year) => ({ water, readings, outside, clock, year }))),
      ),
    );
  }

  /** The year of a water, worked out once from the same: many ask for it, and again while weather is on its way. */
  private yearOf(input: SeasonInput): Observable<SeasonYear> {
    const from = JSON.stringify(input);
    const known = this.years.get(input.water.id);
    if (known?.from === from) return known.year$;
    const year$ = this.planner
      .seasonYear(input)
      .pipe(tap({ error: () => this.years.delete(input.water.id) }), shareReplay(1));
    this.years.set(input.water.id, { from, year$ });
    return year$;
  }
}
