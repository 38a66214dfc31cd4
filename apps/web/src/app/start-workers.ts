import type { Provider } from '@angular/core';
import { StartedWorker } from './base/worker-handle';
import { CHART_FILES_WORKER, CHART_WORKER } from './water/chart-workers';
import { MORNINGS_WORKER } from './mornings/mornings-worker';
import { PLANNER_WORKER } from './base/planner/planner-worker';
import { RECORD_WORKER } from './record/record-worker';
import { RIG_WORKER } from './rig/rig-worker';
import { TABLE_WORKER } from './base/tables/table-worker';
import { TRIP_FINDER_WORKER } from './underway/trip-finder-worker';

const started = (start: () => Worker) => () => new StartedWorker(start);

/** The page's workers as the browser has them, each started when it is first asked. */
export const START_WORKERS: Provider[] = [
  {
    provide: PLANNER_WORKER,
    useFactory: started(
      () => new Worker(new URL('./base/planner/planner.worker', import.meta.url), { type: 'module' }),
    ),
  },
  {
    provide: TABLE_WORKER,
    useFactory: started(() => new Worker(new URL('./base/tables/table.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: RIG_WORKER,
    useFactory: started(() => new Worker(new URL('./rig/rig.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: RECORD_WORKER,
    useFactory: started(() => new Worker(new URL('./record/record.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: MORNINGS_WORKER,
    useFactory: started(() => new Worker(new URL('./mornings/mornings.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: CHART_WORKER,
    useFactory: started(() => new Worker(new URL('./water/chart.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: CHART_FILES_WORKER,
    useFactory: started(() => new Worker(new URL('./water/chart-files.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: TRIP_FINDER_WORKER,
    useFactory: started(
      () => new Worker(new URL('./underway/trip-finder.worker', import.meta.url), { type: 'module' }),
    ),
  },
];
