import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { HoursRead, HoursText } from '../workers/hours.js';
import { SourceFailure } from './source.js';

/** A text is read in so much memory and time, or not at all. */
const MAX_MEMORY_MB = 512;
const MAX_MS = 20_000;
/** A reader that has nothing to do ends after so long. */
const IDLE_MS = 60_000;
/** Readers that stand ready: weather and gauge are asked at once. */
const MAX_READY = 2;

/**
 * Reads hourly figures in threads of their own, so that nobody waits for it and nothing it does swells the server. A
 * thread takes a while to start: those that are done stand ready for a minute.
 */
export class HoursReader {
  private readonly ready: Worker[] = [];

  /** @param programDir where the built server lies */
  constructor(private readonly programDir: string) {}

  /** Has readers start, for who is about to ask. */
  warmUp(): void {
    while (this.ready.length < MAX_READY) this.putBack(this.start());
  }

  /** @throws SourceFailure where reading takes too long or too much */
  read(text: HoursText): Promise<HoursRead> {
    const worker = this.ready.pop() ?? this.start();
    worker.removeAllListeners();
    worker.ref();
    return new Promise((resolve, reject) => {
      const late = setTimeout(() => void worker.terminate(), MAX_MS);
      const over = () => {
        clearTimeout(late);
        worker.removeAllListeners();
      };
      worker.once('message', (answer: { read?: HoursRead; failure?: string }) => {
        over();
        this.putBack(worker);
        if (answer.read) resolve(answer.read);
        else reject(new Error(answer.failure));
      });
      worker.once('error', (error: NodeJS.ErrnoException) => {
        over();
        reject(
          error.code === 'ERR_WORKER_OUT_OF_MEMORY'
            ? new SourceFailure('These figures take more memory than they may: bring fewer of them')
            : error,
        );
      });
      worker.once('exit', () => {
        over();
        reject(new SourceFailure('These figures take too long to read: bring fewer of them'));
      });
      worker.postMessage(text);
    });
  }

  /** Ends those that stand ready. */
  async close(): Promise<void> {
    await Promise.all(this.ready.splice(0).map((worker) => worker.terminate()));
  }

  private start(): Worker {
    const program = join(this.programDir, 'workers/hours.js');
    return new Worker(program, { resourceLimits: { maxOldGenerationSizeMb: MAX_MEMORY_MB } });
  }

  private putBack(worker: Worker): void {
    if (this.ready.length >= MAX_READY) {
      void worker.terminate();
      return;
    }
    const leave = () => {
      clearTimeout(idle);
      const at = this.ready.indexOf(worker);
      if (at >= 0) this.ready.splice(at, 1);
    };
    const idle = setTimeout(() => {
      leave();
      void worker.terminate();
    }, IDLE_MS);
    idle.unref();
    worker.unref();
    // One that fails while nothing is asked of it is let go of.
    worker.once('error', leave);
    worker.once('exit', leave);
    this.ready.push(worker);
  }
}
