import {
  ENGINE_VERSION,
  planDay,
  type Book,
  type Conditions,
  type Plan,
  type PlannedDay,
  type RecordVersion,
  type UnitSystem,
} from '@inky-shoal/core';
import {
  learn,
  learnedOf,
  LEARNING_VERSION,
  leaningOf,
  movedBy,
  recordOf,
  type Learned,
  type Moved,
} from '@inky-shoal/core/record';
import { competitionApi } from '../competition/competition-api';
import { logApi } from '../log/log-api';
import { deviceTrips, notesMark } from './device-trips';
import { readLearned, writeLearned } from './kept-learned';

/** A day as the record would have it. */
export interface RecordedDay {
  readonly day: PlannedDay;
  /** The same day without the record. */
  readonly shipped: Plan;
  /** Which record it is. */
  readonly version: RecordVersion;
  readonly moved: readonly Moved[];
}

/** What the record has taught of a kind of fishing. */
export interface Taught {
  readonly discipline: Conditions['discipline'];
  readonly trips: number;
  readonly hours: number;
  readonly moved: readonly Moved[];
}

/** What was learnt of a book's trips, and of which notes. */
interface Known {
  readonly of: string;
  readonly learned: Learned | null;
  /** The day of the last trip that taught, YYYY-MM-DD. */
  readonly lastTrip: string;
}
/** What is known of each kind of fishing, or is being learnt: who asks meanwhile waits, and nothing is learnt twice. */
const known = new Map<string, Promise<Known | null>>();

/** Other rules teach something else of the same notes. */
const BY = `${ENGINE_VERSION} ${LEARNING_VERSION}`;

/** What was learnt last, here or before the page was opened, whatever has been noted since. */
async function learnedBefore(book: Book, discipline: Conditions['discipline'], sinceMs: number): Promise<Known | null> {
  const kept = await readLearned(book, discipline);
  if (kept?.by !== BY || kept.since !== String(sinceMs)) return null;
  const { of, state, lastTrip } = kept;
  return { of, learned: state && learnedOf(state), lastTrip };
}

async function learnFrom(
  book: Book,
  discipline: Conditions['discipline'],
  sinceMs: number,
  before: Known | null,
): Promise<Known> {
  const { mark: of, trips } = await deviceTrips(book);
  const counted = recordOf(trips.filter(({ startMs }) => startMs >= sinceMs));
  const alike = counted.filter(({ conditions }) => conditions.discipline === discipline);
  const learned = learn(alike, before?.learned);
  const lastTrip = alike.reduce((last, { conditions: { date } }) => (date > last ? date : last), '');
  const state = learned?.state ?? null;
  await writeLearned(book, { discipline, of, by: BY, since: String(sinceMs), lastTrip, state });
  return { of, learned, lastTrip };
}

function knownOf(book: Book, discipline: Conditions['discipline'], sinceMs: number): Promise<Known> {
  const key = `${book} ${discipline} ${sinceMs}`;
  const now = (known.get(key) ?? Promise.resolve(null)).then(async (last) => {
    const before = last ?? (await learnedBefore(book, discipline, sinceMs));
    return before?.of === (await notesMark(book)) ? before : learnFrom(book, discipline, sinceMs, before);
  });
  known.set(
    key,
    // The next one begins afresh where this one failed.
    now.catch(() => null),
  );
  return now;
}

/** The record, beside the page so that it never holds it up: it reads the trips on this device by itself. */
export const recordApi = {
  ...logApi,
  ...competitionApi,

  /**
   * A day planned with what the trips of a book taught; null where they taught nothing yet.
   * @param sinceMs only trips that began then or later count
   */
  async planDay(
    book: Book,
    conditions: Conditions,
    units: UnitSystem,
    sinceMs = -Infinity,
  ): Promise<RecordedDay | null> {
    const { learned, lastTrip } = await knownOf(book, conditions.discipline, sinceMs);
    if (!learned) return null;
    const { trips, hours } = learned;
    return {
      day: planDay(conditions, { units, leaning: leaningOf(learned) }),
      shipped: planDay(conditions, { units }).plan,
      version: { trips, hours, lastTrip },
      moved: movedBy(learned),
    };
  },

  /** What the trips of a book have taught, by kind of fishing; nothing where they taught nothing yet. */
  async taught(book: Book, sinceMs = -Infinity): Promise<Taught[]> {
    const told: Taught[] = [];
    for (const discipline of ['bass', 'inshore'] as const) {
      const { learned } = await knownOf(book, discipline, sinceMs);
      if (learned) told.push({ discipline, trips: learned.trips, hours: learned.hours, moved: movedBy(learned) });
    }
    return told;
  },
};
export type RecordApi = typeof recordApi;
