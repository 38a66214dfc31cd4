import { Injectable } from '@angular/core';
import type { Found, foundOn } from '@inky-shoal/core/underway';
import { defer, type Observable } from 'rxjs';
import { finder } from './engine';

/** Asks what the notes of a trip say, in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class FinderService {
  found(ask: Parameters<typeof foundOn>[0]): Observable<Found> {
    return defer(() => finder().foundOn(ask));
  }
}
