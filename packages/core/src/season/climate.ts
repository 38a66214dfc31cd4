import { interpolate } from '../rules/fuzzy.js';

/**
 * Surface water by latitude alone, for what the angler did not say: low and high of the year in degrees Celsius.
 * Judgement, drawn through the phases' usual dates (staging in January in the south, in April in the north).
 */
const LOW_BY_LATITUDE = [
  [22, 20],
  [26, 16],
  [30, 11],
  [34, 7],
  [38, 4],
  [44, 1],
] as const;
const HIGH_BY_LATITUDE = [
  [24, 31],
  [34, 30],
  [40, 27],
  [46, 23],
] as const;
/** The water's year lags the sun's: lowest about the end of January. */
const COLDEST_DAY = 28;

export const climateLowC = (latitude: number): number => interpolate(LOW_BY_LATITUDE, Math.abs(latitude));

export const climateHighC = (latitude: number): number => interpolate(HIGH_BY_LATITUDE, Math.abs(latitude));

/** Day of the year as it counts from the coldest days, the same half a year later south of the equator. */
function yearAngle(latitude: number, dayOfYear: number): number {
  const turned = latitude < 0 ? dayOfYear + 182.6 : dayOfYear;
  return ((turned - COLDEST_DAY) * 2 * Math.PI) / 365.25;
}

const halfRangeC = (latitude: number): number => (climateHighC(latitude) - climateLowC(latitude)) / 2;

/** The usual temperature of the water on a day of the year, in degrees Celsius (a yearly sine). */
export const climateTempC = (latitude: number, dayOfYear: number): number =>
  climateLowC(latitude) + halfRangeC(latitude) * (1 - Math.cos(yearAngle(latitude, dayOfYear)));

/** The usual slope of the water's temperature on a day of the year, in degrees Celsius a day (a yearly sine). */
export const climateTrendCPerDay = (latitude: number, dayOfYear: number): number =>
  halfRangeC(latitude) * ((2 * Math.PI) / 365.25) * Math.sin(yearAngle(latitude, dayOfYear));
