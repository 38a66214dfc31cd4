import { backward, cholesky, dot, forward, squared, type LowerTriangle } from '../../numbers/cholesky.js';
import type { Block, Candidate, EvidenceAttribute, Fished } from './fished.js';
import { attributeCovariance, coder, covariance, likeIn, type Coded } from './kernel.js';

/** Bites an hour of something as good as the plan's usual, before anything is known of the day. */
export const USUAL_RATE = 1;
/**
 * How far the planner's own preferences are believed: a score twice as high is a rate so much higher, as a power. How
 * far that is right on this water is learnt with the rest: the variance of the power.
 */
const PRIOR_POWER = 0.6;
const PRIOR_POWER_VARIANCE = 1;
const MAX_STEPS = 40;
/** Newton's steps square what is missing: one this small leaves a few thousandths. */
const CLOSE_ENOUGH = 0.06;
/** A step never moves a rate by more than this factor's logarithm: the first ones could overshoot. */
const LONGEST_STEP = 2;

/** A rate of bites an hour with how well it is known. */
export interface Rate {
  /** Mean of the rate's logarithm, and its standard deviation. */
  readonly logMean: number;
  readonly logSd: number;
  /** Expected bites an hour. */
  readonly mean: number;
}

/** The value under which a rate lies with a probability, by its normal logarithm. @param z its normal deviate */
export const rateAt = ({ logMean, logSd }: Pick<Rate, 'logMean' | 'logSd'>, z: number): number =>
  Math.exp(logMean + z * logSd);

export const rateOf = (logMean: number, logVariance: number): Rate => ({
  logMean,
  logSd: Math.sqrt(Math.max(0, logVariance)),
  mean: Math.exp(logMean + Math.max(0, logVariance) / 2),
});

/** How much the planner prefers something to what is usual among the candidates, as a logarithm. */
export const preferenceOf = (prior: number, usual: number): number => Math.log(prior) - usual;

/** Mean log of the candidates' priors: what is usual among them. */
export const usualLog = (candidates: readonly Pick<Candidate, 'prior'>[]): number =>
  candidates.length ? candidates.reduce((sum, { prior }) => sum + Math.log(prior), 0) / candidates.length : 0;

/** Something that is asked of, with how much the planner prefers it. */
export interface RateQuery {
  readonly fished: Fished;
  readonly preference: number;
  /** How far its place is thinned out by what was fished there (`thinned.ts`); not at all where left out. */
  readonly thinned?: number;
}

/** A rate before it is known how well it is known. */
export interface Prospect {
  readonly logMean: number;
  /** Its standard deviation is at most this: what it would be if nothing had been fished. */
  readonly maxLogSd: number;
  readonly rate: () => Rate;
}

/** What is believed after some blocks: ask it of candidates and of attributes. */
export interface Posterior {
  /** Rate of something at a minute of the day. */
  readonly rate: (asked: RateQuery, atMin: number) => Rate;
  /** The same in two steps: what is likely at once, and how sure that is when it is wanted, which takes far longer. */
  readonly prospect: (asked: RateQuery, atMin: number) => Prospect;
  /** Logarithm of the chance that the blocks would bring what they brought, whatever the rates are (marginal likelihood). */
  readonly logEvidence: number;
  /** How much better one thing is than another, as the logarithm of a factor. */
  readonly against: (one: RateQuery, other: RateQuery, atMin: number) => { mean: number; sd: number };
  /**
   * What one attribute of something does to the rate against what else was fished of it, as the logarithm of a factor:
   * mean and standard deviation. Both 0 where nothing else was fished, since nothing can be said then.
   */
  readonly effect: (attribute: EvidenceAttribute, fished: Fished, atMin: number) => { mean: number; sd: number };
}

/**
 * Bites as counts (Poisson) with a log-linear rate: planner's expectation, day, hour and attributes, each a Gaussian
 * process, so that like things share strength. Laplace's approximation by Newton steps on the logarithms of the blocks'
 * rates (Rasmussen & Williams 2006, algorithms 3.1 and 3.2): the log-likelihood is concave, so there is one top, and a
 * few steps find it; with counts this small its normal is close, and nothing is drawn at random.
 * @param preferences how much the planner prefers what each block fished, as logarithms
 * @param thinned how far the place of each block was thinned out when it was fished, as logarithms (`thinned.ts`)
 */
export function posterior(
  blocks: readonly Block[],
  preferences: readonly number[],
  thinned: readonly number[] = [],
): Posterior {
  const n = blocks.length;
  const code = coder();
  const coded = blocks.map((block) => code(block, block.atMin));
  const planned = Float64Array.from(preferences, (own, at) => priorLog(own) + (thinned[at] ?? 0));
  const kernel = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      const [a, b] = [coded[i] as Coded, coded[j] as Coded];
      const shared = covariance(a, b) + trust(preferences[i] as number, preferences[j] as number);
      kernel[i * n + j] = shared;
      kernel[j * n + i] = shared;
    }
  }
  /** Bites that were to be expected of each block, at logarithms of the rates over what the plan alone says. */
  const expectedAt = (latent: Float64Array) =>
    latent.map((value, at) => (blocks[at] as Block).hours * Math.exp((planned[at] as number) + value));
  let latent = new Float64Array(n);
  let expected = expectedAt(latent);
  let root = expected.map(Math.sqrt);
  let lower = decomposed(kernel, root);
  for (let step = 0; n > 0 && step < MAX_STEPS; step++) {
    // With W the expected bites: b = W f + gradient; a = b - W^1/2 B^-1 W^1/2 K b; f = K a.
    const wanted = latent.map((value, at) => {
      const own = expected[at] as number;
      return own * value + (blocks[at] as Block).bites - own;
    });
    const moved = multiplied(kernel, wanted).map((value, at) => (root[at] as number) * value);
    backward(lower, forward(lower, moved));
    const target = multiplied(
      kernel,
      wanted.map((value, at) => value - (root[at] as number) * (moved[at] as number)),
    );
    const longest = target.reduce((most, value, at) => Math.max(most, Math.abs(value - (latent[at] as number))), 0);
    const share = longest > LONGEST_STEP ? LONGEST_STEP / longest : 1;
    latent = latent.map((value, at) => value + share * ((target[at] as number) - value));
    expected = expectedAt(latent);
    // So near the top the curvature is the same to a few hundredths; what was taken apart for this step serves on.
    if (longest < CLOSE_ENOUGH) break;
    root = expected.map(Math.sqrt);
    lower = decomposed(kernel, root);
  }
  /** At the top the weight of a block is the gradient: what it brought over what was expected of it. */
  const weights = expected.map((own, at) => (blocks[at] as Block).bites - own);
  /** Mean of what shares so much with each block. */
  const meanOf = (shared: Float64Array): number => {
    let mean = 0;
    for (let at = 0; at < n; at++) mean += (shared[at] as number) * (weights[at] as number);
    return mean;
  };
  /** Its variance, where it shares so much with itself. */
  const varianceOf = (shared: Float64Array, own: number): number =>
    own -
    squared(
      forward(
        lower,
        shared.map((value, at) => value * (root[at] as number)),
      ),
    );
  const asked = (shared: Float64Array, own: number) => ({ mean: meanOf(shared), variance: varianceOf(shared, own) });
  const sharedWith = ({ fished, preference }: RateQuery, atMin: number): Float64Array => {
    const own = code(fished, atMin);
    const shared = new Float64Array(n);
    for (let at = 0; at < n; at++) {
      shared[at] = covariance(own, coded[at] as Coded) + trust(preference, preferences[at] as number);
    }
    return shared;
  };
  const between = (one: RateQuery, other: RateQuery, atMin: number): number =>
    covariance(code(one.fished, atMin), code(other.fished, atMin)) + trust(one.preference, other.preference);
  const prospect = (thing: RateQuery, atMin: number): Prospect => {
    const shared = sharedWith(thing, atMin);
    const own = between(thing, thing, atMin);
    const logMean = priorLog(thing.preference) + (thing.thinned ?? 0) + meanOf(shared);
    return { logMean, maxLogSd: Math.sqrt(own), rate: () => rateOf(logMean, varianceOf(shared, own)) };
  };
  return {
    // Rasmussen & Williams 2006, equation 3.32: at the top K^-1 f is the gradient.
    logEvidence: blocks.reduce((sum, { bites }, at) => {
      const own = expected[at] as number;
      const curved = Math.log(lower.values[at * n + at] as number);
      const fits = bites * Math.log(own) - own - logFactorial(bites);
      return sum + fits - ((weights[at] as number) * (latent[at] as number)) / 2 - curved;
    }, 0),
    prospect,
    rate: (thing, atMin) => prospect(thing, atMin).rate(),
    against: (one, other, atMin) => {
      const less = sharedWith(other, atMin);
      const shared = sharedWith(one, atMin).map((value, at) => value - (less[at] as number));
      const own = between(one, one, atMin) + between(other, other, atMin) - 2 * between(one, other, atMin);
      const { mean, variance } = asked(shared, own);
      const planned = PRIOR_POWER * (one.preference - other.preference) + (one.thinned ?? 0) - (other.thinned ?? 0);
      return { mean: planned + mean, sd: Math.sqrt(Math.max(0, variance)) };
    },
    effect: (attribute, fished, atMin) => {
      const others = otherLevels(attribute, fished, blocks);
      if (!others.length) return { mean: 0, sd: 0 };
      const hours = others.reduce((sum, block) => sum + block.hours, 0);
      const like = (a: Fished, aMin: number, b: Fished, bMin: number) =>
        attributeCovariance(attribute, a, aMin, b, bMin);
      const toOthers = (a: Fished, aMin: number) =>
        others.reduce((sum, block) => sum + (block.hours / hours) * like(a, aMin, block, block.atMin), 0);
      const shared = Float64Array.from(
        blocks,
        (block) => like(fished, atMin, block, block.atMin) - toOthers(block, block.atMin),
      );
      const among = others.reduce((sum, block) => sum + (block.hours / hours) * toOthers(block, block.atMin), 0);
      const own = like(fished, atMin, fished, atMin) - 2 * toOthers(fished, atMin) + among;
      const { mean, variance } = asked(shared, own);
      return { mean, sd: Math.sqrt(Math.max(0, variance)) };
    },
  };
}

const logFactorial = (count: number): number => {
  let sum = 0;
  for (let each = 2; each <= count; each++) sum += Math.log(each);
  return sum;
};

/** Blocks that stand for what else was fished of an attribute, at most. */
const MAX_OTHERS = 8;
/** Levels less alike than this are others. */
const OTHER_BELOW = 0.6;

/** What else was fished of an attribute: the longest blocks of other levels. */
function otherLevels(attribute: EvidenceAttribute, fished: Fished, blocks: readonly Block[]): readonly Block[] {
  const others = blocks.filter((block) => likeIn(attribute, block, fished) < OTHER_BELOW);
  return others.length <= MAX_OTHERS ? others : others.sort((a, b) => b.hours - a.hours).slice(0, MAX_OTHERS);
}

/** B = I + W^1/2 K W^1/2 taken apart; its upper triangle is left as it was. */
function decomposed(kernel: Float64Array, root: Float64Array): LowerTriangle {
  const n = root.length;
  const inner = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    const own = root[i] as number;
    for (let j = 0; j <= i; j++) inner[i * n + j] = own * (kernel[i * n + j] as number) * (root[j] as number);
    inner[i * n + i] = (inner[i * n + i] as number) + 1;
  }
  return cholesky(inner, n);
}

/** The logarithm of a rate as the plan alone would have it. */
const priorLog = (preference: number): number => Math.log(USUAL_RATE) + PRIOR_POWER * preference;

/** What two things share by how much the plan prefers them: where it was right of one, it is likelier so of the other. */
const trust = (one: number, other: number): number => PRIOR_POWER_VARIANCE * one * other;

function multiplied(matrix: Float64Array, vector: Float64Array): Float64Array {
  const n = vector.length;
  return vector.map((_, row) => dot(matrix, row * n, vector, 0, n));
}
