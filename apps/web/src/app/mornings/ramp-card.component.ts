import { NgTemplateOutlet } from '@angular/common';
import { booleanAttribute, ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { ShortPlan, ToldCard } from '@inky-shoal/core/mornings';
import { capital } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { SettingsService } from '../base/settings.service';
import { cardWords, shortPlanWords } from './mornings-words';

/** The ramp card: what is read, as a creek that forks, and a short plan at each end. */
@Component({
  selector: 'inky-ramp-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, NgTemplateOutlet],
  template: `
    <p>{{ words(card()) }}</p>
    <ng-container [ngTemplateOutlet]="fork" [ngTemplateOutletContext]="{ $implicit: card().root }" />
    <ng-template #fork let-node>
      @if (node.kind === 'question') {
        <ul class="fork">
          @for (side of [node.over, node.under]; track side.words) {
            <li>
              <strong class="asked">{{ capital(side.words) }}</strong>
              <ng-container [ngTemplateOutlet]="fork" [ngTemplateOutletContext]="{ $implicit: side.node }" />
            </li>
          }
        </ul>
      } @else {
        @let told = plan(node.plan);
        <div class="end">
          @if (taps()) {
            <button pButton text type="button" class="entry" (click)="taken.emit(node.plan)">
              <strong>{{ told[0] }}</strong>
              <span>{{ told[1] }}</span>
            </button>
          } @else {
            <strong>{{ told[0] }}</strong>
            <span>{{ told[1] }}</span>
          }
        </div>
      }
    </ng-template>
  `,
  styles: `
    .fork {
      list-style: none;
      margin: 0;
      padding: 0 0 0 1rem;
      border-left: 3px solid var(--water, var(--edge));
    }
    li {
      padding: 0.35rem 0;
    }
    .asked {
      font-family: var(--display);
      display: block;
    }
    .end {
      display: grid;
      padding: 0.1rem 0 0.35rem;
    }
    .end span {
      color: var(--ink-2);
    }
    .end button {
      display: grid;
      justify-items: start;
      text-align: left;
      min-height: var(--touch);
      padding: 0.4rem 0.6rem;
      border: var(--stroke) solid var(--edge);
      width: 100%;
    }
  `,
})
export class RampCardComponent {
  readonly card = input.required<ToldCard>();
  /** Its answers can be pressed. */
  readonly taps = input(false, { transform: booleanAttribute });
  readonly taken = output<ShortPlan>();

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly words = cardWords;
  protected readonly capital = capital;

  protected plan(plan: ShortPlan): [what: string, how: string] {
    return shortPlanWords(plan, this.units());
  }
}
