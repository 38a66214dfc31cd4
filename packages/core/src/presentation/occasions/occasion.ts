import type { CategoryId } from '../../contract/ids.js';
import type { Rule } from '../../rules/rule.js';

/** A day that a lure is made for (a log-weight over 0) or that spoils it (under 0), and why. */
export type Occasion = Rule<number>;

/**
 * What is known of one kind of lure beside its attributes. Of the days it suits the best one speaks, and of those that
 * spoil it the worst: they are views of one day, so they do not add up. What excludes it takes it out as far as it holds.
 */
export interface LureOccasions {
  readonly suits: readonly Occasion[];
  readonly spoils?: readonly Occasion[];
  readonly excludes?: readonly Occasion[];
}

export type Occasions = Partial<Record<CategoryId, LureOccasions>>;
