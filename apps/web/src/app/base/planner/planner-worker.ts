import { workerToken } from '../worker-handle';
import type { PlannerApi } from './planner-api';

export const PLANNER_WORKER = workerToken<PlannerApi>('planner worker');
