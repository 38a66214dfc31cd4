import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

/** The nine things that one taps on the water. */
export const TAPS = ['casts', 'follow', 'short', 'missed', 'lost', 'landed', 'bait', 'birds', 'mark'] as const;
export type Tap = (typeof TAPS)[number];

/** Casts that one tap stands for, until another number is said. */
export const CASTS_A_TAP = 20;

/** Nine targets for a wet thumb. */
@Component({
  selector: 'inky-taps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <div class="taps" role="group" aria-label="Note it">
      @for (target of targets; track target.tap) {
        <button
          pButton
          text
          class="entry"
          type="button"
          [class.main]="target.tap === 'landed'"
          (click)="tapped.emit(target.tap)"
        >
          <strong>{{ target.name }}</strong>
          <span>{{ target.more }}</span>
        </button>
      }
    </div>
  `,
  styles: `
    .taps {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      border-top: var(--stroke) solid var(--ink);
    }
    button {
      display: grid;
      place-content: center;
      justify-items: center;
      min-height: 4.25rem;
      padding: 0.25rem;
      background: var(--paper);
      border: 0;
      border-radius: 0;
      border-bottom: var(--stroke) solid var(--edge);
      border-right: var(--stroke) solid var(--edge);
      color: var(--ink);
      text-align: center;
      cursor: pointer;
      touch-action: manipulation;
    }
    button:nth-child(3n) {
      border-right: 0;
    }
    button:nth-last-child(-n + 3) {
      border-bottom: 0;
    }
    button:active {
      background: var(--paper-2);
    }
    strong {
      font-size: 1.1rem;
      line-height: 1.2;
    }
    span {
      font-size: 0.85rem;
      color: var(--ink-2);
    }
    .main {
      background: var(--act);
      color: var(--on-act);
    }
    .main span {
      color: var(--on-act);
    }
    @media (max-height: 560px) and (min-width: 600px) and (max-width: 900px) {
      .taps {
        height: 100%;
        grid-auto-rows: 1fr;
      }
      button {
        min-height: 0;
        padding: 0.1rem;
      }
      strong {
        font-size: 1rem;
      }
      span {
        display: none;
      }
    }
    @media (max-height: 560px) and (max-width: 599px) {
      .taps {
        display: flex;
        overflow-x: auto;
      }
      button,
      button:nth-child(3n) {
        flex: 1 0 5.5rem;
        min-height: 3rem;
        border-bottom: 0;
        border-right: var(--stroke) solid var(--edge);
      }
      span {
        display: none;
      }
    }
  `,
})
export class TapsComponent {
  readonly tapped = output<Tap>();
  protected readonly targets: readonly { readonly tap: Tap; readonly name: string; readonly more: string }[] = [
    { tap: 'casts', name: `${CASTS_A_TAP} casts`, more: 'nothing' },
    { tap: 'follow', name: 'Follow', more: 'looked, left' },
    { tap: 'short', name: 'Short', more: 'nipped the end' },
    { tap: 'missed', name: 'Missed', more: 'felt it' },
    { tap: 'lost', name: 'Lost', more: 'was on' },
    { tap: 'landed', name: 'Landed', more: 'in the boat' },
    { tap: 'bait', name: 'Bait', more: 'about' },
    { tap: 'birds', name: 'Birds', more: 'showing fish' },
    { tap: 'mark', name: 'Mark', more: 'this spot' },
  ];
}
