import type { WeatherDay, WeatherHours } from '../contract/outside.js';
import { dateOf, localTimes } from '../day/calendar.js';
import { momentOf } from './moments.js';
import { figureIn, type TableLine, type TextTable } from './table.js';
import { daysOfWeather } from './weather-days.js';
import { MEASURE_OF, WEATHER_UNITS, type WeatherMapping, type WeatherRole } from './weather-mapping.js';

/** Dew point from air temperature and relative humidity in percent (Magnus, with the figures of Alduchov & Eskridge 1996). */
export function dewPointC(airTempC: number, humidityPercent: number): number {
  const gamma = Math.log(Math.max(1, humidityPercent) / 100) + (17.625 * airTempC) / (243.04 + airTempC);
  return (243.04 * gamma) / (17.625 - gamma);
}

/** Wind where none was measured: the mean over thousands of stations (Allen et al. 1998, FAO 56, page 63). */
const USUAL_WIND_MPS = 2;
const USUAL_CLOUD = 0.5;
const HOUR_MS = 3_600_000;
const MAX_HOURS = 200_000;
const AIR_C = [-60, 60] as const;
const MAX_WIND_MPS = 90;

export interface WeatherProblemAt {
  readonly line: number;
  readonly message: string;
}

/** Weather as a table has it: its days, what could not be read, and what is worth knowing before it goes in. */
export interface WeatherImport {
  readonly days: readonly WeatherDay[];
  readonly problems: readonly WeatherProblemAt[];
  readonly notes: readonly string[];
  /** Whether rows are days, not hours. */
  readonly daily: boolean;
}

export interface WeatherContext {
  readonly timeZone: string;
  /** What lies after it counts as forecast. */
  readonly now: string;
}

type Figures = Partial<Record<WeatherRole, number>>;
interface Row {
  readonly at: string;
  readonly line: number;
  readonly figures: Figures;
}

const MIDNIGHT = /^0?0[:.h]?00/;

/** Reads one line, or says what is wrong with it. */
function readLine({ line, cells }: TableLine, table: TextTable, mapping: WeatherMapping, timeZone: string) {
  const cell = (role: WeatherRole) => {
    const column = mapping.roles.indexOf(role);
    return column < 0 ? '' : (cells[column] ?? '');
  };
  // Midnight as 24:00 is the hour before the next day's first.
  const time = cell('time').replace(/^24([:.h]?00)?$/, '23:59');
  const at = momentOf(cell('date'), time, mapping.dateOrder, timeZone);
  if (!at) return `expected a day and an hour, got "${`${cell('date')} ${time}`.trim().slice(0, 30)}"`;
  const figures: Figures = {};
  for (const role of mapping.roles) {
    if (role === 'date' || role === 'time' || role === 'ignore') continue;
    const figure = figureIn(cell(role), table.decimalComma);
    if (figure === undefined) continue;
    const measure = MEASURE_OF[role];
    const units = measure && (WEATHER_UNITS[measure] as Record<string, (value: number) => number>);
    figures[role] = units?.[mapping.units[measure as never]]?.(figure) ?? figure;
  }
  for (const role of ['air', 'high', 'low'] as const) {
    const value = figures[role];
    if (value !== undefined && (value < AIR_C[0] || value > AIR_C[1])) {
      return `no air is at ${cell(role)} ${mapping.units.temp}`;
    }
  }
  if ((figures.wind ?? 0) > MAX_WIND_MPS) return `no wind blows at ${cell('wind')} ${mapping.units.wind}`;
  if (figures.air === undefined && (figures.high === undefined || figures.low === undefined)) {
    return 'expected an air temperature, or a high and a low';
  }
  return { at, line, figures } satisfies Row;
}

const tidy = (value: number): number => Math.round(value * 100) / 100;
const share = (value: number): number => Math.min(1, Math.max(0, value));

/** A day as a row has it: its air from high and low, its dew point from humidity, else its low (Allen et al. 1998). */
function dayOf(
  { at, figures: { air, high, low, dew, humidity, ...rest } }: Row,
  { now }: WeatherContext,
  local: ReturnType<typeof localTimes>,
): WeatherDay {
  const airTempC = air ?? ((high ?? 0) + (low ?? 0)) / 2;
  const damp = dew ?? (humidity === undefined ? (low ?? airTempC - 5) : dewPointC(airTempC, humidity));
  return {
    date: dateOf(local(Date.parse(at)).day),
    kind: Date.parse(at) > Date.parse(now) ? 'forecast' : 'observed',
    airTempC: tidy(airTempC),
    dewPointC: tidy(Math.min(damp, airTempC)),
    windMps: tidy(rest.wind ?? USUAL_WIND_MPS),
    windFromDeg: rest.windFrom === undefined ? null : Math.round(((rest.windFrom % 360) + 360) % 360),
    cloudFraction: tidy(share(rest.cloud ?? USUAL_CLOUD)),
    pressureHpa: rest.pressure === undefined ? null : Math.round(rest.pressure * 10) / 10,
    rainMm: tidy(Math.max(0, rest.rain ?? 0)),
    solarWm2: rest.solar === undefined ? null : Math.round(rest.solar),
  };
}

/** Hours in columns, as a service gives them; hours that are missing stay missing. */
function hoursOf(rows: readonly Row[], { now }: WeatherContext): WeatherHours | string {
  const hours = rows.map(({ at }) => Math.round(Date.parse(at) / HOUR_MS));
  const first = hours.reduce((a, b) => Math.min(a, b));
  const count = hours.reduce((a, b) => Math.max(a, b)) - first + 1;
  if (count > MAX_HOURS) return `expected at most ${MAX_HOURS} hours from first to last, got ${count}`;
  const column = (of: (figures: Figures) => number | undefined): (number | null)[] => {
    const filled = new Array<number | null>(count).fill(null);
    rows.forEach(({ figures }, at) => (filled[(hours[at] as number) - first] = of(figures) ?? null));
    return filled;
  };
  const airOf = ({ air, high, low }: Figures) =>
    air ?? (high === undefined || low === undefined ? undefined : (high + low) / 2);
  const hasDamp = rows.some(({ figures: { dew, humidity } }) => dew !== undefined || humidity !== undefined);
  const coldest = hasDamp ? 0 : rows.map(({ figures }) => airOf(figures) ?? Infinity).reduce((a, b) => Math.min(a, b));
  const hasWind = rows.some(({ figures: { wind } }) => wind !== undefined);
  return {
    source: 'a file',
    issuedAt: now,
    firstHour: new Date(first * HOUR_MS).toISOString(),
    forecastFrom: now,
    airTempC: column(airOf),
    dewPointC: column((figures) => {
      const air = airOf(figures);
      if (figures.dew !== undefined) return figures.dew;
      if (air === undefined) return undefined;
      if (figures.humidity !== undefined) return dewPointC(air, figures.humidity);
      return hasDamp ? undefined : Math.min(air, coldest);
    }),
    windMps: column(({ wind }) => wind ?? (hasWind ? undefined : USUAL_WIND_MPS)),
    windFromDeg: column(({ windFrom }) => windFrom),
    cloudFraction: column(({ cloud }) => (cloud === undefined ? undefined : share(cloud))),
    pressureHpa: column(({ pressure }) => pressure),
    rainMm: column(({ rain }) => rain),
    solarWm2: column(({ solar }) => solar),
  };
}

/** Whether rows are days: no column and no cell says an hour, or highs and lows stand there. */
function isDaily({ lines }: TextTable, { roles }: WeatherMapping): boolean {
  if (roles.includes('high') && roles.includes('low') && !roles.includes('time')) return true;
  const column = roles.indexOf('date');
  if (roles.includes('time') || column < 0) return false;
  const times = lines.slice(0, 50).map(({ cells }) => /[T\s]+(\d.*)$/.exec(cells[column] ?? '')?.[1] ?? '');
  return times.every((time) => !/\d[:.h]\d|[ap]m/i.test(time) || MIDNIGHT.test(time)) && new Set(times).size === 1;
}

/**
 * Reads a table of weather, by the hour or by the day. A row that makes no sense is listed with its line, and what is
 * missing altogether is told with what stands in for it.
 */
export function readWeather(table: TextTable, mapping: WeatherMapping, context: WeatherContext): WeatherImport {
  const has = (role: WeatherRole) => mapping.roles.includes(role);
  const nothing = (message: string): WeatherImport => ({
    days: [],
    problems: [{ line: table.lines[0]?.line ?? 1, message }],
    notes: [],
    daily: false,
  });
  if (!has('date')) return nothing('say which column holds the day');
  if (!has('air') && !(has('high') && has('low'))) {
    return nothing('say which column holds the air temperature, or which the high and the low');
  }
  const daily = isDaily(table, mapping);
  const problems: WeatherProblemAt[] = [];
  const rows: Row[] = [];
  for (const line of table.lines) {
    const row = readLine(line, table, mapping, context.timeZone);
    if (typeof row === 'string') problems.push({ line: line.line, message: row });
    else rows.push(row);
  }
  if (!rows.length) return { days: [], problems, notes: [], daily };
  const hours = daily ? null : hoursOf(rows, context);
  if (typeof hours === 'string') return nothing(hours);
  const days = hours ? daysOfWeather(hours, context.timeZone) : daysByRow(rows, context);
  return { days, problems, notes: notesOn(mapping, rows, days, daily), daily };
}

/** The last row of a day stands for it. */
function daysByRow(rows: readonly Row[], context: WeatherContext): WeatherDay[] {
  const local = localTimes(context.timeZone);
  const days = new Map(rows.map((row) => dayOf(row, context, local)).map((day) => [day.date, day]));
  return [...days.values()].sort((a, b) => a.date.localeCompare(b.date));
}

/** What stands in for what is missing. */
function notesOn({ roles }: WeatherMapping, rows: readonly Row[], days: readonly WeatherDay[], daily: boolean) {
  const none = (...wanted: WeatherRole[]) => !wanted.some((role) => roles.includes(role));
  const notes: string[] = [];
  if (none('wind')) notes.push('No wind stands there: a light one is taken throughout.');
  if (none('dew', 'humidity')) notes.push('No dew point or humidity stands there: the lowest air stands in for it.');
  if (none('cloud', 'solar')) notes.push('No cloud stands there: half the sky is taken.');
  const wholeDays = new Set(rows.map(({ at }) => at.slice(0, 10))).size;
  if (!daily && days.length < wholeDays - 1) {
    notes.push(`Of ${wholeDays} days ${days.length} have twelve hours or more; the others are left out.`);
  }
  return notes;
}
