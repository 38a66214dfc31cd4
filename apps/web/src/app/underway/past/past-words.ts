import { CATEGORIES, type CategoryId, type Water } from '@inky-shoal/core';
import { DATE_ORDERS } from '@inky-shoal/core/formats';
import {
  type PastTrip,
  sayStretch,
  TRIP_ROLES,
  TRIP_UNITS,
  type TripMapping,
  type TripMeasure,
  type TripRole,
} from '@inky-shoal/core/underway';
import { choices } from '../../ui/choices';
import { DATE_ORDER_NAMES } from '../../ui/date-orders';
import { sayShortDate } from '../../ui/dates';
import { unitChoices } from '../../ui/unit-choices';

const ROLE_NAMES: Readonly<Record<TripRole, string>> = {
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

const MEASURE_NAMES: Readonly<Record<TripMeasure, string>> = {
  temp: 'Temperatures in',
  depth: 'Depths in',
  length: 'Lengths in',
  weight: 'Weights in',
};

/** What the figures of a column measure. */
const MEASURED: Partial<Record<TripRole, TripMeasure>> = {
  temp: 'temp',
  depth: 'depth',
  clarity: 'depth',
  length: 'length',
  weight: 'weight',
};

/** The choice by which a lure is said to be none of those that are known. */
export const NONE_OF_THESE = 'none';

/** What there is to choose from: what a column tells, how days are written, which lure a word means. */
export const PAST_CHOICES = {
  roles: TRIP_ROLES.map((id) => ({ id, name: ROLE_NAMES[id] })),
  orders: DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] })),
  categories: [{ id: NONE_OF_THESE, name: 'none of these' }, ...choices(CATEGORIES)],
};

/** `12 trips with 30 fish`. */
export function tripsAndFish(trips: readonly Pick<PastTrip, 'fish'>[]): string {
  const fish = trips.reduce((sum, trip) => sum + trip.fish, 0);
  return `${trips.length} ${trips.length === 1 ? 'trip' : 'trips'} with ${fish} fish`;
}

/** The units of what stands in a table, each with those that it may be told in. */
export const unitChoicesOf = (mapping: TripMapping | undefined) =>
  unitChoices(
    (Object.keys(TRIP_UNITS) as TripMeasure[]).filter((measure) =>
      mapping?.roles.some((role) => MEASURED[role] === measure),
    ),
    MEASURE_NAMES,
    (measure): readonly string[] => TRIP_UNITS[measure],
    mapping?.units,
  );

/** Words for lures of which it is asked what they mean. @param meant what was said of them before */
export const askedLures = (
  unknown: readonly { readonly key: string; readonly words: string; readonly count: number }[],
  meant: Readonly<Record<string, CategoryId | null>>,
) =>
  unknown.map(({ key, words, count }) => ({
    key,
    label: count > 1 ? `${words}, ${count} times` : words,
    value: meant[key] === null ? NONE_OF_THESE : '',
  }));

/** A trip that is to come in, as it stands in the preview. */
export const pastTripWords = (
  { startMs, waterName, waterId, fish, hours, lures }: PastTrip,
  waters: readonly Pick<Water, 'id' | 'place'>[],
) => ({
  when: sayShortDate(startMs, waters.find(({ id }) => id === waterId)?.place.timeZone),
  water: waterName,
  fish: String(fish),
  hours: hours === null ? '' : sayStretch(hours * 3_600_000),
  lures: lures.slice(0, 3).join(', '),
});

/** What cannot be read, after what can. */
export const unreadWords = (lines: number): string =>
  lines ? `, ${lines} ${lines === 1 ? 'line' : 'lines'} that cannot be read` : '';
