import { parentPort } from 'node:worker_threads';
import { currentOf, stationOf, stationsNear, type Place, type StationKind } from '../services/tide-stations.js';

/** What is asked of the stations of tides and of currents. */
export type StationQuestion =
  | { readonly as: 'near'; readonly place: Place; readonly most: number; readonly kind: StationKind }
  | { readonly as: 'tide' | 'current'; readonly id: string };

/** What was found for a question, or why nothing could be. */
export interface StationAnswer {
  readonly id: number;
  readonly found?: unknown;
  readonly failure?: string;
}

async function find(question: StationQuestion): Promise<unknown> {
  if (question.as === 'near') return stationsNear(question.place, question.most, question.kind);
  return question.as === 'tide' ? stationOf(question.id) : currentOf(question.id);
}

parentPort?.on('message', ({ id, question }: { id: number; question: StationQuestion }) => {
  find(question).then(
    (found) => parentPort?.postMessage({ id, found } satisfies StationAnswer),
    (error: Error) => parentPort?.postMessage({ id, failure: error.message } satisfies StationAnswer),
  );
});
