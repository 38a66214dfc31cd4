import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  LIMITS,
  nameOf,
  say,
  sayRange,
  type ConditionsInput,
  type ForageKind,
  type Limited,
  type PlannedDay,
} from '@inky-shoal/core';
import { DayService, type Draft } from '../day.service';
import { SettingsService } from '../../base/settings.service';
import { ChoiceComponent } from '../../ui/choice.component';
import { QuantityComponent } from '../../ui/quantity.component';
import { WordComponent } from '../../ui/word.component';
import {
  capital,
  COMPASS_POINTS,
  compassOf,
  degreesOf,
  sayDate,
  sayHours,
  sayList,
  sayTrend,
  sayWind,
  type Compass,
} from '../words';
import { CONDITION_WORDS, type ConditionWord } from './conditions-words';

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
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly draft = input.required<Draft>();
  /** The plan as far as it is known, for what was assumed. */
  readonly planned = input<PlannedDay | null>(null);

  /** On a phone only the first words stand until the rest is asked for. */
  protected readonly whole = signal(false);
  protected readonly compass = COMPASS_POINTS;

  private readonly given = computed(() => this.draft().input);
  private readonly assumed = computed(
    () => new Map(this.planned()?.plan.assumed.map(({ path, value }) => [path, value]) ?? []),
  );
  protected readonly words = computed(() =>
    CONDITION_WORDS.filter(({ inshoreOnly }) => !inshoreOnly || this.given().discipline === 'inshore').map((word) => ({
      ...word,
      text: this.text(word),
      problem: this.problem(word),
    })),
  );

  /** Trend as typed, or as the engine took it from the readings. */
  private readonly trend = computed(() => this.given().tempTrendCPerDay ?? this.planned()?.tempTrendCPerDay);
  protected readonly trendIsTyped = computed(() => typeof this.given().tempTrendCPerDay === 'number');
  protected readonly readingCount = computed(() => this.given().readings?.length ?? 0);
  protected readonly windFrom = computed(() => {
    const degrees = this.given().windFromDeg;
    return typeof degrees === 'number' ? compassOf(degrees) : null;
  });

  /** What was said of a field, or what is assumed for it. */
  private known<K extends keyof ConditionsInput>(field: K): ConditionsInput[K] | undefined {
    return (this.given()[field] ?? this.assumed().get(field)) as ConditionsInput[K] | undefined;
  }

  protected hours(): { from: string; to: string } {
    return this.known('window') ?? { from: '06:00', to: '18:00' };
  }

  protected quantity({ field }: ConditionWord): number | undefined {
    const value = field === 'tempTrendCPerDay' ? this.trend() : this.known(field);
    return typeof value === 'number' ? value : undefined;
  }

  protected chosen({ field, control }: ConditionWord): string | string[] | undefined {
    if (control === 'tide') return this.known('tide')?.stage;
    if (control === 'flag') {
      const value = this.known(field);
      return typeof value === 'boolean' ? (value ? 'yes' : 'no') : undefined;
    }
    if (control === 'forage') return this.given().forage?.map(({ kind }) => kind);
    return this.known(field) as string | string[] | undefined;
  }

  private text(word: ConditionWord): string {
    const { control, measure, names = {}, none = 'not known' } = word;
    const units = this.units();
    const value = this.quantity(word);
    if (control === 'date') return sayDate(this.given().date);
    if (control === 'hours') return sayHours(this.hours().from, this.hours().to);
    if (control === 'trend') return sayTrend(value ?? 0, units);
    if (control === 'wind')
      return value === undefined ? none : sayWind(value, this.given().windFromDeg ?? undefined, units);
    if (control === 'quantity' && measure) return value === undefined ? none : say(measure, value, units);
    const chosen = this.chosen(word);
    if (Array.isArray(chosen)) return chosen.length ? sayList(chosen) : none;
    return chosen === undefined ? none : (names[chosen] ?? nameOf(chosen));
  }

  /** What is wrong with a field, in the user's units. */
  private problem({ field, measure }: ConditionWord): string | null {
    const found = this.problems().find(({ path }) => path.split(/[.[]/)[0] === field);
    if (!found) return null;
    const value = this.given()[field];
    if (measure && typeof value === 'number') {
      const expected = sayRange(measure, LIMITS[field as Limited], this.units());
      return `Expected ${expected}, got ${say(measure, value, this.units())}.`;
    }
    return `${capital(found.message)}.`;
  }

  protected set(field: keyof ConditionsInput, value: unknown): void {
    this.day.change({ [field]: value });
  }

  protected setHour(part: 'from' | 'to', value: string): void {
    this.day.change({ window: { ...this.hours(), [part]: value } });
  }

  protected setWindFrom(point: Compass): void {
    this.day.change({ windFromDeg: degreesOf(point) });
  }

  protected choose({ field, control }: ConditionWord, id: string | undefined): void {
    if (control === 'flag') this.set(field, id && id === 'yes');
    else this.set(field, control === 'tide' ? id && { stage: id } : id);
  }

  protected chooseSome({ field, control }: ConditionWord, ids: readonly string[]): void {
    const before = this.given().forage ?? [];
    const forage = () => ids.map((kind) => before.find((each) => each.kind === kind) ?? { kind: kind as ForageKind });
    this.set(field, control === 'forage' ? forage() : ids);
  }
}
