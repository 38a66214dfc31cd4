import type { ChartFeature } from '../contract/charts.js';
import { nameOf } from '../contract/names.js';
import type { TripEventOf } from '../contract/trips.js';
import { csvOf } from '../formats/csv-text.js';
import type { Trip } from '../underway/trip.js';
import { logbookRow } from './row.js';
import { dateOfTrip } from './stretches.js';

/** A fish of a trip, with when it was landed. */
interface Landed {
  readonly trip: Trip;
  readonly atMs: number;
  readonly event: TripEventOf<'contact'>;
}

const landedOn = (trip: Trip): Landed[] =>
  trip.notes.flatMap(({ event, atMs }) =>
    event.kind === 'contact' && event.what === 'landed' ? [{ trip, atMs, event }] : [],
  );

const named = (ids: readonly string[]): string => ids.map(nameOf).join('; ');
const rounded = (value: number, places: number): number => Math.round(value * 10 ** places) / 10 ** places;

/** Trips as CSV, a line each, units in the head. @param waterName of a trip's water as it is called now */
export function tripsToCsv(trips: readonly Trip[], waterName: (waterId: string | null) => string): string {
  return csvOf([
    [
      'date',
      'water',
      'trip',
      'phase',
      'water temp C',
      'visibility m',
      'sky',
      'wind m/s',
      'hours',
      'bites',
      'fish',
      'longest mm',
      'lures',
      'places',
      'note',
    ],
    ...trips.map((trip) => {
      const row = logbookRow(trip, waterName(trip.begin.waterId ?? null));
      return [
        row.date,
        waterName(row.waterId),
        row.name,
        row.phase && nameOf(row.phase),
        row.surfaceTempC,
        row.visibilityM,
        row.sky && nameOf(row.sky),
        row.windMps,
        rounded(row.hours, 2),
        row.bites,
        row.fish,
        row.longestMm,
        named(row.lures),
        row.spots.join('; '),
        trip.review?.note,
      ];
    }),
  ]);
}

/** Fish as CSV, a line each, by the names that a table of past trips is read by. */
export function catchesToCsv(trips: readonly Trip[], waterName: (waterId: string | null) => string): string {
  return csvOf([
    [
      'date',
      'time',
      'water',
      'place',
      'species',
      'length mm',
      'weight g',
      'girth mm',
      'tag',
      'lure',
      'depth m',
      'hooked',
      'state',
      'throat',
      'whose',
      'latitude',
      'longitude',
      'note',
    ],
    ...trips
      .flatMap(landedOn)
      .map(({ trip, atMs, event: { fish = {}, fishing, sensed } }) => [
        dateOfTrip(trip),
        new Date(atMs).toISOString(),
        waterName(trip.begin.waterId ?? null),
        fishing?.spot,
        fish.species && nameOf(fish.species),
        fish.lengthMm,
        fish.weightG,
        fish.girthMm,
        fish.tag,
        fishing && nameOf(fishing.category),
        fishing?.depthM,
        fish.hooked && nameOf(fish.hooked),
        fish.state && nameOf(fish.state),
        fish.throat && nameOf(fish.throat),
        fish.whose,
        sensed?.lonLat?.[1],
        sensed?.lonLat?.[0],
        fish.note,
      ]),
  ]);
}

/** Fish of which it is known where they were landed, as marks for a chart. */
export const catchFeatures = (trips: readonly Trip[]): ChartFeature[] =>
  trips.flatMap(landedOn).flatMap(({ trip, event: { id, fish = {}, fishing, sensed } }): ChartFeature[] => {
    if (!sensed?.lonLat) return [];
    const what = fish.species ? nameOf(fish.species) : 'fish';
    const size = fish.lengthMm ? ` of ${fish.lengthMm} mm` : '';
    const lure = fishing ? `, ${nameOf(fishing.category)}` : '';
    return [
      {
        id,
        kind: 'mark',
        shape: { type: 'Point', coordinates: sensed.lonLat },
        name: `${what}, ${dateOfTrip(trip)}`,
        note: `${what}${size}${lure}${fish.note ? `. ${fish.note}` : ''}`,
      },
    ];
  });
