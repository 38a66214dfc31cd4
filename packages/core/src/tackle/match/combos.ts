import { isKind, type ItemOf, type TackleItem } from '../item.js';

/** A rod with the reel that is on it and the line that is on that. */
export interface Combo {
  readonly rod: ItemOf<'rod'>;
  readonly reel: ItemOf<'reel'>;
  readonly line: ItemOf<'line'>;
  readonly leader: ItemOf<'leader'> | null;
}

export interface OwnedRods {
  readonly combos: readonly Combo[];
  /** Rods that cannot be fished as they are, and why. */
  readonly unready: readonly { readonly rod: ItemOf<'rod'>; readonly why: string }[];
  /** Lines that are on no reel: what a reel could be filled with. */
  readonly spareLines: readonly ItemOf<'line'>[];
}

/** Puts rods, reels and lines together as they hang on one another. */
export function ownedRods(items: readonly TackleItem[]): OwnedRods {
  const byId = new Map(items.map((item) => [item.id, item]));
  const at = (id: string | undefined) => (id === undefined ? undefined : byId.get(id));
  const combos: Combo[] = [];
  const unready: { rod: ItemOf<'rod'>; why: string }[] = [];
  const taken = new Map<string, string>();
  for (const rod of items.filter(isKind('rod'))) {
    const reel = at(rod.reelId);
    const line = reel?.kind === 'reel' ? at(reel.lineId) : undefined;
    const leader = reel?.kind === 'reel' ? at(reel.leaderId) : undefined;
    if (reel?.kind !== 'reel') unready.push({ rod, why: 'it has no reel' });
    else if (line?.kind !== 'line') unready.push({ rod, why: `${reel.name} has no line` });
    else if (taken.has(reel.id)) unready.push({ rod, why: `${reel.name} is on ${taken.get(reel.id)}` });
    else if (taken.has(line.id)) unready.push({ rod, why: `${line.name} is on ${taken.get(line.id)}` });
    else {
      taken.set(reel.id, rod.name).set(line.id, reel.name);
      combos.push({ rod, reel, line, leader: leader?.kind === 'leader' ? leader : null });
    }
  }
  const onReels = new Set(items.filter(isKind('reel')).map(({ lineId }) => lineId));
  return { combos, unready, spareLines: items.filter(isKind('line')).filter(({ id }) => !onReels.has(id)) };
}
