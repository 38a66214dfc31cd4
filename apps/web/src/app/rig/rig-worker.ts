import { workerToken } from '../base/worker-handle';
import type { RigApi } from './rig-api';

export const RIG_WORKER = workerToken<RigApi>('rig worker');
