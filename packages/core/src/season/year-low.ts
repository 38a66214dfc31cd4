/** The low is that of a few days together: one cold night is none. */
const MEAN_DAYS = 5;
/** Looking back this far, a winter that is over counts, the one before it does not. */
const BACK_DAYS = 300;

/**
 * The low of the year as known on every day: the coldest five-day mean of the last three hundred days. Where less is
 * known than that, the water's usual low stands in for the days before.
 */
export function yearLowsC(surfaceC: Float32Array, usualLowC: number): Float32Array {
  const lows = new Float32Array(surfaceC.length);
  const means = new Float32Array(surfaceC.length);
  /** Days whose mean may yet be the lowest, coldest first. */
  const waiting: number[] = [];
  let sum = 0;
  for (let at = 0; at < surfaceC.length; at++) {
    sum += surfaceC[at] as number;
    if (at >= MEAN_DAYS) sum -= surfaceC[at - MEAN_DAYS] as number;
    means[at] = sum / Math.min(MEAN_DAYS, at + 1);
    while (waiting.length && (means[waiting.at(-1) as number] as number) >= (means[at] as number)) waiting.pop();
    waiting.push(at);
    while ((waiting[0] as number) <= at - BACK_DAYS) waiting.shift();
    const found = means[waiting[0] as number] as number;
    lows[at] = at < BACK_DAYS ? Math.min(found, usualLowC) : found;
  }
  return lows;
}
