import type { UnitSystem } from '../units/units.js';
import { dateOrderOf, looksLikeDate, type DateOrder } from './moments.js';
import { figureIn, type TextTable } from './table.js';

/** What a column of a table of weather holds. */
export const WEATHER_ROLES = [
  'date',
  'time',
  'air',
  'high',
  'low',
  'dew',
  'humidity',
  'wind',
  'windFrom',
  'cloud',
  'pressure',
  'rain',
  'solar',
  'ignore',
] as const;
export type WeatherRole = (typeof WEATHER_ROLES)[number];

/** What figures of a table may be in, with what brings them to SI. Exact, but for the knot's and the inch's mercury. */
export const WEATHER_UNITS = {
  temp: { '°C': (value: number) => value, '°F': (value: number) => (value - 32) / 1.8 },
  wind: {
    'm/s': (value: number) => value,
    'km/h': (value: number) => value / 3.6,
    mph: (value: number) => value * 0.44704,
    kn: (value: number) => (value * 1852) / 3600,
  },
  rain: {
    mm: (value: number) => value,
    cm: (value: number) => value * 10,
    in: (value: number) => value * 25.4,
  },
  pressure: {
    hPa: (value: number) => value,
    kPa: (value: number) => value * 10,
    inHg: (value: number) => value * 33.8639,
  },
  cloud: {
    '%': (value: number) => value / 100,
    'parts of one': (value: number) => value,
    eighths: (value: number) => value / 8,
  },
} as const satisfies Record<string, Record<string, (value: number) => number>>;
export type WeatherMeasure = keyof typeof WEATHER_UNITS;
export type WeatherUnits = { readonly [M in WeatherMeasure]: keyof (typeof WEATHER_UNITS)[M] & string };

/** How a table of weather is to be read. */
export interface WeatherMapping {
  /** One a column. */
  readonly roles: readonly WeatherRole[];
  readonly units: WeatherUnits;
  readonly dateOrder: DateOrder;
}

const TITLES: readonly (readonly [WeatherRole, RegExp])[] = [
  ['date', /\b(date|day|datetime|timestamp|datum|zeit|when|observed)\b|date[_ ]?time|^(date|valid)/i],
  ['time', /^(time|hour|uhrzeit|heure)\b/i],
  ['dew', /dew|taupunkt|td\b/i],
  ['humidity', /humid|\brh\b|feuchte/i],
  ['windFrom', /wind.*(dir|from|deg|richtung)|direction|\bwdir/i],
  ['wind', /wind|\bwspd|\bawnd/i],
  ['cloud', /cloud|sky|bew.lk|okta/i],
  ['pressure', /press|baro|luftdruck/i],
  ['rain', /rain|precip|prcp|niederschlag/i],
  ['solar', /solar|radiation|sun|strahlung/i],
  ['high', /high|max/i],
  ['low', /low|min\b|tmin|_min|minimum/i],
  ['air', /temp|air|luft|\bt\b/i],
];

/** The roles whose figures have a unit to choose, by what is measured. */
export const MEASURE_OF: Partial<Record<WeatherRole, WeatherMeasure>> = {
  air: 'temp',
  high: 'temp',
  low: 'temp',
  dew: 'temp',
  wind: 'wind',
  rain: 'rain',
  pressure: 'pressure',
  cloud: 'cloud',
};

const NAMED: { readonly [M in WeatherMeasure]: readonly (readonly [WeatherUnits[M], RegExp])[] } = {
  temp: [
    ['°F', /°\s*f|\bf\b|_f\b|fahrenheit|degf/i],
    ['°C', /°\s*c|\bc\b|_c\b|celsius|degc/i],
  ],
  wind: [
    ['mph', /mph|mi\/h/i],
    ['km/h', /km/i],
    ['kn', /\bkn|\bkt|knot/i],
    ['m/s', /m\/s|mps|m s-1/i],
  ],
  rain: [
    ['in', /\bin\b|inch|_in\b/i],
    ['cm', /\bcm\b/i],
    ['mm', /mm/i],
  ],
  pressure: [
    ['inHg', /inhg|\bin\b|mercury/i],
    ['kPa', /kpa/i],
    ['hPa', /hpa|mb|mbar/i],
  ],
  cloud: [
    ['%', /%|percent|pct/i],
    ['eighths', /okta|eighth|achtel/i],
  ],
};

/** Whether a unit of a measure is known by such words. */
export const isUnitOf = (measure: WeatherMeasure, words: string): boolean =>
  (NAMED[measure] as readonly (readonly [string, RegExp])[]).some(([, known]) => known.test(words));

/** The unit that figures seem to be in where no title says it; those of the user where the figures say nothing. */
function unitByFigures(measure: WeatherMeasure, most: number, units: UnitSystem): string {
  const us = units === 'us';
  switch (measure) {
    case 'temp':
      // Over 50 no air is in degrees Celsius.
      return us || most > 50 ? '°F' : '°C';
    case 'wind':
      return us ? 'mph' : 'm/s';
    case 'rain':
      return us ? 'in' : 'mm';
    case 'pressure':
      return most < 35 ? 'inHg' : most < 120 ? 'kPa' : 'hPa';
    case 'cloud':
      return most > 8 ? '%' : most > 1 ? 'eighths' : 'parts of one';
  }
}

/** How a table seems to want to be read: by its titles, by its figures, and last by the user's units. */
export function guessWeatherMapping(table: TextTable, units: UnitSystem): WeatherMapping {
  const { header, lines, decimalComma, delimiter } = table;
  const sample = lines.slice(0, 400);
  const columns = Math.max(header?.length ?? 0, ...sample.slice(0, 50).map(({ cells }) => cells.length));
  const cellsOf = (column: number) => sample.map(({ cells }) => cells[column] ?? '').filter(Boolean);
  const taken = new Set<WeatherRole>();
  const roles = Array.from({ length: columns }, (_, column): WeatherRole => {
    const title = header?.[column] ?? '';
    const named = TITLES.find(([, words]) => words.test(title))?.[0];
    const first = cellsOf(column).slice(0, 8);
    const isDay = () => first.length > 0 && 2 * first.filter(looksLikeDate).length >= first.length;
    // A column of times that holds days too is the one of both.
    const role = (named === 'time' || named === undefined) && isDay() ? 'date' : (named ?? 'ignore');
    if (role === 'ignore' || taken.has(role)) return 'ignore';
    taken.add(role);
    return role;
  });
  const unitOf = (measure: WeatherMeasure): string => {
    const own = roles.flatMap((role, column) => (MEASURE_OF[role] === measure ? [column] : []));
    const title = own.map((column) => header?.[column] ?? '').join(' ');
    const named = (NAMED[measure] as readonly (readonly [string, RegExp])[]).find(([, words]) => words.test(title));
    if (named) return named[0];
    const figures = own.flatMap((column) => cellsOf(column).flatMap((cell) => figureIn(cell, decimalComma) ?? []));
    return unitByFigures(measure, Math.max(-Infinity, ...figures), units);
  };
  const date = roles.indexOf('date');
  return {
    roles,
    units: {
      temp: unitOf('temp'),
      wind: unitOf('wind'),
      rain: unitOf('rain'),
      pressure: unitOf('pressure'),
      cloud: unitOf('cloud'),
    } as WeatherUnits,
    dateOrder: dateOrderOf(
      date < 0 ? [] : lines.map(({ cells }) => cells[date] ?? ''),
      delimiter === ';' || decimalComma ? 'dmy' : 'mdy',
    ),
  };
}
