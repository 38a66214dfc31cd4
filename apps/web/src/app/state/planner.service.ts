import { Injectable } from '@angular/core';
import type { Conditions, PlannedDay, UnitSystem } from '@inky-shoal/core';
import { defer, type Observable } from 'rxjs';
import { engine } from './engine';

/** Plans in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class PlannerService {
  plan(conditions: Conditions, units: UnitSystem): Observable<PlannedDay> {
    return defer(() => engine().planDay(conditions, { units }));
  }
}
