const DAY_MS = 86_400_000;
const QUARTER_MS = 15 * 60_000;
/** Clocks are put forward or back weeks apart: over eight days with one offset at both ends none was. */
const SPAN_QUARTERS = 8 * 96;

/** A calendar day as a whole number of days since 1970-01-01, so that days can be counted. */
export const dayNumber = (date: string): number => Math.round(Date.parse(`${date}T00:00:00Z`) / DAY_MS);

interface CalendarDay {
  readonly date: string;
  readonly dayOfYear: number;
}
/** Days once worked out: a lake of ten years asks each of them a hundred times. */
const days = new Map<number, CalendarDay>();
const MAX_KEPT = 20_000;

function calendarDay(day: number): CalendarDay {
  let found = days.get(day);
  if (!found) {
    const date = new Date(day * DAY_MS);
    const dayOfYear = day - Math.round(Date.UTC(date.getUTCFullYear(), 0, 1) / DAY_MS) + 1;
    found = { date: date.toISOString().slice(0, 10), dayOfYear };
    if (days.size >= MAX_KEPT) days.clear();
    days.set(day, found);
  }
  return found;
}

/** The calendar day of a day number, as YYYY-MM-DD. */
export const dateOf = (day: number): string => calendarDay(day).date;

/** Day of the year of a day number, 1 to 366. */
export const yearDayOf = (day: number): number => calendarDay(day).dayOfYear;

export interface LocalTime {
  readonly day: number;
  /** Hour of the day with its fraction. */
  readonly hour: number;
}

/** What a zone's clock shows at an instant. The offset is asked for once in eight days where it stays, since asking is slow. */
export function localTimes(timeZone: string): (instantMs: number) => LocalTime {
  const format = new Intl.DateTimeFormat('sv-SE', { dateStyle: 'short', timeStyle: 'medium', timeZone });
  const offsets = new Map<number, number>();
  const offsetOf = (quarter: number): number => {
    let offset = offsets.get(quarter);
    if (offset === undefined) {
      const instantMs = quarter * QUARTER_MS;
      const shown = Date.parse(`${format.format(instantMs).replace(' ', 'T')}Z`);
      offset = Math.round((shown - instantMs) / 60_000) * 60_000;
      offsets.set(quarter, offset);
    }
    return offset;
  };
  return (instantMs) => {
    const quarter = Math.floor(instantMs / QUARTER_MS);
    const span = Math.floor(quarter / SPAN_QUARTERS) * SPAN_QUARTERS;
    const before = offsetOf(span);
    const local = instantMs + (before === offsetOf(span + SPAN_QUARTERS) ? before : offsetOf(quarter));
    const day = Math.floor(local / DAY_MS);
    return { day, hour: (local - day * DAY_MS) / 3_600_000 };
  };
}
