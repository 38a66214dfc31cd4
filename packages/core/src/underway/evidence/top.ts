import { backward, cholesky, dot, forward, type LowerTriangle } from '../../numbers/cholesky.js';
import type { Block } from './fished.js';

const MAX_STEPS = 60;
/** A step never moves a rate by more than this factor's logarithm: the first ones could overshoot. */
const LONGEST_STEP = 2;
/** After a step longer than this the curvature is another; up to it, what was taken apart serves on (chord method). */
const SAME_CURVATURE = 0.5;
/** Each of those leaves a small part of what is missing: after one so short nothing is. */
const AT_TOP = 1e-8;
/**
 * Variances are told by a curvature that is within this part of that at the top, and so many bites of each block: a
 * variance is then within a fiftieth of what it is there.
 */
const CURVATURE_WITHIN = 0.005;
const BITES_WITHIN = 0.01;

/** Less than a cast: what was fished for no time at all says nothing, and is no nought to divide by. */
const LEAST_HOURS = 1e-6;

/** The likeliest rates of blocks, and how sharply the likelihood falls off about them. */
export interface Top {
  /** Logarithms of the blocks' rates over what the plan alone says. */
  readonly latent: Float64Array;
  /** Bites that were to be expected of each block. */
  readonly expected: Float64Array;
  /** What each block weighs for what shares with it: what it brought over what was expected of it. */
  readonly weights: Float64Array;
  /** B = I + W^1/2 K W^1/2 taken apart, W being the expected bites, and the roots of those. */
  readonly lower: LowerTriangle;
  readonly root: Float64Array;
}

/** Where to begin: weights of the blocks, and what is taken apart of the first of them. */
export type Start = Pick<Top, 'weights' | 'lower' | 'root'>;

/** Where nothing is known of so many blocks. */
export const nought = (size: number): Start => ({
  weights: new Float64Array(size),
  lower: [],
  root: new Float64Array(0),
});

/**
 * Laplace's approximation for bites as counts (Poisson) by Newton steps on the logarithms of the blocks' rates (Rasmussen &
 * Williams 2006, section 3.4): the log-likelihood is concave, so there is one top, and a few steps find it, the fewer the
 * nearer they begin.
 * @param kernel rows of the lower triangle of what blocks share
 * @param planned logarithm of each block's rate as the plan alone would have it
 * @param known where to begin, if that is nearer than nothing
 */
export function topOf(
  kernel: readonly Float64Array[],
  blocks: readonly Pick<Block, 'hours' | 'bites'>[],
  planned: Float64Array,
  known: Start,
): Top {
  const expectedAt = (latent: Float64Array) =>
    latent.map(
      (value, at) => Math.max(LEAST_HOURS, (blocks[at] as Block).hours) * Math.exp((planned[at] as number) + value),
    );
  /** The logarithm that is climbed, but for what is the same everywhere. */
  const height = ({ weights }: Start): number => {
    const latent = multiplied(kernel, weights);
    return expectedAt(latent).reduce((sum, own, at) => {
      const value = latent[at] as number;
      return sum + (blocks[at] as Block).bites * value - own - ((weights[at] as number) * value) / 2;
    }, 0);
  };
  const anew = nought(blocks.length);
  // What is known is of use where it lies higher than nothing does: far off, Newton's steps come back by one at a time.
  const start = height(known) > height(anew) ? known : anew;
  let weights = start.weights;
  let latent = multiplied(kernel, weights);
  let expected = expectedAt(latent);
  let root = expected.map((own, at) => start.root[at] ?? Math.sqrt(own));
  let lower = decomposed(kernel, root, start.lower);
  const takeApart = (): void => {
    root = expected.map(Math.sqrt);
    lower = decomposed(kernel, root);
  };
  for (let step = 0; blocks.length > 0 && step < MAX_STEPS; step++) {
    // With f = K a and the gradient g of what is climbed: f moves by (K^-1 + W)^-1 g = W^-1/2 B^-1 W^1/2 K g, and a by g - W times that.
    const uphill = expected.map((own, at) => (blocks[at] as Block).bites - own - (weights[at] as number));
    const moved = multiplied(kernel, uphill).map((value, at) => (root[at] as number) * value);
    backward(lower, forward(lower, moved));
    const move = moved.map((value, at) => value / (root[at] as number));
    const longest = move.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    const share = longest > LONGEST_STEP ? LONGEST_STEP / longest : 1;
    latent = latent.map((value, at) => value + share * (move[at] as number));
    weights = weights.map(
      (value, at) => value + share * ((uphill[at] as number) - (root[at] as number) * (moved[at] as number)),
    );
    expected = expectedAt(latent);
    if (longest < AT_TOP) break;
    if (longest > SAME_CURVATURE) takeApart();
  }
  if (isOtherCurvature(expected, root)) takeApart();
  return { latent, expected, weights: expected.map((own, at) => (blocks[at] as Block).bites - own), lower, root };
}

function isOtherCurvature(expected: Float64Array, root: Float64Array): boolean {
  let [off, all] = [0, 0];
  for (let at = 0; at < expected.length; at++) {
    const own = expected[at] as number;
    const apart = Math.abs(own - (root[at] as number) ** 2);
    if (apart > BITES_WITHIN + CURVATURE_WITHIN * own) return true;
    off += apart;
    all += own;
  }
  return off > CURVATURE_WITHIN * all;
}

/** B = I + W^1/2 K W^1/2 taken apart. @param known its first rows, where they are taken apart already */
function decomposed(kernel: readonly Float64Array[], root: Float64Array, known: LowerTriangle = []): LowerTriangle {
  const inner = kernel.map((shared, i) => {
    if (known[i]) return known[i];
    const own = root[i] as number;
    const row = new Float64Array(i + 1);
    for (let j = 0; j <= i; j++) row[j] = own * (shared[j] as number) * (root[j] as number);
    row[i] = (row[i] as number) + 1;
    return row;
  });
  return cholesky(inner, known.length);
}

/** A symmetric matrix, of which the lower triangle is given, times a vector. */
function multiplied(rows: readonly Float64Array[], vector: Float64Array): Float64Array {
  const product = new Float64Array(vector.length);
  rows.forEach((row, at) => {
    const own = vector[at] as number;
    product[at] = dot(row, vector, at + 1);
    for (let before = 0; before < at; before++)
      product[before] = (product[before] as number) + (row[before] as number) * own;
  });
  return product;
}
