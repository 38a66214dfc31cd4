import { Conditions, type Water } from '@inky-shoal/core';
import { tideDay, type TideStation } from '@inky-shoal/core/tide';
import { ferrow, grassFlat, midLake, ternHollow } from './waters.js';
import type { TripRow } from './trip-row.js';

/** Hours of a trip. */
export const TRIP_FROM = '06:30';
export const TRIP_TO = '14:30';
const YEAR_LOW_C = 4;
const STEP = 2;

export const waterOf = ({ water }: Pick<TripRow, 'water'>): Water => (water === 'ferrow' ? ferrow : ternHollow);

/** The zone that a trip's day was planned in: the one whose water its angler measures. */
export const zoneOf = ({ water }: Pick<TripRow, 'water'>): string => (water === 'ferrow' ? midLake : grassFlat);

/** The tide of a day by the water's station, every half hour. */
function tideOf(station: TideStation, date: string, timeZone: string) {
  const { levels, springShare } = tideDay(station, date, timeZone);
  return {
    hourlyTide: levels
      .filter((_, at) => at % STEP === 0)
      .map(({ at, levelM }) => ({ at, levelM: Math.round(100 * levelM) / 100 })),
    tideSpringShare: springShare,
  };
}

/** The day of a trip as it was planned with. */
export function conditionsOf(trip: Omit<TripRow, 'stretches' | 'note'>): Conditions {
  const { date, surfaceTempC, tempTrendCPerDay, visibilityM, sky, windMps, windFromDeg, front } = trip;
  const { discipline, waterKind, place, normalVisibilityM, maxDepthM, structures, covers, tideStation } = waterOf(trip);
  return Conditions.parse({
    discipline,
    date,
    window: { from: TRIP_FROM, to: TRIP_TO },
    place,
    waterKind,
    surfaceTempC,
    tempTrendCPerDay,
    visibilityM,
    sky,
    windMps,
    windFromDeg,
    front,
    ...(discipline === 'bass' && { yearLowC: YEAR_LOW_C }),
    normalVisibilityM,
    maxDepthM,
    structures,
    covers,
    ...(tideStation && tideOf(tideStation, date, place.timeZone)),
  });
}
