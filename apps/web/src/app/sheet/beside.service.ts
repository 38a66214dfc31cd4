import { inject, Injectable } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import { combineLatest, EMPTY, filter, map, type Observable, switchMap } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import type { PlanToCompare } from '../plans/plan-lines';
import { DayService } from './day.service';

/** The day as it is planned, and as it would be with something of it changed. */
@Injectable({ providedIn: 'root' })
export class BesideService {
  private readonly day = inject(DayService);
  private readonly units$ = inject(SettingsService).units$;

  /** @param change$ what is to be other; null while that is not known */
  pair(
    change$: Observable<((conditions: Conditions) => Partial<Conditions>) | null>,
  ): Observable<readonly [own: PlanToCompare, other: PlanToCompare]> {
    const planned$ = this.day.planned$.pipe(filter((planned) => planned !== null));
    return combineLatest([change$, planned$, this.units$]).pipe(
      switchMap(([change, { conditions, day }, units]) => {
        if (!change) return EMPTY;
        const other = { ...conditions, ...change(conditions) };
        return this.day.plan(other, units).pipe(
          map(
            ({ plan }) =>
              [
                { conditions, plan: day.plan },
                { conditions: other, plan },
              ] as const,
          ),
        );
      }),
    );
  }
}
