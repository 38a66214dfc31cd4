import { group } from 'd3-array';
import type { Block, Fished } from './fished.js';

/** So much less, as a logarithm, does an hour's fishing leave of a place's bites. Judgement, held against simulated days. */
const THINNED_PER_HOUR = 0.4;
/** Of that half is made good in so many minutes. */
export const REFILLED_MIN = 85;

/** Where something is fished: by its name, or by the kind of ground where it has none. */
export const placeOf = ({ spot, structure, cover }: Fished): string => spot ?? `${structure}/${cover}`;

/** Hours for which a place was fished, as far as it remembers them at a minute of the day. */
const rememberedHours = (here: readonly Block[], atMin: number): number =>
  here.reduce(
    (sum, { hours, atMin: thenMin }) => sum + hours * 0.5 ** (Math.max(0, atMin - thenMin) / REFILLED_MIN),
    0,
  );

/**
 * How far places are thinned out by fishing: the catch of a unit of effort falls, as a logarithm, along with the effort
 * that was spent before it (DeLury 1947), and comes back with time as fish move in. As logarithms of a factor, 0 or less.
 * @param atMin minute of the day at which it is asked what is left
 * @returns for each block what its place had left in the middle of it, and for anything what is left at that minute
 */
export function thinnedOut(
  blocks: readonly Block[],
  atMin: number,
): { readonly ofBlocks: readonly number[]; readonly of: (fished: Fished) => number } {
  const byPlace = group(blocks, placeOf);
  const fishedAt = (fished: Fished): readonly Block[] => byPlace.get(placeOf(fished)) ?? [];
  const left = new Map<string, number>();
  return {
    ofBlocks: blocks.map((block) => {
      const before = fishedAt(block).filter((other) => other.atMin < block.atMin);
      return -THINNED_PER_HOUR * (rememberedHours(before, block.atMin) + block.hours / 2);
    }),
    of: (fished) => {
      const place = placeOf(fished);
      let known = left.get(place);
      if (known === undefined) left.set(place, (known = -THINNED_PER_HOUR * rememberedHours(fishedAt(fished), atMin)));
      return known;
    },
  };
}
