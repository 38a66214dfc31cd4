import type { ForageKind } from '../../contract/ids.js';
import type { Category } from '../../lures/category.js';
import { eatenIn, looksLikeFood } from '../../presentation/aspects.js';
import type { Facts } from '../../rules/facts.js';

/** The food a lure passes for on a day, null where it is eaten out of habit. */
export const foodOfLure = (category: Category, facts: Facts): ForageKind | null =>
  looksLikeFood(category, eatenIn(facts)).kind;
