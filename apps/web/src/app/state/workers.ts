import type { ChartApi } from './chart-api';
import type { ChartFilesApi } from './chart-files-api';
import type { PlannerApi } from './planner-api';
import type { RigApi } from './rig-api';
import type { TableApi } from './table-api';
import type { TripFinderApi } from './trip-finder-api';
import { workerToken } from './worker-handle';

/** The workers of the page, by what is asked of them. */
export const PLANNER_WORKER = workerToken<PlannerApi>('planner worker');
export const TABLE_WORKER = workerToken<TableApi>('table worker');
export const RIG_WORKER = workerToken<RigApi>('rig worker');
export const CHART_WORKER = workerToken<ChartApi>('chart worker');
export const CHART_FILES_WORKER = workerToken<ChartFilesApi>('chart files worker');
export const TRIP_FINDER_WORKER = workerToken<TripFinderApi>('trip finder worker');
