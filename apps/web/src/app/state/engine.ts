import { type Remote, wrap } from 'comlink';
import type { Engine } from './engine.worker';
import type { Tables } from './table.worker';

let started: Remote<Engine> | undefined;

/** The core in its worker, one for the whole page, started when it is first wanted. */
export const engine = (): Remote<Engine> =>
  (started ??= wrap(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' })));

let reading: Remote<Tables> | undefined;

/** The reader of tables in a worker of its own, started when a table is first read. */
export const tables = (): Remote<Tables> =>
  (reading ??= wrap(new Worker(new URL('./table.worker', import.meta.url), { type: 'module' })));
