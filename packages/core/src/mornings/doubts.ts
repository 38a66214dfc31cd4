import type { ForecastPair, WeatherDay } from '../contract/outside.js';
import type { Reading } from '../contract/records.js';
import { dayNumber, localTimes } from '../day/calendar.js';

/** What of a morning may be other than planned. */
export const MORNING_FIELDS = [
  'surfaceTempC',
  'tempTrendCPerDay',
  'visibilityM',
  'sky',
  'windMps',
  'windFromDeg',
  'front',
  'level',
  'forage',
] as const;
export type MorningField = (typeof MORNING_FIELDS)[number];

/** How far a forecast of a day is off, as standard deviations. */
export interface ForecastError {
  /** Of the share of the sky that clouds cover. */
  readonly cloud: number;
  /** Of the logarithm of the wind. */
  readonly windLog: number;
  readonly windFromDeg: number;
  /** How much earlier or later fronts come than forecast, days. */
  readonly frontDays: number;
}

/** A forecast's errors by its lead in days. */
export type ForecastErrors = (leadDays: number) => ForecastError;

/** No day is forecast further ahead. */
const LONGEST_LEAD_DAYS = 14;
/** Figures of a day that is observed already are means over hours and of another place. */
const OBSERVED = { cloud: 0.06, windLog: 0.15, windFromDeg: 12, frontDays: 0.03 } as const;

/** How far a forecast is off before one was compared with what came. Judgement, after what weather services tell of theirs. */
export function usualForecastErrors(leadDays: number): ForecastError {
  const lead = Math.min(LONGEST_LEAD_DAYS, Math.max(0, leadDays));
  return {
    cloud: Math.min(0.35, 0.1 + 0.045 * lead),
    windLog: Math.min(0.5, 0.18 + 0.04 * lead),
    windFromDeg: Math.min(90, 15 + 9 * lead),
    frontDays: Math.min(0.8, 0.06 + 0.07 * lead),
  };
}

/** The usual errors count as so many forecasts that were compared. */
const PRIOR_PAIRS = 12;
/** Calm is calm: logarithms of less wind than this tell nothing. */
const LEAST_WIND_MPS = 0.5;

/**
 * A forecast's errors by what was forecast and what came: pooled over all leads as how many times the usual errors they
 * are, since few days are compared at any one lead, and drawn to the usual where they are few.
 */
export function forecastErrorsOf(pairs: readonly ForecastPair[]): ForecastErrors {
  const timesUsual = (squareOf: (pair: ForecastPair, usual: ForecastError) => number): number => {
    const sum = pairs.reduce((total, pair) => total + squareOf(pair, usualForecastErrors(pair.leadDays)), PRIOR_PAIRS);
    return Math.sqrt(sum / (pairs.length + PRIOR_PAIRS));
  };
  const logWind = ({ windMps }: WeatherDay) => Math.log(Math.max(LEAST_WIND_MPS, windMps));
  const cloud = timesUsual(
    ({ forecast, observed }, usual) => ((forecast.cloudFraction - observed.cloudFraction) / usual.cloud) ** 2,
  );
  const wind = timesUsual(
    ({ forecast, observed }, usual) => ((logWind(forecast) - logWind(observed)) / usual.windLog) ** 2,
  );
  return (leadDays) => {
    const usual = usualForecastErrors(leadDays);
    return {
      cloud: usual.cloud * cloud,
      windLog: usual.windLog * wind,
      windFromDeg: usual.windFromDeg * wind,
      // Fronts that come early or late are what is wrong with both.
      frontDays: usual.frontDays * Math.sqrt(cloud * wind),
    };
  };
}

/** The errors of a day's forecast: those of one that came, where it has. */
export const errorOf = (day: WeatherDay, leadDays: number, errors: ForecastErrors): ForecastError =>
  day.kind === 'observed' ? OBSERVED : errors(leadDays);

/** How far what one sees may have changed since it was last read. */
export interface VisibilityDoubt {
  /** Days from the last reading to the day; null where it was never read. */
  readonly daysSince: number | null;
  /** By how much its logarithm wanders in a day, as a standard deviation. */
  readonly logPerDay: number;
  /** What a millimetre of rain takes of its logarithm. */
  readonly logPerRainMm: number;
}

/** Water goes back to its usual look within so many days. */
export const CLEARS_DAYS = 12;
/** A reading of visibility is itself off by this much, as a logarithm. */
export const READ_LOG_SD = 0.1;
/** Rain of more than this between two readings is no worse. */
export const MOST_RAIN_MM = 60;
/** Visibility wanders by so much a day, as a logarithm, before its record says otherwise; as firmly as so many readings. */
const USUAL_WANDER_LOG = 0.075;
const PRIOR_READINGS = 6;
/** What rain takes before the record says otherwise, and how far that may be off; judgement. */
const USUAL_RAIN_LOG = 0.012;
const RAIN_LOG_SD = 0.012;
/** Two readings further apart than this say nothing of a day. */
const FARTHEST_APART_DAYS = 40;

/**
 * How visibility wanders about its usual look, and what rain does to it, by its own readings: each is set against what the
 * one before it let expect. Both are drawn to what is usual of lakes where readings are few (a ridge for the rain).
 * @param weather days of it over the time of the readings, as far as they are known
 */
export function visibilityDoubt(
  readings: readonly Reading[],
  day: number,
  timeZone: string,
  weather: readonly WeatherDay[] = [],
): VisibilityDoubt {
  const local = localTimes(timeZone);
  const read = readings
    .flatMap(({ at, visibilityM, suspect }) =>
      visibilityM && !suspect ? [{ day: local(Date.parse(at)).day, log: Math.log(visibilityM) }] : [],
    )
    .filter((each) => each.day <= day)
    .sort((a, b) => a.day - b.day);
  const logs = read.map(({ log }) => log).sort((a, b) => a - b);
  const usual = logs[logs.length >> 1] ?? 0;
  const rainOn = new Map(weather.map(({ date, rainMm }) => [dayNumber(date), rainMm]));
  const steps = read.slice(1).flatMap((each, at) => {
    const before = read[at] as (typeof read)[number];
    const days = each.day - before.day;
    if (days <= 0 || days > FARTHEST_APART_DAYS) return [];
    const kept = Math.exp(-days / CLEARS_DAYS);
    const rain = Array.from({ length: days }, (_, back) => rainOn.get(each.day - 1 - back) ?? 0);
    const rainMm = Math.min(
      MOST_RAIN_MM,
      rain.reduce((sum, mm) => sum + mm, 0),
    );
    return [{ kept, rainMm, fell: usual + kept * (before.log - usual) - each.log }];
  });
  const ridge = (READ_LOG_SD ** 2 + USUAL_WANDER_LOG ** 2 * CLEARS_DAYS) / RAIN_LOG_SD ** 2;
  const sum = (of: (step: (typeof steps)[number]) => number) => steps.reduce((total, step) => total + of(step), 0);
  const logPerRainMm = Math.max(
    0,
    (ridge * USUAL_RAIN_LOG + sum(({ rainMm, fell }) => rainMm * fell)) / (ridge + sum(({ rainMm }) => rainMm ** 2)),
  );
  const wandered = sum(({ kept, rainMm, fell }) => {
    const left = (fell - logPerRainMm * rainMm) ** 2 - READ_LOG_SD ** 2 * (1 + kept ** 2);
    return left / ((CLEARS_DAYS / 2) * (1 - kept ** 2));
  });
  const variance = (PRIOR_READINGS * USUAL_WANDER_LOG ** 2 + wandered) / (PRIOR_READINGS + steps.length);
  const last = read.at(-1);
  return {
    daysSince: last ? day - last.day : null,
    logPerDay: Math.sqrt(Math.max(LEAST_WANDER_LOG ** 2, variance)),
    logPerRainMm,
  };
}

/** No water stands still. */
const LEAST_WANDER_LOG = 0.015;

/** The water at the ramp, where that lies in another zone than the one that is fished. */
export interface RampWater {
  /** What the season has for it on the day, degrees Celsius, and how unsure that is. */
  readonly surfaceC: number;
  readonly sdC: number;
  /** How far what is not known of it goes with what is not known of the zone that is fished, -1 to 1. */
  readonly alike: number;
}

/** What is not known of a morning. */
export interface MorningDoubts {
  /** Days from now to the day. */
  readonly leadDays: number;
  /** Of the water's temperature on the day, and of today's: what the season's filter does not know. */
  readonly surfaceSdC: number;
  readonly surfaceSdNowC: number;
  /** Days of weather about the day, as far as they are known; without the day itself it has the climate's width. */
  readonly weather: readonly WeatherDay[];
  readonly errors: ForecastErrors;
  readonly visibility: VisibilityDoubt;
  /** None where the ramp lies in the zone that is fished. */
  readonly ramp?: RampWater | undefined;
  /** What somebody said by hand: it stays as it is. */
  readonly fixed: readonly MorningField[];
}
