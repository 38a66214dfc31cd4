import { Matrix, solve } from 'ml-matrix';
import { climateTempC, climateTrendCPerDay } from '../season/climate.js';
import { yearDayOf } from '../season/calendar.js';
import { exchangeWm2C, type Pull } from './surface.js';

/** Heat that warms a cubic metre of water by a degree, J. */
export const HEAT_PER_M3 = 4.186e6;
export const DAY_S = 86_400;
const USUAL_WIND_MPS = 3;
/** Depth of the water that the latitude's usual year describes. */
const USUAL_DEPTH_M = 5;
/** Weather must cover so many days before it says something about the usual year. */
const LEAST_DAYS = 60;
/** The latitude's own year weighs like so many days of weather. */
const PRIOR_DAYS = 90;

/** The usual pull for every day of a year, for days of which no weather is known. */
export type UsualYear = (day: number) => Pull;

/** The pull that would give the latitude's usual year: the water's own temperature and what it lags behind. */
function latitudePull(latitude: number, day: number): Pull {
  const year = yearDayOf(day);
  const waterC = climateTempC(latitude, year);
  const exchange = exchangeWm2C(waterC, USUAL_WIND_MPS);
  const perDay = (exchange * DAY_S) / (HEAT_PER_M3 * USUAL_DEPTH_M);
  return { equilibriumC: waterC + climateTrendCPerDay(latitude, year) / perDay, exchangeWm2C: exchange };
}

/**
 * The usual year of a water: the latitude's, moved by a constant and one yearly wave towards what the weather of its
 * known days was (least squares with the latitude as prior), so that a mild coast is not taken for an inland lake.
 */
export function usualYear(
  latitude: number,
  known: readonly { readonly day: number; readonly pull: Pull }[],
): UsualYear {
  const base = (day: number) => latitudePull(latitude, day);
  if (known.length < LEAST_DAYS) return base;
  const wave = (day: number): [number, number, number] => {
    const angle = (2 * Math.PI * yearDayOf(day)) / 365.25;
    return [1, Math.cos(angle), Math.sin(angle)];
  };
  const terms = new Matrix(known.map(({ day }) => wave(day)));
  const off = Matrix.columnVector(known.map(({ day, pull }) => pull.equilibriumC - base(day).equilibriumC));
  const turned = terms.transpose();
  const moved = solve(turned.mmul(terms).add(Matrix.eye(3).mul(PRIOR_DAYS)), turned.mmul(off)).to1DArray();
  return (day) => {
    const { equilibriumC, exchangeWm2C: exchange } = base(day);
    const move = wave(day).reduce((sum, term, index) => sum + term * (moved[index] as number), 0);
    return { equilibriumC: equilibriumC + move, exchangeWm2C: exchange };
  };
}
