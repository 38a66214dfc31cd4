import { ChangeDetectionStrategy, Component, output, signal } from '@angular/core';
import { fromEvent } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { ButtonDirective } from 'primeng/button';
import { FigureComponent } from '../ui/figure.component';
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
        {{ begunMs() === null ? 'Let it lie' : 'Move it again' }}
      </button>
      <button pButton outlined type="button" [disabled]="begunMs() !== null" (click)="waited.emit(0)">
        It never lies still
      </button>
    </p>
    <p role="status">{{ said() }}</p>
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
  /** When it began, by the clock that no one sets; null while nothing lies still. */
  protected readonly begunMs = signal<number | null>(null);
  protected readonly said = signal('');
  protected readonly typed = signal<unknown>(undefined);

  constructor() {
    fromEvent(document, 'visibilitychange')
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        if (document.visibilityState === 'visible' || this.begunMs() === null) return;
        this.begunMs.set(null);
        this.said.set('You were away from the page: that wait does not count. Begin it again.');
      });
  }

  protected valid(): boolean {
    const typed = this.typed();
    return typeof typed === 'number' && typed >= 0 && typed <= MOST_S;
  }

  protected take(): void {
    this.waited.emit(this.typed() as number);
  }

  protected tap(): void {
    const begun = this.begunMs();
    if (begun === null) {
      this.said.set('');
      this.begunMs.set(performance.now());
      return;
    }
    this.begunMs.set(null);
    this.waited.emit(Math.min(MOST_S, Math.round((performance.now() - begun) / 100) / 10));
  }
}
