import { inject, Injectable } from '@angular/core';
import type {
  Conditions,
  DecidingCondition,
  OtherSide,
  PlannedDay,
  SeasonInput,
  SeasonYear,
  TippingPoint,
  UnitSystem,
} from '@inky-shoal/core';
import type { MovingWater } from '@inky-shoal/core/plan/moving-water';
import { proxy } from 'comlink';
import { finalize, map, merge, type Observable, Subject } from 'rxjs';
import { PLANNER_WORKER } from './planner-worker';

/** How far a search has come, or what it found. */
export type Tipping = { readonly share: number } | { readonly points: readonly TippingPoint[] };

/** Plans, and asks about plans, in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  private readonly worker = inject(PLANNER_WORKER);

  plan(conditions: Conditions, units: UnitSystem): Observable<PlannedDay> {
    return this.worker.ask((planner) => planner.planDay(conditions, { units }));
  }

  /** Which hours feed by moving water and light; null where no course of the tide is known. */
  movingWater(conditions: Conditions, units: UnitSystem): Observable<MovingWater | null> {
    return this.worker.ask((planner) => planner.movingWater(conditions, units));
  }

  /** Follows a water through its year. */
  seasonYear(input: SeasonInput): Observable<SeasonYear> {
    return this.worker.ask((planner) => planner.seasonYear(input));
  }

  /** What would tip the advice of a window; says how far it has come while it searches. */
  tipping(conditions: Conditions, windowId: string, units: UnitSystem): Observable<Tipping> {
    const progress = new Subject<number>();
    const found = this.worker.ask((planner) =>
      planner.tippingPoints(
        conditions,
        windowId,
        units,
        proxy((share: number) => progress.next(share)),
      ),
    );
    return merge(
      progress.pipe(map((share): Tipping => ({ share }))),
      found.pipe(
        map((points): Tipping => ({ points })),
        finalize(() => progress.complete()),
      ),
    );
  }

  /** Which of what nobody said would decide most over the first choice of a window; null where none would. */
  deciding(conditions: Conditions, windowId: string, unsaid: readonly string[]): Observable<DecidingCondition | null> {
    return this.worker.ask((planner) => planner.decidingCondition(conditions, windowId, unsaid));
  }

  /** What anglers of other schools would do in a window. */
  others(conditions: Conditions, windowId: string, units: UnitSystem): Observable<OtherSide[]> {
    return this.worker.ask((planner) => planner.othersWould(conditions, windowId, units));
  }

  /** How far each rule holds on a day; rules that do not are left out. */
  rulesToday(conditions: Conditions): Observable<Record<string, number>> {
    return this.worker.ask((planner) => planner.rulesToday(conditions));
  }
}
