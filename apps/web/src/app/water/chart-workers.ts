import { workerToken } from '../base/worker-handle';
import type { ChartApi } from './chart-api';
import type { ChartFilesApi } from './chart-files-api';

export const CHART_WORKER = workerToken<ChartApi>('chart worker');
export const CHART_FILES_WORKER = workerToken<ChartFilesApi>('chart files worker');
