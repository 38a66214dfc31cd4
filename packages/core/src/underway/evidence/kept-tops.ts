import type { Moments, Things } from './kernel.js';
import { nought, type Start, type Top } from './top.js';

/** Blocks that are asked about, whatever they brought. */
export interface AskedBlocks {
  readonly things: Things;
  readonly moments: Moments;
  /** How much the plan prefers what each block fished, as a logarithm. */
  readonly preferences: readonly number[];
}

/** So many are kept: a day that is fished, and one that is looked at beside it. */
const MOST_KEPT = 2;
let kept: readonly (AskedBlocks & { readonly top: Top })[] = [];

/** How many blocks at the beginning are the same and preferred as much, so that they share as much. */
function sameBlocks(one: AskedBlocks, other: AskedBlocks): number {
  if (one.things !== other.things) return 0;
  const at = one.preferences.findIndex(
    (preference, at) =>
      preference !== other.preferences[at] ||
      one.moments.thing[at] !== other.moments.thing[at] ||
      one.moments.atMin[at] !== other.moments.atMin[at],
  );
  return at < 0 ? one.preferences.length : at;
}

/** Notes what was found, for the next question about a day that begins alike. */
export function keepTop(asked: AskedBlocks, top: Top): Top {
  const others = kept.filter((each) => sameBlocks(each, asked) < each.preferences.length);
  kept = [{ ...asked, preferences: [...asked.preferences], top }, ...others].slice(0, MOST_KEPT);
  return top;
}

/**
 * Where to begin to look for the likeliest rates: where they were when the day was asked about last. It is a beginning
 * alone: the same top is found from anywhere.
 */
export function startOf(asked: AskedBlocks): Start {
  const [nearest] = kept
    .map((each) => {
      const same = sameBlocks(each, asked);
      // What it says beyond them is of another day.
      return { top: each.top, same, alike: same - (each.preferences.length - same) };
    })
    .sort((a, b) => b.alike - a.alike);
  if (!nearest) return nought(asked.preferences.length);
  const { top, same } = nearest;
  const weights = new Float64Array(asked.preferences.length);
  weights.set(top.weights.subarray(0, same));
  return { weights, lower: top.lower.slice(0, same), root: top.root.subarray(0, same) };
}
