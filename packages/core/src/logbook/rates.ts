import { normalShare } from '../numbers/normal-share.js';
import { fitCounts, type CountFit, type CountRow } from '../record/counts.js';
import { levelOf, type Factor } from './factors.js';
import type { LoggedStretch } from './stretches.js';

/** What is counted. */
export const COUNTED = ['bites', 'fish'] as const;
export type Counted = (typeof COUNTED)[number];

/** A rate with the range in which it lies four times in five. */
export interface RateRange {
  readonly perHour: number;
  readonly low: number;
  readonly high: number;
}

/** What a level of a factor brought, and what is to be believed of it. */
export interface LevelRate extends RateRange {
  readonly level: string;
  readonly hours: number;
  readonly casts: number;
  readonly bites: number;
  readonly fish: number;
  readonly trips: number;
  /** So little was fished that its neighbours say more of it than it does itself. */
  readonly isSmall: boolean;
}

export interface FactorRates {
  readonly levels: readonly LevelRate[];
  readonly trips: number;
  readonly hours: number;
  /** Over all that was fished. */
  readonly perHour: number;
}

/** Four in five lie within so many standard deviations. */
const Z80 = 1.2816;
/** How far whole trips differ, as in the record: a day's luck is no news of a lure. */
const TRIP_SD = 0.6;
const TRIP_MEAN_LOG = TRIP_SD ** 2 / 2;
/** How far levels may differ, as a standard deviation of the logarithm, and shapes of the bunches in which bites come. */
const WIDTHS = [0.1, 0.25, 0.5, 0.9] as const;
const SHAPES = [0.7, 1.5, 3] as const;
const INTERCEPT_SD = 3;
const SMALL_HOURS = 4;
const SMALL_TRIPS = 3;

interface Sum {
  readonly trip: number;
  readonly level: string;
  hours: number;
  casts: number;
  bites: number;
  fish: number;
}

/** What was fished of each level on each trip, put together. */
function sumsOf(stretches: readonly LoggedStretch[], keyOf: (stretch: LoggedStretch) => string | null): Sum[] {
  const trips = new Map<string, number>();
  const sums = new Map<string, Sum>();
  for (const stretch of stretches) {
    const level = keyOf(stretch);
    if (level === null) continue;
    const { id } = stretch.trip;
    const trip = trips.get(id) ?? trips.size;
    trips.set(id, trip);
    const key = `${trip} ${level}`;
    let sum = sums.get(key);
    if (!sum) sums.set(key, (sum = { trip, level, hours: 0, casts: 0, bites: 0, fish: 0 }));
    sum.hours += stretch.block.hours;
    sum.casts += stretch.casts;
    sum.bites += stretch.block.bites;
    sum.fish += stretch.block.landed;
  }
  // The fit wants the rows of a trip side by side.
  return [...sums.values()].filter(({ hours }) => hours > 0).sort((a, b) => a.trip - b.trip);
}

interface Fitted {
  readonly fit: CountFit;
  readonly levels: ReadonlyMap<string, number>;
}

/** Level rates about a common one, their spread and the bunches as the counts make them likeliest. */
function fitted(sums: readonly Sum[], counted: Counted, widths: readonly number[]): Fitted {
  const levels = new Map<string, number>();
  for (const { level } of sums) if (!levels.has(level)) levels.set(level, levels.size + 1);
  const rows = sums.map(({ trip, level, hours, ...counts }): CountRow => ({
    trip,
    hours,
    count: counts[counted],
    columns: Int32Array.from([0, levels.get(level) as number]),
    values: Float64Array.from([1, 1]),
  }));
  const all = sums.reduce((sum, { hours }) => sum + hours, 0);
  const count = rows.reduce((sum, row) => sum + row.count, 0);
  const size = levels.size + 1;
  const mean = new Float64Array(size);
  // Half a bite more, so that a record without one has a rate.
  mean[0] = Math.log((count + 0.5) / all) - TRIP_MEAN_LOG;
  let best: CountFit | null = null;
  for (const width of widths) {
    for (const shape of SHAPES) {
      const sd = new Float64Array(size).fill(width);
      sd[0] = INTERCEPT_SD;
      const fit = fitCounts(rows, { mean, sd, tripSd: TRIP_SD, shape }, best?.mean);
      if (!best || fit.logEvidence > best.logEvidence) best = fit;
    }
  }
  return { fit: best as CountFit, levels };
}

function rangeOf(fit: CountFit, at: number): RateRange {
  const mid = (fit.mean[0] as number) + (fit.mean[at] as number) + TRIP_MEAN_LOG;
  const sd = Math.sqrt(fit.variance([0, at], [1, 1]));
  return { perHour: Math.exp(mid), low: Math.exp(mid - Z80 * sd), high: Math.exp(mid + Z80 * sd) };
}

/** The key of two levels at once. */
export const crossed = (one: string, other: string): string => `${one}\n${other}`;

/**
 * What each level of a factor brings an hour: negative binomial counts over hours, with a rate of its own for each trip and
 * the levels pooled about their mean as far as they are alike (empirical Bayes: Casella 1985; the mathematics of the record,
 * `record/counts`). So three lucky hours are drawn to what is usual.
 * @param across a second factor: then each pair of levels is one, by `crossed`
 */
export function ratesBy(
  stretches: readonly LoggedStretch[],
  factor: Factor,
  counted: Counted = 'bites',
  across?: Factor,
): FactorRates {
  const sums = sumsOf(stretches, (stretch) => {
    const level = levelOf(factor, stretch);
    const other = across && levelOf(across, stretch);
    if (level === null || other === null) return null;
    return other === undefined ? level : crossed(level, other);
  });
  const hours = sums.reduce((sum, each) => sum + each.hours, 0);
  if (!sums.length) return { levels: [], trips: 0, hours: 0, perHour: 0 };
  const { fit, levels } = fitted(sums, counted, WIDTHS);
  const told = [...levels].map(([level, at]): LevelRate => {
    const own = sums.filter((sum) => sum.level === level);
    const total = (of: 'hours' | 'casts' | 'bites' | 'fish') => own.reduce((sum, each) => sum + each[of], 0);
    const hoursOf = total('hours');
    return {
      level,
      hours: hoursOf,
      casts: total('casts'),
      bites: total('bites'),
      fish: total('fish'),
      trips: own.length,
      isSmall: hoursOf < SMALL_HOURS || own.length < SMALL_TRIPS,
      ...rangeOf(fit, at),
    };
  });
  return {
    levels: told,
    trips: new Set(sums.map(({ trip }) => trip)).size,
    hours,
    perHour: sums.reduce((sum, each) => sum + each[counted], 0) / hours,
  };
}

/** What the record says of a claim: that a level of a factor brings more than all the rest. */
export interface Claim {
  /** How many times the bites of the rest it brings, with the range in which that lies four times in five. */
  readonly times: number;
  readonly low: number;
  readonly high: number;
  /** How likely it brings more. */
  readonly likely: number;
  readonly trips: number;
  /** Trips on which it was so. */
  readonly tripsWith: number;
  readonly hoursWith: number;
}

/** Before it is looked at a claim is as good as its opposite, and few things make bites twice or half as many. */
const CLAIM_SD = 0.4;
const CLAIM = 'so';
const REST = 'not';

/** Tests a claim on a record; null where it was never so, or never otherwise. */
export function claimOf(
  stretches: readonly LoggedStretch[],
  factor: Factor,
  level: string,
  counted: Counted = 'bites',
): Claim | null {
  const sums = sumsOf(stretches, (stretch) => {
    const own = levelOf(factor, stretch);
    return own === null ? null : own === level ? CLAIM : REST;
  });
  const withIt = sums.filter((sum) => sum.level === CLAIM);
  if (!withIt.length || withIt.length === sums.length) return null;
  const { fit, levels } = fitted(sums, counted, [CLAIM_SD / Math.SQRT2]);
  const [so, not] = [levels.get(CLAIM) as number, levels.get(REST) as number];
  const mean = (fit.mean[so] as number) - (fit.mean[not] as number);
  const sd = Math.sqrt(fit.variance([so, not], [1, -1]));
  return {
    times: Math.exp(mean),
    low: Math.exp(mean - Z80 * sd),
    high: Math.exp(mean + Z80 * sd),
    likely: normalShare(mean / sd),
    trips: new Set(sums.map(({ trip }) => trip)).size,
    tripsWith: withIt.length,
    hoursWith: withIt.reduce((sum, { hours }) => sum + hours, 0),
  };
}
