import { Injectable } from '@angular/core';
import { planDay, type Conditions, type PlannedDay, type UnitSystem } from '@inky-shoal/core';
import { defer, of, type Observable } from 'rxjs';

/** Plans without a worker, which the test environment does not have. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  plan(conditions: Conditions, units: UnitSystem): Observable<PlannedDay> {
    return defer(() => of(planDay(conditions, { units })));
  }
}
