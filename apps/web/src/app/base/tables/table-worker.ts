import { workerToken } from '../worker-handle';
import type { TableApi } from './table-api';

export const TABLE_WORKER = workerToken<TableApi>('table worker');
