import type { PlanWindow, Presentation } from '../contract/plan.js';

/** So many rods lie on deck at most where a day does not say fewer. */
export const USUAL_ON_DECK = 5;

/**
 * What to have tied on for a day: the first choices of its windows, then the seconds, then the thirds, each category
 * once, within the rods on deck.
 *
 * @param maxRods rods on deck, as the day says; {@link USUAL_ON_DECK} where it says none, and never more
 */
export function onDeck(windows: readonly PlanWindow[], maxRods = USUAL_ON_DECK): Presentation[] {
  const ranked = [0, 1, 2].flatMap((rank) => windows.flatMap(({ presentations }) => presentations[rank] ?? []));
  const first = new Map<string, Presentation>();
  for (const presentation of ranked)
    if (!first.has(presentation.category)) first.set(presentation.category, presentation);
  return [...first.values()].slice(0, Math.min(USUAL_ON_DECK, maxRods));
}
