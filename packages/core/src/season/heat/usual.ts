import { climateTempC, climateTrendCPerDay } from '../climate.js';
import { yearDayOf } from '../../day/calendar.js';
import { exchangeWm2C, type HeatExchange } from './surface.js';

/** Heat that warms a cubic metre of water by a degree, J. */
export const HEAT_PER_M3 = 4.186e6;
export const DAY_S = 86_400;
const USUAL_WIND_MPS = 3;
/** Depth of the water that the latitude's usual year describes. */
const USUAL_DEPTH_M = 5;
/** Weather must cover so many days before it says something about the usual year. */
const MIN_DAYS = 60;
/** The latitude's own year weighs like so many days of weather. */
const PRIOR_DAYS = 90;

/** The usual pull for every day of a year, for days of which no weather is known. */
export type UsualYear = (day: number) => HeatExchange;

/** The pull that would give the latitude's usual year: the water's own temperature and what it lags behind. */
function latitudePull(latitude: number, day: number): HeatExchange {
  const year = yearDayOf(day);
  const waterC = climateTempC(latitude, year);
  const exchange = exchangeWm2C(waterC, USUAL_WIND_MPS);
  const perDay = (exchange * DAY_S) / (HEAT_PER_M3 * USUAL_DEPTH_M);
  return { equilibriumC: waterC + climateTrendCPerDay(latitude, year) / perDay, exchangeWm2C: exchange };
}

/**
 * Weights of terms that best give what was seen, least squares taken in row by row (Plackett 1950).
 * @param rows terms with what was seen at them
 * @param prior how many rows of nothing the weights begin with
 */
function leastSquares(rows: readonly (readonly [terms: readonly number[], seen: number])[], prior: number): number[] {
  const size = rows[0]?.[0].length ?? 0;
  const weights = new Array<number>(size).fill(0);
  const doubt = weights.map((_, row) => weights.map((__, column) => (row === column ? 1 / prior : 0)));
  for (const [terms, seen] of rows) {
    const spread = doubt.map((row) => row.reduce((sum, value, at) => sum + value * (terms[at] as number), 0));
    const whole = 1 + terms.reduce((sum, term, at) => sum + term * (spread[at] as number), 0);
    const missed = seen - terms.reduce((sum, term, at) => sum + term * (weights[at] as number), 0);
    for (let row = 0; row < size; row++) {
      const gain = (spread[row] as number) / whole;
      weights[row] = (weights[row] as number) + gain * missed;
      const own = doubt[row] as number[];
      for (let column = 0; column < size; column++)
        own[column] = (own[column] as number) - gain * (spread[column] as number);
    }
  }
  return weights;
}

/**
 * The usual year of a water: the latitude's, moved by a constant and one yearly wave towards what the weather of its
 * known days was (least squares with the latitude as prior), so that a mild coast is not taken for an inland lake.
 */
export function usualYear(
  latitude: number,
  known: readonly { readonly day: number; readonly pull: HeatExchange }[],
): UsualYear {
  const base = (day: number) => latitudePull(latitude, day);
  if (known.length < MIN_DAYS) return base;
  const wave = (day: number): [number, number, number] => {
    const angle = (2 * Math.PI * yearDayOf(day)) / 365.25;
    return [1, Math.cos(angle), Math.sin(angle)];
  };
  const moved = leastSquares(
    known.map(({ day, pull }) => [wave(day), pull.equilibriumC - base(day).equilibriumC]),
    PRIOR_DAYS,
  );
  return (day) => {
    const { equilibriumC, exchangeWm2C: exchange } = base(day);
    const move = wave(day).reduce((sum, term, index) => sum + term * (moved[index] as number), 0);
    return { equilibriumC: equilibriumC + move, exchangeWm2C: exchange };
  };
}
