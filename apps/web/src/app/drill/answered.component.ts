import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { STEP_NAMES, worthWords, type Graded, type PracticeStep } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { FoldComponent } from '../ui/fold.component';

/** Under this much an answer is set beside the planner's. */
const AS_GOOD = 0.95;
const REASONS = 2;

/** An answer with what it is worth and why, and how to have it not count. */
@Component({
  selector: 'inky-answered',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent, ButtonDirective],
  template: `
    <p>
      <span class="quiet">{{ name() }}:</span> {{ said() }}. <strong>{{ worth() }}</strong>
      @if (graded().school) {
        By another school.
      }
      @if (isBehind()) {
        The planner: {{ graded().best }}.
      }
      @if (graded().unsure) {
        <span class="quiet">It is unsure itself.</span>
      }
    </p>
    @if (because().length || against().length) {
      <inky-fold [label]="why()" [open]="latest()">
        @for (reason of because(); track reason) {
          <p class="quiet">{{ reason }}.</p>
        }
        @for (reason of against(); track reason) {
          <p class="quiet">Against it: {{ reason }}.</p>
        }
      </inky-fold>
    }
    @if (latest()) {
      <button pButton text type="button" (click)="takenBack.emit()">Take it back</button>
    }
  `,
  styles: `
    :host {
      display: block;
      border-top: var(--stroke) solid var(--rule);
      padding: 0.5rem 0;
    }
    p {
      margin: 0.1rem 0;
    }
  `,
})
export class AnsweredComponent {
  readonly step = input.required<PracticeStep>();
  readonly said = input.required<string>();
  readonly graded = input.required<Graded>();
  /** It was answered last: its reasons stand open, and it can be taken back. */
  readonly latest = input(false);
  readonly takenBack = output();

  protected readonly name = computed(() => STEP_NAMES[this.step()]);
  protected readonly why = computed(() => `Why: ${this.name().toLowerCase()}`);
  protected readonly worth = computed(() => worthWords(this.graded().score));
  protected readonly isBehind = computed(() => this.graded().score < AS_GOOD);
  protected readonly because = computed(() => this.graded().because.slice(0, REASONS));
  protected readonly against = computed(() => this.graded().against.slice(0, REASONS));
}
