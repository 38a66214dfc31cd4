import { type Remote, wrap } from 'comlink';
import type { Engine } from './engine.worker';

let started: Remote<Engine> | undefined;

/** The core in its worker, one for the whole page, started when it is first wanted. */
export const engine = (): Remote<Engine> =>
  (started ??= wrap(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' })));
