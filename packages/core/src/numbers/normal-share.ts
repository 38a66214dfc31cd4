/** The share of a standard normal distribution under a value, to 7 figures (Abramowitz & Stegun 1964, 26.2.17). */
export function normalShare(value: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(value));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-value * value) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return value >= 0 ? 1 - tail : tail;
}
