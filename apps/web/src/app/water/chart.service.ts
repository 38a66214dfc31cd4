import { inject, Injectable } from '@angular/core';
import type { Conditions, Water } from '@inky-shoal/core';
import {
  WaterChart,
  type ChartFeature,
  type ChartFrame,
  type KeptChart,
  type ReadingStep,
} from '@inky-shoal/core/chart';
import type { ChartDay } from '@inky-shoal/core/spots';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  concat,
  debounceTime,
  distinctUntilChanged,
  filter,
  map,
  merge,
  type Observable,
  of,
  pairwise,
  shareReplay,
  startWith,
  Subject,
  switchMap,
  take,
  takeUntil,
  tap,
} from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { ChartFilesService } from './chart-files.service';
import { ChartEngineService } from './chart-engine.service';
import { ConnectionService } from '../base/connection.service';
import { DayService } from '../sheet/day.service';
import { DrawnService } from './drawn.service';
import { OutboxService } from '../base/outbox.service';
import { WatersService } from '../waters/waters.service';

/** A water's chart as it is open, ready for the day on the sheet. */
export interface OpenChart {
  readonly water: Water;
  readonly frame: KeptChart;
  readonly features: readonly ChartFeature[];
  readonly conditions: Conditions;
  /** Minutes past midnight that have a picture. */
  readonly minutes: readonly number[];
  /** Rows and columns between which all water lies. */
  readonly wet: { readonly west: number; readonly east: number; readonly north: number; readonly south: number };
}

/** The chart of the day's water: on its way, ready, not made yet, or not to be had, in words. */
export type ChartState =
  | { readonly state: 'reading'; readonly step?: ReadingStep }
  | { readonly state: 'ready'; readonly chart: OpenChart }
  | { readonly state: 'no-water' }
  | { readonly state: 'no-chart'; readonly water: Water }
  | { readonly state: 'failed'; readonly message: string };

type Prepared = Pick<OpenChart, 'minutes' | 'wet'>;

const alike = <T>(a: T, b: T): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The steps of a reading, until it is done. */
const told = (steps: Observable<ReadingStep>, done: Observable<unknown>): Observable<ChartState> =>
  steps.pipe(
    map((step): ChartState => ({ state: 'reading', step })),
    takeUntil(done),
  );

/** The chart of the water on the sheet. */
@Injectable({ providedIn: 'root' })
export class ChartService {
  private readonly api = inject(ApiService);
  private readonly books = inject(BookService);
  private readonly engine = inject(ChartEngineService);
  private readonly day = inject(DayService);
  private readonly drawn = inject(DrawnService);
  private readonly outbox = inject(OutboxService);
  private readonly files = inject(ChartFilesService);
  private readonly level = new BehaviorSubject(0);
  private readonly changed = new Subject<void>();
  /** The bed that is open: it is fetched and opened once. */
  private openBed = '';
  /** The day that was made ready last, and what came of it. */
  private prepared: { readonly day: string; readonly prepared: Prepared } | undefined;

  /** The water whose chart stands: asked for again, it stands until another one has come. */
  private standing = '';

  /** Water's level above the chart's zero, metres. */
  readonly levelM$ = this.level.asObservable();

  /** The server was away and is back. */
  private readonly back$ = inject(ConnectionService).online$.pipe(
    pairwise(),
    filter(([before, now]) => !before && now),
  );

  /** The day's water; null where there is none, a sentence where it cannot be had, undefined while it is on its way. */
  private readonly water$ = combineLatest([this.day.draft$, inject(WatersService).waters$]).pipe(
    map(([draft, waters]) => {
      if (waters.state === 'failed') return waters.message;
      if (waters.state === 'loading') return undefined;
      // A book begins its first day by itself, on its first water: that chart is read meanwhile.
      if (!draft) return waters.value[0] ?? null;
      return waters.value.find(({ id }) => id === draft.waterId) ?? null;
    }),
    distinctUntilChanged(alike),
  );

  readonly chartState$: Observable<ChartState> = combineLatest([
    this.water$,
    // Another chart came in, or what was drawn while the server was away has reached it.
    merge(this.changed, this.outbox.delivered$).pipe(startWith(undefined)),
  ]).pipe(
    switchMap(([water]): Observable<ChartState> => {
      if (water === undefined) return of({ state: 'reading' });
      if (water === null) return of({ state: 'no-water' });
      if (typeof water === 'string') return of({ state: 'failed', message: water });
      return this.open(water);
    }),
    tap((charted) => (this.standing = charted.state === 'ready' ? charted.chart.water.id : '')),
    startWith<ChartState>({ state: 'reading' }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  setLevel(levelM: number): void {
    this.level.next(levelM);
  }

  /** Reads the chart ahead, so that it stands at once when one goes there. */
  warm(): Observable<unknown> {
    return this.chartState$.pipe(
      filter(({ state }) => state !== 'reading'),
      take(1),
    );
  }

  /**
   * Puts a chart in place of the one that a water has. @param bed packed
   * @returns what brings back the chart as it was
   */
  replaceChart(water: Water, frame: ChartFrame, bed: Uint8Array): Observable<() => Observable<unknown>> {
    const path = `${this.pathOf(water)}/bed`;
    const put = (each: ChartFrame, packed: Uint8Array) =>
      this.api.putBytes(`${path}?frame=${encodeURIComponent(JSON.stringify(each))}`, packed);
    return this.api.get(this.pathOf(water), WaterChart).pipe(
      switchMap(({ chart }) => (chart ? this.api.bytes(path).pipe(map((before) => ({ chart, before }))) : of(null))),
      switchMap((kept) =>
        put(frame, bed).pipe(
          map(() => () => {
            if (!kept) return this.api.send({ method: 'DELETE', path });
            const { updatedAt: _, ...before } = kept.chart;
            return this.files.pack(kept.before).pipe(switchMap((packed) => put(before, packed)));
          }),
        ),
      ),
      map((back) => () => back().pipe(tap(() => this.changed.next()))),
      tap(() => this.changed.next()),
    );
  }

  private pathOf({ id }: Water): string {
    return `/books/${this.books.book}/waters/${id}/chart`;
  }

  /** Opens a water's chart; where that fails it says so, and tries again once the server is back. */
  private open(water: Water): Observable<ChartState> {
    const path = this.pathOf(water);
    return this.api.get(path, WaterChart).pipe(
      switchMap(({ chart: frame, features }): Observable<ChartState> => {
        this.drawn.begin(path, features);
        if (!frame) return of({ state: 'no-chart', water });
        return this.lay(water, frame).pipe(
          switchMap((laid) => (laid.state === 'laid' ? this.judged(water, frame) : of(laid))),
        );
      }),
      startWith<ChartState>(...(this.standing === water.id ? [] : [{ state: 'reading' } as const])),
      catchError((error: Error) => {
        // The worker may be gone, and the chart that was open with it.
        this.openBed = '';
        this.prepared = undefined;
        return concat(
          of<ChartState>({ state: 'failed', message: error.message }),
          this.back$.pipe(
            take(1),
            switchMap(() => this.open(water)),
          ),
        );
      }),
    );
  }

  /** Opens a bed, where it is not open already. */
  private lay(water: Water, { updatedAt, ...frame }: KeptChart): Observable<ChartState | { readonly state: 'laid' }> {
    const name = `${this.pathOf(water)} ${updatedAt}`;
    const laid = { state: 'laid' } as const;
    if (this.openBed === name) return of(laid);
    // Without a tide the level is known before the day is: its forms are read while the day is still worked out.
    const readM = water.discipline === 'bass' ? this.level.value : undefined;
    const steps = new Subject<ReadingStep>();
    const opened = this.api.bytes(`${this.pathOf(water)}/bed`).pipe(
      switchMap((bed) => this.engine.open(frame, bed, readM, (step) => steps.next(step))),
      tap(() => (this.openBed = name)),
      map(() => laid),
      shareReplay(1),
    );
    return merge(told(steps, opened), opened);
  }

  /** The chart under each day and level that come, and with what is drawn on it. */
  private judged(water: Water, frame: KeptChart): Observable<ChartState> {
    return combineLatest([
      this.day.conditions$.pipe(distinctUntilChanged(alike)),
      this.level,
      this.drawn.features$,
    ]).pipe(
      // What changes at one stroke is judged once.
      debounceTime(0),
      switchMap(([conditions, levelM, features]) => {
        const steps = new Subject<ReadingStep>();
        const prepared = this.prepare({ kind: water.waterKind, features, conditions, levelM }, (step) =>
          steps.next(step),
        ).pipe(
          map(({ minutes, wet }): ChartState => ({
            state: 'ready',
            chart: { water, frame, features, conditions, minutes, wet },
          })),
          shareReplay(1),
        );
        return merge(told(steps, prepared), prepared);
      }),
    );
  }

  /** Makes a day ready, where it is not the one that lies ready. */
  private prepare(day: ChartDay, begin: (step: ReadingStep) => void): Observable<Prepared> {
    const key = JSON.stringify([this.openBed, day]);
    if (this.prepared?.day === key) return of(this.prepared.prepared);
    this.prepared = undefined;
    return this.engine.prepare(day, begin).pipe(tap((prepared) => (this.prepared = { day: key, prepared })));
  }
}
