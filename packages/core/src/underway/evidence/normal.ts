/** The normal distribution up to a value, by Abramowitz & Stegun 7.1.26; wrong by less than 0.0000002. */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.3275911 * (Math.abs(z) / Math.SQRT2));
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp((-z * z) / 2);
  return z >= 0 ? 1 - tail / 2 : tail / 2;
}

/** The normal deviate between whose negative and itself lie 80 % of the cases. */
export const Z80 = 1.2815515655446004;
