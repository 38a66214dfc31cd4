import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { pluralOf, symbolOf, type Conditions, type UnitSystem } from '@inky-shoal/core';
import type { FeedingWindow, MovingWater } from '@inky-shoal/core/plan/moving-water';
import { catchError, of, switchMap } from 'rxjs';
import { PlannerService } from '../base/planner/planner.service';
import { plainFigure } from '../ui/numbers';
import { FoldComponent } from '../ui/fold.component';
import { capital, sayClock, sayHours } from './words';

/** Hours that are named in one sentence. */
const NAMED = 3;

const STAGE_WORDS = {
  rising: 'on the flood',
  falling: 'on the fall',
  'high-slack': 'at high water',
  'low-slack': 'at low water',
} as const;

/** The best hours in their order, and when the flats are wet and to be left, each in a sentence. */
export function sayMovingWater({ feeding, flats }: MovingWater): { readonly best: string; readonly flats: string } {
  const best = [...feeding]
    .sort((a, b) => b.worth - a.worth)
    .slice(0, NAMED)
    .sort((a, b) => feeding.indexOf(a) - feeding.indexOf(b));
  const hours = best.map(({ from, to, stage, structures: [place] }) => {
    const where = place ? ` at ${pluralOf(place)}` : '';
    return `${sayHours(from, to)}${where} ${STAGE_WORDS[stage]}`;
  });
  const wet = flats.map(({ floodsFrom, offBy }) => {
    const from = floodsFrom ? `flood from ${sayClock(floodsFrom)}` : 'are wet';
    return offBy ? `${from}, off them by ${sayClock(offBy)}` : from;
  });
  return {
    best: hours.length ? `Best: ${hours.join('; ')}.` : 'No hour of these feeds much.',
    flats: wet.length ? `Flats ${wet.join('; ')}.` : 'The flats stay low in these hours.',
  };
}

/** A height of the tide: finer than a depth is told. */
const sayHeight = (metres: number, units: UnitSystem): string =>
  `${plainFigure('depth', metres, units)} ${symbolOf('depth', units)}`;

/** How the water stands to its table and who says so, in a sentence; null where it stands as the table has it. */
export function sayOverTable(
  { overTableM = 0 }: MovingWater,
  { waterOverTableM, waterDoubtM }: Pick<Conditions, 'waterOverTableM' | 'waterDoubtM'>,
  units: UnitSystem,
): string | null {
  const height = sayHeight(Math.abs(overTableM), units);
  if (waterOverTableM === undefined) {
    if (!overTableM) return null;
    return overTableM > 0
      ? `The wind holds about ${height} of water in.`
      : `The wind keeps about ${height} of water out.`;
  }
  const doubt = waterDoubtM ? `, give or take ${sayHeight(waterDoubtM, units)}` : '';
  const stands = height === sayHeight(0, units) ? 'as' : `${height} ${overTableM > 0 ? 'over' : 'under'}`;
  return `By the gauge the water stands ${stands} its table${stands === 'as' ? ' has it' : ''}${doubt}.`;
}

/** Which hours feed by tide and light, where, and why. */
@Component({
  selector: 'inky-moving-water',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent],
  template: `
    @if (water(); as told) {
      <p>
        <strong>{{ words().best }}</strong> {{ words().flats }} {{ overTable() }}
      </p>
      <inky-fold label="Why these hours">
        <ul>
          @for (window of told.feeding; track window.from) {
            <li>
              <strong>{{ hours(window) }}</strong> {{ reasons(window) }}
            </li>
          }
        </ul>
      </inky-fold>
    }
  `,
  styles: `
    p {
      margin: 0.3rem 0 0;
    }
    ul {
      margin: 0.2rem 0;
      padding-left: 1.1rem;
    }
  `,
})
export class MovingWaterComponent {
  readonly conditions = input.required<Conditions>();
  readonly units = input.required<UnitSystem>();

  private readonly planner = inject(PlannerService);
  private readonly asked = computed(() => ({ conditions: this.conditions(), units: this.units() }));
  protected readonly water = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ conditions, units }) =>
        // The windows say what the tide does in each: where this cannot be had the sheet goes on without it.
        this.planner.movingWater(conditions, units).pipe(catchError(() => of(null))),
      ),
    ),
    { initialValue: null },
  );
  protected readonly words = computed(() => {
    const water = this.water();
    return water ? sayMovingWater(water) : { best: '', flats: '' };
  });

  protected readonly overTable = computed(() => {
    const water = this.water();
    return water && sayOverTable(water, this.conditions(), this.units());
  });

  protected hours({ from, to, structures }: FeedingWindow): string {
    const places = structures.map((each) => pluralOf(each)).join(', ');
    return `${sayHours(from, to)}${places ? `, ${places}` : ''}:`;
  }

  protected reasons({ because }: FeedingWindow): string {
    return because.map(({ text }) => `${capital(text)}.`).join(' ');
  }
}
