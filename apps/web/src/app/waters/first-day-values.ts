import type { UnitSystem } from '@inky-shoal/core';
import type { readPosition } from '@inky-shoal/core/units/position';
import { readQuantity } from '../ui/numbers';
import { isTimeZone } from './place-doubt';

/** What is typed for the first day, figures in the user's units. */
export interface FirstDayValues {
  readonly place: { readonly timeZone: string };
  readonly date: string;
  readonly temp: string;
  readonly seen: string;
}

/** The water of the first day as it was typed, and what is wrong with the day, by its fields. */
export function readFirstDay(
  { place, date, temp, seen }: FirstDayValues,
  where: ReturnType<typeof readPosition>,
  units: UnitSystem,
) {
  const water = readQuantity(temp, 'surfaceTempC', 'temp', units);
  const clarity = readQuantity(seen, 'visibilityM', 'depth', units);
  const problems = {
    where: where.ok ? null : where.problem,
    timeZone: isTimeZone(place.timeZone) ? null : 'Expected a time zone as "America/Chicago".',
    date: /^\d{4}-\d\d-\d\d$/.test(date) ? null : 'Expected a day, as 2027-03-13.',
    temp: water.problem,
    seen: clarity.problem,
  };
  return { water, clarity, problems };
}
