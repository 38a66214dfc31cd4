import type { Reason } from '../../contract/plan.js';
import type { Graded } from '../answer.js';

/** Reasons that are told for an answer and against it. */
const TOLD = 3;
/** A choice so far behind, as a share of the weight of the first, is as good. */
const AS_GOOD = 0.85;
/** The planner is unsure where its first has less than this, and who is near then gets half of what is missing. */
const UNSURE_UNDER = 0.5;

export const texts = (reasons: readonly Reason[]): string[] => reasons.slice(0, TOLD).map(({ text }) => text);

/** A share of the best as marks: nearly as good is as good; where the planner is unsure what is missing counts half. */
export function marks(share: number, sureness: number): Pick<Graded, 'score' | 'unsure'> {
  const unsure = sureness < UNSURE_UNDER;
  const plain = Math.min(1, Math.max(0, share / AS_GOOD));
  return { score: unsure ? plain + (1 - plain) / 2 : plain, unsure };
}
