import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { PlacedSpot, WayHome } from '@inky-shoal/core/spots';
import { ButtonDirective } from 'primeng/button';
import { SpotMemoryComponent } from '../log/spot-memory.component';
import { sayGood, sayGround, sayLie, sayPlace, sayWayHome } from './spot-words';

/** Reasons that are read at a glance. */
const MAX_REASONS = 5;

/** A place that was chosen: what it is, when it is good, why, and what can be done with it. */
@Component({
  selector: 'inky-spot-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, SpotMemoryComponent],
  template: `
    <h2>{{ place(spot()) }}</h2>
    <p>{{ ground() }}. Good {{ good(spot()) }}.</p>
    @if (home(); as home) {
      <p [class.problem]="!home.open.length">{{ wayHome(home) }}</p>
    }
    <p class="quiet">{{ lie() }}</p>
    <ul>
      @for (reason of reasons(); track reason.rule) {
        <li>{{ reason.text }}</li>
      }
    </ul>
    @defer (on timer(300ms)) {
      <inky-spot-memory [waterId]="waterId()" [lonLat]="spot().lonLat" />
    }
    <p class="acts">
      <button pButton text type="button" (click)="alikeWanted.emit()">More like this</button>
      <button pButton text type="button" (click)="picked.emit()">
        {{ onRun() ? 'Off the run' : 'Add to the run' }}
      </button>
      <button pButton text type="button" (click)="closed.emit()">Close</button>
    </p>
  `,
  styles: `
    :host {
      display: block;
      border-left: 3px solid var(--act);
      padding-left: 0.75rem;
      margin-top: 0.75rem;
    }
    h2 {
      font-size: 1.1rem;
    }
    ul {
      margin: 0.4rem 0 0;
      padding-left: 1.1rem;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.75rem;
    }
  `,
})
export class SpotCardComponent {
  readonly spot = input.required<PlacedSpot>();
  readonly waterId = input.required<string>();
  readonly units = input.required<UnitSystem>();
  /** When the boat gets home from it; null where the tide has no say. */
  readonly home = input<WayHome | null>(null);
  readonly onRun = input(false);
  readonly alikeWanted = output();
  readonly picked = output();
  readonly closed = output();

  protected readonly place = sayPlace;
  protected readonly good = sayGood;
  protected readonly wayHome = sayWayHome;

  protected ground(): string {
    return sayGround(this.spot(), this.units());
  }

  protected lie(): string {
    return sayLie(this.spot(), this.units());
  }

  protected reasons(): PlacedSpot['because'] {
    return this.spot().because.slice(0, MAX_REASONS);
  }
}
