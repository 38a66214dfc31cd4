import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital, nameOf, say, sayRange, toShown, toSi } from '@inky-shoal/core';
import {
  DRILL_STEPS,
  STEP_QUESTIONS,
  worthWords,
  type DrillAnswer,
  type DrillStep,
  type Graded,
} from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { firstValueFrom, type Observable } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { DayService } from '../sheet/day.service';
import { sayHours } from '../sheet/words';
import { FigureComponent } from '../ui/figure.component';
import { DepthPictureComponent } from './depth-picture.component';
import { DrillService } from './drill.service';
import type { ToldBand, ToldScene } from './drill-api';

interface Answered {
  readonly step: DrillStep;
  readonly said: string;
  readonly graded: Graded;
}

const STEP_NAMES: Readonly<Record<DrillStep, string>> = {
  phase: 'Phase',
  regime: 'Water',
  where: 'Where',
  depth: 'Depth',
  lure: 'Lure',
  pause: 'Wait',
};

/** A day to be judged, step by step in the order of the work; each answer graded by the planner's own weights. */
@Component({
  selector: 'inky-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, DepthPictureComponent, FigureComponent, RouterLink],
  templateUrl: './drill.view.html',
  styles: `
    section {
      margin-top: 1.25rem;
      max-width: 40rem;
    }
    .scene p {
      margin: 0.15rem 0;
    }
    .options {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
      gap: 0.5rem;
    }
    .options button {
      min-height: var(--touch);
      justify-content: flex-start;
      text-align: left;
      border: var(--stroke) solid var(--edge);
    }
    .answered {
      border-top: var(--stroke) solid var(--rule);
      padding: 0.5rem 0;
    }
    .answered p {
      margin: 0.1rem 0;
    }
    .band {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0.25rem 0.75rem;
      align-items: center;
      margin-bottom: 0.75rem;
    }
    .band input {
      min-height: var(--touch);
      width: 100%;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0.2rem 1rem;
    }
    dd {
      margin: 0;
    }
  `,
})
export class DrillView {
  private readonly service = inject(DrillService);
  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly draft = toSignal(inject(DayService).draft$, { initialValue: null });

  private readonly seed = signal(this.service.seed);
  /** Of the day on the sheet, whatever else of it changes: a day that is being judged stays. */
  private readonly discipline = computed(() => this.draft()?.input.discipline ?? ('bass' as const));
  private readonly question = computed(() => ({
    seed: this.seed(),
    discipline: this.discipline(),
    units: this.units(),
  }));
  protected readonly scene = signal<ToldScene | null>(null);
  protected readonly bands = signal<readonly ToldBand[]>([]);
  protected readonly answered = signal<readonly Answered[]>([]);
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  protected readonly known = toSignal(this.service.known$, { initialValue: [] });

  protected readonly step = computed((): DrillStep | null => DRILL_STEPS[this.answered().length] ?? null);
  protected readonly asked = computed(() => {
    const step = this.step();
    return step ? STEP_QUESTIONS[step] : '';
  });
  protected readonly hours = computed(() => {
    const scene = this.scene();
    return scene ? sayHours(scene.from, scene.to) : '';
  });
  /** What stands to choose from, each with the answer that it is. */
  protected readonly options = computed((): readonly DrillAnswer[] => {
    const [scene, step] = [this.scene(), this.step()];
    if (!scene) return [];
    const { phases, regimes, structures, lures } = scene.options;
    switch (step) {
      case 'phase':
        return phases.map((phase) => ({ step, phase }));
      case 'regime':
        return regimes.map((regime) => ({ step, regime }));
      case 'where':
        return structures.map((structure) => ({ step, structure }));
      case 'lure':
        return lures.map((category) => ({ step, category }));
      default:
        return [];
    }
  });
  /** The band that is dragged, in the user's units. */
  protected readonly band = signal<number[]>([0, 0]);
  protected readonly deepest = computed(() =>
    Math.ceil(toShown('depth', this.scene()?.options.bottomM ?? 10, this.units())),
  );
  protected readonly bandM = computed((): readonly [number, number] => {
    const [from = 0, to = 0] = [...this.band()].sort((a, b) => a - b);
    return [toSi('depth', from, this.units()), toSi('depth', to, this.units())];
  });
  protected readonly bandWords = computed(() => sayRange('depth', this.bandM(), this.units()));
  protected readonly seconds = signal<unknown>(2);
  protected readonly secondsProblem = computed(() => {
    const seconds = this.seconds();
    return typeof seconds === 'number' && seconds >= 0 && seconds <= 60 ? null : 'Expected 0 to 60 s.';
  });
  protected readonly total = computed(() => {
    const answered = this.answered();
    const marks = answered.reduce((sum, { graded }) => sum + graded.score, 0);
    return `${Number(marks.toFixed(1))} of ${answered.length}`;
  });

  constructor() {
    effect(() => {
      const question = this.question();
      void this.ask(this.service.scene(question), (scene) => {
        this.scene.set(scene);
        this.bands.set([]);
        this.answered.set([]);
        const deepest = Math.ceil(toShown('depth', scene.options.bottomM, question.units));
        this.band.set([0, Math.round(deepest / 3)]);
      });
    });
  }

  protected readonly ends = [
    { at: 0, name: 'From' },
    { at: 1, name: 'Down to' },
  ] as const;

  protected endWords(at: 0 | 1): string {
    return say('depth', toSi('depth', this.band()[at] ?? 0, this.units()), this.units());
  }

  protected setEnd(at: 0 | 1, value: string): void {
    this.band.set(this.band().map((each, index) => (index === at ? Number(value) : each)));
  }

  /** An answer that is one of a list, by its name. */
  protected nameOf(answer: DrillAnswer): string {
    switch (answer.step) {
      case 'phase':
        return capital(nameOf(answer.phase));
      case 'regime':
        return capital(nameOf(answer.regime));
      case 'where':
        return capital(nameOf(answer.structure));
      case 'lure':
        return capital(nameOf(answer.category));
      default:
        return '';
    }
  }

  protected choose(answer: DrillAnswer): void {
    this.answer(answer, this.nameOf(answer));
  }

  protected chooseBand(): void {
    this.answer({ step: 'depth', depthM: [...this.bandM()] }, this.bandWords());
    void this.ask(this.service.bands(this.question()), (bands) => this.bands.set(bands));
  }

  protected choosePause(): void {
    const seconds = this.seconds() as number;
    this.answer({ step: 'pause', seconds }, `${seconds} s`);
  }

  protected another(): void {
    this.scene.set(null);
    this.seed.set(this.service.goOn());
  }

  protected worth({ graded }: Answered): string {
    return worthWords(graded.score);
  }

  protected stepName(step: DrillStep): string {
    return STEP_NAMES[step];
  }

  protected percent(marks: number): string {
    return `${Math.round(100 * marks)} of 100`;
  }

  private answer(answer: DrillAnswer, said: string): void {
    void this.ask(this.service.grade(this.question(), answer), (graded) => {
      this.answered.set([...this.answered(), { step: answer.step, said, graded }]);
      this.service.keep(this.seed(), answer.step, graded.score);
    });
  }

  private async ask<T>(asked: Observable<T>, then: (told: T) => void): Promise<void> {
    try {
      this.busy.set(true);
      this.problem.set('');
      then(await firstValueFrom(asked));
    } catch {
      this.problem.set('This day could not be judged, and the fault is ours. Take another.');
    } finally {
      this.busy.set(false);
    }
  }
}
