import type { CategoryId } from '../../contract/ids.js';
import type { TiedOn } from '../../contract/trips.js';
import { isKind, type ItemOf, type TackleItem } from '../item.js';
import { ownedRods, type Combo } from './combos.js';
import type { RodAdvice } from './rig-plan.js';

/** An owned lure that may be tied on, as a note of a fish carries it. */
export interface OwnedTiedOn {
  readonly id: string;
  readonly name: string;
  readonly tiedOn: TiedOn;
  /** It stands on a rod of the day. */
  readonly rigged: boolean;
}

/** What of an owned lure, and of the line it hangs on where that is known, goes with a note of a fish. */
function tiedOnOf(lure: ItemOf<'lure'>, rigged: boolean, combo?: Combo): OwnedTiedOn {
  const { id, name, lengthMm, weightG, tone, families, sound } = lure;
  return {
    id,
    name,
    rigged,
    tiedOn: {
      pieceId: id,
      sizeMm: lengthMm,
      weightG,
      tone,
      colour: families[0],
      sound,
      lineLb: combo?.line.testLb,
      leaderLb: combo?.leader?.testLb,
    },
  };
}

/**
 * Owned lures of a category as they may be tied on: those that stand on a rod of the day first, with its line and leader.
 * @param rods of the day, the first advice first; none where they were not matched
 */
export function tiedOnFrom(
  category: CategoryId,
  rods: readonly Pick<RodAdvice, 'lure' | 'combo'>[],
  owned: readonly TackleItem[],
): OwnedTiedOn[] {
  const onRods = rods.filter(({ lure }) => lure.category === category);
  const rigged = new Set(onRods.map(({ lure }) => lure.id));
  const others = owned.filter(isKind('lure')).filter((lure) => lure.category === category && !rigged.has(lure.id));
  // One rod alone can only be that one; of several nobody knows which.
  const { combos } = ownedRods(owned);
  const only = combos.length === 1 ? combos[0] : undefined;
  return [
    ...onRods.map(({ lure, combo }) => tiedOnOf(lure, true, combo)),
    ...others.map((lure) => tiedOnOf(lure, false, only)),
  ];
}
