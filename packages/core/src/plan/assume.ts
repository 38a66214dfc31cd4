import type { Conditions } from '../contract/conditions.js';
import type { Plan } from '../contract/plan.js';
import { dayTide, tideAt } from '../day/tide.js';
import { clockOf, minutesOfHours } from '../day/windows.js';
import { noonMs } from '../day/noon.js';
import { dayOfYear, type SunDay } from '../day/sun.js';
import { USUAL_PLACES, USUAL_THERMOCLINE_M, USUAL_VISIBILITY_M } from '../place/places.js';
import { climateLowC, climateTrendCPerDay } from '../season/climate.js';
import { changeOver48hC, trendCPerDay } from '../season/trend.js';
import { salinityAfterRainPsu } from '../water/salinity.js';

/** Fields that are always known once assumptions are made. */
type Assumed =
  | 'species'
  | 'window'
  | 'waterKind'
  | 'familiarity'
  | 'goal'
  | 'tempTrendCPerDay'
  | 'yearLowC'
  | 'visibilityM'
  | 'normalVisibilityM'
  | 'visibilityTrend'
  | 'level'
  | 'sky'
  | 'windMps'
  | 'front'
  | 'inflow'
  | 'structures'
  | 'covers'
  | 'maxRods';

/** Conditions with every gap filled that the judgement needs filled. */
export type FullConditions = Conditions & { [K in Assumed]-?: NonNullable<Conditions[K]> };

export interface Assumption {
  readonly conditions: FullConditions;
  readonly assumed: Plan['assumed'];
}

/** What a day's readings tell of its water. */
export interface ReadingTrend {
  /** Degrees Celsius a day; undefined where they do not span one. */
  readonly trendCPerDay: number | undefined;
  /** Sharp change of the water over the last 48 hours, degrees Celsius. */
  readonly sharpChangeC: number;
}

/** What the readings up to noon of the day tell. */
export function readingTrend({ readings = [], date, place }: Conditions): ReadingTrend {
  const untilMs = noonMs(date, place.timeZone);
  return { trendCPerDay: trendCPerDay(readings, untilMs), sharpChangeC: changeOver48hC(readings, untilMs) };
}

const quarter = (minutes: number): number => Math.round(minutes / 15) * 15;

/** Rods on deck where none were said: few in mud, where few lures are worth throwing. */
const USUAL_RODS = 6;
const RODS_IN_MUD = 3;
const inMud = (visibilityM: number, normalVisibilityM: number): boolean =>
  visibilityM < 0.6 && visibilityM < 0.5 * normalVisibilityM;

const SIX_TO_SIX = { from: '06:00', to: '18:00' } as const;

/**
 * Half an hour before sunrise to half an hour after sunset. Six to six where the sun does not rise or set, or where the
 * zone's clock has it set before it rises, as under a zone that is not the water's own.
 */
function daylight({ sunriseMin, sunsetMin }: SunDay): NonNullable<Conditions['window']> {
  if (sunriseMin === null || sunsetMin === null || sunsetMin <= sunriseMin) return SIX_TO_SIX;
  return {
    from: clockOf(Math.max(0, quarter(sunriseMin - 30))),
    to: clockOf(Math.min(1425, quarter(sunsetMin + 30))),
  };
}

/** A tide as it is said: how hard it runs is no part of that. */
const withoutRun = ({ stage, hoursIntoStage, rangeM }: ReturnType<typeof tideAt>) => ({
  stage,
  hoursIntoStage,
  rangeM,
});

function middleMin(window: FullConditions['window']): number {
  const { fromMin, toMin } = minutesOfHours(window);
  return (fromMin + toMin) / 2;
}

/** Fills what was not said and lists each filling with the value taken. The trend is that of the readings where they tell one. */
export function assume(given: Conditions, sun: SunDay, trend: ReadingTrend): Assumption {
  const assumed: Plan['assumed'] = [];
  const take = <K extends keyof Conditions>(path: K, value: NonNullable<Conditions[K]>): NonNullable<Conditions[K]> => {
    const said = given[path];
    const empty = said === undefined || said === null || (Array.isArray(said) && !said.length);
    if (!empty) return said as NonNullable<Conditions[K]>;
    assumed.push({ path, value: value as Plan['assumed'][number]['value'] });
    return value;
  };
  const inshore = given.discipline === 'inshore';
  const { latitude } = given.place;
  const readings = given.readings ?? [];
  const waterKind = take('waterKind', inshore ? 'estuary' : 'highland-reservoir');
  const usual = USUAL_PLACES[waterKind];
  const round = (value: number) => Math.round(value * 100) / 100;
  const tempTrendCPerDay =
    given.tempTrendCPerDay ??
    trend.trendCPerDay ??
    take('tempTrendCPerDay', round(climateTrendCPerDay(latitude, dayOfYear(given.date))));
  const coldestReading = Math.min(given.surfaceTempC, ...readings.map(({ surfaceTempC }) => surfaceTempC));
  const yearLowC = take('yearLowC', round(Math.min(climateLowC(latitude), coldestReading)));
  // The normal belongs to the water, not to the day: never today's figure.
  const normalVisibilityM = take('normalVisibilityM', USUAL_VISIBILITY_M[waterKind]);
  const visibilityM = take('visibilityM', normalVisibilityM);
  const conditions: FullConditions = {
    ...given,
    species: take('species', inshore ? 'red-drum' : 'largemouth'),
    window: take('window', daylight(sun)),
    waterKind,
    familiarity: take('familiarity', 'known'),
    goal: take('goal', 'balanced'),
    tempTrendCPerDay,
    yearLowC,
    visibilityM,
    normalVisibilityM,
    visibilityTrend: take('visibilityTrend', 'steady'),
    level: take('level', 'stable'),
    sky: take('sky', 'partly-cloudy'),
    windMps: take('windMps', 3),
    front: take('front', 'stable'),
    inflow: take('inflow', 'none'),
    structures: take('structures', [...usual.structures]),
    covers: take('covers', [...usual.covers]),
    maxRods: take('maxRods', !inshore && inMud(visibilityM, normalVisibilityM) ? RODS_IN_MUD : USUAL_RODS),
  };
  const stratifies = USUAL_THERMOCLINE_M[waterKind];
  if (conditions.thermoclineM === undefined && stratifies !== undefined && given.surfaceTempC >= 24) {
    conditions.thermoclineM = take('thermoclineM', stratifies);
  }
  const { recentRainMm } = conditions;
  const freshened = inshore && recentRainMm ? salinityAfterRainPsu(waterKind, recentRainMm) : undefined;
  if (conditions.salinityPsu === undefined && freshened !== undefined) {
    conditions.salinityPsu = take('salinityPsu', freshened);
  }
  if (inshore && !conditions.tide) {
    // Where the course of the tide is known its middle hour stands for the day, and nothing is assumed.
    const { hourlyTide, window } = conditions;
    conditions.tide = hourlyTide
      ? withoutRun(tideAt(dayTide(hourlyTide), middleMin(window)))
      : take('tide', { stage: 'falling', hoursIntoStage: 2, rangeM: 0.5 });
  }
  return { conditions, assumed };
}
