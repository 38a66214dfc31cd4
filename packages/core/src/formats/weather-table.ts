import type { WeatherHours } from '../contract/outside.js';
import { dateOrderOf, momentOf } from './moments.js';
import { figureIn, TableProblem, type TextTable } from './table.js';

type Quantity =
  | 'airTempC'
  | 'dewPointC'
  | 'humidity'
  | 'windMps'
  | 'windFromDeg'
  | 'cloudFraction'
  | 'pressureHpa'
  | 'rainMm'
  | 'solarWm2';

const TITLES: readonly (readonly [Quantity, RegExp])[] = [
  ['dewPointC', /dew/i],
  ['humidity', /humid|\brh\b/i],
  ['windFromDeg', /wind.*(dir|from|deg)|direction/i],
  ['windMps', /wind/i],
  ['cloudFraction', /cloud|sky/i],
  ['pressureHpa', /press|baro/i],
  ['rainMm', /rain|precip/i],
  ['solarWm2', /solar|radiation|sun/i],
  ['airTempC', /temp|air/i],
];

const fahrenheit = (value: number) => (value - 32) / 1.8;
/** What brings a column's figures to SI, by the unit in its title. */
function toSi(quantity: Quantity, title: string): (value: number) => number {
  const has = (words: RegExp) => words.test(title);
  switch (quantity) {
    case 'airTempC':
    case 'dewPointC':
      return has(/°?\bf\b|_f\b|fahrenheit/i) ? fahrenheit : (value) => value;
    case 'windMps':
      return has(/mph/i)
        ? (value) => value * 0.44704
        : has(/km/i)
          ? (value) => value / 3.6
          : has(/kn|kt/i)
            ? (value) => value * 0.514444
            : (value) => value;
    case 'cloudFraction':
      return has(/%|percent|pct/i)
        ? (value) => value / 100
        : has(/okta|eighth/i)
          ? (value) => value / 8
          : (value) => value;
    case 'pressureHpa':
      return has(/inhg|in\b/i) ? (value) => value * 33.8639 : has(/kpa/i) ? (value) => value * 10 : (value) => value;
    case 'rainMm':
      return has(/\bin\b|inch|_in\b/i) ? (value) => value * 25.4 : (value) => value;
    default:
      return (value) => value;
  }
}

/** Dew point from air temperature and relative humidity in percent (Magnus, with the figures of Alduchov & Eskridge 1996). */
export function dewPointC(airTempC: number, humidityPercent: number): number {
  const gamma = Math.log(Math.max(1, humidityPercent) / 100) + (17.625 * airTempC) / (243.04 + airTempC);
  return (243.04 * gamma) / (17.625 - gamma);
}

const HOUR_MS = 3_600_000;
const MAX_HOURS = 200_000;

/**
 * Hourly weather from a table with a head: a column of times, air temperature, dew point or humidity, wind, and what else
 * there is; units stand in the titles, SI where none does. Hours that are missing stay missing. Hours after `now` count
 * as forecast.
 * @throws TableProblem where a column is missing or a time cannot be read, with its line
 */
export function weatherFromTable(table: TextTable, timeZone: string, now: string): WeatherHours {
  const { header, lines, decimalComma, delimiter } = table;
  if (!header)
    throw new TableProblem('Line 1: expected titles of the columns, as time, air temp C, dew point C, wind m/s.');
  const when = header.findIndex((title) => /time|date|when|hour/i.test(title));
  if (when < 0) throw new TableProblem(`Line 1: expected a column of times, got ${header.slice(0, 6).join(', ')}.`);
  const columns = new Map<Quantity, { at: number; si: (value: number) => number }>();
  header.forEach((title, at) => {
    if (at === when) return;
    const quantity = TITLES.find(([, words]) => words.test(title))?.[0];
    if (quantity && !columns.has(quantity)) columns.set(quantity, { at, si: toSi(quantity, title) });
  });
  const need = (quantity: Quantity, words: string) => {
    if (!columns.has(quantity)) throw new TableProblem(`Line 1: expected a column of ${words}.`);
  };
  need('airTempC', 'air temperature');
  need('windMps', 'wind speed');
  if (!columns.has('dewPointC')) need('humidity', 'dew point or humidity');
  const order = dateOrderOf(
    lines.map(({ cells }) => cells[when] ?? ''),
    delimiter === ';' || decimalComma ? 'dmy' : 'mdy',
  );
  const rows = lines.map(({ line, cells }) => {
    const at = momentOf(cells[when] ?? '', undefined, order, timeZone);
    if (!at)
      throw new TableProblem(`Line ${line}: expected a day and an hour, got "${(cells[when] ?? '').slice(0, 30)}".`);
    return { hour: Math.round(Date.parse(at) / HOUR_MS), cells };
  });
  const hours = rows.map(({ hour }) => hour);
  const first = hours.reduce((a, b) => Math.min(a, b));
  const count = hours.reduce((a, b) => Math.max(a, b)) - first + 1;
  if (count > MAX_HOURS) throw new TableProblem(`Expected at most ${MAX_HOURS} hours, got ${count}.`);
  const figures = (quantity: Quantity): (number | null)[] => {
    const filled = new Array<number | null>(count).fill(null);
    const column = columns.get(quantity);
    if (!column) return filled;
    for (const { hour, cells } of rows) {
      const figure = figureIn(cells[column.at] ?? '', decimalComma);
      if (figure !== undefined) filled[hour - first] = column.si(figure);
    }
    return filled;
  };
  const airTempC = figures('airTempC');
  const humidity = figures('humidity');
  const dew = columns.has('dewPointC')
    ? figures('dewPointC')
    : airTempC.map((air, at) =>
        air === null || typeof humidity[at] !== 'number' ? null : dewPointC(air, humidity[at] as number),
      );
  return {
    source: 'a file',
    issuedAt: now,
    firstHour: new Date(first * HOUR_MS).toISOString(),
    forecastFrom: now,
    airTempC,
    dewPointC: dew,
    windMps: figures('windMps'),
    windFromDeg: figures('windFromDeg'),
    cloudFraction: figures('cloudFraction'),
    pressureHpa: figures('pressureHpa'),
    rainMm: figures('rainMm'),
    solarWm2: figures('solarWm2'),
  };
}
