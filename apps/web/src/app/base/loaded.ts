import { catchError, connect, map, merge, type Observable, of, takeUntil, timer } from 'rxjs';
import type { ApiError } from './api.service';

/** Something read from the server: on its way, there, or not to be had, in words. */
export type Loaded<T> =
  | { readonly state: 'loading' }
  | { readonly state: 'ready'; readonly value: T }
  | { readonly state: 'failed'; readonly message: string };

/** What was read, or `none` while it is on its way and where it is not to be had. */
export const valueOr = <T>(loaded: Loaded<T> | null | undefined, none: T): T =>
  loaded?.state === 'ready' ? loaded.value : none;

const WORTH_SAYING_MS = 150;

/** Says `loading` only where it takes long enough to notice, and nothing was known at once. */
export function loading<T>(source: Observable<T>): Observable<Loaded<T>> {
  return source.pipe(
    map((value): Loaded<T> => ({ state: 'ready', value })),
    catchError((error: ApiError) => of<Loaded<T>>({ state: 'failed', message: error.message })),
    // Whoever waits does so before the source begins: what it says at once is heard, too.
    connect((outcome) =>
      merge(
        outcome,
        timer(WORTH_SAYING_MS).pipe(
          map((): Loaded<T> => ({ state: 'loading' })),
          takeUntil(outcome),
        ),
      ),
    ),
  );
}

/** An address outside as it is kept. */
export interface KeptAddress {
  readonly address: string | null;
  /** It may be on the server's machine or in a network of one's own. */
  readonly privateNetwork: boolean;
}
