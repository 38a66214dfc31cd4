import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { CategoryId } from '@inky-shoal/core';
import type { Trip, TripEvent } from '@inky-shoal/core/underway';
import { CASTS_A_TAP, type Tap } from './taps.component';
import { carriedTiedOn, TiedOnService } from './tied-on.service';
import { TripService } from './trip.service';

/** What each of the targets notes. */
@Injectable({ providedIn: 'root' })
export class TapNotesService {
  private readonly trips = inject(TripService);
  private readonly owned = toSignal(inject(TiedOnService).owned$, { requireSync: true });

  /**
   * Notes what was tapped.
   * @param category of what is fished: a fish that is landed took it as it was tied on last
   * @returns the note; null where it could not be kept
   */
  note(tap: Tap, trip: Trip, category: CategoryId | undefined): Promise<TripEvent | null> {
    switch (tap) {
      case 'casts':
        return this.trips.casts(CASTS_A_TAP);
      case 'bait':
        return this.trips.bait();
      case 'birds':
        return this.trips.birds();
      case 'mark':
        return this.trips.mark();
      case 'landed':
        return this.trips.contact(tap, category && carriedTiedOn(trip, category, this.owned()));
      default:
        return this.trips.contact(tap);
    }
  }
}
