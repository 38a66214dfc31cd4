import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital, LIMITS, nameOf, say, type Cover, type Structure } from '@inky-shoal/core';
import type { Graded } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { FigureComponent } from '../ui/figure.component';
import { SelectComponent } from '../ui/select.component';
import { AnsweredComponent } from './answered.component';
import type { SceneQuestion, ToldTurn } from './drill-api';
import { DrillService } from './drill.service';
import { PracticeService } from './practice.service';

/** Days that have no lure to ask about are passed over, so many at most. */
const TRIES = 5;

/** Turned round: a lure is given, and one says what the water must be like for it. */
@Component({
  selector: 'inky-turn',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnsweredComponent, ButtonDirective, FigureComponent, RouterLink, SelectComponent],
  templateUrl: './turn.view.html',
  styleUrl: './turn.view.css',
})
export class TurnView {
  private readonly service = inject(DrillService);
  private readonly practice = inject(PracticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly discipline = toSignal(this.service.discipline$);
  private readonly seed = signal(this.service.seed);
  private readonly question = computed(
    (): SceneQuestion | null => {
      const discipline = this.discipline();
      return discipline ? { seed: this.seed(), discipline, units: this.units() } : null;
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );

  protected readonly told = signal<ToldTurn | null>(null);
  protected readonly graded = signal<Graded | null>(null);
  protected readonly busy = signal(false);
  protected readonly problem = signal('');
  private eventId = '';
  /** Days that were passed over. */
  private tries = 0;

  protected readonly title = computed(() => {
    const turn = this.told();
    return turn ? capital(nameOf(turn.category)) : 'Turned round';
  });
  protected readonly structures = computed(() => this.choices(this.told()?.structures));
  protected readonly covers = computed(() => this.choices(this.told()?.covers));
  protected readonly tempC = linkedSignal<unknown, unknown>({ source: this.told, computation: () => undefined });
  protected readonly visibilityM = linkedSignal<unknown, unknown>({ source: this.told, computation: () => undefined });
  protected readonly structure = linkedSignal<string>(() => this.told()?.structures?.[0] ?? '');
  protected readonly cover = linkedSignal<string>(() => this.told()?.covers?.[0] ?? '');
  protected readonly tempProblem = computed(() => this.outside(this.tempC(), LIMITS.surfaceTempC, 'temp'));
  protected readonly visibilityProblem = computed(() => this.outside(this.visibilityM(), LIMITS.visibilityM, 'depth'));
  protected readonly isWhole = computed(
    () =>
      typeof this.tempC() === 'number' &&
      typeof this.visibilityM() === 'number' &&
      !this.tempProblem() &&
      !this.visibilityProblem(),
  );
  protected readonly said = computed(() => {
    const [tempC, visibilityM] = [this.tempC(), this.visibilityM()];
    if (typeof tempC !== 'number' || typeof visibilityM !== 'number') return '';
    const place = `${nameOf(this.structure())}, ${nameOf(this.cover())}`;
    return `${say('temp', tempC, this.units())}, ${say('depth', visibilityM, this.units())}, ${place}`;
  });

  constructor() {
    effect(() => {
      const question = this.question();
      if (question) void this.draw(question);
    });
  }

  protected async answer(): Promise<void> {
    const [turn, question] = [this.told(), this.question()];
    if (!turn || !question || this.busy()) return;
    this.busy.set(true);
    try {
      const graded = await firstValueFrom(
        this.service.gradeTurn(question, {
          surfaceTempC: this.tempC() as number,
          visibilityM: this.visibilityM() as number,
          structure: this.structure() as Structure,
          cover: this.cover() as Cover,
        }),
      );
      this.graded.set(graded);
      const { category } = turn;
      const topic = `turn/${category}`;
      this.eventId = this.practice.add({ kind: 'answer', step: 'turn', topic, score: graded.score, lure: category }).id;
    } catch {
      this.problem.set('This could not be judged, and the fault is ours. Take another.');
    } finally {
      this.busy.set(false);
    }
  }

  protected takeBack(): void {
    this.practice.takeBack([this.eventId]);
    this.graded.set(null);
  }

  protected another(): void {
    this.seed.set(this.service.goOn());
  }

  private async draw(question: SceneQuestion): Promise<void> {
    this.told.set(null);
    this.graded.set(null);
    this.problem.set('');
    try {
      const told = await firstValueFrom(this.service.turn(question));
      if (question !== this.question()) return;
      if (told) {
        this.tries = 0;
        this.told.set(told);
      } else if (this.tries++ < TRIES) this.another();
      else this.problem.set('None of these days has a lure to ask about. Take another.');
    } catch {
      this.problem.set('This day could not be judged, and the fault is ours. Take another.');
    }
  }

  private choices(ids: readonly string[] = []) {
    return ids.map((id) => ({ id, name: capital(nameOf(id)) }));
  }

  private outside(value: unknown, [least, most]: readonly [number, number], measure: 'temp' | 'depth'): string | null {
    if (value === undefined || (typeof value === 'number' && value >= least && value <= most)) return null;
    const units = this.units();
    return `Expected ${say(measure, least, units)} to ${say(measure, most, units)}.`;
  }
}
