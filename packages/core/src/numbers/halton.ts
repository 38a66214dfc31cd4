import { seededNumbers } from './seeded.js';

/** Bases of the dimensions. */
const PRIMES = [2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31] as const;
export const MAX_DIMENSIONS = PRIMES.length;
/** The first points of a sequence lie along diagonals. */
const LEFT_OUT = 32;

/** An index mirrored at the point in a base (van der Corput 1935). */
function radicalInverse(index: number, base: number): number {
  let [value, digit] = [0, 1 / base];
  for (let left = index; left > 0; left = Math.floor(left / base)) {
    value += (left % base) * digit;
    digit /= base;
  }
  return value;
}

/**
 * Points that fill a cube of so many dimensions far more evenly than chance does: the sequence of Halton (1960), moved by
 * one random vector around the cube (Cranley & Patterson 1976). The same seed, the same points; the first of them are
 * those of a shorter list.
 * @param dimensions at most `MAX_DIMENSIONS`
 * @returns points, each between 0 and 1 and neither of them
 */
export function haltonPoints(count: number, dimensions: number, seed: number): number[][] {
  const random = seededNumbers(seed);
  const bases = PRIMES.slice(0, dimensions).map((base) => ({ base, shift: random() }));
  return Array.from({ length: count }, (_, at) =>
    bases.map(({ base, shift }) => {
      const value = (radicalInverse(at + 1 + LEFT_OUT, base) + shift) % 1;
      return Math.min(1 - 1e-9, Math.max(1e-9, value));
    }),
  );
}
