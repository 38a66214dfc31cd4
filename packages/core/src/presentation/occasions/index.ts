import { CATALOGUE } from '../../lures/categories.js';
import type { Category } from '../../lures/category.js';
import { likeness } from '../likeness.js';
import { CRANK_OCCASIONS } from './cranks.js';
import { INSHORE_OCCASIONS } from './inshore.js';
import { METAL_AND_SWIMMER_OCCASIONS } from './metal-and-swimmers.js';
import type { LureOccasions, Occasion, Occasions } from './occasion.js';
import { SOFT_OCCASIONS } from './soft.js';
import { SURFACE_OCCASIONS } from './surface.js';
import { JIG_OCCASIONS, WIRE_OCCASIONS } from './wire-and-skirt.js';

export type { LureOccasions, Occasion } from './occasion.js';

const ALL: Occasions = {
  ...CRANK_OCCASIONS,
  ...SURFACE_OCCASIONS,
  ...METAL_AND_SWIMMER_OCCASIONS,
  ...WIRE_OCCASIONS,
  ...JIG_OCCASIONS,
  ...SOFT_OCCASIONS,
  ...INSHORE_OCCASIONS,
};

const borrowed = new WeakMap<Category, LureOccasions>();

/**
 * The days that a category is made for, and those that spoil it. One of which nothing is said yet has those of the lure
 * that is most like it by its attributes.
 */
export function occasionsOf(category: Category): LureOccasions {
  const own = ALL[category.id] ?? borrowed.get(category);
  if (own) return own;
  const like = CATALOGUE.reduce((a, b) => (likeness(category, b) > likeness(category, a) ? b : a));
  const found = ALL[like.id] ?? { suits: [] };
  borrowed.set(category, found);
  return found;
}

/** Every occasion of every lure, as rules. */
export const OCCASION_RULES: readonly Occasion[] = Object.values(ALL).flatMap(
  ({ suits, spoils = [], excludes = [] }) => [...suits, ...spoils, ...excludes],
);
