import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { composeEvening, DRILL_STEPS, topicWords, type EveningPart } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { combineLatest, filter, firstValueFrom, take, timeout } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import type { SceneQuestion } from './drill-api';
import type { DayDone } from './day-done';
import { DrillDayComponent } from './drill-day.component';
import { DrillService } from './drill.service';
import { OwnDaysService, type OwnScene } from './own-days.service';
import { PracticeService } from './practice.service';

/** Days of one's own waters are waited for so long: then a day is drawn. */
const COMING_WITHIN_MS = 2500;

/** Ten minutes, put together from what is due, what is coming on one's own waters, and one cadence. */
@Component({
  selector: 'inky-evening',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, DrillDayComponent, RouterLink],
  templateUrl: './evening.view.html',
})
export class EveningView {
  private readonly service = inject(DrillService);
  private readonly practice = inject(PracticeService);
  private readonly days = inject(OwnDaysService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  protected readonly parts = signal<readonly EveningPart[] | null>(null);
  private readonly coming = signal<readonly OwnScene[]>([]);
  private readonly at = signal(0);
  /** What the part that is asked came to; null until all of it was answered. */
  private readonly now = signal<DayDone | null>(null);
  protected readonly answered = computed(() => this.now() !== null);
  protected readonly problem = signal('');
  private readonly total = signal({ marks: 0, answers: 0 });

  protected readonly part = computed(() => this.parts()?.[this.at()] ?? null);
  protected readonly title = computed(() => {
    const { marks, answers } = this.total();
    return this.part()?.kind === 'cadence' ? `${Number(marks.toFixed(1))} of ${answers}` : 'Ten minutes';
  });
  protected readonly steps = computed(() => {
    const part = this.part();
    return part?.kind === 'question' ? [part.question.step] : DRILL_STEPS;
  });
  protected readonly question = computed((): SceneQuestion | null => {
    const [part, units] = [this.part(), this.units()];
    if (part?.kind === 'question') {
      const { seed, discipline } = part.question;
      return { seed, discipline, units };
    }
    if (part?.kind !== 'day') return null;
    const own = this.coming().find(({ id }) => id === part.own?.id);
    const seed = this.service.seed;
    if (!own) return { seed, discipline: 'bass', units };
    return { seed, discipline: own.conditions.discipline, units, own: { conditions: own.conditions } };
  });
  protected readonly partWords = computed(() => {
    const [part, parts] = [this.part(), this.parts() ?? []];
    const where = `${this.at() + 1} of ${parts.length}`;
    if (part?.kind === 'question' && part.due) {
      // What it is about would give the answer away: that is told once it was given.
      return this.answered()
        ? `${where}. Due again. ${topicWords(part.question.topic, this.units())}.`
        : `${where}. Due again.`;
    }
    if (part?.kind === 'day') return part.own ? `${where}. It is coming: ${part.own.name}.` : `${where}. A whole day.`;
    return `${where}.`;
  });

  constructor() {
    effect(() => {
      this.units();
      untracked(() => void this.compose());
    });
  }

  protected async compose(): Promise<void> {
    this.parts.set(null);
    this.problem.set('');
    const units = this.units();
    try {
      await firstValueFrom(this.practice.ready$.pipe(filter(Boolean)));
      const coming$ = this.days.coming$.pipe(timeout({ first: COMING_WITHIN_MS, with: () => [[]] }), take(1));
      const [coming, discipline] = await firstValueFrom(combineLatest([coming$, this.service.discipline$]));
      const pool = await firstValueFrom(this.service.pool(discipline, units));
      const now = Date.now();
      this.coming.set(coming);
      // What one is about to fish goes before another kind of water.
      const isSame = ({ conditions }: OwnScene) => conditions.discipline === discipline;
      const own = [...coming.filter(isSame), ...coming.filter((day) => !isSame(day))];
      this.parts.set(composeEvening(pool, this.practice.memory(now), now, own));
      this.at.set(0);
      this.now.set(null);
      this.total.set({ marks: 0, answers: 0 });
      this.lookAhead();
      // Another evening asks of other days.
      this.service.goOn();
    } catch {
      this.problem.set('The questions could not be put together, and the fault is ours.');
    }
  }

  protected done(now: DayDone | null): void {
    this.now.set(now);
  }

  protected next(): void {
    const { marks = 0, answers = 0 } = this.now() ?? {};
    const total = this.total();
    this.total.set({ marks: total.marks + marks, answers: total.answers + answers });
    this.now.set(null);
    this.at.set(this.at() + 1);
    this.lookAhead();
  }

  /** What comes after this one is judged while it is read. */
  private lookAhead(): void {
    const ahead = this.parts()?.[this.at() + 1];
    if (ahead?.kind !== 'question') return;
    const { seed, discipline } = ahead.question;
    // Where it fails, it fails again once it is asked, and that is said.
    firstValueFrom(this.service.scene({ seed, discipline, units: this.units() })).catch(() => undefined);
  }
}
