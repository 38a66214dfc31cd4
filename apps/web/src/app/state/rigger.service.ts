import { Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import type { MatchOptions, RigPlan } from '@inky-shoal/core/match';
import type { Calculated, CalculationName } from '@inky-shoal/core/mechanics';
import type { TackleImport, TackleItem } from '@inky-shoal/core/tackle';
import { proxy } from 'comlink';
import { defer, from, map, merge, type Observable, Subject } from 'rxjs';
import { rigging } from './engine';

/** How far the reading of a file has come, or what it holds, or why it cannot be read. */
export type TackleRead = { readonly share: number } | { readonly read: TackleImport | string };

/** Matches, reckons and reads tackle in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class RiggerService {
  match(conditions: Conditions, owned: readonly TackleItem[], options: MatchOptions): Observable<RigPlan> {
    return defer(() => rigging().matchDay(conditions, owned, options));
  }

  calc(name: CalculationName, value: unknown): Observable<Calculated> {
    return defer(() => rigging().calc(name, value));
  }

  read(text: string, owned: readonly TackleItem[]): Observable<TackleRead> {
    return defer(() => {
      const progress = new Subject<number>();
      const read = rigging().readTackle(
        text,
        owned,
        proxy((share: number) => progress.next(share)),
      );
      return merge(
        progress.pipe(map((share): TackleRead => ({ share }))),
        from(read.finally(() => progress.complete())).pipe(map((found): TackleRead => ({ read: found }))),
      );
    });
  }
}
