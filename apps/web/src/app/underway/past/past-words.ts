import type { PastTrip, TripMeasure, TripRole } from '@inky-shoal/core/underway';

export const ROLE_NAMES: Readonly<Record<TripRole, string>> = {
  date: 'day (and time)',
  start: 'began',
  end: 'ended',
  hours: 'hours fished',
  time: 'time of the fish',
  water: 'water',
  spot: 'place',
  lure: 'lure',
  species: 'kind of fish',
  count: 'how many fish',
  length: 'length of the fish',
  weight: 'weight of the fish',
  depth: 'depth fished',
  temp: 'water temperature',
  clarity: 'clarity',
  note: 'note',
  ignore: 'nothing of use',
};

export const MEASURE_NAMES: Readonly<Record<TripMeasure, string>> = {
  temp: 'Temperatures in',
  depth: 'Depths in',
  length: 'Lengths in',
  weight: 'Weights in',
};

/** What the figures of a column measure. */
export const MEASURED: Partial<Record<TripRole, TripMeasure>> = {
  temp: 'temp',
  depth: 'depth',
  clarity: 'depth',
  length: 'length',
  weight: 'weight',
};

/** The choice by which a lure is said to be none of those that are known. */
export const NONE_OF_THESE = 'none';

/** `12 trips with 30 fish`. */
export function tripsAndFish(trips: readonly Pick<PastTrip, 'fish'>[]): string {
  const fish = trips.reduce((sum, trip) => sum + trip.fish, 0);
  return `${trips.length} ${trips.length === 1 ? 'trip' : 'trips'} with ${fish} fish`;
}
