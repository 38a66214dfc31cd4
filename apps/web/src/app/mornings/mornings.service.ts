import { inject, Injectable } from '@angular/core';
import { dayNumber, ForecastPair, type Water } from '@inky-shoal/core';
import { proxy } from 'comlink';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  debounceTime,
  distinctUntilChanged,
  filter,
  finalize,
  map,
  merge,
  type Observable,
  of,
  shareReplay,
  startWith,
  Subject,
  switchMap,
  take,
  tap,
} from 'rxjs';
import * as z from 'zod';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { valueOr } from '../base/loaded';
import { SettingsService } from '../base/settings.service';
import { Store } from '../base/store';
import { TackleService } from '../rig/tackle.service';
import { SeasonService } from '../season/season.service';
import { DayService } from '../sheet/day.service';
import type { Draft } from '../sheet/draft';
import { localDay } from '../ui/local-time';
import { WatersService } from '../waters/waters.service';
import { daysAfter, daysAhead } from './days-ahead';
import { doubtsOf, type KnownSeason } from './day-doubts';
import { KeptCard } from './kept-card';
import type { MorningsQuestion, ToldLacking, ToldMornings, ToldPacking } from './mornings-api';
import { MORNINGS_WORKER } from './mornings-worker';

/** A day is looked at from all sides once nobody has changed it for so long. */
const SETTLED_MS = 700;

/** The day over all its mornings: on its way, found, not to be had, or not wanted any more. */
export type MorningsState =
  | { readonly state: 'working'; readonly share: number }
  | { readonly state: 'found'; readonly told: ToldMornings; readonly notes: readonly string[] }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'stopped' };

/** Zones of a water, that in which its ramp lies, and that which the day is planned in. */
export interface RampZones {
  readonly waterId: string;
  readonly zones: NonNullable<Water['zones']>;
  readonly ramp: string;
  readonly own: string;
}

/** Room in the boat, and for how many days it is packed. */
export interface PackingRoom {
  readonly lures: number;
  readonly rods: number;
  readonly days: number;
}

interface AskedDay {
  readonly question: MorningsQuestion;
  readonly notes: readonly string[];
  readonly draft: Draft;
  readonly tries: number;
}

/** The day on the sheet over all the mornings that it may have. */
@Injectable({ providedIn: 'root' })
export class MorningsService {
  private readonly worker = inject(MORNINGS_WORKER);
  private readonly books = inject(BookService);
  private readonly api = inject(ApiService);
  private readonly day = inject(DayService);
  private readonly seasons = inject(SeasonService);
  private readonly waters = inject(WatersService);
  private readonly settings = inject(SettingsService);
  private readonly cards = inject(KeptCard);

  private readonly stopped = new Subject<null>();
  /** How often it was asked for by hand. */
  private readonly tries = new BehaviorSubject(0);
  private readonly keptRamps = new Store('ramp-zones', z.record(z.string(), z.string()), {});
  private readonly ramps = new BehaviorSubject(this.keptRamps.read());

  /** Zones of the water of the day with the one in which its ramp lies; none where it has but one. */
  readonly rampZones$: Observable<RampZones | null> = combineLatest([this.day.draft$, this.ramps]).pipe(
    switchMap(([draft, ramps]) =>
      this.waterOf(draft?.waterId ?? null).pipe(
        map((water) => {
          const zones = water?.zones ?? [];
          if (!water || zones.length < 2) return null;
          const own = draft?.zoneId ?? zones[0]?.id ?? '';
          const kept = ramps[water.id];
          return { waterId: water.id, zones, ramp: zones.some(({ id }) => id === kept) ? (kept as string) : own, own };
        }),
      ),
    ),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** What is known of the water of the day: asked once for all that is changed of the day, again with a new reading. */
  private readonly known$ = combineLatest([
    this.day.draft$.pipe(
      map((draft) => draft?.waterId ?? null),
      distinctUntilChanged(),
    ),
    this.waters.changed$.pipe(startWith(undefined)),
  ]).pipe(
    switchMap(([waterId]) => combineLatest([this.seasonOf(waterId), this.pairsOf(waterId)])),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** What is asked of the day: its conditions, and what is not known of them. */
  private readonly question$: Observable<AskedDay> = combineLatest([
    this.day.planned$.pipe(
      filter((planned) => planned !== null),
      map(({ conditions }) => conditions),
      distinctUntilChanged(),
    ),
    this.day.draft$.pipe(filter((draft) => draft !== null)),
    this.settings.units$,
    this.known$,
    this.books.clock$,
    this.ramps,
    this.tries,
  ]).pipe(
    debounceTime(SETTLED_MS),
    // A draft that the plan has not caught up with is asked of again with it.
    filter(([conditions, draft]) => conditions.date === draft.input.date),
    map(([conditions, draft, units, [season, pairs], clock, ramps, tries]) => {
      const today = dayNumber(localDay(clock.now, conditions.place.timeZone));
      const { doubts, notes } = doubtsOf(draft, season, today, ramps[draft.waterId ?? '']);
      return { question: { conditions, doubts, pairs, units }, notes, draft, tries };
    }),
    distinctUntilChanged((a, b) => a.tries === b.tries && JSON.stringify(a.question) === JSON.stringify(b.question)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  readonly mornings$: Observable<MorningsState> = merge(this.question$, this.stopped).pipe(
    switchMap((asked) => (asked ? this.work(asked) : of<MorningsState>({ state: 'stopped' }))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private work({ question, notes, draft }: AskedDay): Observable<MorningsState> {
    return this.ask(question).pipe(
      map((found): MorningsState =>
        typeof found === 'number' ? { state: 'working', share: found } : { state: 'found', told: found, notes },
      ),
      tap((state) => {
        const card = state.state === 'found' ? state.told.card : null;
        if (card) this.cards.keep(draft.waterId, question.conditions.date, card);
      }),
      catchError((error: Error) => of<MorningsState>({ state: 'failed', message: error.message })),
    );
  }

  /** Gives up what is being worked out: nobody waits for it any more. */
  stop(): void {
    this.stopped.next(null);
    this.worker.stop();
  }

  /** Works it out again. */
  again(): void {
    this.tries.next(this.tries.value + 1);
  }

  /** All that is owned; nothing where that cannot be read. */
  private readonly owned$ = inject(TackleService).tackle$.pipe(
    filter(({ state }) => state !== 'loading'),
    map((loaded) => valueOr(loaded, [])),
  );

  /** Says in which zone of a water its ramp lies. */
  setRamp(waterId: string, zoneId: string): void {
    const ramps = { ...this.ramps.value, [waterId]: zoneId };
    this.keptRamps.write(ramps);
    this.ramps.next(ramps);
  }

  /** What goes into the boat for all mornings; null while another day is on its way. */
  packing(wish$: Observable<PackingRoom>): Observable<ToldPacking | null | 'failed'> {
    return combineLatest([this.question$, this.owned$, wish$]).pipe(
      switchMap(([{ question, draft }, owned, { lures, rods, days }]) =>
        this.daysAfter(draft, days - 1).pipe(
          switchMap((daysAfter) =>
            this.worker.ask((mornings) => mornings.pack(question, owned, { lures, rods, daysAfter })),
          ),
          catchError(() => of('failed' as const)),
        ),
      ),
    );
  }

  /** The days that follow a day on its water; none where its season cannot be had. */
  private daysAfter(draft: Draft, count: number): Observable<readonly MorningsQuestion[]> {
    if (count < 1) return of([]);
    const { units } = this.settings;
    return this.waterOf(draft.waterId).pipe(
      switchMap((water) => (water ? this.seasons.of(water) : of(null))),
      map((season) =>
        season ? daysAfter(season, draft.zoneId ?? undefined, dayNumber(draft.input.date), count, units) : [],
      ),
      catchError(() => of([])),
    );
  }

  private waterOf(waterId: string | null): Observable<Water | null> {
    return this.waters.waters$.pipe(
      filter(({ state }) => state !== 'loading'),
      map((loaded) => valueOr(loaded, []).find(({ id }) => id === waterId) ?? null),
      distinctUntilChanged(),
    );
  }

  /** What the box lacks over the days to come, on every water of the book: how far it has come, then what was found. */
  lacksAhead(): Observable<number | readonly ToldLacking[]> {
    const units = this.settings.units;
    const seasons$ = this.waters.waters$.pipe(
      filter(({ state }) => state !== 'loading'),
      map((loaded) => valueOr(loaded, []).map((water) => this.seasons.of(water))),
      // Nothing combined never says anything.
      switchMap((each) => (each.length ? combineLatest(each) : of([]))),
    );
    return combineLatest([seasons$, this.owned$]).pipe(
      take(1),
      switchMap(([seasons, owned]) => {
        const days = seasons.flatMap((season) => daysAhead(season, units));
        return this.told((told) => this.worker.ask((mornings) => mornings.lacksAhead(days, owned, told))).pipe(
          finalize(() => this.worker.ask((mornings) => mornings.leaveLacks()).subscribe()),
        );
      }),
    );
  }

  /** How far it has come, then what was found. */
  private ask(question: MorningsQuestion): Observable<number | ToldMornings> {
    return this.told((told) => this.worker.ask((mornings) => mornings.of(question, told)));
  }

  /** How far a question has come, then its answer; nothing where another was asked meanwhile. */
  private told<Answer>(ask: (told: (share: number) => void) => Observable<Answer | null>): Observable<number | Answer> {
    const progress = new Subject<number>();
    const found$ = ask(proxy((share: number) => progress.next(share)));
    return merge(
      progress,
      found$.pipe(
        filter((found) => found !== null),
        finalize(() => progress.complete()),
      ),
    );
  }

  /** What was forecast at the water lately and what came; the usual errors stand where that cannot be had. */
  private pairsOf(waterId: string | null): Observable<readonly ForecastPair[]> {
    if (!waterId) return of([]);
    const path = `/books/${this.books.book}/waters/${waterId}/forecasts`;
    return this.api.get(path, z.array(ForecastPair)).pipe(catchError(() => of([])));
  }

  /** Where the water of a day stands; null where that cannot be had: the day is then as unsure as it is without. */
  private seasonOf(waterId: string | null): Observable<KnownSeason | null> {
    return this.waterOf(waterId).pipe(
      switchMap((water) =>
        water
          ? this.seasons.of(water).pipe(
              map(({ year, readings, outside }) => ({ water, year, readings, weatherDays: outside.weatherDays })),
              catchError(() => of(null)),
            )
          : of(null),
      ),
    );
  }
}
