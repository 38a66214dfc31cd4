/** Below this share, and above its mirror, the tails have a formula of their own. */
const TAIL = 0.02425;
const A = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
];
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572];
const C = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
];
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];

/** A polynomial by Horner's rule, the highest power first. */
const poly = (coefficients: readonly number[], x: number): number =>
  coefficients.reduce((sum, each) => sum * x + each, 0);

/** The value under which a share of a standard normal distribution lies, to 9 figures (P. J. Acklam 2003). Share in (0, 1). */
export function normalQuantile(share: number): number {
  if (share < TAIL) {
    const q = Math.sqrt(-2 * Math.log(share));
    return poly(C, q) / poly([...D, 1], q);
  }
  if (share > 1 - TAIL) return -normalQuantile(1 - share);
  const q = share - 0.5;
  const r = q * q;
  return (poly(A, r) * q) / poly([...B, 1], r);
}
