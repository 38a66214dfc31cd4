import * as z from 'zod';
import { Conditions } from '../contract/conditions.js';
import { maybe, oneOf, record } from '../contract/fields.js';
import { COVERS, STRUCTURES } from '../contract/ids.js';
import { minutesOf } from '../day/windows.js';
import { LONGEST_MIN, NextPlaceShape, noteFields } from '../underway/states/said.js';

/** As many trips as a long life of fishing has. */
const MOST_TRIPS = 5000;
const MOST_STRETCHES = 400;
const MOST_PLACES = 400;

const structure = maybe(oneOf('a structure', STRUCTURES));
const cover = maybe(oneOf('a cover', COVERS));
const Places = maybe(
  z.array(NextPlaceShape, { error: 'expected a list of places' }).max(MOST_PLACES, {
    error: `expected at most ${MOST_PLACES} places`,
  }),
);

const Stretch = record('a stretch with from, to, place and category', { ...noteFields, structure, cover });

const Trip = record('a trip with conditions and stretches', {
  conditions: Conditions,
  places: Places,
  stretches: z.array(Stretch, { error: 'expected a list of stretches' }).max(MOST_STRETCHES, {
    error: `expected at most ${MOST_STRETCHES} stretches`,
  }),
}).superRefine(({ stretches }, context) => {
  stretches.forEach(({ from, to }, at) => {
    const lasts = (minutesOf(to) - minutesOf(from) + 1440) % 1440;
    if (lasts > 0 && lasts <= LONGEST_MIN) return;
    const message = `expected a time after ${from}, got "${to}"`;
    context.addIssue({ code: 'custom', path: ['stretches', at, 'to'], message, input: stretches });
  });
});

/** A day to plan, and the trips that were written down before it; places by their ids where stretches name them so. */
export const LearnedInput = record('a day with conditions and trips', {
  conditions: Conditions,
  places: Places,
  trips: z.array(Trip, { error: 'expected a list of trips' }).max(MOST_TRIPS, {
    error: `expected at most ${MOST_TRIPS} trips`,
  }),
});
export type LearnedInput = z.infer<typeof LearnedInput>;
export type RecordedStretch = z.infer<typeof Stretch> & {
  /** From which depth to which the bed lies where it was fished, metres, where that is known. */
  readonly bedM?: readonly [number, number] | undefined;
};

/** A trip of the record. */
export interface RecordedTrip {
  readonly conditions: Conditions;
  readonly stretches: readonly RecordedStretch[];
}

const isStructure = (id: string): id is (typeof STRUCTURES)[number] => (STRUCTURES as readonly string[]).includes(id);

/** The trips with what is known of each place written into its stretches: by its id, or where its name says what it is. */
export function recordedTrips({ places = [], trips }: LearnedInput): RecordedTrip[] {
  return trips.map(({ conditions, places: own = [], stretches }) => {
    const byId = new Map([...places, ...own].map((place) => [place.id, place]));
    return {
      conditions,
      stretches: stretches.map((stretch): RecordedStretch => {
        const place = byId.get(stretch.place);
        return {
          ...stretch,
          structure: stretch.structure ?? place?.structure ?? (isStructure(stretch.place) ? stretch.place : undefined),
          cover: stretch.cover ?? place?.cover,
          bedM: place?.depthM,
        };
      }),
    };
  });
}

/** Of the trips those that tell of a day's kind of fishing: bass teach nothing of the shore, nor the shore of bass. */
export const likeTrips = (trips: readonly RecordedTrip[], { discipline }: Conditions): RecordedTrip[] =>
  trips.filter(({ conditions }) => conditions.discipline === discipline);
