import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { feelOf, feelWords, WAIT_S, waitWords } from '@inky-shoal/core/drill';
import { NoticeService } from '../base/notice.service';
import { ButtonDirective } from 'primeng/button';
import { CadencePlayer } from './cadence-player.service';
import { feltWaitClock } from './felt-wait-clock';
import { PracticeService } from './practice.service';

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
        {{ clock.runs() ? 'Now' : 'Begin the wait' }}
      </button>
    </p>
    <p class="said" role="status">{{ clock.lost() || said() }}</p>
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
        <button pButton text type="button" (click)="forget()">Begin anew</button>
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
  private readonly practice = inject(PracticeService);
  private readonly notices = inject(NoticeService);
  readonly wantedS = input.required<number>();
  /** A wait begins: whatever sounds is silent. */
  readonly begun = output();

  private readonly felt = toSignal(this.practice.waits$, { requireSync: true });
  protected readonly clock = feltWaitClock();
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

  /** Has all waits not count any more, which can be taken back. */
  protected forget(): void {
    const back = this.practice.takeBack(this.felt().map(({ id }) => id));
    this.notices.say('The waits are forgotten.', back);
  }

  protected press(): void {
    if (!this.clock.runs()) {
      this.begun.emit();
      this.said.set('');
      this.player.once().catch((error: Error) => this.said.set(error.message));
      this.clock.begin();
      return;
    }
    const feltS = this.clock.end();
    if (feltS > WAIT_S[1]) {
      this.said.set('That was longer than any wait: it does not count.');
      return;
    }
    const wait = this.practice.add({ kind: 'wait', wantedS: this.wantedS(), feltS });
    if (wait.kind === 'wait') this.said.set(waitWords(wait));
  }
}
