import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { clockOf, parse, type ConditionsInput } from '@inky-shoal/core';
import {
  boxWords,
  changeOverWords,
  Competition,
  oddsWords,
  practiceWords,
  sizeWords,
  spotWords,
  wayWords,
} from '@inky-shoal/core/competition';
import { SettingsService } from '../base/settings.service';
import { DayService } from '../sheet/day.service';
import { sayClock, sayHours } from '../sheet/words';
import { CheckComponent } from '../ui/check.component';
import { sayDate } from '../ui/dates';
import { FieldsComponent, type FieldChange, type Values } from '../ui/fields.component';
import { FoldComponent } from '../ui/fold.component';
import { competitionProblems, FIELDS, USUAL } from './competition-fields';
import { CompetitionService } from './competition.service';

/** So often a changing over is told in the list of hours. */
const TOLD_EVERY_MIN = 60;

/** The day that counts: its rules, when to leave a limit for a big one, and what practice showed. */
@Component({
  selector: 'inky-competition',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CheckComponent, FieldsComponent, FoldComponent, RouterLink],
  templateUrl: './competition.view.html',
  styleUrl: './competition.view.css',
})
export class CompetitionView {
  private readonly day = inject(DayService);
  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly draft = toSignal(this.day.draft$, { initialValue: null });
  private readonly state = toSignal(inject(CompetitionService).ahead$, { initialValue: null });

  protected readonly specs = FIELDS;
  protected readonly about = computed(() => {
    const draft = this.draft();
    return draft ? `${draft.waterName}, ${sayDate(draft.input.date)}` : '';
  });
  private readonly kept = computed(() => this.draft()?.input.competition ?? null);
  protected readonly counts = computed(() => this.kept() !== null);
  /** What stands in the fields: what is kept, and over it what is typed and not right yet. */
  protected readonly values = linkedSignal<ConditionsInput['competition'], Values>({
    source: this.kept,
    computation: (kept) => ({ ...(kept ?? USUAL) }),
  });
  protected readonly problems = computed(() => competitionProblems(this.values(), this.units()));

  protected readonly told = computed(() => {
    const state = this.state();
    return state?.state === 'told' ? state.told : null;
  });
  protected readonly failed = computed(() => this.state()?.state === 'failed');
  protected readonly answer = computed(() => {
    const told = this.told();
    return told && this.counts() ? changeOverWords(told) : 'The day that counts';
  });
  protected readonly odds = computed(() => {
    const told = this.told();
    return told ? oddsWords(told, this.units()) : [];
  });
  protected readonly box = computed(() => {
    const told = this.told();
    return told ? boxWords(told, this.units()) : '';
  });
  protected readonly ways = computed(() => {
    const [told, units] = [this.told(), this.units()];
    return (told?.ways.windows ?? []).map(({ from, to, limit, big }) => ({
      hours: sayHours(from, to),
      limit: limit && wayWords(limit, units),
      big: big && wayWords(big, units),
    }));
  });
  protected readonly hours = computed(() => {
    const told = this.told();
    const byMinute = told?.change?.byMinute ?? [];
    return byMinute
      .filter(({ atMin }, at) => at === 0 || atMin % TOLD_EVERY_MIN === 0)
      .map(({ atMin, mean }) => ({
        at: sayClock(clockOf(atMin)),
        total: told ? sizeWords(mean, told.rules, this.units()) : '',
      }));
  });
  protected readonly practice = computed(() => {
    const told = this.told();
    return told
      ? {
          words: practiceWords(told),
          spots: told.practice.spots.map((spot) => ({ name: spot.spot, words: spotWords(spot) })),
        }
      : { words: '', spots: [] };
  });

  protected turn(counts: boolean): void {
    this.day.change({ competition: counts ? USUAL : undefined });
  }

  protected setCulling(culling: boolean): void {
    this.set({ key: 'culling', value: culling });
  }

  /** Keeps what was changed once all of it is right. */
  protected set({ key, value }: FieldChange): void {
    this.values.set({ ...this.values(), [key]: value === '' ? undefined : value });
    if (Object.keys(this.problems()).length) return;
    const checked = parse(Competition, this.values());
    if (checked.ok) this.day.change({ competition: checked.value });
  }
}
