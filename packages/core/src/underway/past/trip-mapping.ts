import { dateOrderOf, looksLikeDate, type DateOrder } from '../../formats/moments.js';
import type { TextTable } from '../../formats/table.js';
import type { UnitSystem } from '../../units/units.js';

/** What a column of a table of trips or fish holds. */
export const TRIP_ROLES = [
  'date',
  'start',
  'end',
  'hours',
  'time',
  'water',
  'spot',
  'lure',
  'species',
  'count',
  'length',
  'weight',
  'depth',
  'temp',
  'clarity',
  'note',
  'ignore',
] as const;
export type TripRole = (typeof TRIP_ROLES)[number];

/** What figures without a unit of their own are in. */
export const TRIP_UNITS = {
  temp: ['°F', '°C'],
  depth: ['ft', 'm'],
  length: ['in', 'cm', 'mm'],
  weight: ['lb', 'oz', 'kg', 'g'],
} as const;
export type TripMeasure = keyof typeof TRIP_UNITS;
export type TripUnits = { readonly [M in TripMeasure]: (typeof TRIP_UNITS)[M][number] };

/** How a table of trips is to be read. */
export interface TripMapping {
  /** One a column. */
  readonly roles: readonly TripRole[];
  readonly units: TripUnits;
  readonly dateOrder: DateOrder;
}

/** First come, first served: `water temp` is a temperature, `water` a water. */
const TITLES: readonly (readonly [TripRole, RegExp])[] = [
  ['start', /\b(start|begin|began|from|launch|put in)\b/i],
  ['end', /\b(end|finish|until|till|take out|off the water)\b/i],
  ['hours', /\b(hours|hrs|duration|effort|time fished|stunden)\b/i],
  ['date', /\b(date|day|when|datum)\b/i],
  ['time', /\b(time|hour|clock|uhrzeit)\b/i],
  ['temp', /temp|°/i],
  ['clarity', /clar|vis|secchi|sicht/i],
  ['depth', /depth|deep|tiefe/i],
  ['length', /length|long|\blen\b|inches|size|l.nge/i],
  ['weight', /weight|\bwt\b|lbs?\b|gewicht/i],
  ['lure', /lure|bait|fly|k.der/i],
  ['species', /species|kind|\btype\b|fischart/i],
  ['count', /count|number|how many|caught|catch|\bfish\b|qty|anzahl|\bno\.?\b/i],
  ['spot', /spot|place|where|structure|location/i],
  ['water', /water|lake|river|bay|body|gew.sser/i],
  ['note', /note|comment|remark|bemerkung/i],
];

/** What is said of the lure beside its name is none of the fish's. */
const OF_THE_LURE = /(lure|bait).*(colou?r|size|weight|length)/i;

/** Signs of a unit in a title, and in the cells where no title has one. */
const SIGNS: { readonly [M in TripMeasure]: readonly (readonly [TripUnits[M], RegExp])[] } = {
  temp: [
    ['°F', /°\s*f|\bf\b|_f\b|fahrenheit/i],
    ['°C', /°\s*c|\bc\b|_c\b|celsius/i],
  ],
  depth: [
    ['ft', /\bft\b|feet|_ft\b/i],
    ['m', /\bm\b|met(?:er|re)|_m\b/i],
  ],
  length: [
    ['in', /\bin\b|inch|"|_in\b/i],
    ['cm', /\bcm\b|_cm\b/i],
    ['mm', /\bmm\b|_mm\b/i],
  ],
  weight: [
    ['lb', /\blbs?\b|pound|_lb\b/i],
    ['oz', /\boz\b|ounce|_oz\b/i],
    ['kg', /\bkg\b|kilo|_kg\b/i],
    ['g', /\bg\b|gram|_g\b/i],
  ],
};
const USUAL: Readonly<Record<UnitSystem, TripUnits>> = {
  us: { temp: '°F', depth: 'ft', length: 'in', weight: 'lb' },
  metric: { temp: '°C', depth: 'm', length: 'cm', weight: 'kg' },
};

const SAMPLED = 50;

/** How a table of trips seems to want to be read: by the words of its head, else by where a day stands. */
export function guessTripMapping(
  { header, lines, delimiter, decimalComma }: TextTable,
  units: UnitSystem,
): TripMapping {
  const sample = lines.slice(0, SAMPLED);
  const columns = Math.max(header?.length ?? 0, ...sample.map(({ cells }) => cells.length));
  const taken = new Set<TripRole>();
  const roles = Array.from({ length: columns }, (_, column): TripRole => {
    const title = (header?.[column] ?? '').replaceAll('_', ' ');
    if (OF_THE_LURE.test(title)) return 'ignore';
    const role = TITLES.find(([each, words]) => !taken.has(each) && words.test(title))?.[0] ?? 'ignore';
    taken.add(role);
    return role;
  });
  if (!taken.has('date')) {
    const dated = roles.findIndex(
      (role, column) => role === 'ignore' && sample.some(({ cells }) => looksLikeDate(cells[column] ?? '')),
    );
    if (dated >= 0) roles[dated] = 'date';
  }
  const unitOf = <M extends TripMeasure>(measure: M, role: TripRole): TripUnits[M] => {
    const title = header?.[roles.indexOf(role)] ?? '';
    return SIGNS[measure].find(([, sign]) => sign.test(title.replaceAll('_', ' ')))?.[0] ?? USUAL[units][measure];
  };
  const dates = lines.map(({ cells }) => cells[roles.indexOf('date')] ?? '');
  return {
    roles,
    units: {
      temp: unitOf('temp', 'temp'),
      depth: unitOf('depth', roles.includes('depth') ? 'depth' : 'clarity'),
      length: unitOf('length', 'length'),
      weight: unitOf('weight', 'weight'),
    },
    dateOrder: dateOrderOf(dates, delimiter === ';' || decimalComma ? 'dmy' : 'mdy'),
  };
}
