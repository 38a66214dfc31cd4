import { nameOf } from '../contract/names.js';
import { say, type Measure, type UnitSystem } from '../units/units.js';
import type { QuantityName } from './facts.js';
import type { Condition } from './fuzzy.js';

/** Quantities in words, with how their figures are shown; without a measure the bare figure stands. */
const QUANTITIES: Readonly<Record<QuantityName, readonly [words: string, measure?: Measure, unit?: string]>> = {
  surfaceTempC: ['water', 'temp'],
  tempTrendCPerDay: ['trend', 'tempChange', ' a day'],
  riseAboveYearLowC: ["rise above the year's low", 'tempChange'],
  dayLengthH: ['day', undefined, ' h'],
  dayLengthChangeMinPerDay: ['day lengthens by', undefined, ' min a day'],
  visibilityM: ['visibility', 'depth'],
  effectiveVisibilityM: ['visibility as fish judge it', 'depth'],
  sightM: ['how far off a lure is found', 'depth'],
  relativeClarity: ['visibility against the normal'],
  windMps: ['wind', 'wind'],
  bankSlopeDeg: ['slope', undefined, ' degrees'],
  light: ['light, share of full sun'],
  sunWarmth: ['warmth of the sun, 0 to 1'],
  hoursFromSunrise: ['since sunrise', undefined, ' h'],
  shadSpawnHoursLeft: ['until the shad spawn ends', undefined, ' h'],
  holdingDepthM: ['fish at', 'depth'],
  waterOverCoverM: ['water over the cover', 'depth'],
  tideHours: ['into the tide', undefined, ' h'],
  tideRangeM: ['range of the tide', 'depth'],
  tideRun: ['run of the tide, of its hardest'],
  salinityPsu: ['salinity', undefined, ' psu'],
  overTableM: ['water against its table', 'depth'],
  springShare: ['tide from neaps (0) to springs (1)'],
  forageLengthMm: ['forage', 'length'],
  belowYearHighC: ["under the year's high by", 'tempChange'],
  yearMonth: ['month'],
  moonFullness: ['lit part of the moon'],
};

function figure(name: QuantityName, value: number, units: UnitSystem): string {
  const [, measure, unit = ''] = QUANTITIES[name];
  return measure ? `${say(measure, value, units)}${unit}` : `${Number(value.toFixed(2))}${unit}`;
}

/** Families of facts whose names alone would not say what they are about. */
const FAMILIES: Readonly<Record<string, string>> = { 'fish-sign': 'caught fish:', seen: 'bait seen:', sign: 'seen:' };

/** A condition in words: `water under 55 °F, wholly under 47 °F`. */
export function describeCondition(condition: Condition, units: UnitSystem): string {
  if ('quantity' in condition) {
    const { quantity, zero, one } = condition;
    const way = one > zero ? 'over' : 'under';
    const [from, full] = [figure(quantity, zero, units), figure(quantity, one, units)];
    return `${QUANTITIES[quantity][0]} ${way} ${from}${from === full ? '' : `, wholly ${way} ${full}`}`;
  }
  if ('degree' in condition) {
    const [name, id] = condition.degree.split(':');
    const family = FAMILIES[name as string] ?? name;
    return id === undefined ? nameOf(family as string) : `${nameOf(family as string)} ${nameOf(id)}`;
  }
  if ('not' in condition) return `not ${describeCondition(condition.not, units)}`;
  const parts = 'all' in condition ? condition.all : condition.any;
  if (!parts.length) return 'always';
  return parts.map((part) => describeCondition(part, units)).join('all' in condition ? '; and ' : ' or ');
}

const signed = (weight: number): string => `${weight > 0 ? '+' : '−'}${Math.abs(Number(weight.toFixed(2)))}`;

/** What a rule does, in words: weights on aspects or options, a factor, a figure, or what it names. */
export function describeEffect(effect: unknown): string {
  if (typeof effect === 'number') return `by ${Number(effect.toFixed(2))}`;
  if (typeof effect === 'string') return nameOf(effect);
  if (typeof effect !== 'object' || effect === null) return '';
  if ('phase' in effect && 'floor' in effect) {
    return `speaks for ${nameOf(String(effect.phase))}; where it does not hold, ${nameOf(String(effect.phase))} counts ${Number(effect.floor)} times as much`;
  }
  return Object.entries(effect)
    .map(([name, value]) =>
      typeof value === 'number'
        ? `${nameOf(name.replace(/([A-Z])/g, (letter) => `-${letter.toLowerCase()}`))} ${signed(value)}`
        : `${Array.isArray(value) ? value.join(' to ') : nameOf(String(value))}`,
    )
    .join(', ');
}
