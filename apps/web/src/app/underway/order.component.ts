import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { clockOf, say, type UnitSystem } from '@inky-shoal/core';
import { goTo, nextStop, type TripStop } from '@inky-shoal/core/underway';
import { sayHours } from '../sheet/words';
import { sayGoTo } from './underway-words';

/** The order of the day: the stop of the hour first, each with the way to it where one knows where one is. */
@Component({
  selector: 'inky-order',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="order">Order</h2>
    @if (unknown(); as why) {
      <p class="quiet">{{ why }}</p>
    }
    <ol aria-labelledby="order">
      @for (stop of lines(); track stop.name) {
        <li [class.now]="stop.now" [attr.aria-current]="stop.now ? 'step' : null">
          <strong>{{ stop.name }}</strong>
          <span>{{ stop.hours }}, {{ stop.depth }}</span>
          @if (stop.way) {
            <span class="way">{{ stop.way }}</span>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 0.25rem 0 0;
      padding: 0;
    }
    li {
      display: grid;
      padding: 0.5rem 0 0.5rem 0.75rem;
      border-left: 3px solid var(--rule);
    }
    li.now {
      border-left-color: var(--act);
    }
    span {
      color: var(--ink-2);
    }
    .way {
      color: var(--ink);
      font-weight: 700;
    }
  `,
})
export class OrderComponent {
  readonly stops = input.required<readonly TripStop[]>();
  readonly minute = input.required<number>();
  readonly lonLat = input.required<readonly [number, number] | null>();
  /** Why one does not know where one is. */
  readonly why = input<string | null>(null);
  readonly units = input.required<UnitSystem>();

  protected readonly unknown = computed(() => (this.lonLat() ? null : this.why()));
  protected readonly lines = computed(() => {
    const [now, here] = [nextStop(this.stops(), this.minute()), this.lonLat()];
    return this.stops().map((stop) => ({
      name: stop.name,
      now: stop === now,
      hours: sayHours(clockOf(stop.fromMin), clockOf(stop.toMin)),
      depth: say('depth', stop.depthM, this.units()),
      way: here ? sayGoTo(goTo(here, stop.lonLat), this.units()) : null,
    }));
  });
}
