/** Fewer readings than this say nothing of what a water usually shows. */
const MIN_READINGS = 5;
/** So far under the middle of all a reading was taken in run-off, and is left out. */
const RUN_OFF_SHARE = 0.45;

function median(ascending: readonly number[]): number {
  const middle = Math.floor(ascending.length / 2);
  const upper = ascending[middle] as number;
  return ascending.length % 2 ? upper : (upper + (ascending[middle - 1] as number)) / 2;
}

/**
 * What a water usually shows, metres, by its own record: the median of its readings outside of run-off.
 * @param visibilitiesM what was read, in any order
 * @returns undefined where too few readings say it
 */
export function usualVisibilityM(visibilitiesM: readonly number[]): number | undefined {
  if (visibilitiesM.length < MIN_READINGS) return undefined;
  const all = [...visibilitiesM].sort((a, b) => a - b);
  const settled = all.filter((each) => each >= RUN_OFF_SHARE * median(all));
  return Math.round(median(settled) * 100) / 100;
}
