import type { CategoryId } from '../contract/ids.js';
import type { Category } from './category.js';
import { HARD_LURES } from './hard-lures.js';
import { SKIRT_LURES } from './skirt-lures.js';
import { SOFT_LURES } from './soft-lures.js';

/** Every category the planner knows. Adding one is adding an entry: it finds its place by its attributes. */
export const CATALOGUE: readonly Category[] = [...HARD_LURES, ...SKIRT_LURES, ...SOFT_LURES];

const byId = new Map(CATALOGUE.map((category) => [category.id, category]));

/**
 * The category of an id. Throws on an id that is not in the catalogue, which is a fault of the program.
 * @example
 * categoryOf('suspending-jerkbait').hangs // => true
 */
export function categoryOf(id: CategoryId): Category {
  const category = byId.get(id);
  if (!category) throw new Error(`No category ${id} in the catalogue`);
  return category;
}
