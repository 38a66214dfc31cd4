import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { capital, nameOf, say, sayRange, type PlanWindow, type UnitSystem } from '@inky-shoal/core';
import {
  type Fishing,
  latestReading,
  tideOfMoment,
  tideWords,
  TRIM_WORDS,
  type Trip,
  wayOutOf,
  wayOutWords,
} from '@inky-shoal/core/underway';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { ON_TOP_M } from '../sheet/words';
import { sayDepth, sayWhere } from './underway-words';

/** Reasons shown for what is fished: the heaviest. */
const REASONS_SHOWN = 3;

/** What is fished now: the lure, how deep, where, how it is moved, and why. */
@Component({
  selector: 'inky-trip-now',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, RouterLink],
  templateUrl: './trip-now.component.html',
  styles: `
    :host {
      display: block;
      padding: 0.6rem 0 0.4rem;
    }
    h2 {
      font-size: 1.5rem;
    }
    p {
      font-size: 1.1rem;
    }
    .problem:empty {
      display: none;
    }
    .row {
      display: flex;
      justify-content: space-between;
      gap: 0.75rem;
      font-size: 1rem;
    }
  `,
})
export class TripNowComponent {
  readonly trip = input.required<Trip>();
  readonly window = input.required<PlanWindow | null>();
  readonly fishing = input.required<Fishing | null>();
  readonly units = input.required<UnitSystem>();
  /** The minute of the day. */
  readonly minute = input.required<number>();
  readonly changeWanted = output();
  readonly readingWanted = output();

  private readonly presentation = computed(() =>
    this.window()?.presentations.find(({ category }) => category === this.fishing()?.category),
  );
  /** The tide beside the hour, where its course is known. */
  protected readonly tide = computed(() => {
    const { conditions } = this.trip().plan ?? {};
    const tide = conditions && tideOfMoment(conditions, this.minute());
    return tide ? tideWords(tide) : null;
  });
  /** The way out of the stop where one is, when it is about to shut or has shut. */
  protected readonly out = computed(() => {
    const { begin, plan } = this.trip();
    const spot = this.fishing()?.spot;
    const stop = begin.stops.find(({ name }) => name === spot);
    const way = stop && wayOutOf(stop, plan?.conditions ?? {}, this.minute());
    return way ? (wayOutWords(way) ?? '') : '';
  });
  protected readonly lure = computed(() => capital(nameOf(this.fishing()?.category ?? '')));
  protected readonly where = computed(() => sayWhere(this.fishing() as Fishing));
  protected readonly depthWords = computed(() => {
    const { depthM } = this.fishing() as Fishing;
    const range = this.presentation()?.runDepthM;
    const asPlanned = range && depthM >= range[0] - 0.05 && depthM <= range[1] + 0.05 && range[1] > ON_TOP_M;
    return asPlanned ? sayRange('depth', range, this.units()) : sayDepth(depthM, this.units());
  });
  /** How it is moved, and what is other than advised: the first sentence, and the rest for who wants it. */
  protected readonly manner = computed(() => {
    const { trim } = this.fishing() as Fishing;
    const text = this.presentation()?.retrieve.text ?? '';
    const [first = '', ...rest] = text.split(/(?<=[.!]) /);
    const changed = trim ? ` With ${TRIM_WORDS[trim]}.` : '';
    return { first: `${capital(first)}${changed}`, rest: rest.join(' ') };
  });
  protected readonly reasons = computed(() =>
    (this.presentation()?.because ?? []).slice(0, REASONS_SHOWN).map(({ text }) => text),
  );
  protected readonly why = signal(false);
  protected readonly readingWords = computed(() => {
    const { surfaceTempC } = { ...this.trip().plan?.conditions, ...latestReading(this.trip()) };
    return surfaceTempC === undefined
      ? 'Take a reading'
      : `Water ${say('temp', surfaceTempC, this.units())}. New reading`;
  });
}
