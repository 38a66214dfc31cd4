import { type Reading, ReadingDraft, type Water } from '@inky-shoal/core';
import { trueLake, type TrueCourse } from './outside/lake.js';
import { FERROW_CLIMATE, FERROW_ZONES, TERN_CLIMATE, TERN_ZONES } from './outside/places.js';
import { seeded, seededId } from './random.js';
import { record } from './readings.js';
import { basin, ferrow, grassFlat, lowerSallow, marina, marsh, midLake, ternHollow, upperSallow } from './waters.js';

/** Days between readings in each zone that is read; Brindle Creek and the pass nobody has measured. */
const READ_EVERY: readonly (readonly [
  water: Water,
  zoneId: string,
  zone: number,
  everyDays: number,
  profileEvery?: number,
])[] = [
  [ferrow, upperSallow, 0, 4],
  [ferrow, lowerSallow, 1, 9],
  [ferrow, marina, 2, 5],
  [ferrow, midLake, 4, 11],
  [ferrow, basin, 5, 13, 2],
  [ternHollow, marsh, 0, 10],
  [ternHollow, grassFlat, 1, 7],
];

const HOUR_MS = 3_600_000;
/** The simulation begins before the record, so that its start is forgotten when the record begins. */
const TRUTH_FROM_MS = Date.parse('2025-06-01T00:00:00Z');
const RECORD_FROM_MS = Date.parse('2025-09-20T00:00:00Z');

/**
 * What truly happens in the demo's waters, hidden from the planner: the hourly temperature of every zone from June 2025
 * up to the given moment.
 */
export function demoTruth(untilMs: number): { readonly ferrow: TrueCourse[]; readonly ternHollow: TrueCourse[] } {
  const hours = Math.ceil((untilMs - TRUTH_FROM_MS) / HOUR_MS) + 24;
  return {
    ferrow: trueLake(FERROW_CLIMATE, FERROW_ZONES, 24, TRUTH_FROM_MS, hours),
    ternHollow: trueLake(TERN_CLIMATE, TERN_ZONES, 27, TRUTH_FROM_MS, hours),
  };
}

/** Readings of both waters up to a moment, as one angler took them; ids belong to the time and the zone. */
export function demoReadings(untilMs: number, truth = demoTruth(untilMs)): Reading[] {
  return READ_EVERY.flatMap(([water, zoneId, zone, everyDays, profileEvery], index) => {
    const course = truth[water === ferrow ? 'ferrow' : 'ternHollow'][zone] as TrueCourse;
    const own = seeded(20250920 + index);
    return record(
      {
        course,
        fromMs: RECORD_FROM_MS,
        untilMs,
        normalVisibilityM: water.normalVisibilityM ?? 1,
        everyDays,
        profileEvery,
      },
      own,
    ).map((reading) => ({
      id: seededId(Date.parse(reading.at), own),
      waterId: water.id,
      ...ReadingDraft.parse({ ...reading, zoneId }),
    }));
  });
}
