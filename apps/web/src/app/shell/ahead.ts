import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { catchError, type Observable, of, switchMap, timer } from 'rxjs';

/** The first view comes first: the others are fetched when it has stood for a while. */
export const AFTER_MS = 5000;

/** Fetches the other views ahead, so that one can still go to them when the server is away. */
@Injectable({ providedIn: 'root' })
export class FetchAhead implements PreloadingStrategy {
  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    // A view that cannot be had now is fetched when one goes there, and said then if it still cannot.
    const ahead = () => load().pipe(catchError(() => of(null)));
    return timer(AFTER_MS).pipe(switchMap(ahead));
  }
}
