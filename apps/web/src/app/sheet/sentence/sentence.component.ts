import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { LIMITS, nameOf, say, sayRange, type Limited, type PlannedDay } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { DayService } from '../day.service';
import { sourceOf, type Draft } from '../draft';
import { SettingsService } from '../../base/settings.service';
import { WordComponent } from '../../ui/word.component';
import { capital, sayHours, sayList, sayTrend, sayWind } from '../words';
import { sayDate } from '../../ui/dates';
import { ConditionValues } from './condition-values';
import { CONDITION_WORDS, type ConditionWord } from './conditions-words';
import { WordControlComponent } from './word-control.component';

/** The conditions of the day as a sentence; every underlined word is a control in place. */
@Component({
  selector: 'inky-sentence',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, WordComponent, WordControlComponent],
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

  /** Words on which few days turn stand once they are asked for, on a phone all but the first. */
  protected readonly whole = signal(false);

  private readonly given = computed(() => this.draft().input);
  private readonly values = computed(() => new ConditionValues(this.given(), this.planned()));
  protected readonly words = computed(() =>
    CONDITION_WORDS.filter(
      ({ only, when }) => (!only || only === this.given().discipline) && (!when || when(this.given())),
    ).map((word) => ({
      ...word,
      isHidden: word.seldom && (this.given()[word.field] ?? undefined) === undefined,
      text: this.text(word),
      problem: this.problem(word),
      estimated: sourceOf(this.draft(), word.field) !== null,
    })),
  );

  private text(word: ConditionWord): string {
    const { control, measure, names = {}, none = 'not known' } = word;
    const units = this.units();
    const values = this.values();
    const value = values.quantity(word);
    if (control === 'date') return sayDate(this.given().date);
    if (control === 'hours') return sayHours(values.hours.from, values.hours.to);
    if (control === 'tide' && values.tide) return values.tide;
    if (control === 'trend') return sayTrend(value ?? 0, units);
    if (control === 'wind')
      return value === undefined ? none : sayWind(value, this.given().windFromDeg ?? undefined, units);
    if (control === 'number') return value === undefined ? none : `${value} ${word.unit ?? ''}`.replace(' °', '°');
    if ((control === 'quantity' || control === 'bait-length') && measure)
      return value === undefined ? none : say(measure, value, units);
    const chosen = values.chosen(word);
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
}
