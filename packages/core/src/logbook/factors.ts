import type { Conditions } from '../contract/conditions.js';
import { nameOf } from '../contract/names.js';
import { moonFullness } from '../day/moon.js';
import { paceOf } from '../underway/states/options.js';
import { say, type Measure, type UnitSystem } from '../units/units.js';
import { clarityClass } from '../water/clarity.js';
import { dateOf } from '../day/calendar.js';
import type { LoggedStretch } from './stretches.js';

/** What bites can be counted by. */
export const FACTORS = [
  'phase',
  'temperature',
  'trend',
  'clarity',
  'light',
  'hour',
  'sky',
  'wind',
  'barometer',
  'moon',
  'tide',
  'depth',
  'structure',
  'cover',
  'spot',
  'lure',
  'pace',
  'tone',
  'month',
] as const;
export type Factor = (typeof FACTORS)[number];

/** A factor in an angler's words. */
export const FACTOR_NAMES: Readonly<Record<Factor, string>> = {
  phase: 'phase of the year',
  temperature: 'water temperature',
  trend: 'warming or cooling',
  clarity: 'clarity',
  light: 'light',
  hour: 'hour',
  sky: 'sky',
  wind: 'wind',
  barometer: 'barometer',
  moon: 'moon',
  tide: 'tide',
  depth: 'depth fished',
  structure: 'kind of place',
  cover: 'cover',
  spot: 'place',
  lure: 'lure',
  pace: 'pace',
  tone: 'colour',
  month: 'month',
};

/** Where a figure's bands end, in SI; the last has no end. */
interface Bands {
  readonly endsAt: readonly number[];
  readonly measure: Measure;
}
const BANDS = {
  temperature: { endsAt: [7.2, 10, 12.8, 15.6, 18.3, 21.1, 23.9, 26.7], measure: 'temp' },
  wind: { endsAt: [1.8, 3.6, 6.3], measure: 'wind' },
  depth: { endsAt: [0.6, 1.2, 2.4, 3.7, 6.1], measure: 'depth' },
} as const satisfies Partial<Record<Factor, Bands>>;
type Banded = keyof typeof BANDS;

/** Slower than this in a day the water stands. */
const STEADY_C_PER_DAY = 0.15;
/** Lit part of the moon under which it counts as new, and over which as full. */
const NEW_MOON = 0.2;
const FULL_MOON = 0.8;
const HOURS_TOGETHER = 2;

/** Levels are numbered with their order in front, so that they sort as they follow one another. */
const bandOf = (factor: Banded, value: number): string => {
  const at = BANDS[factor].endsAt.findIndex((end) => value < end);
  return String(at < 0 ? BANDS[factor].endsAt.length : at);
};

const BAROMETER: Partial<Record<NonNullable<Conditions['front']>, string>> = {
  approaching: '0 falling',
  passing: '0 falling',
  stable: '1 steady',
  'post-frontal': '2 rising',
  recovering: '2 rising',
};

function trendOf(trend: number | undefined): string | null {
  if (trend === undefined) return null;
  return trend > STEADY_C_PER_DAY ? '2 warming' : trend < -STEADY_C_PER_DAY ? '0 cooling' : '1 steady';
}

function moonOf(day: number): string {
  const lit = moonFullness(day);
  return lit < NEW_MOON ? '0 new' : lit > FULL_MOON ? '2 full' : '1 between';
}

const PACE_ORDER = { slow: 0, medium: 1, fast: 2 } as const;

/** What a stretch is of a factor, as a key; null where nobody knows. */
export function levelOf(factor: Factor, { block, conditions, day, tone, trip }: LoggedStretch): string | null {
  switch (factor) {
    case 'phase':
      return trip.plan?.plan.phase.id ?? null;
    case 'temperature':
      return conditions ? bandOf('temperature', conditions.surfaceTempC) : null;
    case 'trend':
      return trendOf(conditions?.tempTrendCPerDay);
    case 'clarity':
      return conditions?.visibilityM === undefined ? null : clarityClass(conditions.visibilityM);
    case 'light':
      return block.light;
    case 'hour':
      return String(Math.floor((block.atMin % 1440) / 60 / HOURS_TOGETHER) * HOURS_TOGETHER).padStart(2, '0');
    case 'sky':
      return conditions?.sky ?? null;
    case 'wind':
      return conditions?.windMps === undefined ? null : bandOf('wind', conditions.windMps);
    case 'barometer':
      return (conditions?.front && BAROMETER[conditions.front]) ?? null;
    case 'moon':
      return moonOf(day);
    case 'tide':
      return block.tide;
    case 'depth':
      return bandOf('depth', block.depthM);
    case 'structure':
      return block.structure;
    case 'cover':
      return block.cover;
    case 'spot':
      return block.spot;
    case 'lure':
      return block.category;
    case 'pace': {
      const pace = paceOf(block.category, block.paceMps);
      return `${PACE_ORDER[pace]} ${pace}`;
    }
    case 'tone':
      return tone;
    case 'month':
      return dateOf(day).slice(5, 7);
  }
}

const MONTHS = 'January February March April May June July August September October November December'.split(' ');

function bandWords({ endsAt, measure }: Bands, at: number, units: UnitSystem): string {
  const [from, to] = [endsAt[at - 1], endsAt[at]];
  if (from === undefined) return `under ${say(measure, to as number, units)}`;
  if (to === undefined) return `over ${say(measure, from, units)}`;
  return `${say(measure, from, units)} to ${say(measure, to, units)}`;
}

const hourWords = (hour: number): string => {
  const said = (of: number) => `${of % 12 || 12} ${of % 24 < 12 ? 'am' : 'pm'}`;
  return `${said(hour)} to ${said(hour + HOURS_TOGETHER)}`;
};

/** A level in words, in the user's units. */
export function levelWords(factor: Factor, level: string, units: UnitSystem): string {
  if (factor in BANDS) return bandWords(BANDS[factor as Banded], Number(level), units);
  if (factor === 'hour') return hourWords(Number(level));
  if (factor === 'month') return MONTHS[Number(level) - 1] ?? level;
  if (factor === 'spot') return level;
  return nameOf(level.replace(/^\d /, ''));
}

const IN_ORDER: ReadonlySet<Factor> = new Set([
  'temperature',
  'trend',
  'hour',
  'wind',
  'barometer',
  'moon',
  'depth',
  'pace',
  'month',
]);

/** Whether the levels of a factor follow one another; else they stand by what they bring. */
export const isInOrder = (factor: Factor): boolean => IN_ORDER.has(factor);
