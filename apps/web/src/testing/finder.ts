import { Injectable } from '@angular/core';
import { type Found, foundOn } from '@inky-shoal/core/underway';
import { of, type Observable } from 'rxjs';

/** Workers are not there in tests of the page: the core answers at once. */
@Injectable({ providedIn: 'root' })
export class FinderService {
  found(ask: Parameters<typeof foundOn>[0]): Observable<Found> {
    return of(foundOn(ask));
  }
}
