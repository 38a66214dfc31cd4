import { workerToken } from '../base/worker-handle';
import type { RecordApi } from './record-api';

export const RECORD_WORKER = workerToken<RecordApi>('record worker');
