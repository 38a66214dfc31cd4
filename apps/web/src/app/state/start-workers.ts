import type { Provider } from '@angular/core';
import { StartedWorker } from './worker-handle';
import {
  CHART_FILES_WORKER,
  CHART_WORKER,
  PLANNER_WORKER,
  RIG_WORKER,
  TABLE_WORKER,
  TRIP_FINDER_WORKER,
} from './workers';

const started = (start: () => Worker) => () => new StartedWorker(start);

/** The page's workers as the browser has them, each started when it is first asked. */
export const START_WORKERS: Provider[] = [
  {
    provide: PLANNER_WORKER,
    useFactory: started(() => new Worker(new URL('./planner.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: TABLE_WORKER,
    useFactory: started(() => new Worker(new URL('./table.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: RIG_WORKER,
    useFactory: started(() => new Worker(new URL('./rig.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: CHART_WORKER,
    useFactory: started(() => new Worker(new URL('./chart.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: CHART_FILES_WORKER,
    useFactory: started(() => new Worker(new URL('./chart-files.worker', import.meta.url), { type: 'module' })),
  },
  {
    provide: TRIP_FINDER_WORKER,
    useFactory: started(() => new Worker(new URL('./trip-finder.worker', import.meta.url), { type: 'module' })),
  },
];
