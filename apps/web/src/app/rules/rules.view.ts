import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type LibraryRule, nameOf } from '@inky-shoal/core';
import { WATER_ANSWERS } from '@inky-shoal/core/underway';
import { catchError, of, switchMap } from 'rxjs';
import { capital } from '../sheet/words';
import { DayService } from '../sheet/day.service';
import { PlannerService } from '../base/planner/planner.service';
import { SettingsService } from '../base/settings.service';

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
  templateUrl: './rules.view.html',
  styleUrl: './rules.view.css',
})
export class RulesView {
  private readonly planner = inject(PlannerService);
  private readonly units$ = inject(SettingsService).units$;

  private readonly library = toSignal(this.units$.pipe(switchMap((units) => this.planner.library(units))), {
    initialValue: null,
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

  protected readonly words = signal('');
  protected readonly step = signal<ListedRule['step'] | ''>('');
  protected readonly school = signal('');
  protected readonly onlyToday = signal(false);

  protected readonly all = computed((): readonly ListedRule[] => [...(this.library() ?? []), ...WATER]);
  protected readonly loading = computed(() => this.library() === null);
  protected readonly steps = computed(() => [...new Set(this.all().map(({ step }) => step))]);
  protected readonly schools = computed(() =>
    [...new Set(this.all().flatMap(({ school }) => school?.split(': ')[0] ?? []))].sort(),
  );
  protected readonly shown = computed(() => {
    const [words, step, school, today] = [this.words().trim().toLowerCase(), this.step(), this.school(), this.today()];
    return this.all()
      .filter(
        (rule) =>
          (!step || rule.step === step) &&
          (!school || rule.school?.startsWith(school)) &&
          (!this.onlyToday() || rule.id in today) &&
          (!words || `${rule.id} ${rule.text} ${rule.when} ${rule.does}`.toLowerCase().includes(words)),
      )
      .map((rule) => ({ ...rule, today: today[rule.id] ?? 0 }));
  });

  protected readonly name = nameOf;
  protected readonly capital = capital;

  protected percent(share: number): number {
    return Math.round(share * 100);
  }
}
