import type { Block, Candidate } from '../evidence/fished.js';
import { mattering, type Mattering } from '../evidence/moves.js';
import { normalBelow } from '../evidence/normal.js';
import { posterior, preferenceOf, usualLog, type Prospect } from '../evidence/posterior.js';
import { thinnedOut } from '../evidence/thinned.js';

/** What like things that were fished say of others: the water as slopes, not as states. */
export interface LikeThings {
  readonly logEvidence: number;
  readonly prospect: (of: Candidate) => Prospect;
  /** What stands out of it so far, the surest first. */
  readonly matters: (of: Candidate) => Mattering[];
  /** How likely one thing brings more an hour than another. */
  readonly odds: (one: Candidate, other: Candidate) => number;
}

/** They are surer which of two things is better than simulated days of either world have them: odds are told nearer to even. */
const ODDS_NEARER = 0.6;

/**
 * What is known of like things at a minute of the day: Gaussian processes over what they share (`evidence/posterior`).
 * @param ofBlocks how much the plan prefers what each block fished (`preferences`)
 */
export function likeThings(
  candidates: readonly Candidate[],
  blocks: readonly Block[],
  ofBlocks: readonly number[],
  atMin: number,
): LikeThings {
  const usual = usualLog(candidates);
  const thinned = thinnedOut(blocks, atMin);
  const asked = (of: Candidate) => ({
    fished: of,
    preference: preferenceOf(of.prior, usual),
    thinned: thinned.of(of),
  });
  const known = posterior(blocks, ofBlocks, thinned.ofBlocks);
  return {
    logEvidence: known.logEvidence,
    prospect: (of) => known.prospect(asked(of), atMin),
    matters: (of) => mattering(known, of, atMin),
    odds: (one, other) => {
      const { mean, sd } = known.against(asked(one), asked(other), atMin);
      return sd > 0 ? normalBelow((ODDS_NEARER * mean) / sd) : 0.5;
    },
  };
}
