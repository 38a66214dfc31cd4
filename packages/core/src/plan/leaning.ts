import type { CategoryId, Cover, Structure } from '../contract/ids.js';
import type { Reason } from '../contract/plan.js';
import type { HoldingPlace } from '../place/place.js';
import type { Grounds, Weighed } from '../presentation/score.js';
import type { Facts } from '../rules/facts.js';

/** What is fished first in a window, and where. */
export interface FirstInWindow {
  readonly weighed: Weighed;
  /** Likeliest first. */
  readonly places: readonly HoldingPlace[];
  readonly grounds: Grounds;
}

/** What an angler's own record adds to the shipped knowledge; where it knows nothing it adds nothing. */
export interface Leaning {
  /** Of lures in a window: log-weights on top of the plan's own. @param plain as the plan alone weighs them, first first */
  readonly lures: (grounds: Grounds, plain: readonly Weighed[]) => ReadonlyMap<CategoryId, number>;
  /** Of the places at an hour: log-weights on top of the plan's own. */
  readonly places: (facts: Facts) => (structure: Structure, cover: Cover) => number;
  /** Of the depth at which a lure is run: the logarithm of a factor. */
  readonly depthLog: (facts: Facts) => number;
  /** Whether what it would have one fish first is likely enough to be better than what the plan alone would. */
  readonly prefers: (own: FirstInWindow, plain: FirstInWindow) => boolean;
  /** What it says of a lure, as a reason; null where it is silent. For where it is over 0, else against. */
  readonly reason: (weighed: Weighed, grounds: Grounds) => { readonly reason: Reason; readonly for: boolean } | null;
}
