import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { NextStep } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';

/** The next move with its odds; its because a press away. */
@Component({
  selector: 'inky-next-move',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <section aria-labelledby="next">
      <h2 id="next">Next</h2>
      <p class="move" aria-live="polite">{{ next().text }}</p>
      <p class="odds">{{ next().odds }} {{ next().guess ? guessWords() : '' }}</p>
      <p class="row">
        <button pButton text type="button" [attr.aria-expanded]="because()" (click)="because.set(!because())">
          Because
        </button>
        @if (changes()) {
          <button pButton text type="button" (click)="followed.emit()">I do that</button>
        }
      </p>
      @if (because()) {
        @for (line of next().because; track line) {
          <p>{{ line }}</p>
        }
      }
    </section>
  `,
  styles: `
    :host {
      display: block;
      padding: 0.75rem 1rem;
      background: var(--ink);
      color: var(--paper);
    }
    h2 {
      font-size: 1rem;
      font-style: italic;
      font-weight: 400;
    }
    p {
      padding: 0.1rem 0;
    }
    .move {
      font-size: 1.15rem;
      font-weight: 700;
    }
    .odds {
      font-size: 0.95rem;
    }
    .row {
      display: flex;
      justify-content: space-between;
      gap: 0.75rem;
    }
    button {
      color: inherit;
      text-decoration-color: currentColor;
      padding-left: 0;
      font-weight: 700;
    }
  `,
})
export class NextMoveComponent {
  readonly next = input.required<NextStep>();
  /** Notes that it rests on. */
  readonly notes = input.required<number>();
  /** It is done. */
  readonly followed = output();

  protected readonly because = signal(false);
  protected readonly changes = computed(() => !['stay', 'turn-back'].includes(this.next().move));
  protected readonly guessWords = computed(
    () => `A guess from ${this.notes()} ${this.notes() === 1 ? 'note' : 'notes'}.`,
  );
}
