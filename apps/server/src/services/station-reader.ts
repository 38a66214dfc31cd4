import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { CurrentStation, NearStation, TideStation } from '@inky-shoal/core/tide';
import type { StationAnswer, StationQuestion } from '../workers/tide-stations.js';
import type { Place, StationKind } from './tide-stations.js';

/** The stations of the world are read within so long, on the slowest machine, or not at all. */
const MAX_MS = 60_000;
/** What was read lies in some 100 MB, and is let go of when nobody has asked for so long. */
const IDLE_MS = 60_000;

/** The stations could not be read. */
export class StationsUnread extends Error {
  constructor(cause: unknown) {
    super('The stations of tides could not be read: try again in a moment.', { cause });
  }
}

interface Waiting {
  readonly resolve: (found: never) => void;
  readonly reject: (error: StationsUnread) => void;
  readonly late: NodeJS.Timeout;
}

/**
 * Asks the stations of tides and of currents in a thread of its own: they are some 30 MB, and reading them takes a second
 * or more, in which the server goes on. The thread starts with the first question and ends a while after the last.
 */
export class StationReader {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private asked = 0;
  private idle: NodeJS.Timeout | null = null;

  /** @param programDir where the built server lies */
  constructor(private readonly programDir: string) {}

  /** The stations nearest to a place, the nearest first. @throws StationsUnread */
  near(place: Place, most: number, kind: StationKind): Promise<NearStation[]> {
    return this.ask({ as: 'near', place, most, kind });
  }

  /** A station of tides by its id; undefined where there is none, or nothing to reckon with. @throws StationsUnread */
  tide(id: string): Promise<TideStation | undefined> {
    return this.ask({ as: 'tide', id });
  }

  /** The same of currents. @throws StationsUnread */
  current(id: string): Promise<CurrentStation | undefined> {
    return this.ask({ as: 'current', id });
  }

  /** Ends the thread. What is still waited for is refused. */
  async close(): Promise<void> {
    await this.end(new Error('closed'));
  }

  private ask<Found>(question: StationQuestion): Promise<Found> {
    if (this.idle) clearTimeout(this.idle);
    const worker = (this.worker ??= this.start());
    worker.ref();
    const id = ++this.asked;
    return new Promise<Found>((resolve, reject) => {
      const late = setTimeout(() => void this.end(new Error(`no answer within ${MAX_MS} ms`)), MAX_MS);
      this.waiting.set(id, { resolve, reject, late });
      worker.postMessage({ id, question });
    });
  }

  private start(): Worker {
    const worker = new Worker(join(this.programDir, 'workers/tide-stations.js'));
    worker.on('message', ({ id, found, failure }: StationAnswer) => {
      const one = this.waiting.get(id);
      if (!one) return;
      clearTimeout(one.late);
      this.waiting.delete(id);
      if (!this.waiting.size) this.rest(worker);
      if (failure === undefined) one.resolve(found as never);
      else one.reject(new StationsUnread(failure));
    });
    const gone = (why: unknown) => {
      if (this.worker === worker) void this.end(why);
    };
    worker.once('error', gone);
    worker.once('exit', gone);
    return worker;
  }

  /** Nothing is asked now: the thread keeps no server from ending, and ends itself in a while. */
  private rest(worker: Worker): void {
    worker.unref();
    this.idle = setTimeout(() => void this.close(), IDLE_MS);
    this.idle.unref();
  }

  private async end(why: unknown): Promise<void> {
    const { worker } = this;
    this.worker = null;
    if (this.idle) clearTimeout(this.idle);
    for (const { late, reject } of this.waiting.values()) {
      clearTimeout(late);
      reject(new StationsUnread(why));
    }
    this.waiting.clear();
    await worker?.terminate();
  }
}
