import type { Block, Fished } from './fished.js';

/** So much less, as a logarithm, does an hour's fishing leave of a place's bites. Judgement, held against simulated days. */
const THINNED_PER_HOUR = 0.4;
/** Of that half is made good in so many minutes. */
export const REFILLED_MIN = 85;

/** Where something is fished: by its name, or by the kind of ground where it has none. */
export const placeOf = ({ spot, structure, cover }: Fished): string => spot ?? `${structure}/${cover}`;

/** What is left of hours that a place remembers, some minutes on. */
const remembered = (hours: number, afterMin: number): number => hours * 0.5 ** (Math.max(0, afterMin) / REFILLED_MIN);

/** Hours for which a place was fished, as far as it remembers them at a minute of the day, and those before that minute. */
interface Worn {
  hours: number;
  before: number;
  atMin: number;
}

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
  const wornBy = new Map<string, Worn>();
  const ofBlocks = new Array<number>(blocks.length);
  const inOrder = [...blocks.keys()].sort((a, b) => (blocks[a] as Block).atMin - (blocks[b] as Block).atMin);
  for (const at of inOrder) {
    const block = blocks[at] as Block;
    const place = placeOf(block);
    const worn = wornBy.get(place) ?? { hours: 0, before: 0, atMin: block.atMin };
    // What was fished at the same time is not before it.
    if (block.atMin > worn.atMin) {
      worn.hours = worn.before = remembered(worn.hours, block.atMin - worn.atMin);
      worn.atMin = block.atMin;
    }
    ofBlocks[at] = -THINNED_PER_HOUR * (worn.before + block.hours / 2);
    worn.hours += block.hours;
    wornBy.set(place, worn);
  }
  return {
    ofBlocks,
    of: (fished) => {
      const worn = wornBy.get(placeOf(fished));
      return worn ? -THINNED_PER_HOUR * remembered(worn.hours, atMin - worn.atMin) : 0;
    },
  };
}
