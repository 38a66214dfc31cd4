import { nameOf } from '../../contract/names.js';
import type { TurnAdvice } from '../../plan/if-then.js';
import { categoryOf } from '../../lures/categories.js';
import { usualDepthM } from '../../lures/forms.js';
import type { ItemOf } from '../item.js';
import type { RodAdvice } from './rig-plan.js';

/** A lure for a turn of the day: what would take over then, and the owned piece that it would be; null where none is. */
export interface TurnLure {
  /** The turn, in words: `The water is 3 °F warmer than planned`. */
  readonly when: string;
  readonly category: string;
  readonly lure: ItemOf<'lure'> | null;
}

/**
 * What the turns of a day would want that no rod carries: deep divers left ashore on a day that turned out warmer are the
 * classic. Of what is owned the piece whose stated depth comes nearest is taken along.
 */
export function turnLures(
  turns: readonly TurnAdvice[],
  rods: readonly RodAdvice[],
  lures: readonly ItemOf<'lure'>[],
): TurnLure[] {
  const aboard = new Set(rods.map(({ lure }) => lure.category));
  const seen = new Set<string>();
  return turns.flatMap(({ when, category, runDepthM }): TurnLure[] => {
    if (aboard.has(category) || seen.has(category)) return [];
    seen.add(category);
    const off = ({ statedDepthM }: ItemOf<'lure'>) =>
      Math.abs((statedDepthM ?? usualDepthM(categoryOf(category))) - runDepthM[1]);
    const owned = lures.filter((lure) => lure.category === category && lure.count > 0);
    const [lure = null] = [...owned].sort((a, b) => off(a) - off(b));
    return [{ when, category: nameOf(category), lure }];
  });
}
