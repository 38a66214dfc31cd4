import { normal } from '../../random.js';

/** A uniform draw within bounds. */
export const between = (random: () => number, from: number, to: number): number => from + (to - from) * random();

/** A lognormal draw about a median. */
export const spread = (random: () => number, median: number, sd: number): number =>
  median * Math.exp(sd * normal(random));

/** One of a list, by weights that need not sum to 1. */
export function weighted<T>(random: () => number, list: readonly T[], weightOf: (each: T) => number): T {
  const total = list.reduce((sum, each) => sum + weightOf(each), 0);
  let left = total * random();
  return list.find((each) => (left -= weightOf(each)) < 0) ?? (list.at(-1) as T);
}

/** A count with a mean, by Knuth's multiplication of uniform draws. */
export function poisson(mean: number, random: () => number): number {
  const limit = Math.exp(-mean);
  let count = 0;
  for (let product = random(); product > limit; product *= random()) count++;
  return count;
}
