import { gzipSync } from 'node:zlib';
import type { Provider } from '@angular/core';
import type { Remote } from 'comlink';
import { defer, from, type Observable, Subject, takeUntil } from 'rxjs';
import type { WorkerHandle } from '../app/base/worker-handle';
import { CHART_FILES_WORKER, CHART_WORKER } from '../app/water/chart-workers';
import { MORNINGS_WORKER } from '../app/mornings/mornings-worker';
import { PLANNER_WORKER } from '../app/base/planner/planner-worker';
import { RECORD_WORKER } from '../app/record/record-worker';
import { RIG_WORKER } from '../app/rig/rig-worker';
import { TABLE_WORKER } from '../app/base/tables/table-worker';
import { TRIP_FINDER_WORKER } from '../app/underway/trip-finder-worker';

/** What a worker of the page does, done in the page itself, which has no workers in tests: the same code answers. */
class InPage<Api extends object> implements WorkerHandle<Api> {
  private api: Promise<Api> | undefined;
  private readonly stopped = new Subject<void>();

  constructor(private readonly load: () => Promise<Api>) {}

  ask<Answer>(question: (api: Remote<Api>) => Answer): Observable<Awaited<Answer>> {
    // As from a worker: what is thrown comes back as a promise that fails.
    const asked = async () => question((await (this.api ??= this.load())) as unknown as Remote<Api>);
    return defer(() => from(asked() as Promise<Awaited<Answer>>).pipe(takeUntil(this.stopped)));
  }

  rest(): void {
    this.api = undefined;
  }

  stop(): void {
    this.api = undefined;
    this.stopped.next();
  }
}

const inPage =
  <Api extends object>(load: () => Promise<Api>) =>
  () =>
    new InPage(load);
const gzip = (bytes: Uint8Array) => Promise.resolve(new Uint8Array(gzipSync(bytes)));

/** The workers of the page for tests; what they do is loaded when it is first asked. */
export const WORKERS_IN_PAGE: Provider[] = [
  {
    provide: PLANNER_WORKER,
    useFactory: inPage(() => import('../app/base/planner/planner-api').then((at) => at.plannerApi)),
  },
  { provide: TABLE_WORKER, useFactory: inPage(() => import('../app/base/tables/table-api').then((at) => at.tableApi)) },
  { provide: RIG_WORKER, useFactory: inPage(() => import('../app/rig/rig-api').then((at) => at.rigApi)) },
  { provide: CHART_WORKER, useFactory: inPage(() => import('../app/water/chart-api').then((at) => new at.ChartApi())) },
  {
    provide: CHART_FILES_WORKER,
    useFactory: inPage(() => import('../app/water/chart-files-api').then((at) => new at.ChartFilesApi(gzip))),
  },
  {
    provide: RECORD_WORKER,
    useFactory: inPage(() => import('../app/record/record-api').then((at) => at.recordApi)),
  },
  {
    provide: MORNINGS_WORKER,
    useFactory: inPage(() => import('../app/mornings/mornings-api').then((at) => at.morningsApi)),
  },
  {
    provide: TRIP_FINDER_WORKER,
    useFactory: inPage(() => import('../app/underway/trip-finder-api').then((at) => at.tripFinderApi)),
  },
];
