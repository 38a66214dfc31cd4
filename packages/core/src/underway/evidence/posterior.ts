import { dot, forward, squared } from '../../numbers/cholesky.js';
import type { Block, Candidate, EvidenceAttribute, Fished } from './fished.js';
import { attributeCovariance, likeIn, Moments, thingsSoFar } from './kernel.js';
import { keepTop, startOf } from './kept-tops.js';
import { topOf } from './top.js';

/** Bites an hour of something as good as the plan's usual, before anything is known of the day. */
export const USUAL_RATE = 1;
/**
 * How far the planner's own preferences are believed: a score twice as high is a rate so much higher, as a power. How
 * far that is right on this water is learnt with the rest: the variance of the power.
 */
const PRIOR_POWER = 0.6;
const PRIOR_POWER_VARIANCE = 1;

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
 * process, so that like things share strength (Laplace's approximation, `top.ts`; Rasmussen & Williams 2006, algorithm
 * 3.2). With counts this small its normal is close, and nothing is drawn at random.
 * @param preferences how much the planner prefers what each block fished, as logarithms
 * @param thinned how far the place of each block was thinned out when it was fished, as logarithms (`thinned.ts`)
 */
export function posterior(
  blocks: readonly Block[],
  preferences: readonly number[],
  thinned: readonly number[] = [],
): Posterior {
  const n = blocks.length;
  const things = thingsSoFar();
  const moments = new Moments(
    blocks.map((block) => things.numberOf(block)),
    Float64Array.from(blocks, ({ atMin }) => atMin),
  );
  const asking = { things, moments, preferences };
  const planned = Float64Array.from(preferences, (own, at) => priorLog(own) + (thinned[at] ?? 0));
  /** What a thing at a minute of the day shares with each of the first so many blocks. */
  const sharedBy = (thing: number, atMin: number, preference: number, many: number): Float64Array => {
    const shared = things.covariances(thing, atMin, moments, many);
    for (let at = 0; at < many; at++)
      shared[at] = (shared[at] as number) + trust(preference, preferences[at] as number);
    return shared;
  };
  const kernel = blocks.map((_, at) =>
    sharedBy(moments.thing[at] as number, moments.atMin[at] as number, preferences[at] as number, at + 1),
  );
  const top = topOf(kernel, blocks, planned, startOf(asking));
  const { latent, expected, weights, lower, root } = keepTop(asking, top);
  /** Mean of what shares so much with each block. */
  const meanOf = (shared: Float64Array): number => dot(shared, weights, n);
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
  const sharedWith = ({ fished, preference }: RateQuery, atMin: number): Float64Array =>
    sharedBy(things.numberOf(fished), atMin, preference, n);
  const between = (one: RateQuery, other: RateQuery): number =>
    things.atOnce(things.numberOf(one.fished), things.numberOf(other.fished)) + trust(one.preference, other.preference);
  const prospect = (thing: RateQuery, atMin: number): Prospect => {
    const shared = sharedWith(thing, atMin);
    const logMean = priorLog(thing.preference) + (thing.thinned ?? 0) + meanOf(shared);
    return { logMean, rate: () => rateOf(logMean, varianceOf(shared, between(thing, thing))) };
  };
  return {
    // Rasmussen & Williams 2006, equation 3.32: at the top K^-1 f is the gradient.
    logEvidence: blocks.reduce((sum, { bites }, at) => {
      const own = expected[at] as number;
      const curved = Math.log(lower[at]?.[at] as number);
      const fits = bites * Math.log(own) - own - logFactorial(bites);
      return sum + fits - ((weights[at] as number) * (latent[at] as number)) / 2 - curved;
    }, 0),
    prospect,
    rate: (thing, atMin) => prospect(thing, atMin).rate(),
    against: (one, other, atMin) => {
      const less = sharedWith(other, atMin);
      const shared = sharedWith(one, atMin).map((value, at) => value - (less[at] as number));
      const own = between(one, one) + between(other, other) - 2 * between(one, other);
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

/** The logarithm of a rate as the plan alone would have it. */
const priorLog = (preference: number): number => Math.log(USUAL_RATE) + PRIOR_POWER * preference;

/** What two things share by how much the plan prefers them: where it was right of one, it is likelier so of the other. */
const trust = (one: number, other: number): number => PRIOR_POWER_VARIANCE * one * other;
