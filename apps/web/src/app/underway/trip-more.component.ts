import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { UnitSystem } from '@inky-shoal/core';
import { sayStretch, type Trip, type TripFindings } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { AwakeService } from './awake.service';
import { InstrumentsService, sensedOf } from './instruments.service';
import { sayInstruments } from './instrument-words';
import { OrderComponent } from './order.component';
import { TripLogComponent } from './trip-log.component';
import { TripService } from './trip.service';

const AWAKE_WORDS = {
  awake: 'The screen stays on.',
  off: '',
  cannot: 'This browser may let the screen go dark.',
} as const;

/** What one reads of a trip under way when there is time: the stops, the instruments, what was found, the notes. */
@Component({
  selector: 'inky-trip-more',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, OrderComponent, TripLogComponent],
  templateUrl: './trip-more.component.html',
  styleUrl: './trip-more.component.css',
})
export class TripMoreComponent {
  protected readonly trips = inject(TripService);

  readonly trip = input.required<Trip>();
  /** Minutes past midnight on the water's clock. */
  readonly minute = input.required<number>();
  readonly units = input.required<UnitSystem>();
  /** The note of a fish of which more is to be said. */
  readonly fishWanted = output<string>();

  protected readonly found = toSignal(this.trips.found$, { initialValue: null });
  private readonly instruments = toSignal(inject(InstrumentsService).now$, { initialValue: null });
  private readonly awake = toSignal(inject(AwakeService).state$, { initialValue: 'off' as const });
  protected readonly stretches = [10, 20, 30] as const;

  /** Where one is, as far as it was told just now: a way from where one was would lead astray. */
  protected readonly here = computed(() => {
    const known = this.instruments();
    return (known && sensedOf(known, known.nowMs)?.lonLat) ?? null;
  });
  protected readonly positionWhy = computed(() => this.instruments()?.browserWhy ?? null);
  protected readonly instrumentWords = computed(() => {
    const known = this.instruments();
    return known && sayInstruments(known, this.units());
  });
  protected readonly awakeWords = computed(() => AWAKE_WORDS[this.awake()]);

  protected effortWords({ hours, bites }: TripFindings): string {
    return `${bites} ${bites === 1 ? 'bite' : 'bites'} in ${sayStretch(hours * 3_600_000)} of fishing.`;
  }
}
