import { type Remote, wrap } from 'comlink';
import type { Charting } from './chart.worker';
import type { Engine } from './engine.worker';
import type { Rigging } from './rig.worker';
import type { Tables } from './table.worker';
import type { Finding } from './finder.worker';

let started: Remote<Engine> | undefined;

/** The core in its worker, one for the whole page, started when it is first wanted. */
export const engine = (): Remote<Engine> =>
  (started ??= wrap(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' })));

let reading: Remote<Tables> | undefined;

/** The reader of tables in a worker of its own, started when a table is first read. */
export const tables = (): Remote<Tables> =>
  (reading ??= wrap(new Worker(new URL('./table.worker', import.meta.url), { type: 'module' })));

let rigs: Remote<Rigging> | undefined;

/** The arithmetic of rigs in a worker of its own, started when tackle is first looked at. */
export const rigging = (): Remote<Rigging> =>
  (rigs ??= wrap(new Worker(new URL('./rig.worker', import.meta.url), { type: 'module' })));

let charts: Remote<Charting> | undefined;

/** The desk on which charts are read, in a worker of its own, started when a chart is first opened. */
export const charting = (): Remote<Charting> =>
  (charts ??= wrap(new Worker(new URL('./chart.worker', import.meta.url), { type: 'module' })));

let finding: Remote<Finding> | undefined;

/** The pattern finder in a worker of its own, started with the first trip. */
export const finder = (): Remote<Finding> =>
  (finding ??= wrap(new Worker(new URL('./finder.worker', import.meta.url), { type: 'module' })));
