import { inject, Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import type { MatchOptions, RigPlan } from '@inky-shoal/core/tackle/match';
import type { Calculated, CalculationName } from '@inky-shoal/core/mechanics';
import type { TackleImport, TackleItem } from '@inky-shoal/core/tackle';
import { proxy } from 'comlink';
import { finalize, map, merge, type Observable, Subject } from 'rxjs';
import { RIG_WORKER } from './rig-worker';
import type { TackleReading } from './rig-api';

/** How far the reading of a file has come, or what it holds, or why it cannot be read. */
export type TackleRead = { readonly share: number } | { readonly read: TackleImport | string };

/** Matches, reckons and reads tackle in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class RigEngineService {
  private readonly worker = inject(RIG_WORKER);

  match(conditions: Conditions, owned: readonly TackleItem[], options: MatchOptions): Observable<RigPlan> {
    return this.worker.ask((rigs) => rigs.matchDay(conditions, owned, options));
  }

  calc(name: CalculationName, value: unknown): Observable<Calculated> {
    return this.worker.ask((rigs) => rigs.calc(name, value));
  }

  read(text: string, owned: readonly TackleItem[], how: TackleReading): Observable<TackleRead> {
    const progress = new Subject<number>();
    const read = this.worker.ask((rigs) =>
      rigs.readTackle(
        text,
        owned,
        how,
        proxy((share: number) => progress.next(share)),
      ),
    );
    return merge(
      progress.pipe(map((share): TackleRead => ({ share }))),
      read.pipe(
        map((found): TackleRead => ({ read: found })),
        finalize(() => progress.complete()),
      ),
    );
  }
}
