import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { type Observable, switchMap, timer } from 'rxjs';

/** The first view comes first: the others are fetched when it has stood for a while. */
const AFTER_MS = 5000;

/** Fetches the other views ahead, so that one can still go to them when the server is away. */
@Injectable({ providedIn: 'root' })
export class FetchAhead implements PreloadingStrategy {
  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    return timer(AFTER_MS).pipe(switchMap(() => load()));
  }
}
