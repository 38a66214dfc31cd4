import { Injectable } from '@angular/core';
import type { Conditions, PlannedDay, UnitSystem } from '@inky-shoal/core';
import { type Remote, wrap } from 'comlink';
import { defer, type Observable } from 'rxjs';
import type { Planner } from './planner.worker';

/** Plans in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  private readonly planner: Remote<Planner> = wrap(
    new Worker(new URL('./planner.worker', import.meta.url), { type: 'module' }),
  );

  plan(conditions: Conditions, units: UnitSystem): Observable<PlannedDay> {
    return defer(() => this.planner.planDay(conditions, { units }));
  }
}
