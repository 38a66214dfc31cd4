import { workerToken } from '../base/worker-handle';
import type { MorningsApi } from './mornings-api';

export const MORNINGS_WORKER = workerToken<MorningsApi>('mornings worker');
