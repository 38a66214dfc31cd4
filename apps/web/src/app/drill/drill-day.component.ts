import type { ElementRef } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { bitWords, DRILL_STEPS, type DrillStep, type WhatBit } from '@inky-shoal/core/drill';
import { sayHours } from '../sheet/words';
import { AnsweredComponent } from './answered.component';
import { Asking } from './asking';
import { BandPictureComponent, type Band } from './band-picture.component';
import { DrillService } from './drill.service';
import { type Answered, dayDone, type DayDone } from './day-done';
import type { DayKey, SceneQuestion, ToldPicture, ToldScene } from './drill-api';
import { PracticeService } from './practice.service';
import { DrillStepComponent, type SaidAnswer } from './step.component';
import { WaterGlassComponent } from './water-glass.component';

/** A day to be judged, or one step of it: told, asked in the order of the work, graded, and set beside the planner's. */
@Component({
  selector: 'inky-drill-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnsweredComponent, BandPictureComponent, DrillStepComponent, WaterGlassComponent],
  templateUrl: './drill-day.component.html',
  styleUrl: './drill-day.component.css',
})
export class DrillDayComponent {
  private readonly service = inject(DrillService);
  private readonly practice = inject(PracticeService);

  readonly question = input.required<SceneQuestion>();
  readonly steps = input<readonly DrillStep[]>(DRILL_STEPS);
  /** What really bit, where the day is a trip. */
  readonly bit = input<readonly WhatBit[] | null>(null);
  /** What it came to, once all was answered; null where an answer was taken back after that. */
  readonly done = output<DayDone | null>();

  protected readonly scene = signal<ToldScene | null>(null);
  protected readonly answered = signal<readonly Answered[]>([]);
  protected readonly picture = signal<ToldPicture | null>(null);
  private readonly key = signal<DayKey | null>(null);
  private readonly asking = new Asking('This day could not be judged, and the fault is ours. Take another.');
  protected readonly busy = this.asking.busy;
  protected readonly problem = this.asking.problem;

  /** Steps that this day has: a lure that is made for all depths has no classes. */
  private readonly ofDay = computed(() => {
    const hasClasses = !!this.scene()?.options.classes.length;
    return this.steps().filter((step) => step !== 'class' || hasClasses);
  });
  protected readonly step = computed(() => this.ofDay()[this.answered().length] ?? null);
  protected readonly hours = computed(() => {
    const scene = this.scene();
    return scene ? `${sayHours(scene.from, scene.to)}, ${scene.light}` : '';
  });
  /** What comes before a step that is asked by itself. */
  protected readonly given = computed(() => {
    const [first] = this.steps();
    return this.steps().length === 1 && first ? (this.scene()?.given[first] ?? '') : '';
  });
  protected readonly bands = computed((): readonly Band[] => {
    const said = this.answered().find(({ step }) => step === 'depth')?.answer;
    return said?.step === 'depth' ? said.bandsM : [];
  });
  private readonly lure = computed(() => {
    const said = this.answered().find(({ step }) => step === 'lure')?.answer;
    return said?.step === 'lure' ? said.category : null;
  });
  /** The step after which the picture stands: what was answered last that it shows. */
  protected readonly pictureAfter = computed((): DrillStep | null => {
    if (!this.bands().length) return null;
    return this.lure() ? 'lure' : 'depth';
  });
  protected readonly bitWords = computed(() => {
    const bit = this.bit();
    return bit ? bitWords(bit, this.question().units) : '';
  });

  private readonly asked = viewChild<ElementRef<HTMLElement>>('asked');

  constructor() {
    // On a phone the next question lies under the last answer: it comes to the thumb.
    afterRenderEffect(() => {
      const asked = this.asked()?.nativeElement;
      if (asked && this.answered().length) asked.scrollIntoView({ block: 'start' });
    });
    let asked = '';
    effect(() => {
      const question = this.question();
      // The same day again is not asked anew, whatever made it be told again.
      const now = JSON.stringify([question, this.steps()]);
      if (now === asked) return;
      asked = now;
      this.scene.set(null);
      this.answered.set([]);
      this.picture.set(null);
      this.key.set(null);
      void this.asking.ask(this.service.scene(question), (scene) => this.scene.set(scene));
    });
  }

  protected async answer({ answer, said }: SaidAnswer): Promise<void> {
    const question = this.question();
    const key = this.key();
    if (!key) await this.asking.ask(this.service.dayKey(question), (told) => this.key.set(told));
    await this.asking.ask(this.service.grade(question, answer), (graded) => {
      const event = this.practice.add({
        kind: 'answer',
        step: answer.step,
        topic: graded.topic,
        score: graded.score,
        phase: this.key()?.phase,
        regime: this.key()?.regime,
        lure: this.key()?.lure,
      });
      this.answered.set([...this.answered(), { answer, said, step: answer.step, graded, id: event.id }]);
    });
    if (answer.step === 'depth' || answer.step === 'lure') await this.draw();
    if (!this.step() && !this.problem()) {
      this.done.emit(dayDone(this.answered()));
    }
  }

  /** Has the last answer not count, and asks it again. */
  protected takeBack(): void {
    const last = this.answered().at(-1);
    if (!last) return;
    this.practice.takeBack([last.id]);
    if (!this.step()) this.done.emit(null);
    this.answered.set(this.answered().slice(0, -1));
    if (last.step === 'depth' || last.step === 'lure') void this.draw();
  }

  private async draw(): Promise<void> {
    const bands = this.bands();
    if (!bands.length) return this.picture.set(null);
    await this.asking.ask(this.service.picture(this.question(), this.lure(), bands), (picture) =>
      this.picture.set(picture),
    );
  }
}
