import { dayNumber, minutesOf } from '@inky-shoal/core';
import { localInput } from '../ui/local-time';
import type { Draft } from './draft';

/** A moment in minutes on the water's clock, where it falls on the planned day and hours; else null. */
export function minuteOnDay(
  now: string,
  { input }: Draft,
  spans: readonly { readonly fromMin: number; readonly toMin: number }[],
): number | null {
  const [first, last] = [spans[0], spans.at(-1)];
  const [date, time] = localInput(now, input.place.timeZone).split('T');
  if (!first || !last || !date || !time) return null;
  // After midnight it is still the night of the day before.
  const minute = minutesOf(time) + (dayNumber(date) - dayNumber(input.date)) * 1440;
  return minute >= first.fromMin && minute <= last.toMin ? minute : null;
}

/** Columns of the windows' tabs: each as wide as its hours on the chart over it, or as its words where those are more. */
export const windowColumns = (spans: readonly { readonly fromMin: number; readonly toMin: number }[]): string =>
  spans.map(({ fromMin, toMin }) => `minmax(min-content, ${toMin - fromMin}fr)`).join(' ');
