import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { HoursRead, HoursText } from '../workers/hours.js';
import { SourceFailure } from './source.js';

/** A text is read in so much memory and time, or not at all. */
const MOST_MEMORY_MB = 512;
const MOST_MS = 20_000;

/** Reads hourly figures in a thread of its own, so that nobody waits for it and nothing it does swells the server. */
export class HoursReader {
  /** @param programDir where the built server lies */
  constructor(private readonly programDir: string) {}

  /** @throws SourceFailure where reading takes too long or too much */
  read(text: HoursText): Promise<HoursRead> {
    return new Promise((resolve, reject) => {
      const worker = new Worker(join(this.programDir, 'workers/hours.js'), {
        workerData: text,
        resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
      });
      const late = setTimeout(() => void worker.terminate(), MOST_MS);
      worker.once('message', resolve);
      worker.once('error', (error: NodeJS.ErrnoException) =>
        reject(
          error.code === 'ERR_WORKER_OUT_OF_MEMORY'
            ? new SourceFailure('These figures take more memory than they may: bring fewer of them')
            : error,
        ),
      );
      worker.once('exit', () => {
        clearTimeout(late);
        reject(new SourceFailure('These figures take too long to read: bring fewer of them'));
      });
    });
  }
}
