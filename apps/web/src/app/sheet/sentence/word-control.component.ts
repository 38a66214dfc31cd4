import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ConditionsInput, ForageKind, PlannedDay } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { ChoiceComponent } from '../../ui/choice.component';
import { FieldComponent } from '../../ui/field.component';
import { FigureComponent } from '../../ui/figure.component';
import { QuantityComponent } from '../../ui/quantity.component';
import { DayService } from '../day.service';
import { sourceOf, type Draft } from '../draft';
import { COMPASS_POINTS, compassOf, degreesOf, type Compass } from '../words';
import { ConditionValues } from './condition-values';
import type { ConditionWord } from './conditions-words';

/** Controls by which several are chosen. */
const MANY: ReadonlySet<ConditionWord['control']> = new Set(['list', 'forage', 'bait-seen']);

/** The control of one word of the sentence. What is chosen holds at once. */
@Component({
  selector: 'inky-word-control',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, ChoiceComponent, FieldComponent, FigureComponent, InputText, QuantityComponent],
  templateUrl: './word-control.component.html',
  styles: `
    .hint {
      margin: 0.6rem 0 0.3rem;
      color: var(--ink-2);
    }
    .compass {
      display: grid;
      grid-template-columns: repeat(4, 1fr);
      gap: 0.25rem;
    }
    .compass button {
      justify-content: center;
      background: var(--paper);
      border: var(--stroke) solid var(--edge);
    }
    .compass .chosen {
      background: var(--ink);
      color: var(--paper);
    }
  `,
})
export class WordControlComponent {
  private readonly day = inject(DayService);

  readonly word = input.required<ConditionWord>();
  readonly draft = input.required<Draft>();
  readonly planned = input.required<PlannedDay | null>();

  /** Worked out once for each change: a list made anew at each look would never come to rest. */
  protected readonly chosen = computed(() => this.values().chosen(this.word()));
  protected readonly isMany = computed(() => MANY.has(this.word().control));
  protected readonly compass = COMPASS_POINTS;
  protected readonly values = computed(() => new ConditionValues(this.draft().input, this.planned()));
  /** Where it comes from, where nobody typed it. */
  protected readonly source = computed(() =>
    this.word().control === 'tide' && this.values().tide
      ? "Worked out from this water's tide station. Wind and pressure move the water, too: not for navigation."
      : sourceOf(this.draft(), this.word().field),
  );
  protected readonly trendIsTyped = computed(() => typeof this.draft().input.tempTrendCPerDay === 'number');
  protected readonly readingCount = computed(() => this.draft().input.readings?.length ?? 0);
  protected readonly windFrom = computed(() => {
    const degrees = this.draft().input.windFromDeg;
    return typeof degrees === 'number' ? compassOf(degrees) : null;
  });

  protected set(field: keyof ConditionsInput, value: unknown): void {
    this.day.change({ [field]: value });
  }

  protected setQuantity(si: number | undefined): void {
    const { field, control } = this.word();
    if (control === 'bait-length') this.setForage({ lengthMm: si });
    else this.set(field, si);
  }

  /** What is told of the bait is told of each kind of it. */
  private setForage(change: Partial<NonNullable<ConditionsInput['forage']>[number]>): void {
    this.set(
      'forage',
      (this.draft().input.forage ?? []).map((each) => ({ ...each, ...change })),
    );
  }

  protected setHour(part: 'from' | 'to', value: string): void {
    this.day.change({ window: { ...this.values().hours, [part]: value } });
  }

  protected setWindFrom(point: Compass): void {
    this.day.change({ windFromDeg: degreesOf(point) });
  }

  protected choose(id: string | undefined): void {
    const { field, control } = this.word();
    if (control === 'flag') this.set(field, id && id === 'yes');
    else this.set(field, control === 'tide' ? id && { stage: id } : id);
  }

  protected chooseSome(ids: readonly string[]): void {
    const { field, control } = this.word();
    if (control === 'bait-seen')
      return this.setForage({ seen: ids as NonNullable<ConditionsInput['forage']>[number]['seen'] });
    const before = this.draft().input.forage ?? [];
    const forage = () => ids.map((kind) => before.find((each) => each.kind === kind) ?? { kind: kind as ForageKind });
    this.set(field, control === 'forage' ? forage() : ids);
  }
}
