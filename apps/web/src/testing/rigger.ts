import { Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import { TableProblem } from '@inky-shoal/core/formats';
import { matchDay, type MatchOptions, type RigPlan } from '@inky-shoal/core/match';
import { calculate, type Calculated, type CalculationName } from '@inky-shoal/core/mechanics';
import { readTackleCsv, type TackleImport, type TackleItem } from '@inky-shoal/core/tackle';
import { defer, of, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';

export type TackleRead = { readonly share: number } | { readonly read: TackleImport | string };

/** Rigs without a worker, which the test environment does not have. */
@Injectable({ providedIn: 'root' })
export class RiggerService {
  match(conditions: Conditions, owned: readonly TackleItem[], options: MatchOptions): Observable<RigPlan> {
    return defer(() => of(matchDay(conditions, owned, options)));
  }

  calc(name: CalculationName, value: unknown): Observable<Calculated> {
    return defer(() => of(calculate(name, value)));
  }

  read(text: string, owned: readonly TackleItem[]): Observable<TackleRead> {
    return defer(() => {
      try {
        return of({ read: readTackleCsv(text, { owned, newId: uuid }) });
      } catch (error) {
        if (error instanceof TableProblem) return of({ read: error.message });
        throw error;
      }
    });
  }
}
