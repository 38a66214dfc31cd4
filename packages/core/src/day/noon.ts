import { TZDate } from '@date-fns/tz';

/** Noon of a local day as an instant, in milliseconds. */
export function noonMs(date: string, timeZone: string): number {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number];
  return new TZDate(year, month - 1, day, 12, timeZone).getTime();
}
