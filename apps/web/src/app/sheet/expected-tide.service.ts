import { inject, Injectable } from '@angular/core';
import { minutesOf, type ConditionsInput, type Water } from '@inky-shoal/core';
import {
  airOfDays,
  levelsOfDays,
  type Surge,
  surgeOf,
  tideDay,
  TideGaugeAt,
  type TideStation,
} from '@inky-shoal/core/tide';
import {
  catchError,
  concat,
  debounceTime,
  distinctUntilChanged,
  EMPTY,
  expand,
  map,
  type Observable,
  of,
  switchMap,
  take,
  takeWhile,
  tap,
  timer,
} from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { StoreSet } from '../base/store';

/** What a station, and a gauge where one is, tell of the tide of a day, as conditions take it. */
export type ToldTide = Pick<
  ConditionsInput,
  'hourlyTide' | 'waterOverTableM' | 'waterDoubtM' | 'tideSpringShare' | 'seaDeg'
>;

const QUARTER_MIN = 15;
const DAY_MIN = 1440;
const HOUR_MS = 3_600_000;
/** Before the hours on the water begin the tide is told from so long, so that its stage is known. */
const BEFORE_MIN = 240;
/** A gauge says nothing of days farther off. */
const GAUGE_DAYS = 4;
/** What a gauge said is asked anew after so long. */
const FRESH_MS = HOUR_MS / 4;
const LOOK_AGAIN_MS = 2000;
const MAX_LOOKS = 10;

/** A day of the tide: from midnight on, or from some hours before where the hours on the water cross midnight. */
function span({ window }: ConditionsInput): { fromMin: number; toMin: number } {
  const [from, to] = window ? [minutesOf(window.from), minutesOf(window.to)] : [0, DAY_MIN - QUARTER_MIN];
  const fromMin = to < from ? Math.min(from, Math.max(0, Math.floor((from - BEFORE_MIN) / 60) * 60)) : 0;
  return { fromMin, toMin: fromMin + DAY_MIN - QUARTER_MIN };
}

const toCm = (metres: number): number => Math.round(metres * 100) / 100;
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** What the water is expected to stand over its table by a gauge; null where it says nothing of now. */
function surgeBy(station: TideStation, { days, air }: TideGaugeAt, timeZone: string, nowMs: number): Surge | null {
  const levels = levelsOfDays(days).filter(({ atMs }) => atMs <= nowMs);
  return levels.length ? surgeOf(station, levels, nowMs, airOfDays(air, timeZone)) : null;
}

/** The tide of a day by its station, and by a gauge where one says something of it. */
export function toldTide(
  station: TideStation,
  input: ConditionsInput,
  gauge: TideGaugeAt | null,
  nowMs: number,
): ToldTide {
  const zone = input.place?.timeZone ?? 'UTC';
  const isNear = Math.abs(Date.parse(input.date) - nowMs) < GAUGE_DAYS * 24 * HOUR_MS;
  const surge = gauge && isNear ? surgeBy(station, gauge, zone, nowMs) : null;
  const { levels, springShare } = tideDay(station, input.date, zone, { ...span(input), surge });
  const byGauge = levels.flatMap(({ overM, doubtM }) => (overM === undefined ? [] : [{ overM, doubtM: doubtM ?? 0 }]));
  return {
    hourlyTide: levels.map(({ at, levelM, run }) => ({ at, levelM, ...(run === undefined ? {} : { run }) })),
    tideSpringShare: springShare,
    ...(station.seaDeg === undefined ? {} : { seaDeg: station.seaDeg }),
    ...(byGauge.length
      ? {
          waterOverTableM: toCm(mean(byGauge.map(({ overM }) => overM))),
          waterDoubtM: toCm(mean(byGauge.map(({ doubtM }) => doubtM))),
        }
      : {}),
  };
}

/** The tide of a water as it is expected: worked out in the page, since there is none to ask at sea. */
@Injectable({ providedIn: 'root' })
export class ExpectedTideService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  /** What gauges said last, for where there is no signal. */
  private readonly kept = new StoreSet('tide-gauge', TideGaugeAt);
  private readonly heardAt = new Map<string, number>();

  /** The day's tide: at once by what is known here, and again where a gauge has more to say. */
  of({ id, tideStation }: Water, input: ConditionsInput): Observable<ToldTide | null> {
    if (!tideStation) return of(null);
    const now$ = this.books.clock$.pipe(
      take(1),
      map(({ now }) => Date.parse(now)),
    );
    // Where the book's clock is not known yet, the table does not wait for it.
    return concat(of(null), now$).pipe(
      debounceTime(0),
      switchMap((nowMs) =>
        nowMs === null
          ? of(toldTide(tideStation, input, null, 0))
          : this.gaugeAt(id).pipe(map((gauge) => toldTide(tideStation, input, gauge, nowMs))),
      ),
      distinctUntilChanged((one, two) => JSON.stringify(one) === JSON.stringify(two)),
    );
  }

  private gaugeAt(waterId: string): Observable<TideGaugeAt | null> {
    const key = `${this.books.book}/${waterId}`;
    const known = this.kept.read(key);
    if (Date.now() - (this.heardAt.get(key) ?? 0) < FRESH_MS) return of(known);
    const path = `/books/${this.books.book}/waters/${waterId}/tide-gauge`;
    const look = () => this.api.get(path, TideGaugeAt);
    return concat(
      of(known),
      look().pipe(
        expand(({ state }, index) =>
          state.asking && index < MAX_LOOKS ? timer(LOOK_AGAIN_MS).pipe(switchMap(look)) : EMPTY,
        ),
        takeWhile(({ state }) => state.asking, true),
        tap((heard) => {
          // What is still being asked for, or failed, is asked for by the next who wants it.
          if (!heard.state.asking && heard.state.failure === null) this.heardAt.set(key, Date.now());
          if (heard.days.length) this.kept.write(key, heard);
        }),
        // Without a signal what was heard last stands, for as long as it says anything.
        catchError(() => EMPTY),
      ),
    );
  }
}
