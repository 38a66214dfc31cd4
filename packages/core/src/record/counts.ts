import { backward, cholesky, forward, rowsOf, type LowerTriangle } from '../numbers/cholesky.js';

/** A stretch of fishing as a count: how long, how many, on which trip, and what of it is known to bear on the rate. */
export interface CountRow {
  readonly trip: number;
  readonly hours: number;
  readonly count: number;
  /** Parameters that bear on it by their numbers, least first and each once, and by how much. */
  readonly columns: Int32Array;
  readonly values: Float64Array;
}

/** What is believed before the first count. */
export interface CountPrior {
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  /** How far whole trips differ, as a standard deviation of the rate's logarithm. */
  readonly tripSd: number;
  /** Counts come in bunches: shape of the gamma that spreads each one's rate. */
  readonly shape: number;
}

/** Variance of a sum of parameters. */
export type Variance = (columns: readonly number[], values: readonly number[]) => number;

/** What is believed after the counts. */
export interface CountFit {
  readonly mean: Float64Array;
  readonly variance: Variance;
  /** Covariance of the parameters, row after row. */
  readonly covariance: () => Float64Array;
  /** Logarithm of the chance of these counts under the prior (marginal likelihood). */
  readonly logEvidence: number;
}

const MAX_STEPS = 30;
/** Newton's steps square what is missing: one this small leaves next to nothing. */
const CLOSE_ENOUGH = 0.03;
/** A step moves no rate by more than this factor's logarithm: the first ones could overshoot. */
const LONGEST_STEP = 2;

/** What the parameters of a trip's rows share with it. */
type Shared = Pick<CountRow, 'columns' | 'values'>;

interface Normal {
  /** Of the parameters alone, the trips summed out. */
  readonly lower: LowerTriangle;
  readonly tripPrecision: Float64Array;
  readonly shared: readonly Shared[];
}

/** Adds a column times its own transpose to the lower triangle of a matrix: nearly all time is spent here. */
function addOuter(matrix: Float64Array, size: number, { columns, values }: Shared, by: number): void {
  const many = columns.length;
  for (let i = 0; i < many; i++) {
    const row = (columns[i] as number) * size;
    const scaled = by * (values[i] as number);
    for (let j = 0; j <= i; j++) {
      const cell = row + (columns[j] as number);
      matrix[cell] = (matrix[cell] as number) + scaled * (values[j] as number);
    }
  }
}

/** The curvature at weights of the rows: parameters by parameters, trips taken out by Schur's complement. */
function curvature(rows: readonly CountRow[], weight: Float64Array, trips: number, prior: CountPrior): Normal {
  const size = prior.mean.length;
  const matrix = new Float64Array(size * size);
  for (let at = 0; at < size; at++) matrix[at * size + at] = 1 / (prior.sd[at] as number) ** 2;
  const tripPrecision = new Float64Array(trips).fill(1 / prior.tripSd ** 2);
  const shared: Shared[] = [];
  const sums = new Float64Array(size);
  for (let at = 0; at < rows.length; at++) {
    const row = rows[at] as CountRow;
    const { trip, columns, values } = row;
    const own = weight[at] as number;
    addOuter(matrix, size, row, own);
    tripPrecision[trip] = (tripPrecision[trip] as number) + own;
    for (let each = 0; each < columns.length; each++) {
      const column = columns[each] as number;
      sums[column] = (sums[column] as number) + own * (values[each] as number);
    }
    if (rows[at + 1]?.trip === trip) continue;
    const touched = Int32Array.from(sums.keys()).filter((column) => sums[column] !== 0);
    const ofTrip = { columns: touched, values: Float64Array.from(touched, (column) => sums[column] as number) };
    addOuter(matrix, size, ofTrip, -1 / (tripPrecision[trip] as number));
    shared[trip] = ofTrip;
    sums.fill(0);
  }
  return { lower: cholesky(rowsOf(matrix, size)), tripPrecision, shared };
}

/** The inverse of L times its transpose, row after row: asked of many sparse sums, it is worked out once. */
function inverted(lower: LowerTriangle): Float64Array {
  const size = lower.length;
  const inverse = new Float64Array(size * size);
  for (let at = 0; at < size; at++) {
    const unit = new Float64Array(size);
    unit[at] = 1;
    inverse.set(backward(lower, forward(lower, unit)), at * size);
  }
  return inverse;
}

/** The variance of any sum of parameters under their covariance, row after row, made when it is first asked for. */
export function varianceUnder(covariance: () => Float64Array): Variance {
  let made: Float64Array | null = null;
  return (columns, values) => {
    const spread = (made ??= covariance());
    const size = Math.sqrt(spread.length);
    let sum = 0;
    for (let i = 0; i < columns.length; i++) {
      const row = (columns[i] as number) * size;
      let shared = 0;
      for (let j = 0; j < columns.length; j++) {
        shared += (spread[row + (columns[j] as number)] as number) * (values[j] as number);
      }
      sum += (values[i] as number) * shared;
    }
    return Math.max(0, sum);
  };
}

const sumOf = ({ columns, values }: Shared, of: Float64Array): number => {
  let sum = 0;
  for (let each = 0; each < columns.length; each++) {
    sum += (values[each] as number) * (of[columns[each] as number] as number);
  }
  return sum;
};

function addTo(sums: Float64Array, { columns, values }: Shared, by: number): void {
  for (let each = 0; each < columns.length; each++) {
    const column = columns[each] as number;
    sums[column] = (sums[column] as number) + by * (values[each] as number);
  }
}

/** Log-likelihood of a count under a negative binomial with a mean and a shape. */
function logLikelihood(count: number, mean: number, shape: number): number {
  let sum = shape * Math.log(shape / (shape + mean)) + count * Math.log(mean / (shape + mean));
  for (let each = 0; each < count; each++) sum += Math.log((shape + each) / (each + 1));
  return sum;
}

const logDiagonal = (lower: LowerTriangle): number =>
  lower.reduce((sum, row, at) => sum + Math.log(row[at] as number), 0);

/**
 * Counts as a negative binomial with hours as exposure and a log-linear rate, its parameters Gaussian about what was
 * believed before, and a rate of its own for each trip: a generalised linear mixed model (negative binomial regression:
 * Lawless 1987). With its shape given it is log-concave: Newton's steps find its top, and Laplace's approximation there its
 * spread (Rasmussen & Williams 2006, section 3.4). Trips are many and touch only their own rows, so that they are taken out one by one and what
 * is left is as large as the parameters are many.
 * @param rows those of a trip next to one another, trips numbered from 0 without a gap
 * @param start where to begin; near the top a few steps are enough
 * @param mostSteps how many are taken at most
 */
export function fitCounts(
  rows: readonly CountRow[],
  prior: CountPrior,
  start?: Float64Array,
  mostSteps = MAX_STEPS,
): CountFit {
  const { shape, tripSd } = prior;
  const trips = rows.reduce((most, { trip }) => Math.max(most, trip + 1), 0);
  const mean = Float64Array.from(start ?? prior.mean);
  const ofTrip = new Float64Array(trips);
  const expected = () =>
    Float64Array.from(rows, (row) => row.hours * Math.exp(sumOf(row, mean) + (ofTrip[row.trip] as number)));
  const weightOf = (rates: Float64Array) =>
    rates.map((rate, at) => (((rows[at] as CountRow).count + shape) * shape * rate) / (shape + rate) ** 2);
  let rates = expected();
  let normal = curvature(rows, weightOf(rates), trips, prior);
  for (let step = 0; step < mostSteps; step++) {
    const pull = mean.map((value, at) => ((prior.mean[at] as number) - value) / (prior.sd[at] as number) ** 2);
    const tripPull = ofTrip.map((value) => -value / tripSd ** 2);
    rows.forEach((row, at) => {
      const rate = rates[at] as number;
      const more = (shape * (row.count - rate)) / (shape + rate);
      tripPull[row.trip] = (tripPull[row.trip] as number) + more;
      addTo(pull, row, more);
    });
    const { lower, tripPrecision, shared } = normal;
    shared.forEach((own, trip) => addTo(pull, own, -(tripPull[trip] as number) / (tripPrecision[trip] as number)));
    const moved = backward(lower, forward(lower, pull));
    const tripMoved = tripPull.map(
      (value, trip) => (value - sumOf(shared[trip] as Shared, moved)) / (tripPrecision[trip] as number),
    );
    const longest = rows.reduce(
      (most, row) => Math.max(most, Math.abs(sumOf(row, moved) + (tripMoved[row.trip] as number))),
      0,
    );
    const share = longest > LONGEST_STEP ? LONGEST_STEP / longest : 1;
    moved.forEach((value, at) => (mean[at] = (mean[at] as number) + share * value));
    tripMoved.forEach((value, trip) => (ofTrip[trip] = (ofTrip[trip] as number) + share * value));
    rates = expected();
    // So near the top the curvature is the same to a few hundredths.
    if (longest < CLOSE_ENOUGH) break;
    normal = curvature(rows, weightOf(rates), trips, prior);
  }
  const { lower, tripPrecision } = normal;
  const off = (value: number, about: number, sd: number): number => ((value - about) / sd) ** 2 / 2 + Math.log(sd);
  const logEvidence =
    rows.reduce((sum, { count }, at) => sum + logLikelihood(count, rates[at] as number, shape), 0) -
    mean.reduce((sum, value, at) => sum + off(value, prior.mean[at] as number, prior.sd[at] as number), 0) -
    ofTrip.reduce((sum, value) => sum + off(value, 0, tripSd), 0) -
    logDiagonal(lower) -
    tripPrecision.reduce((sum, value) => sum + Math.log(value) / 2, 0);
  const covariance = () => inverted(lower);
  return { mean, variance: varianceUnder(covariance), covariance, logEvidence };
}
