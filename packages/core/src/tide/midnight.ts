import { TZDate } from '@date-fns/tz';

/** Midnight at which a local day begins, as an instant. @param date YYYY-MM-DD */
export function midnightMs(date: string, timeZone: string): number {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number];
  return new TZDate(year, month - 1, day, timeZone).getTime();
}
