import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { feelOf, feelWords, waitWords } from '@inky-shoal/core/drill';
import { ButtonDirective } from 'primeng/button';
import { CadencePlayer } from './cadence-player.service';
import { FeltWaits } from './felt-waits';

/** Waits shown in the plot. */
const SHOWN = 40;
const [WIDTH, HEIGHT] = [320, 70];
/** So far off reaches the edge of the plot, as a share of the wait. */
const EDGE = 0.5;

/** Without a sound: tap when the wait is over. Each tap says how far off it was; the plot shows how one gets on. */
@Component({
  selector: 'inky-feel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <p>One click begins the wait. Tap when {{ seconds() }} s are over.</p>
    <p>
      <button pButton type="button" class="wide" (click)="press()">
        {{ begunMs() === null ? 'Begin the wait' : 'Now' }}
      </button>
    </p>
    <p class="said" role="status">{{ said() }}</p>
    @if (words(); as words) {
      <p>{{ words }}</p>
      <svg viewBox="0 0 ${WIDTH} ${HEIGHT}" role="img" [attr.aria-label]="'How far off each was: ' + words">
        <line class="mid" x1="0" x2="${WIDTH}" y1="${HEIGHT / 2}" y2="${HEIGHT / 2}" />
        @for (dot of dots(); track $index) {
          <circle [attr.cx]="dot.x" [attr.cy]="dot.y" r="4" />
        }
      </svg>
      <p class="quiet">
        Over the line too long, under it too short.
        <button pButton text type="button" (click)="waits.clear()">Begin anew</button>
      </p>
    }
  `,
  styles: `
    .said {
      min-height: 1.6rem;
      font-weight: 700;
    }
    svg {
      display: block;
      width: 100%;
      max-width: 20rem;
    }
    .mid {
      stroke: var(--edge);
    }
    circle {
      fill: var(--ink);
    }
  `,
})
export class FeelComponent {
  private readonly player = inject(CadencePlayer);
  protected readonly waits = inject(FeltWaits);
  readonly wantedS = input.required<number>();
  /** A wait begins: whatever sounds is silent. */
  readonly begun = output();

  private readonly felt = toSignal(this.waits.waits$, { requireSync: true });
  /** When the wait began, by the clock that no one sets; null while none is felt. */
  protected readonly begunMs = signal<number | null>(null);
  protected readonly said = signal('');
  protected readonly seconds = computed(() => Number(this.wantedS().toFixed(1)));
  protected readonly words = computed(() => {
    const feel = feelOf(this.felt());
    return feel ? feelWords(feel) : '';
  });
  protected readonly dots = computed(() => {
    const shown = this.felt().slice(-SHOWN);
    return shown.map(({ wantedS, feltS }, at) => {
      const off = Math.max(-EDGE, Math.min(EDGE, feltS / wantedS - 1));
      return { x: 8 + (at * (WIDTH - 16)) / Math.max(1, SHOWN - 1), y: HEIGHT / 2 - (off / EDGE) * (HEIGHT / 2 - 6) };
    });
  });

  protected press(): void {
    const begun = this.begunMs();
    if (begun === null) {
      this.begun.emit();
      this.player.once().catch((error: Error) => this.said.set(error.message));
      this.said.set('');
      // Not the clock of the day: that may be set meanwhile.
      this.begunMs.set(performance.now());
      return;
    }
    const wait = {
      at: new Date().toISOString(),
      wantedS: this.wantedS(),
      feltS: (performance.now() - begun) / 1000,
    };
    this.begunMs.set(null);
    this.said.set(waitWords(wait));
    this.waits.add(wait);
  }
}
