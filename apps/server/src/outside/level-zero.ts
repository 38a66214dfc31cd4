import type { GaugeDay } from '@inky-shoal/core';

/**
 * Days of a gauge whose level counts from the median of what was just asked, put on the zero of the days that are known:
 * by the median difference on the days that both have. With none in common they stay as they are.
 */
export function onKnownZero(days: readonly GaugeDay[], known: readonly GaugeDay[]): GaugeDay[] {
  const levels = new Map(known.map(({ date, levelM }) => [date, levelM]));
  const apart = days
    .flatMap(({ date, levelM }) => {
      const before = levels.get(date);
      return levelM === null || before === null || before === undefined ? [] : [before - levelM];
    })
    .sort((a, b) => a - b);
  const shiftM = apart[Math.floor(apart.length / 2)] ?? 0;
  return days.map((day) => ({ ...day, levelM: day.levelM === null ? null : day.levelM + shiftM }));
}
