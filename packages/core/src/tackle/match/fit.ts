/** How well something meets what is wanted, 0 to 1, with what falls short, in words. */
export interface Fit {
  readonly fit: number;
  readonly short: readonly string[];
}

export const PERFECT: Fit = { fit: 1, short: [] };

/** Fits of several things at once: all must hold. */
export const together = (fits: readonly Fit[]): Fit => ({
  fit: fits.reduce((product, { fit }) => product * fit, 1),
  short: fits.flatMap(({ short }) => short),
});

export const fitIf = (holds: boolean, fit: number, short: string): Fit => (holds ? PERFECT : { fit, short: [short] });

/** A Gaussian of how many times too large or small something is. @param spread the ratio's logarithm at which it is 0.6 */
export const ratioFit = (ratio: number, spread: number): number => Math.exp(-0.5 * (Math.log(ratio) / spread) ** 2);

/** By what factor a value lies outside a range: 1 within it. */
export const outside = (value: number, [from, to]: readonly [number, number]): number =>
  value < from ? value / Math.max(1e-9, from) : value > to ? value / to : 1;
