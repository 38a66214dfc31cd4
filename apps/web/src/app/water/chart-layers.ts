import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { toShown, type Cover, type Structure } from '@inky-shoal/core';
import {
  catchError,
  combineLatest,
  debounceTime,
  distinctUntilChanged,
  EMPTY,
  filter,
  map,
  of,
  switchMap,
  type Observable,
} from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { readInk } from '../ui/ink';
import { ChartEngineService } from './chart-engine.service';
import { ChartService, type ChartState, type OpenChart } from './chart.service';
import { contoursIn, rgbOf, tintsOf } from './chart-tints';
import type { ChartView, Contour, Sounding } from './map-picture';
import { sayAnswer, sayTide } from './spot-words';

/** Soundings stand this many pixels apart, and at least so many cells. */
const SOUNDING_PX = 64;
const MIN_SOUNDING_CELLS = 6;
const NOON_MIN = 720;
/** A tide that moved by less is not drawn anew, metres. */
const TIDE_STEP_M = 0.1;
/** The heat comes first, then the answer, then what is only read near by. */
const ANSWER_AFTER_MS = 60;
const LINES_AFTER_MS = 300;

/** One chart from another: of another water, or of another bed. */
export const chartKey = ({ water, frame }: OpenChart): string => `${water.id} ${frame.updatedAt}`;

/** What is laid over the chart of the day at an hour: heat, spots, tints, contours and soundings, and the answer. */
@Injectable()
export class ChartLayers {
  private readonly engine = inject(ChartEngineService);
  private readonly notices = inject(NoticeService);
  private readonly settings = inject(SettingsService);
  private readonly units = toSignal(this.settings.units$, { requireSync: true });
  private readonly look = toSignal(this.settings.look$, { requireSync: true });
  readonly state = toSignal(inject(ChartService).chartState$, { initialValue: { state: 'reading' } as ChartState });
  /** The water that has none. */
  readonly noChart = computed(() => {
    const charted = this.state();
    return charted.state === 'no-chart' ? charted.water : null;
  });
  readonly status = computed(() => {
    const charted = this.state();
    return charted.state === 'reading' ? `Reading the chart${charted.step ? `: ${charted.step}` : ''}.` : '';
  });
  readonly failure = computed(() => {
    const charted = this.state();
    return charted.state === 'failed' ? charted.message : '';
  });
  /** The chart that stands on the page: it stays while another day of it is read. */
  readonly chart = linkedSignal<ChartState, OpenChart | null>({
    source: this.state,
    computation: (charted, before) =>
      charted.state === 'ready' ? charted.chart : charted.state === 'reading' ? (before?.value ?? null) : null,
  });
  /** Its water: what is chosen on one water says nothing on another. */
  readonly waterId = computed(() => this.chart()?.water.id);
  readonly minutes = computed(() => this.chart()?.minutes ?? []);
  readonly minute = linkedSignal(() => this.minutes()[0] ?? 0);
  readonly structure = signal<Structure | ''>('');
  readonly cover = signal<Cover | ''>('');
  private readonly asked = computed(() => ({
    chart: this.chart(),
    minute: this.minute(),
    only: { structure: this.structure() || undefined, cover: this.cover() || undefined },
    units: this.units(),
    look: this.look(),
  }));
  readonly picture = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(20),
      switchMap(({ chart, minute, only, units }) =>
        chart ? this.orNotice(this.engine.scanAt(minute, only, units, rgbOf(readInk().fish))) : of(null),
      ),
    ),
    { initialValue: null },
  );
  readonly spots = computed(() => this.picture()?.spots ?? []);
  private readonly isTidal = computed(() => this.chart()?.conditions.discipline === 'inshore');

  private readonly shown$ = combineLatest([toObservable(this.chart), toObservable(this.units)]).pipe(
    map(([chart, units]) => chart && { chart, units }),
    filter((shown) => shown !== null),
  );
  /**
   * The tide of the hour and the depths that it makes: before the places of the hour are judged, which takes longer. Where
   * there is no tide all hours have the same.
   */
  private readonly hour = toSignal(
    combineLatest([this.shown$, toObservable(this.minute), toObservable(this.look)]).pipe(
      map(([{ chart }, minute, look]) => ({ chart, minute: this.isTidal() ? minute : (chart.minutes[0] ?? 0), look })),
      distinctUntilChanged((a, b) => a.chart === b.chart && a.minute === b.minute && a.look === b.look),
      debounceTime(0),
      switchMap(({ minute }) => this.orNotice(this.engine.hourAt(tintsOf(readInk(), this.isTidal()), minute))),
    ),
    { initialValue: null },
  );
  readonly tint = computed(() => this.hour()?.tint ?? null);
  /** What the tide does at the hour, in words; null where there is none. */
  readonly tide = computed(() => {
    const tide = this.hour()?.tide;
    return tide ? sayTide(tide, this.units()) : null;
  });
  /** How far the tide stands over the water's level, as finely as lines and figures show it. */
  private readonly tideM = computed(() => Math.round((this.hour()?.tide?.aboveM ?? 0) / TIDE_STEP_M) * TIDE_STEP_M);

  /** What is shown of the depths, which the tide changes with the hour. */
  private readonly depths$ = combineLatest([this.shown$, toObservable(this.tideM)]).pipe(
    map(([shown]) => ({ ...shown, minute: this.minute() })),
  );
  readonly view = signal<ChartView | null>(null);
  /** The same for what is in view. */
  private readonly depthsInView$ = combineLatest([
    this.depths$.pipe(debounceTime(LINES_AFTER_MS)),
    toObservable(this.view).pipe(filter((view) => view !== null)),
  ]).pipe(map(([depths, view]) => ({ ...depths, ...view })));
  /** Where to go at the first hour and at noon, whatever hour is looked at. */
  readonly answer = toSignal(
    this.shown$.pipe(
      debounceTime(ANSWER_AFTER_MS),
      switchMap(({ chart: { minutes }, units }) => {
        const noon = minutes.reduce((a, b) => (Math.abs(b - NOON_MIN) < Math.abs(a - NOON_MIN) ? b : a));
        const best = (minute: number) => this.engine.bestAt(minute, units).pipe(map(([spot]) => spot));
        return this.orNotice(combineLatest([best(minutes[0] as number), best(noon)])).pipe(
          map(([first, atNoon]) => sayAnswer(first, atNoon, units)),
        );
      }),
    ),
    { initialValue: '' },
  );
  private readonly lines = toSignal(
    this.depthsInView$.pipe(
      switchMap(({ chart, units, minute, window }) => {
        const wanted = contoursIn(units);
        const depthsM = wanted.map(({ depthM }) => depthM);
        return this.orNotice(this.engine.contours(depthsM, minute, window)).pipe(
          map((found) => ({
            chart,
            shown: found.flatMap((lines, at): Contour[] => (wanted[at] ? [{ ...wanted[at], ...lines }] : [])),
          })),
        );
      }),
    ),
    { initialValue: null },
  );
  private readonly figures = toSignal(
    this.depthsInView$.pipe(
      switchMap(({ chart, units, minute, window, cellsAPixel }) => {
        const everyCells = Math.max(MIN_SOUNDING_CELLS, Math.round(cellsAPixel * SOUNDING_PX));
        return this.orNotice(this.engine.soundings(everyCells, minute, window)).pipe(
          map((found) => ({
            chart,
            shown: found.map(({ at, depthM }): Sounding => ({ at, text: soundingIn(depthM, units) })),
          })),
        );
      }),
    ),
    { initialValue: null },
  );
  // Lines of one chart are not drawn on another that has come since.
  readonly contours = computed(() => ofChart(this.lines(), this.chart()));
  readonly soundings = computed(() => ofChart(this.figures(), this.chart()));

  /** An answer of the engine; where it fails a notice says so, and what stands stays. */
  orNotice<T>(answer: Observable<T>): Observable<T> {
    return answer.pipe(
      catchError(() => {
        this.notices.say('The chart could not be judged, and the fault is ours.');
        return EMPTY;
      }),
    );
  }
}

/** What was made for a chart, where that is the one that stands. */
function ofChart<T>(
  made: { readonly chart: OpenChart; readonly shown: readonly T[] } | null,
  chart: OpenChart | null,
): readonly T[] {
  return made && chart && chartKey(made.chart) === chartKey(chart) ? made.shown : [];
}

/** A depth as it is written on a chart: whole feet or metres, shoals in tenths of a metre. */
function soundingIn(depthM: number, units: 'us' | 'metric'): string {
  return toShown('depth', depthM, units).toFixed(units === 'metric' && depthM < 3 ? 1 : 0);
}
