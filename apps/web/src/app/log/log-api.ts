import type { Book, CategoryId, Conditions } from '@inky-shoal/core';
import { featuresToGeoJson, featuresToGpx } from '@inky-shoal/core/formats/features';
import {
  catchesToCsv,
  catchFeatures,
  claimOf,
  dateOfTrip,
  daysLike,
  logbookRow,
  ratesBy,
  spotMemories,
  stretchesOf,
  tagStories,
  tripsToCsv,
  type Claim,
  type Counted,
  type Factor,
  type FactorRates,
  type LoggedStretch,
  type RepeatsBy,
  type SpotMemory,
  type TagStory,
  type WayApart,
} from '@inky-shoal/core/logbook';
import type { Trip } from '@inky-shoal/core/underway';
import { deviceTrips, notesMark } from '../record/device-trips';
import type { ToldRows } from '../underway/trip-db';
import { readRows, writeRows } from './kept-rows';

/** What waters and their zones are called now, by their ids. */
export type WaterNames = Readonly<Record<string, string>>;

/** What is to be counted: of which trips, by what, against what. */
export interface ShowsQuery {
  readonly factor: Factor;
  readonly across?: Factor | undefined;
  readonly counted: Counted;
  /** Only trips on this water; on all where it is left out. */
  readonly waterId?: string | undefined;
}

/** A trip on a day like the planned one, as the page tells it. */
export interface LikeTrip {
  readonly id: string;
  readonly name: string;
  readonly date: string;
  readonly surfaceTempC: number | null;
  readonly distance: number;
  readonly apart: readonly WayApart[];
  readonly hours: number;
  readonly bites: number;
  readonly fish: number;
  readonly worked: readonly { readonly category: CategoryId; readonly hours: number; readonly bites: number }[];
}

export interface Places {
  readonly spots: readonly SpotMemory[];
  readonly repeats: RepeatsBy;
  readonly tags: readonly TagStory[];
}

/** The forms in which the log goes out. */
export const LOG_FILES = {
  trips: { file: 'trips.csv', type: 'text/csv' },
  fish: { file: 'fish.csv', type: 'text/csv' },
  gpx: { file: 'fish.gpx', type: 'application/gpx+xml' },
  geojson: { file: 'fish.geojson', type: 'application/geo+json' },
} as const;
export type LogFile = keyof typeof LOG_FILES;

const namer = (waters: WaterNames) => (id: string | null | undefined) => (id ? (waters[id] ?? '') : '');

/** Trips that are over: one that is underway has its own page. */
const over = (trips: readonly Trip[]): Trip[] => trips.filter(({ state }) => state === 'over');

async function some(book: Book, ids?: readonly string[]): Promise<Trip[]> {
  const trips = over((await deviceTrips(book)).trips);
  if (!ids) return trips;
  const wanted = new Set(ids);
  return trips.filter(({ id }) => wanted.has(id));
}

/** All that was fished on a water, or on any. */
const fishedOn = async (book: Book, waterId: string | undefined): Promise<LoggedStretch[]> =>
  (await some(book)).filter(({ begin }) => !waterId || begin.waterId === waterId).flatMap(stretchesOf);

/** The logbook, beside the page so that it never holds it up. */
export const logApi = {
  /**
   * Every trip as a line, the latest first, and of which notes they tell.
   * @param have of which notes the lines tell that who asks has already: where they are the same, null
   */
  async rows(book: Book, waters: WaterNames, have: string | null): Promise<ToldRows | null> {
    const mark = await notesMark(book);
    const of = `${mark} ${JSON.stringify(waters)}`;
    if (of === have) return null;
    const kept = await readRows(book);
    if (kept?.of === of) return kept;
    const nameOf = namer(waters);
    const rows = (await some(book))
      .map((trip) => logbookRow(trip, nameOf(trip.begin.waterId), nameOf(trip.begin.zoneId)))
      .sort((a, b) => b.startMs - a.startMs);
    await writeRows(book, mark, { of, rows });
    return { of, rows };
  },

  async shows(book: Book, { factor, across, counted, waterId }: ShowsQuery): Promise<FactorRates> {
    return ratesBy(await fishedOn(book, waterId), factor, counted, across);
  },

  async claim(book: Book, { factor, counted, waterId }: ShowsQuery, level: string): Promise<Claim | null> {
    return claimOf(await fishedOn(book, waterId), factor, level, counted);
  },

  async likeDays(book: Book, conditions: Conditions, most: number): Promise<LikeTrip[]> {
    return daysLike(conditions, await some(book), most).map(({ trip, ...told }) => ({
      ...told,
      id: trip.id,
      name: trip.begin.name,
      date: dateOfTrip(trip),
      surfaceTempC: trip.plan?.conditions.surfaceTempC ?? null,
    }));
  },

  /** @param day day number that is asked for */
  async places(book: Book, day: number, visibilityM?: number): Promise<Places> {
    const trips = await some(book);
    return { ...spotMemories(trips, day, visibilityM), tags: tagStories(trips) };
  },

  async file(book: Book, file: LogFile, waters: WaterNames, tripIds?: readonly string[]): Promise<string> {
    const trips = await some(book, tripIds);
    switch (file) {
      case 'trips':
        return tripsToCsv(trips, namer(waters));
      case 'fish':
        return catchesToCsv(trips, namer(waters));
      case 'gpx':
        return featuresToGpx(catchFeatures(trips));
      case 'geojson':
        return featuresToGeoJson(catchFeatures(trips));
    }
  },
};
