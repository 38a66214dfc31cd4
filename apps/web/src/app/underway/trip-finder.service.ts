import { inject, Injectable } from '@angular/core';
import type { TripFindings, findingsOf } from '@inky-shoal/core/underway';
import type { Observable } from 'rxjs';
import { TRIP_FINDER_WORKER } from './trip-finder-worker';

/** Asks what the notes of a trip say, in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class TripFinderService {
  private readonly worker = inject(TRIP_FINDER_WORKER);

  found(ask: Parameters<typeof findingsOf>[0]): Observable<TripFindings> {
    return this.worker.ask((finder) => finder.findingsOf(ask));
  }
}
