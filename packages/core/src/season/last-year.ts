import { KNOWLEDGE } from './heat/driver.js';
import type { Lake, LakeZone } from './heat/lake.js';
import { alignYears } from './align.js';

/** Last year is compared where it holds so many readings or days of weather. */
const MIN_KNOWN = 20;
const MIN_COMPARED_DAYS = 60;
/** Less change than this over a month tells no date. */
const MOVED_OVER_DAYS = 30;
const MIN_MOVED_C = 1.5;
const YEAR_DAYS = 365;

/**
 * Last year's temperatures laid along this year's by what the water did, NaN where they are not known; and by how many
 * days this year is ahead, null while the water hardly moves.
 */
export interface LastYear {
  readonly surfaceC: Float32Array;
  readonly aheadDays: number | null;
}

/** Lays last year's temperatures of a zone along this year's, from day number `first` up to `to`. */
export function lastYearOf(lake: Lake, zone: LakeZone, first: number, to: number): LastYear | null {
  const from = Math.max(first, lake.firstDay + YEAR_DAYS);
  const count = to - from + 1;
  if (count < MIN_COMPARED_DAYS) return null;
  const lastYear = (day: number) => day >= from - YEAR_DAYS && day <= to - YEAR_DAYS;
  const read = new Set(lake.readings.filter(({ day }) => lastYear(day)).map(({ day }) => day)).size;
  let weather = 0;
  for (let day = from; day <= to; day++) {
    if (lake.driver.knowledge[day - YEAR_DAYS - lake.firstDay] === KNOWLEDGE.observed) weather++;
  }
  if (read + weather < MIN_KNOWN) return null;
  const stretch = (day: number) => zone.surfaceC.subarray(day - lake.firstDay, day - lake.firstDay + count);
  const then = stretch(from - YEAR_DAYS);
  const matched = alignYears(stretch(from), then);
  const surfaceC = new Float32Array(to - first + 1).fill(Number.NaN);
  matched.forEach((at, index) => {
    const low = Math.floor(at);
    const [a, b] = [then[low] as number, then[Math.min(count - 1, low + 1)] as number];
    surfaceC[from - first + index] = a + (b - a) * (at - low);
  });
  const today = lake.today - from;
  const now = stretch(from);
  // Where the water hardly moves for weeks, as in summer, one day is like another and no date can be told from it.
  const moved = Math.abs((now[today] as number) - (now[Math.max(0, today - MOVED_OVER_DAYS)] as number));
  if (moved < MIN_MOVED_C) return { surfaceC, aheadDays: null };
  const lags = Array.from(
    matched.subarray(Math.max(0, today - 9), today + 1),
    (at, back) => at - Math.max(0, today - 9) - back,
  );
  const aheadDays = Math.round(lags.reduce((sum, lag) => sum + lag, 0) / lags.length);
  return { surfaceC, aheadDays };
}
