import { toSi, type Measure, type UnitSystem } from './units.js';

/** Vulgar fractions as keyboards offer them. */
const VULGAR = /\s*([¼½¾⅐-⅞])/g;
const NUMBER = String.raw`(?:\d+(?:[.,]\d+)*|[.,]\d+)`;
const FRACTION = String.raw`(?:\d+(?:\s+|-))?\d+\s*/\s*\d+`;
const FRACTION_PARTS = /^(?:(\d+)(?:\s+|-))?(\d+)\s*\/\s*(\d+)$/;
const THOUSANDS = /^[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/;

/** Fractions, dashes and quotes of all kinds as the plain ones. */
const plain = (text: string): string =>
  text
    .replace(VULGAR, (_, fraction: string) => ` ${fraction.normalize('NFKC').replace('⁄', '/')}`)
    .replace(/[−–]/g, '-')
    .replace(/[’′‘]/g, "'")
    .replace(/[”″“]|''/g, '"')
    .trim();

function unsigned(text: string, units: UnitSystem | null): number | undefined {
  const [, whole = '0', over, under] = FRACTION_PARTS.exec(text) ?? [];
  if (over !== undefined && under !== undefined) {
    return Number(under) === 0 ? undefined : Number(whole) + Number(over) / Number(under);
  }
  const point = units === 'us' && THOUSANDS.test(text) ? text.replaceAll(',', '') : text.replace(',', '.');
  return /^(\d+\.?\d*|\.\d+)$/.test(point) ? Number(point) : undefined;
}

/**
 * A number as people write it: `51`, `51,5`, `3/8`, `1 1/4`, `2½`. A comma parts the decimals; only where the user's
 * units are those of the United States does `1,150` mean thousands.
 * @returns undefined where it is none
 */
export function readNumber(text: string, units: UnitSystem | null = null): number | undefined {
  const [, sign, rest = ''] = /^([-+]?)\s*(.*)$/.exec(plain(text)) ?? [];
  const number = unsigned(rest, units);
  return number === undefined ? undefined : sign === '-' ? -number : number;
}

type Dimension = 'temp' | 'tempChange' | 'span' | 'mass' | 'speed';

interface Unit {
  readonly names: RegExp;
  /** Of the dimension's base: metres, grams, metres a second, degrees Celsius. */
  readonly factor: number;
  /** The unit that a second figure is in, as the inches of `7 ft 2`. */
  readonly then?: RegExp;
  readonly offset?: number;
}

const INCHES = /^(?:"|in|ins|inch|inches)$/;
const OUNCES = /^(?:oz|ounces?)$/;
const FAHRENHEIT = /^(?:°?f|deg f|fahrenheit)$/;
const CELSIUS = /^(?:°?c|deg c|celsius)$/;

/** Exact, as the units are defined. */
const UNITS: Readonly<Record<Dimension, readonly Unit[]>> = {
  temp: [
    { names: FAHRENHEIT, factor: 1 / 1.8, offset: -32 },
    { names: CELSIUS, factor: 1 },
  ],
  tempChange: [
    { names: FAHRENHEIT, factor: 1 / 1.8 },
    { names: CELSIUS, factor: 1 },
  ],
  span: [
    { names: /^(?:'|ft|feet|foot)$/, factor: 0.3048, then: INCHES },
    { names: INCHES, factor: 0.0254 },
    { names: /^(?:m|metres?|meters?)$/, factor: 1 },
    { names: /^cm$/, factor: 0.01 },
    { names: /^mm$/, factor: 0.001 },
    { names: /^(?:yds?|yards?)$/, factor: 0.9144 },
  ],
  mass: [
    { names: /^(?:lbs?|pounds?|#)$/, factor: 453.59237, then: OUNCES },
    { names: OUNCES, factor: 28.349523125 },
    { names: /^(?:g|grams?)$/, factor: 1 },
    { names: /^(?:kg|kilos?)$/, factor: 1000 },
  ],
  speed: [
    { names: /^(?:mph|mi\/h)$/, factor: 0.44704 },
    { names: /^(?:m\/s|mps)$/, factor: 1 },
    { names: /^(?:km\/h|kmh|kph)$/, factor: 1 / 3.6 },
    { names: /^(?:kn|kts?|knots?)$/, factor: 1852 / 3600 },
    { names: /^(?:ft\/s|fps)$/, factor: 0.3048 },
  ],
};

/** What a measure is of, and how many of its own SI unit the dimension's base is. */
const MEASURES: Readonly<Record<Measure, readonly [of: Dimension, perBase: number]>> = {
  temp: ['temp', 1],
  tempChange: ['tempChange', 1],
  depth: ['span', 1],
  rodLength: ['span', 1],
  length: ['span', 1000],
  fishLength: ['span', 1000],
  weight: ['mass', 1],
  fishWeight: ['mass', 1],
  test: ['mass', 1 / 453.59237],
  wind: ['speed', 1],
  speed: ['speed', 1],
};

const SYMBOL = String.raw`°?[a-z]+(?:/[a-z]+)?|'|"|#`;
const FIGURE = `(?:${FRACTION}|${NUMBER})`;
const PARTS = new RegExp(
  String.raw`^(?<first>[-+]?\s*${FIGURE})\s*(?<unit>deg [fc]|${SYMBOL})\s*(?:(?<second>${FIGURE})\s*(?<then>${SYMBOL})?)?$`,
);

/**
 * A quantity as anglers type it: `3/8`, `⅜ oz`, `7'0"`, `7 ft 2`, `12 lb`, `5 lb 3 oz`, `8 km/h`. Without a unit it is in
 * the user's; with one, in that.
 * @returns in the core's unit of that measure; undefined where it is no such quantity
 * @example
 * readQuantityIn(`7'0"`, 'rodLength', 'metric') // => 2.1336
 * readQuantityIn('10 g', 'weight', 'us') // => 10
 */
export function readQuantityIn(text: string, measure: Measure, units: UnitSystem): number | undefined {
  const bare = readNumber(text, units);
  if (bare !== undefined) return toSi(measure, bare, units);
  const found = PARTS.exec(plain(text).toLowerCase().replace(/\.$/, ''))?.groups;
  const [dimension, perBase] = MEASURES[measure];
  const unit = UNITS[dimension].find(({ names }) => names.test(found?.['unit'] ?? ''));
  const first = readNumber(found?.['first'] ?? '', units);
  if (!unit || first === undefined) return undefined;
  let base = (first + (unit.offset ?? 0)) * unit.factor;
  if (found?.['second'] !== undefined) {
    const smaller = UNITS[dimension].find(({ names }) => names === unit.then);
    const second = readNumber(found['second'], units);
    const inThat = found['then'] === undefined || smaller?.names.test(found['then']);
    if (!smaller || second === undefined || !inThat) return undefined;
    base += second * smaller.factor;
  }
  return base * perBase;
}

/** A ratio of gears: `6.3`, `6.3:1`. */
export const readRatio = (text: string): number | undefined => readNumber(text.replace(/\s*:\s*1\s*$/, ''));
