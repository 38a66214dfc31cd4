import type { Moments, Things } from './kernel.js';
import type { Start, Top } from './top.js';

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

/** How many blocks at the beginning are the same; and how many of those the plan prefers as much, so that they share as much. */
function sameBlocks(one: AskedBlocks, other: AskedBlocks): { readonly same: number; readonly shareAsMuch: number } {
  const many = one.things === other.things ? Math.min(one.preferences.length, other.preferences.length) : 0;
  let same = 0;
  let shareAsMuch = 0;
  for (; same < many; same++) {
    if (one.moments.thing[same] !== other.moments.thing[same]) break;
    if (one.moments.atMin[same] !== other.moments.atMin[same]) break;
    if (shareAsMuch === same && one.preferences[same] === other.preferences[same]) shareAsMuch++;
  }
  return { same, shareAsMuch };
}

/** Notes what was found, for the next question about a day that begins alike. */
export function keepTop(asked: AskedBlocks, top: Top): Top {
  const others = kept.filter((each) => sameBlocks(each, asked).same < each.preferences.length);
  kept = [{ ...asked, preferences: [...asked.preferences], top }, ...others].slice(0, MOST_KEPT);
  return top;
}

/**
 * Where to begin to look for the likeliest rates: where they were when the day was asked about last. It is a beginning
 * alone: the same top is found from anywhere.
 */
export function startOf(asked: AskedBlocks): Start {
  const weights = new Float64Array(asked.preferences.length);
  const [nearest] = kept
    .map((each) => {
      const { same, shareAsMuch } = sameBlocks(each, asked);
      // What it says beyond them is of another day.
      return { top: each.top, same, shareAsMuch, alike: same - (each.preferences.length - same) };
    })
    .sort((a, b) => b.alike - a.alike);
  if (!nearest) return { weights, lower: [], root: new Float64Array(0) };
  const { top, same, shareAsMuch } = nearest;
  weights.set(top.weights.subarray(0, same));
  return { weights, lower: top.lower.slice(0, shareAsMuch), root: top.root.subarray(0, shareAsMuch) };
}
