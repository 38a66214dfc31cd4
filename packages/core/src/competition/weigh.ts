import type { Competition } from '../contract/competition.js';
import type { Species } from '../contract/ids.js';
import type { Catch } from '../contract/trips.js';

/** Weight in grams as `10 ^ (intercept + slope * log10 of the length in millimetres)`. */
interface WeightByLength {
  readonly intercept: number;
  readonly slope: number;
}

/**
 * Standard weights of fisheries biology where there is one: largemouth (Wege & Anderson 1978, as revised by Henson 1991),
 * smallmouth (Kolander et al. 1993), spotted (Wiens et al. 1996), striped bass (Brown & Murphy 1991). For the others a cube
 * with a condition of 1, which is what a well-fed fish of an ordinary shape has; a flatfish has a little less. Judgement.
 */
const BY_LENGTH: Record<Species, WeightByLength> = {
  largemouth: { intercept: -5.528, slope: 3.273 },
  smallmouth: { intercept: -5.329, slope: 3.2 },
  spotted: { intercept: -5.392, slope: 3.215 },
  'striped-bass': { intercept: -4.924, slope: 3.007 },
  'red-drum': { intercept: -5, slope: 3 },
  'spotted-seatrout': { intercept: -5.05, slope: 3 },
  flatfish: { intercept: -5.05, slope: 3 },
  snook: { intercept: -5.05, slope: 3 },
};

/** How a weight follows a length, as a power: what the spread of lengths is in weights. */
export const weightPower = (species: Species): number => BY_LENGTH[species].slope;

/**
 * What a fish of a length weighs as a rule, grams.
 * @example
 * Math.round(weightOfLengthG('largemouth', 400)) // => 974
 */
export const weightOfLengthG = (species: Species, lengthMm: number): number =>
  10 ** (BY_LENGTH[species].intercept + BY_LENGTH[species].slope * Math.log10(lengthMm));

/** Length times girth squared, in inches, is 800 times the pounds: an old rule of anglers, here from mm to grams. */
const GRAMS_PER_CUBIC_MM = 453.59237 / (800 * 25.4 ** 3);

/** What a fish counts, and whether that was measured or taken from its other measures. */
export interface Counts {
  /** Grams or millimetres, as the competition counts. */
  readonly size: number;
  readonly estimated: boolean;
}

/**
 * What a fish counts in a competition; null where nothing says how large it was, or it is under the least length.
 * @param species the day's, where the fish has none of its own
 */
export function countsAs(fish: Catch | undefined, { by, minimumMm }: Competition, species: Species): Counts | null {
  if (!fish || isShort(fish, minimumMm)) return null;
  const { lengthMm, weightG, girthMm } = fish;
  if (by === 'length') return lengthMm === undefined ? null : { size: lengthMm, estimated: false };
  if (weightG !== undefined) return { size: weightG, estimated: false };
  if (lengthMm === undefined) return null;
  const size =
    girthMm === undefined
      ? weightOfLengthG(fish.species ?? species, lengthMm)
      : GRAMS_PER_CUBIC_MM * lengthMm * girthMm ** 2;
  return { size, estimated: true };
}

/** Too short to count. */
export const isShort = (fish: Catch | undefined, minimumMm: number | undefined): boolean =>
  fish?.lengthMm !== undefined && minimumMm !== undefined && fish.lengthMm < minimumMm;
