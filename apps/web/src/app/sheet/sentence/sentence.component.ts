import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  COVERS,
  FAMILIARITIES,
  FORAGE_KINDS,
  FRONTS,
  GOALS,
  LEVELS,
  LIMITS,
  nameOf,
  SIGNS,
  SKIES,
  say,
  sayRange,
  STRUCTURES,
  TIDE_STAGES,
  VISIBILITY_TRENDS,
  type ConditionsInput,
  type ForageKind,
  type Limited,
  type Measure,
  type PlannedDay,
} from '@inky-shoal/core';
import { DayService, type Draft } from '../../state/day.service';
import { SettingsService } from '../../state/settings.service';
import { ChoiceComponent } from '../../ui/choice.component';
import { QuantityComponent } from '../../ui/quantity.component';
import { WordComponent } from '../../ui/word.component';
import {
  COMPASS_POINTS,
  compassOf,
  degreesOf,
  FRONT_WORDS,
  LEVEL_WORDS,
  sayDate,
  sayHours,
  sayList,
  sayTrend,
  sayWind,
  type Compass,
} from '../words';

const MEASURES: Partial<Record<Limited, Measure>> = {
  surfaceTempC: 'temp',
  tempTrendCPerDay: 'tempChange',
  visibilityM: 'depth',
  normalVisibilityM: 'depth',
  windMps: 'wind',
  maxDepthM: 'depth',
};

/** The conditions of the day as a sentence; every underlined word is a control in place. */
@Component({
  selector: 'inky-sentence',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceComponent, QuantityComponent, WordComponent],
  templateUrl: './sentence.component.html',
  styleUrl: './sentence.component.css',
})
export class SentenceComponent {
  private readonly day = inject(DayService);
  private readonly problems = toSignal(this.day.problems$, { initialValue: [] });
  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly draft = input.required<Draft>();
  /** The plan as far as it is known, for what was assumed. */
  readonly planned = input<PlannedDay | null>(null);

  /** On a phone only the first words stand until the rest is asked for. */
  protected readonly whole = signal(false);
  protected readonly ids = {
    COVERS,
    FAMILIARITIES,
    FORAGE_KINDS,
    FRONTS,
    GOALS,
    LEVELS,
    SIGNS,
    SKIES,
    STRUCTURES,
    TIDE_STAGES,
    VISIBILITY_TRENDS,
    COMPASS_POINTS,
  };
  protected readonly names = {
    sky: { 'partly-cloudy': 'partly cloudy' },
    front: FRONT_WORDS,
    level: LEVEL_WORDS,
    goal: { numbers: 'bites', 'big-fish': 'one big fish', balanced: 'bites and size alike' },
    clearing: { dropping: 'getting dirtier', steady: 'steady', clearing: 'clearing' },
    familiarity: { known: 'known', new: 'new' },
  } as const;

  protected readonly given = computed(() => this.draft().input);
  protected readonly assumed = computed(
    () => new Map(this.planned()?.plan.assumed.map(({ path, value }) => [path, value]) ?? []),
  );

  /** What was said of a field, or what is assumed for it. */
  protected known<K extends keyof ConditionsInput>(field: K): ConditionsInput[K] | undefined {
    return (this.given()[field] ?? this.assumed().get(field)) as ConditionsInput[K] | undefined;
  }

  protected readonly text = computed(() => {
    const units = this.units();
    const depth = (m: unknown) => (typeof m === 'number' ? say('depth', m, units) : 'not known');
    const { windFromDeg, date, forage, tide, maxDepthM, surfaceTempC } = this.given();
    const window = this.known('window');
    const wind = this.known('windMps');
    return {
      date: sayDate(date),
      hours: window ? sayHours(window.from, window.to) : 'all day',
      temp: typeof surfaceTempC === 'number' ? say('temp', surfaceTempC, units) : 'not known',
      trend: sayTrend(this.trend() ?? 0, units),
      seen: depth(this.known('visibilityM')),
      usual: depth(this.known('normalVisibilityM')),
      clearing: this.names.clearing[this.known('visibilityTrend') ?? 'steady'],
      sky: nameOf(this.known('sky') ?? 'partly-cloudy'),
      wind: typeof wind === 'number' ? sayWind(wind, windFromDeg ?? undefined, units) : 'not known',
      front: this.names.front[this.known('front') ?? 'stable'],
      level: this.names.level[this.known('level') ?? 'stable'],
      structures: sayList((this.known('structures') ?? []) as string[]),
      covers: sayList((this.known('covers') ?? []) as string[]),
      bait: forage?.length ? sayList(forage.map(({ kind }) => kind)) : 'not seen',
      signs: this.given().signs?.length ? sayList(this.given().signs ?? [], 2) : 'none',
      goal: this.names.goal[this.known('goal') ?? 'balanced'],
      water: this.names.familiarity[this.known('familiarity') ?? 'known'],
      tide: nameOf(tide?.stage ?? (this.known('tide')?.stage as string | undefined) ?? 'not-known'),
      bottom: maxDepthM ? depth(maxDepthM) : 'not known',
    };
  });

  /** Trend as typed, or as the engine took it from the readings. */
  protected readonly trend = computed(
    () => this.planned()?.tempTrendCPerDay ?? this.given().tempTrendCPerDay ?? undefined,
  );
  protected readonly readingCount = computed(() => this.given().readings?.length ?? 0);
  protected readonly forageKinds = computed(() => this.given().forage?.map(({ kind }) => kind) ?? []);
  protected readonly windFrom = computed(() => {
    const degrees = this.given().windFromDeg;
    return typeof degrees === 'number' ? compassOf(degrees) : null;
  });

  protected set(change: Partial<ConditionsInput>): void {
    this.day.change(change);
  }

  /** The temperature is the one figure that cannot be assumed: emptied, it is missing, and the field says so. */
  protected setTemp(surfaceTempC: number | undefined): void {
    this.set({ surfaceTempC: surfaceTempC as number });
  }

  protected setForage(kinds: readonly ForageKind[]): void {
    const before = this.given().forage ?? [];
    this.set({ forage: kinds.map((kind) => before.find((each) => each.kind === kind) ?? { kind }) });
  }

  protected setWindFrom(point: Compass | null): void {
    this.set({ windFromDeg: point === null ? undefined : degreesOf(point) });
  }

  protected setWindow(part: 'from' | 'to', value: string): void {
    const window = this.known('window') ?? { from: '06:00', to: '18:00' };
    this.set({ window: { ...window, [part]: value } });
  }

  /** What is wrong with a field, in the user's units. */
  protected problem(field: keyof ConditionsInput): string | null {
    const found = this.problems().find(
      ({ path }) => path === field || path.startsWith(`${field}.`) || path.startsWith(`${field}[`),
    );
    if (!found) return null;
    const measure = MEASURES[field as Limited];
    const value = this.given()[field];
    if (measure && typeof value === 'number') {
      const limits = LIMITS[field as Limited];
      return `Expected ${sayRange(measure, limits, this.units())}, got ${say(measure, value, this.units())}.`;
    }
    return `${found.message.charAt(0).toUpperCase()}${found.message.slice(1)}.`;
  }
}
