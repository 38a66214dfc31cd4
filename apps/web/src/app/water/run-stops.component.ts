import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { say, type Run, type UnitSystem } from '@inky-shoal/core';
import { sayWay } from '../sheet/words';
import { sayMinute } from './spot-words';

/** The stops of a run in their order, and when one is back. */
@Component({
  selector: 'inky-run-stops',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (stop of run().stops; track $index) {
        <li>
          <strong>{{ time(stop.fromMin) }} to {{ time(stop.toMin) }}</strong> {{ stop.name }}, {{ depth(stop.depthM) }}
          <span class="quiet">{{ way(stop.legM) }} to it</span>
          @if (stop.outByMin !== undefined) {
            <span class="out">Off it by {{ time(stop.outByMin) }}, or the tide keeps the boat.</span>
          }
        </li>
      }
    </ol>
    <p class="quiet">Back at {{ run().ramp }} {{ time(run().backMin) }}. {{ word() }}</p>
  `,
  styles: `
    ol {
      margin: 0.2rem 0;
      padding-left: 1.3rem;
    }
    .out {
      display: block;
    }
  `,
})
export class RunStopsComponent {
  readonly run = input.required<Run>();
  readonly units = input.required<UnitSystem>();
  protected readonly time = sayMinute;

  /** What is left ashore as the float plan, where the tide can keep the boat. */
  protected word(): string {
    const { stops, ramp, backMin } = this.run();
    const shuts = stops.flatMap(({ outByMin }, at) => (outByMin === undefined ? [] : String(at + 1)));
    if (!shuts.length) return '';
    const at = new Intl.ListFormat('en', { type: 'disjunction' }).format(shuts);
    return `Leave word: ${ramp} by ${sayMinute(backMin)}; if late, the tide has kept us at stop ${at} until it rises.`;
  }

  protected depth(depthM: number): string {
    return say('depth', depthM, this.units());
  }

  protected way(metres: number): string {
    return sayWay(metres, this.units());
  }
}
