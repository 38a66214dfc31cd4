import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';

/** Where one is, in degrees, and how well that is known. */
export interface Position {
  readonly lonLat: readonly [longitude: number, latitude: number];
  readonly withinM: number;
}

const FOUND_WITHIN_MS = 20_000;
/** A position is as good as new for so long. */
const FRESH_MS = 5000;

const ASKED = { enableHighAccuracy: true, timeout: FOUND_WITHIN_MS, maximumAge: FRESH_MS };
/** The number by which the browser says that it may not tell. */
const REFUSED = 1;

/** Why there is no position, in words, by the number that the browser gives. */
const WHY: Readonly<Record<number, string>> = {
  1: 'This browser may not tell where you are: allow it in its settings.',
  2: 'Where you are cannot be found out just now.',
  3: 'Where you are could not be found out in time: try again under open sky.',
};

/** Where one is, as the browser tells it. */
@Injectable({ providedIn: 'root' })
export class PositionService {
  /** Asks once. Fails with a sentence. */
  here(): Observable<Position> {
    return new Observable((listener) => {
      // Typed as always there, but a page that was not fetched safely has none.
      const known = navigator.geolocation as Geolocation | undefined;
      if (!known) {
        listener.error(new Error(WHY[2]));
        return;
      }
      known.getCurrentPosition(
        ({ coords: { longitude, latitude, accuracy } }) => {
          listener.next({ lonLat: [longitude, latitude], withinM: accuracy });
          listener.complete();
        },
        ({ code }) => listener.error(new Error(WHY[code] ?? WHY[2])),
        ASKED,
      );
    });
  }

  /** Follows where one is until nobody asks any more. Fails with a sentence. */
  follow(): Observable<Position> {
    return new Observable((listener) => {
      const known = navigator.geolocation as Geolocation | undefined;
      if (!known) {
        listener.error(new Error(WHY[2]));
        return undefined;
      }
      const watch = known.watchPosition(
        ({ coords: { longitude, latitude, accuracy } }) =>
          listener.next({ lonLat: [longitude, latitude], withinM: accuracy }),
        ({ code }) => {
          // No sky for a while is no reason to stop listening; a refusal is.
          if (code === REFUSED) listener.error(new Error(WHY[REFUSED]));
        },
        ASKED,
      );
      return () => known.clearWatch(watch);
    });
  }
}
