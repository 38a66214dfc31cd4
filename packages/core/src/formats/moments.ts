import { TZDate, tzOffset } from '@date-fns/tz';

/** In which order day, month and year stand where dates are written with strokes or points. */
export const DATE_ORDERS = ['ymd', 'mdy', 'dmy'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

interface Written {
  readonly year: number;
  readonly month: number;
  readonly day: number;
}

const DATE = /^(\d{1,4})[-/.](\d{1,2})[-/.](\d{1,4})$/;
const TIME = /^(\d{1,2})[:.h](\d{2})(?::\d{2}(?:\.\d+)?)?\s*([ap]\.?m\.?)?$/i;
const HOUR = /^(\d{1,2})\s*([ap])\.?m\.?$/i;

/** Languages whose names of months are read. */
const MONTH_LANGUAGES = ['en', 'de', 'fr', 'es'];
let months: ReadonlyMap<string, number> | undefined;

/** Months by their names, whole and short, in small letters without a point. */
function monthNames(): ReadonlyMap<string, number> {
  months ??= new Map(
    MONTH_LANGUAGES.flatMap((language) =>
      (['long', 'short'] as const).flatMap((month) => {
        const format = new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' });
        return Array.from({ length: 12 }, (_, at): [string, number] => [
          format
            .format(Date.UTC(2027, at, 15))
            .toLowerCase()
            .replace('.', ''),
          at + 1,
        ]);
      }),
    ),
  );
  return months;
}

const WEEKDAY = /^\p{L}{2,10}\.?,?\s+(?=\p{L}+\.?\s+\d|\d{1,2}\.?\s+\p{L})/u;
const MONTH_FIRST = /^(\p{L}+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})\b,?\s*(.*)$/u;
const DAY_FIRST = /^(\d{1,2})(?:st|nd|rd|th|\.)?[\s-](\p{L}+)\.?,?[\s-](\d{4})\b,?\s*(.*)$/u;
const BASIC = /^(\d{4})(\d{2})(\d{2})(?:T?(\d{2}):?(\d{2}).*)?$/;
const SERIAL = /^(\d{5})(?:[.,](\d+))?$/;
/** Spreadsheets count days from here; what lies in this century and its neighbours is taken for a day. */
const SERIAL_ZERO = Date.UTC(1899, 11, 30);
const SERIAL_DAYS = [20_000, 80_000] as const;

/** A date with a month by its name, one without strokes, or a day as a spreadsheet counts it; with the time behind it. */
function spelled(text: string): { date: Written; rest: string } | undefined {
  const plain = text.trim().replace(WEEKDAY, '');
  const basic = BASIC.exec(plain);
  if (basic) {
    const [, year, month, day, hour, minute] = basic;
    return {
      date: { year: Number(year), month: Number(month), day: Number(day) },
      rest: hour === undefined ? '' : `${hour}:${minute ?? '00'}`,
    };
  }
  const serial = SERIAL.exec(plain);
  if (serial && Number(serial[1]) >= SERIAL_DAYS[0] && Number(serial[1]) <= SERIAL_DAYS[1]) {
    const at = new Date(SERIAL_ZERO + Number(serial[1]) * 86_400_000);
    const minutes = Math.round(Number(`0.${serial[2] ?? '0'}`) * 1440);
    const clock = `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
    return {
      date: { year: at.getUTCFullYear(), month: at.getUTCMonth() + 1, day: at.getUTCDate() },
      rest: serial[2] === undefined ? '' : clock,
    };
  }
  const [, name = '', day, year, rest = ''] = MONTH_FIRST.exec(plain) ?? swapped(DAY_FIRST.exec(plain)) ?? [];
  const month = monthNames().get(name.toLowerCase()) ?? monthNames().get(name.toLowerCase().slice(0, 3));
  return month === undefined ? undefined : { date: { year: Number(year), month, day: Number(day) }, rest };
}

const swapped = (found: RegExpExecArray | null): readonly (string | undefined)[] | null =>
  found && [found[0], found[2], found[1], found[3], found[4]];

/** Whether a cell seems to hold a day, however it is written. */
export const looksLikeDate = (cell: string): boolean =>
  /^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}/.test(cell) || spelled(cell) !== undefined;

/** A date as written, in an order; a year of two digits is of this century. A year in front is a year in any order. */
function writtenDate(text: string, order: DateOrder): Written | undefined {
  const found = DATE.exec(text.trim());
  if (!found) return undefined;
  const [a, b, c] = found.slice(1).map(Number) as [number, number, number];
  const full = (year: number) => (year < 100 ? 2000 + year : year);
  if ((found[1] as string).length === 4 || order === 'ymd') return { year: full(a), month: b, day: c };
  return order === 'mdy' ? { month: a, day: b, year: full(c) } : { day: a, month: b, year: full(c) };
}

function writtenTime(text: string): { hour: number; minute: number } | undefined {
  const plain = text.trim();
  const hourOnly = HOUR.exec(plain);
  const found = TIME.exec(plain);
  const hour = Number((hourOnly ?? found)?.[1]);
  const minute = hourOnly ? 0 : Number(found?.[2]);
  const half = (hourOnly?.[2] ?? found?.[3])?.[0]?.toLowerCase();
  if (Number.isNaN(hour) || Number.isNaN(minute) || hour > 23 || minute > 59 || (half && (hour < 1 || hour > 12))) {
    return undefined;
  }
  return { hour: half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour, minute };
}

/** Noon stands for a day without a time. */
const NOON = { hour: 12, minute: 0 };

const instantOf = (timeMs: number): string => new Date(timeMs).toISOString().replace('.000Z', 'Z');

/** A moment that carries its own offset, as 2027-03-01T14:00:00-06:00. */
const WITH_OFFSET = /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(:\d\d(\.\d+)?)?\s*(Z|[+-]\d\d:?\d\d)$/;

/**
 * The instant of a date and a time as they stand in a table, on the clock of a time zone.
 * @param text a date, or a date and a time parted by a blank or a T
 * @param timeText the time, where it stands in a cell of its own
 * @returns an ISO instant in UTC; undefined where that is no moment
 */
export function momentOf(
  text: string,
  timeText: string | undefined,
  order: DateOrder,
  timeZone: string,
): string | undefined {
  const plain = text.trim();
  if (WITH_OFFSET.test(plain)) {
    const at = Date.parse(
      plain
        .replace(' ', 'T')
        .replace(/\s/g, '')
        .replace(/([+-]\d\d)(\d\d)$/, '$1:$2'),
    );
    return Number.isNaN(at) ? undefined : instantOf(at);
  }
  const parted = /^(\S+?)(?:[T\s]+(.+))?$/.exec(plain);
  const inFigures = parted && writtenDate(parted[1] as string, order);
  const inWords = inFigures ? undefined : spelled(plain);
  const date = inFigures ?? inWords?.date;
  const inside = timeText?.trim() ? timeText : inWords ? inWords.rest : parted?.[2];
  const time = inside ? writtenTime(inside) : NOON;
  if (!date || !time) return undefined;
  // A day that does not exist rolls over into one that does.
  const plainMs = Date.UTC(date.year, date.month - 1, date.day, time.hour, time.minute);
  const rolled = new Date(plainMs);
  if (rolled.getUTCMonth() !== date.month - 1 || rolled.getUTCDate() !== date.day) return undefined;
  const steadyMin = steadyOffsetMin(plainMs, timeZone);
  if (steadyMin !== null) return instantOf(plainMs - steadyMin * 60_000);
  return instantOf(new TZDate(date.year, date.month - 1, date.day, time.hour, time.minute, timeZone).getTime());
}

const DAY_MS = 86_400_000;
const offsetsMin = new Map<string, number | null>();
/** So many days are remembered before all are forgotten. */
const MOST_REMEMBERED = 20_000;

/**
 * How far a zone's clock is ahead of UTC through a whole calendar day and the nights about it; null where it is put
 * forward or back meanwhile. A year of hours asks for the same few days: only the first hour of each asks the zone.
 */
function steadyOffsetMin(plainMs: number, timeZone: string): number | null {
  const dayMs = Math.floor(plainMs / DAY_MS) * DAY_MS;
  const key = `${dayMs} ${timeZone}`;
  let known = offsetsMin.get(key);
  if (known === undefined) {
    const [before, after] = [dayMs - DAY_MS, dayMs + 2 * DAY_MS].map((ms) => tzOffset(timeZone, new Date(ms)));
    known = before === after ? (before as number) : null;
    if (offsetsMin.size >= MOST_REMEMBERED) offsetsMin.clear();
    offsetsMin.set(key, known);
  }
  return known;
}

/** The order in which all of these dates can be read; where several fit, the one that the first of the preferred says. */
export function dateOrderOf(texts: readonly string[], preferred: DateOrder): DateOrder {
  const fits = (order: DateOrder) =>
    texts.every((text) => {
      const date = writtenDate(text.split(/[T\s]/)[0] ?? '', order);
      return !date || (date.month >= 1 && date.month <= 12 && date.day >= 1 && date.day <= 31 && date.year > 1900);
    });
  return [preferred, ...DATE_ORDERS].find(fits) ?? preferred;
}
