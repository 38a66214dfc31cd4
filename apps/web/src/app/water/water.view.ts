import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { COVERS, nameOf, say, STRUCTURES, toShown, toSi, type Cover, type Structure } from '@inky-shoal/core';
import { chartProjection, type ChartFeature, type ChartFrame } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { catchError, combineLatest, debounceTime, EMPTY, filter, map, of, switchMap, type Observable } from 'rxjs';
import { compassOf, sayDate } from '../sheet/words';
import { ChartEngineService } from './chart-engine.service';
import { ChartService, type ChartState, type OpenChart } from './chart.service';
import { NoticeService } from '../base/notice.service';
import { MAX_PICKED, RunService } from './run.service';
import { SettingsService } from '../base/settings.service';
import { readInk } from '../ui/ink';
import { readNumber } from '../ui/numbers';
import type { ChartView, Contour, MapMode, Sounding } from './map-picture';
import { contoursIn, rgbOf, tintsOf } from './chart-tints';
import { BedImportComponent } from './draw/bed-import.component';
import { DrawSession } from './draw/draw-session';
import { DrawPanelComponent } from './draw/draw-panel.component';
import { RunPanelComponent } from './run-panel.component';
import { SpotCardComponent } from './spot-card.component';
import { sayAnswer, sayGood, sayGround, sayMinute, sayPlace } from './spot-words';
import { WaterMapComponent } from './water-map.component';

/** Soundings stand this many pixels apart, and at least so many cells. */
const SOUNDING_PX = 64;
const MIN_SOUNDING_CELLS = 6;
const NOON_MIN = 720;
/** A tide that moved by less is not drawn anew, metres. */
const TIDE_STEP_M = 0.1;
const BEST = 6;
/** The farthest the water's level may stand from the chart's zero, metres. */
const MAX_LEVEL_M = 30;
/** The heat comes first, then the answer, then what is only read near by. */
const ANSWER_AFTER_MS = 60;
const LINES_AFTER_MS = 300;

/** The chart of the day's water: where to go at each hour, and why. */
@Component({
  selector: 'inky-water',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BedImportComponent,
    DrawPanelComponent,
    RouterLink,
    RunPanelComponent,
    SpotCardComponent,
    WaterMapComponent,
  ],
  providers: [DrawSession],
  templateUrl: './water.view.html',
  styleUrl: './water.view.css',
})
export class WaterView {
  private readonly service = inject(ChartService);
  private readonly engine = inject(ChartEngineService);
  private readonly notices = inject(NoticeService);
  private readonly settings = inject(SettingsService);
  protected readonly session = inject(DrawSession);

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly levelM = toSignal(this.service.levelM$, { requireSync: true });
  protected readonly charted = toSignal(this.service.chartState$, { initialValue: { state: 'reading' } as ChartState });
  /** The chart that stands on the page: it stays while another day of it is read. */
  protected readonly chart = linkedSignal<ChartState, OpenChart | null>({
    source: this.charted,
    computation: (charted, before) =>
      charted.state === 'ready' ? charted.chart : charted.state === 'reading' ? (before?.value ?? null) : null,
  });
  /** A map is made for each chart: another water, or another bed, has its own. */
  protected readonly maps = computed(() => {
    const chart = this.chart();
    return chart ? [{ key: chartKey(chart), chart }] : [];
  });
  protected readonly noChart = computed(() => {
    const charted = this.charted();
    return charted.state === 'no-chart' ? charted.water : null;
  });
  protected readonly waterId = computed(() => this.chart()?.water.id);
  protected readonly status = computed(() => {
    const charted = this.charted();
    return charted.state === 'reading' ? `Reading the chart${charted.step ? `: ${charted.step}` : ''}.` : '';
  });
  protected readonly failure = computed(() => {
    const charted = this.charted();
    return charted.state === 'failed' ? charted.message : '';
  });

  protected readonly minutes = computed(() => this.chart()?.minutes ?? []);
  protected readonly minute = linkedSignal(() => this.minutes()[0] ?? 0);
  protected readonly structure = signal<Structure | ''>('');
  protected readonly cover = signal<Cover | ''>('');
  private readonly asked = computed(() => ({
    chart: this.chart(),
    minute: this.minute(),
    only: { structure: this.structure() || undefined, cover: this.cover() || undefined },
    units: this.units(),
    look: this.look(),
  }));
  protected readonly picture = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(20),
      switchMap(({ chart, minute, only, units }) =>
        chart ? this.told(this.engine.scanAt(minute, only, units, rgbOf(readInk().fish))) : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly spots = computed(() => this.picture()?.spots ?? []);
  /** How far the tide stands over the water's level, as finely as the chart shows it. */
  private readonly tideM = computed(() => Math.round((this.picture()?.tideM ?? 0) / TIDE_STEP_M) * TIDE_STEP_M);
  protected readonly tide = computed(() => {
    if (!this.chart()?.conditions.tide && !this.tideM()) return null;
    const tideM = this.picture()?.tideM ?? 0;
    return `${tideM < 0 ? '−' : '+'}${say('depth', Math.abs(tideM), this.units())}`;
  });

  private readonly shown$ = combineLatest([toObservable(this.chart), toObservable(this.units)]).pipe(
    map(([chart, units]) => chart && { chart, units }),
    filter((shown) => shown !== null),
  );
  /** What is shown of the depths, which the tide changes with the hour. */
  private readonly depths$ = combineLatest([this.shown$, toObservable(this.tideM)]).pipe(
    map(([shown]) => ({ ...shown, minute: this.minute() })),
  );
  protected readonly view = signal<ChartView | null>(null);
  /** The same for what is in view. */
  private readonly depthsInView$ = combineLatest([
    this.depths$.pipe(debounceTime(LINES_AFTER_MS)),
    toObservable(this.view).pipe(filter((view) => view !== null)),
  ]).pipe(map(([depths, view]) => ({ ...depths, ...view })));
  /** Where to go at the first hour and at noon, whatever hour is looked at. */
  protected readonly answer = toSignal(
    this.shown$.pipe(
      debounceTime(ANSWER_AFTER_MS),
      switchMap(({ chart: { minutes }, units }) => {
        const noon = minutes.reduce((a, b) => (Math.abs(b - NOON_MIN) < Math.abs(a - NOON_MIN) ? b : a));
        const best = (minute: number) => this.engine.bestAt(minute, units).pipe(map(([spot]) => spot));
        return this.told(combineLatest([best(minutes[0] as number), best(noon)])).pipe(
          map(([first, atNoon]) => sayAnswer(first, atNoon, units)),
        );
      }),
    ),
    { initialValue: '' },
  );
  protected readonly tint = toSignal(
    combineLatest([this.depths$, toObservable(this.look)]).pipe(
      debounceTime(0),
      switchMap(([{ minute }]) => this.told(this.engine.tint(tintsOf(readInk()), minute))),
    ),
    { initialValue: null },
  );
  private readonly lines = toSignal(
    this.depthsInView$.pipe(
      switchMap(({ chart, units, minute, window }) => {
        const wanted = contoursIn(units);
        const depthsM = wanted.map(({ depthM }) => depthM);
        return this.told(this.engine.contours(depthsM, minute, window)).pipe(
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
        return this.told(this.engine.soundings(everyCells, minute, window)).pipe(
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
  protected readonly contours = computed(() => ofChart(this.lines(), this.chart()));
  protected readonly soundings = computed(() => ofChart(this.figures(), this.chart()));

  // What was chosen on one water says nothing on another.
  protected readonly chosen = linkedSignal<string | undefined, PlacedSpot | null>({
    source: this.waterId,
    computation: () => null,
  });
  /** Places like one, with that one. */
  protected readonly alike = linkedSignal<string | undefined, Alike | null>({
    source: this.waterId,
    computation: () => null,
  });
  protected readonly alikeSpots = computed(() => this.alike()?.found.map(({ spot }) => spot) ?? []);
  /** Spots picked for the run, in the order of picking. */
  protected readonly picked = linkedSignal<string | undefined, readonly PlacedSpot[]>({
    source: this.waterId,
    computation: () => [],
  });
  private readonly run = toSignal(inject(RunService).run$, { initialValue: null });
  protected readonly runLine = computed(() => this.run()?.line ?? []);

  protected readonly about = computed(() => {
    const chart = this.chart();
    return chart ? `${chart.water.name}, ${sayDate(chart.conditions.date)}` : '';
  });
  protected readonly wind = computed(() => {
    const { windFromDeg, windMps = 0 } = this.chart()?.conditions ?? {};
    if (windFromDeg === undefined) return null;
    const turn = `rotate(${windFromDeg + 180}deg)`;
    return { from: compassOf(windFromDeg), turn, speed: say('wind', windMps, this.units()) };
  });
  protected readonly structures = computed(() => listed(STRUCTURES, this.structure(), this.spots(), 'structure'));
  protected readonly covers = computed(() => listed(COVERS, this.cover(), this.spots(), 'cover'));
  protected readonly level = computed(() => toShown('depth', this.levelM(), this.units()).toFixed(1));

  protected readonly mode = computed((): MapMode => {
    const drawing = this.session.open();
    return {
      drawing,
      pen: this.session.pen()?.as ?? null,
      chosenId: drawing ? (this.session.chosen()?.id ?? null) : null,
    };
  });
  protected readonly onChart = computed(() => {
    const frame = this.chart()?.frame;
    return frame ? coverOf(frame) : () => false;
  });

  protected readonly name = nameOf;
  protected readonly time = sayMinute;
  protected readonly place = sayPlace;
  protected readonly good = sayGood;

  constructor() {
    // Another hour is another scan: what was chosen is looked at anew.
    toObservable(this.picture)
      .pipe(
        switchMap((picture) => {
          const chosen = this.chosen();
          if (!picture || !chosen) return EMPTY;
          return this.told(this.engine.spotAt(chosen.lonLat, picture.minute, this.units()));
        }),
        takeUntilDestroyed(),
      )
      .subscribe((spot) => this.chosen.set(spot));
  }

  /** What the chart was asked, or a word that it failed; the page goes on with what stands. */
  private told<T>(answer: Observable<T>): Observable<T> {
    return answer.pipe(
      catchError(() => {
        this.notices.say('The chart could not be judged, and the fault is ours.');
        return EMPTY;
      }),
    );
  }

  protected ground(spot: PlacedSpot): string {
    return sayGround(spot, this.units());
  }

  protected setMinute(text: string): void {
    this.minute.set(this.minutes()[Number(text)] ?? 0);
  }

  protected only(kind: 'structure' | 'cover', id: string): void {
    if (kind === 'structure') this.structure.set(id as Structure | '');
    else this.cover.set(id as Cover | '');
  }

  protected choose(spot: PlacedSpot | null): void {
    const again = spot?.cell === this.chosen()?.cell;
    const kept = this.alike();
    const belongs = kept && [kept.to, ...this.alikeSpots()].some(({ cell }) => cell === spot?.cell);
    if (again || !belongs) this.alike.set(null);
    this.chosen.set(again ? null : spot);
  }

  protected press(lonLat: readonly [number, number]): void {
    this.told(this.engine.spotAt(lonLat, this.minute(), this.units())).subscribe((spot) => this.choose(spot));
  }

  protected more(to: PlacedSpot): void {
    this.told(this.engine.alike(to.cell, this.minute(), this.units())).subscribe((found) => {
      this.alike.set(found.length ? { to, found } : null);
      if (!found.length) this.notices.say('Nothing on this chart is much like it.');
    });
  }

  /** Places like a mark: what the chart knows of where it stands is compared. */
  protected moreLikeMark({ shape }: ChartFeature): void {
    if (shape.type !== 'Point') return;
    this.told(this.engine.spotAt(shape.coordinates, this.minute(), this.units())).subscribe((spot) => {
      if (!spot) return this.notices.say('This mark does not stand in water on this chart.');
      this.session.toggle();
      this.choose(spot);
      this.more(spot);
    });
  }

  protected isPicked({ cell }: PlacedSpot): boolean {
    return this.picked().some((each) => each.cell === cell);
  }

  protected pick(spot: PlacedSpot): void {
    const picked = this.picked();
    if (this.isPicked(spot)) this.picked.set(picked.filter(({ cell }) => cell !== spot.cell));
    else if (picked.length < MAX_PICKED) this.picked.set([...picked, spot]);
    else this.notices.say(`A run is chosen from at most ${MAX_PICKED} spots: take one off first.`);
  }

  protected pickBest(): void {
    this.picked.set(this.spots().slice(0, BEST));
  }

  protected unpick(spot: PlacedSpot): void {
    this.picked.set(this.picked().filter(({ cell }) => cell !== spot.cell));
  }

  protected setLevel(text: string): void {
    const shown = readNumber(text);
    const levelM = shown === undefined ? Number.NaN : toSi('depth', shown, this.units());
    if (Math.abs(levelM) <= MAX_LEVEL_M) return this.service.setLevel(levelM);
    const most = say('depth', MAX_LEVEL_M, this.units());
    this.notices.say(`Expected a level within ${most} of the chart's zero, got "${text.slice(0, 20)}".`);
  }
}

const chartKey = ({ water, frame }: OpenChart): string => `${water.id} ${frame.updatedAt}`;

/** What was made for a chart, where that is the one that stands. */
function ofChart<T>(
  made: { readonly chart: OpenChart; readonly shown: readonly T[] } | null,
  chart: OpenChart | null,
): readonly T[] {
  return made && chart && chartKey(made.chart) === chartKey(chart) ? made.shown : [];
}

/** Whether a chart covers a place. */
function coverOf({
  epsg,
  westM,
  northM,
  cols,
  rows,
  cellM,
}: ChartFrame): (lonLat: readonly [number, number]) => boolean {
  const { toChart } = chartProjection(epsg);
  return (lonLat) => {
    const [x, y] = toChart(lonLat);
    return x >= westM && x <= westM + cols * cellM && y <= northM && y >= northM - rows * cellM;
  };
}

interface Alike {
  readonly to: PlacedSpot;
  readonly found: readonly { readonly spot: PlacedSpot; readonly like: number }[];
}

/** What to choose from: what stands on the list, and what is chosen. */
function listed<K extends 'structure' | 'cover', T extends string>(
  all: readonly T[],
  chosen: T | '',
  spots: readonly PlacedSpot[],
  kind: K,
): readonly T[] {
  const found = new Set<string | null>(spots.map((spot) => spot[kind]));
  return all.filter((each) => found.has(each) || each === chosen);
}

/** A depth as it is written on a chart: whole feet or metres, shoals in tenths of a metre. */
function soundingIn(depthM: number, units: 'us' | 'metric'): string {
  return toShown('depth', depthM, units).toFixed(units === 'metric' && depthM < 3 ? 1 : 0);
}
