import { Injectable } from '@angular/core';
import { catchError, EMPTY, exhaustMap, Observable, throwError, timer } from 'rxjs';

/** Where one is, in degrees, and how well that is known. */
export interface Position {
  readonly lonLat: readonly [longitude: number, latitude: number];
  readonly withinM: number;
}

const FOUND_WITHIN_MS = 20_000;
/** A position is as good as new for so long. */
const FRESH_MS = 5000;

/** Whoever follows is told so often. */
const AGAIN_MS = 8000;
const ASKED = { enableHighAccuracy: true, timeout: FOUND_WITHIN_MS, maximumAge: FRESH_MS };
/** The number by which the browser says that it may not tell. */
const REFUSED = 1;

/** Why there is no position, in words, by the number that the browser gives. */
const WHY: Readonly<Record<number, string>> = {
  1: 'This browser may not tell where you are: allow it in its settings.',
  2: 'Where you are cannot be found out just now.',
  3: 'Where you are could not be found out in time: try again under open sky.',
};

/** The browser tells no positions at all, and asking again would change nothing. */
class MayNotTell extends Error {}

/** Where one is, as the browser tells it. */
@Injectable({ providedIn: 'root' })
export class PositionService {
  /** Asks once. Fails with a sentence. */
  here(): Observable<Position> {
    return new Observable((listener) => {
      // Typed as always there, but a page that was not fetched safely has none.
      const known = navigator.geolocation as Geolocation | undefined;
      if (!known) {
        listener.error(new MayNotTell(WHY[2]));
        return;
      }
      known.getCurrentPosition(
        ({ coords: { longitude, latitude, accuracy } }) => {
          listener.next({ lonLat: [longitude, latitude], withinM: accuracy });
          listener.complete();
        },
        ({ code }) => listener.error(code === REFUSED ? new MayNotTell(WHY[code]) : new Error(WHY[code] ?? WHY[2])),
        ASKED,
      );
    });
  }

  /**
   * Asks again and again until nobody wants to know any more: a watch that waits for one to move tells nothing at
   * anchor, and what is not told again grows old. Fails with a sentence where it may not be told; no sky for a while is
   * passed over.
   */
  follow(): Observable<Position> {
    return timer(0, AGAIN_MS).pipe(
      exhaustMap(() =>
        this.here().pipe(catchError((error: Error) => (error instanceof MayNotTell ? throwError(() => error) : EMPTY))),
      ),
    );
  }
}
