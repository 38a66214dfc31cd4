import { normalDeviate } from '../numbers/seeded.js';

/** Two ways to fish the day: for a limit of fish that count, and for a big one. */
export const WAYS = ['limit', 'big'] as const;
export type Way = (typeof WAYS)[number];
export const otherWay = (way: Way): Way => (way === 'limit' ? 'big' : 'limit');

/** Fishing in one way and what it brought. */
export interface WayEvidence {
  readonly way: Way;
  readonly hours: number;
  /** Fish that count. */
  readonly fish: number;
  /** Sizes of those that are known, grams or millimetres. */
  readonly sizes: readonly number[];
  /** How much of it still holds, 0 to 1. */
  readonly holds: number;
}

/** What is believed of one way. */
export interface WayBelief {
  /** Fish an hour as a gamma distribution: so many fish in so many hours. */
  readonly fish: number;
  readonly hours: number;
  /** Logarithms of sizes as normal, mean and variance not known (normal-inverse-gamma). */
  readonly size: {
    readonly logMean: number;
    /** So many fish the mean is known by. */
    readonly strength: number;
    /** So many half fish the variance is known by, and the sum of half squares. */
    readonly shape: number;
    readonly scatter: number;
  };
}

export const fishAnHour = ({ fish, hours }: WayBelief): number => fish / hours;

/**
 * What is believed of a way after some fishing: counts with a gamma rate, logarithms of sizes with a normal-inverse-gamma
 * prior (Gelman et al. 2013, sections 2.6 and 3.3). What holds in part counts in part (power prior: Ibrahim & Chen 2000).
 */
export function believe(prior: WayBelief, evidence: readonly WayEvidence[]): WayBelief {
  let { fish, hours } = prior;
  let { logMean, strength, shape, scatter } = prior.size;
  for (const each of evidence) {
    fish += each.holds * each.fish;
    hours += each.holds * each.hours;
    // How large the fish are does not go as they come and go.
    for (const size of each.sizes) {
      const off = Math.log(size) - logMean;
      scatter += (off * off * strength) / (2 * (strength + 1));
      logMean += off / (strength + 1);
      strength += 1;
      shape += 0.5;
    }
  }
  return { fish, hours, size: { logMean, strength, shape, scatter } };
}

/** What came so many hours ago tells half of what is now (discounted counts: Smith & Miller 1986). Judgement. */
const HALF_HOURS = 4;

/** How much of what came at a minute of the day still holds later on the same day. */
export const holdsSince = (atMin: number, nowMin: number): number =>
  0.5 ** (Math.max(0, nowMin - atMin) / 60 / HALF_HOURS);

/** A gamma deviate with a rate of 1 (Marsaglia & Tsang 2000). */
export function gammaDeviate(shape: number, random: () => number): number {
  if (shape < 1) return gammaDeviate(shape + 1, random) * (1 - random()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normalDeviate(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** One day that may be: how fast fish come, and how large they are. */
export interface DrawnWay {
  readonly fishAnHour: number;
  readonly logMean: number;
  readonly logSd: number;
}

export function drawWay({ fish, hours, size }: WayBelief, random: () => number): DrawnWay {
  const variance = size.scatter / gammaDeviate(size.shape, random);
  return {
    fishAnHour: gammaDeviate(fish, random) / hours,
    logMean: size.logMean + normalDeviate(random) * Math.sqrt(variance / size.strength),
    logSd: Math.sqrt(variance),
  };
}
