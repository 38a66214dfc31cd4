import { Injectable } from '@angular/core';
import {
  othersWould,
  planDay,
  ruleLibrary,
  rulesToday,
  tippingPoints,
  type Conditions,
  type LibraryRule,
  type OtherSide,
  type Plan,
  type PlannedDay,
  type TippingPoint,
  type UnitSystem,
} from '@inky-shoal/core';
import { defer, of, type Observable } from 'rxjs';

export type Tipping = { readonly share: number } | { readonly points: readonly TippingPoint[] };

/** Plans without a worker, which the test environment does not have. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  plan(conditions: Conditions, units: UnitSystem): Observable<PlannedDay> {
    return defer(() => of(planDay(conditions, { units })));
  }

  tipping(conditions: Conditions, windowId: string, units: UnitSystem): Observable<Tipping> {
    return defer(() => of({ points: tippingPoints(conditions, windowId, units) }));
  }

  others(conditions: Conditions, plan: Plan, windowId: string, units: UnitSystem): Observable<OtherSide[]> {
    return defer(() => of(othersWould(conditions, plan, windowId, units)));
  }

  library(units: UnitSystem): Observable<LibraryRule[]> {
    return defer(() => of(ruleLibrary(units)));
  }

  rulesToday(conditions: Conditions): Observable<Record<string, number>> {
    return defer(() => of(rulesToday(conditions)));
  }
}
