import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { capital, nameOf, say, sayRange, toShown, toSi, type UnitSystem } from '@inky-shoal/core';
import { STEP_QUESTIONS, type DrillAnswer, type DrillOptions, type DrillStep } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { sayHours } from '../sheet/words';
import { BandPictureComponent, type Band } from './band-picture.component';
import { ProfileComponent } from './profile.component';
import { TapWaitComponent } from './tap-wait.component';
import { FoldComponent } from '../ui/fold.component';
import { SelectComponent } from '../ui/select.component';

/** An answer, and how it is said. */
export interface SaidAnswer {
  readonly answer: DrillAnswer;
  readonly said: string;
}

/** One step of a day as it is asked: of a list, on the profile, on the empty sheet, by feel. */
@Component({
  selector: 'inky-drill-step',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent, SelectComponent, BandPictureComponent, ButtonDirective, ProfileComponent, TapWaitComponent],
  templateUrl: './step.component.html',
  styleUrls: ['./options.css', './step.component.css'],
})
export class DrillStepComponent {
  readonly step = input.required<DrillStep>();
  readonly options = input.required<DrillOptions>();
  readonly units = input.required<UnitSystem>();
  readonly busy = input(false);
  readonly answered = output<SaidAnswer>();

  protected readonly question = computed(() => STEP_QUESTIONS[this.step()]);
  protected readonly listed = computed((): SaidAnswer[] => {
    const { phases, regimes, foods, lures, classes, tones, rigs } = this.options();
    switch (this.step()) {
      case 'phase':
        return phases.map((phase) => ({ answer: { step: 'phase', phase }, said: this.name(phase) }));
      case 'regime':
        return regimes.map((regime) => ({ answer: { step: 'regime', regime }, said: this.name(regime) }));
      case 'food':
        return foods.map((kind) => ({ answer: { step: 'food', kind }, said: this.name(kind) }));
      case 'lure':
        return lures.map((category) => ({ answer: { step: 'lure', category }, said: this.name(category) }));
      case 'class':
        return classes.map(({ id, words }) => ({ answer: { step: 'class', classId: id }, said: words }));
      case 'trim':
        return tones.map((tone) => ({ answer: { step: 'trim', tone }, said: this.name(tone) }));
      case 'rig':
        return rigs.map(({ rig, words }) => ({ answer: { step: 'rig', rig }, said: words }));
      default:
        return [];
    }
  });

  /** The band that is drawn, window by window. */
  protected readonly bands = linkedSignal<readonly Band[]>(() => this.options().hours.map(() => null));
  protected readonly drawn = computed(() => this.bands().some(Boolean));
  protected readonly typedFor = linkedSignal({ source: this.options, computation: () => -1 });
  /** What may be drawn by sliders: all of the day, or one stretch of it. */
  protected readonly stretches = computed(() => [
    { id: '-1', name: 'All day' },
    ...this.options().hours.map(({ from, to }, at) => ({ id: String(at), name: sayHours(from, to) })),
  ]);
  protected readonly deepest = computed(() => Math.ceil(toShown('depth', this.options().bottomM, this.units())));
  protected readonly bandWords = computed(() => {
    const drawn = this.bands().filter((band) => band !== null);
    if (!drawn.length) return 'Draw a box with a thumb or the mouse: from when to when, and how deep.';
    const same = drawn.length === this.bands().length && drawn.every((band) => String(band) === String(drawn[0]));
    const one = drawn[0];
    if (same && one) return `${sayRange('depth', one, this.units())}, all day.`;
    const left = this.bands().length - drawn.length;
    return left
      ? `${left} of ${this.bands().length} stretches of the day are empty.`
      : 'Each stretch of the day has its band.';
  });

  protected readonly ends = [
    { at: 0, name: 'From' },
    { at: 1, name: 'Down to' },
  ] as const;

  protected name(id: string): string {
    return capital(nameOf(id));
  }

  protected typedEnd(at: 0 | 1): number {
    const band = this.bands()[Math.max(0, this.typedFor())];
    return toShown('depth', band?.[at] ?? 0, this.units());
  }

  protected endWords(at: 0 | 1): string {
    return say('depth', toSi('depth', this.typedEnd(at), this.units()), this.units());
  }

  protected setEnd(at: 0 | 1, value: string): void {
    const metres = toSi('depth', Number(value), this.units());
    const of = this.typedFor();
    this.bands.set(
      this.bands().map((band, index): Band => {
        if (of >= 0 && index !== of) return band;
        const [from, to] = band ?? [0, 0];
        return at === 0 ? [metres, Math.max(metres, to)] : [Math.min(from, metres), metres];
      }),
    );
  }

  protected sayBands(): void {
    const bandsM = this.bands();
    const asked = bandsM[this.options().index];
    const said = asked ? sayRange('depth', asked, this.units()) : 'None for these hours';
    this.say({ answer: { step: 'depth', bandsM }, said });
  }

  protected say(said: SaidAnswer): void {
    this.answered.emit(said);
  }
}
