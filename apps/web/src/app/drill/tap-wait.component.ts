import { ChangeDetectionStrategy, Component, output, signal } from '@angular/core';
import { ButtonDirective } from 'primeng/button';
import { FigureComponent } from '../ui/figure.component';
import { feltWaitClock } from './felt-wait-clock';
import { FoldComponent } from '../ui/fold.component';

const MOST_S = 60;

/** How long a lure lies still, by feel: a tap where the wait begins, one where it is over. Or typed. */
@Component({
  selector: 'inky-tap-wait',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent, ButtonDirective, FigureComponent],
  template: `
    <p class="taps">
      <button pButton type="button" class="wide" (click)="tap()">
        {{ clock.runs() ? 'Move it again' : 'Let it lie' }}
      </button>
      <button pButton outlined type="button" [disabled]="clock.runs()" (click)="waited.emit(0)">
        It never lies still
      </button>
    </p>
    <p role="status">{{ clock.lost() }}</p>
    <inky-fold label="Type it">
      <inky-figure
        fieldId="drill-pause"
        label="Wait"
        unit="s"
        [value]="typed()"
        [problem]="typed() === undefined || valid() ? null : 'Expected 0 to ${MOST_S} s.'"
        (valueChange)="typed.set($event)"
      />
      <button pButton type="button" [disabled]="!valid()" (click)="take()">So long</button>
    </inky-fold>
  `,
  styles: `
    .taps {
      display: grid;
      gap: 0.5rem;
      max-width: 22rem;
    }
    .taps button {
      min-height: var(--touch);
    }
  `,
})
export class TapWaitComponent {
  readonly waited = output<number>();
  protected readonly clock = feltWaitClock();
  protected readonly typed = signal<unknown>(undefined);

  protected valid(): boolean {
    const typed = this.typed();
    return typeof typed === 'number' && typed >= 0 && typed <= MOST_S;
  }

  protected take(): void {
    this.waited.emit(this.typed() as number);
  }

  protected tap(): void {
    if (!this.clock.runs()) return this.clock.begin();
    this.waited.emit(Math.min(MOST_S, Math.round(10 * this.clock.end()) / 10));
  }
}
