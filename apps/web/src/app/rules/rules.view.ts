import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { type LibraryRule, nameOf } from '@inky-shoal/core';
import { ruleLibrary } from '@inky-shoal/core/plan/library';
import { WATER_ANSWERS } from '@inky-shoal/core/underway';
import { catchError, map, of, switchMap } from 'rxjs';
import { learntByRule } from '../record/record-words';
import { RecordService } from '../record/record.service';
import { capital } from '../sheet/words';
import { DayService } from '../sheet/day.service';
import { PlannerService } from '../base/planner/planner.service';
import { SettingsService } from '../base/settings.service';
import { choices } from '../ui/choices';
import { SelectComponent } from '../ui/select.component';
import { CheckComponent } from '../ui/check.component';
import { FieldComponent } from '../ui/field.component';

type ListedRule = Omit<LibraryRule, 'step'> & { readonly step: LibraryRule['step'] | 'underway' };

/** What is seen on the water leans the next move by rules of its own. */
const WATER = WATER_ANSWERS.map(({ id, text, seen, does, source }): ListedRule => ({
  id,
  step: 'underway',
  text,
  when: seen,
  does,
  school: null,
  source,
}));

/** The rule library: every rule of the engine in words, searched and filtered, with what holds on the day on the sheet. */
@Component({
  selector: 'inky-rules',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CheckComponent, FieldComponent, ReactiveFormsModule, SelectComponent],
  templateUrl: './rules.view.html',
  styleUrl: './rules.view.css',
})
export class RulesView {
  private readonly planner = inject(PlannerService);
  private readonly units$ = inject(SettingsService).units$;

  private readonly library = toSignal(this.units$.pipe(map((units) => ruleLibrary(units))), {
    requireSync: true,
  });
  private readonly today = toSignal(
    inject(DayService).planned$.pipe(
      switchMap((planned) =>
        planned
          ? this.planner.rulesToday(planned.conditions).pipe(catchError(() => of<Record<string, number>>({})))
          : of<Record<string, number>>({}),
      ),
    ),
    { initialValue: {} as Record<string, number> },
  );

  /** What one's own trips made of a rule's weight, in words, by rule. */
  private readonly learnt = toSignal(
    inject(RecordService).taught$.pipe(
      map((taught) => learntByRule(taught.flatMap(({ moved }) => moved))),
      catchError(() => of(new Map<string, string>())),
    ),
    { initialValue: new Map<string, string>() },
  );

  protected readonly filters = inject(NonNullableFormBuilder).group({
    words: '',
    step: '',
    school: '',
    onlyToday: false,
  });
  private readonly wanted = toSignal(this.filters.valueChanges.pipe(map(() => this.filters.getRawValue())), {
    initialValue: this.filters.getRawValue(),
  });

  protected readonly all = computed((): readonly ListedRule[] => [...this.library(), ...WATER]);
  protected readonly stepChoices = computed(() => choices([...new Set(this.all().map(({ step }) => step))]));
  protected readonly schoolChoices = computed(() =>
    choices([...new Set(this.all().flatMap(({ school }) => school?.split(': ')[0] ?? []))].sort()),
  );
  protected readonly shown = computed(() => {
    const { step, school, onlyToday, ...typed } = this.wanted();
    const [words, today] = [typed.words.trim().toLowerCase(), this.today()];
    return this.all()
      .filter(
        (rule) =>
          (!step || rule.step === step) &&
          (!school || rule.school?.startsWith(school)) &&
          (!onlyToday || rule.id in today) &&
          (!words || `${rule.id} ${rule.text} ${rule.when} ${rule.does}`.toLowerCase().includes(words)),
      )
      .map((rule) => ({ ...rule, today: today[rule.id] ?? 0, learnt: this.learnt().get(rule.id) }));
  });

  protected readonly name = nameOf;
  protected readonly capital = capital;

  protected percent(share: number): number {
    return Math.round(share * 100);
  }
}
