import type { Presentation } from '../../contract/plan.js';
import type { ItemOf, TackleItem } from '../item.js';
import type { Chore } from '../upkeep.js';
import type { UnitSystem } from '../../units/units.js';
import type { Reach } from './combo-fit.js';
import type { Combo } from './combos.js';
import type { Need } from './needs.js';

/** One rod for the day: what is tied on it for which advice, and what falls short. */
export interface RodAdvice {
  readonly combo: Combo;
  readonly lure: ItemOf<'lure'>;
  readonly presentation: Presentation;
  /** Windows of the day in which it is advised. */
  readonly windowIds: readonly string[];
  /** How well all of it suits, 0 to 1. */
  readonly fit: number;
  /** How the lure differs from what is advised. */
  readonly differs: readonly string[];
  /** What rod, reel and line give up. */
  readonly compromises: readonly string[];
  readonly reach: Reach | null;
  /** Where it will not reach: what to do. */
  readonly instead: string | null;
  /** A line that lies ready and is to be put on this reel first, with what it cures. */
  readonly respool: {
    readonly line: ItemOf<'line'>;
    readonly because: readonly string[];
    /** How deep it gets then; null where the line does not decide that. */
    readonly deepestM: number | null;
  } | null;
  readonly needs: readonly Need[];
}

/** Advice that no rod carries: why, and what comes nearest. */
export interface LeftOver {
  readonly presentation: Presentation;
  readonly why: 'no-lure' | 'no-rod';
  /** The owned lure that comes nearest to it, though it does not stand for it. */
  readonly nearest: { readonly lure: ItemOf<'lure'>; readonly differs: readonly string[] } | null;
}

/** What goes into the boat, box by box. */
export interface PackedBox {
  readonly box: string | null;
  readonly pieces: readonly { readonly item: TackleItem; readonly slot: string | null; readonly forWhat: string }[];
}

export interface RigPlan {
  readonly rods: readonly RodAdvice[];
  readonly left: readonly LeftOver[];
  readonly packing: readonly PackedBox[];
  /** Small things that the lures tied on want and that are not owned. */
  readonly missing: readonly string[];
  readonly todo: readonly Chore[];
  readonly unready: readonly { readonly rod: ItemOf<'rod'>; readonly why: string }[];
}

export interface MatchOptions {
  /** Rods on deck at most. */
  readonly maxRods: number;
  readonly units: UnitSystem;
  /** The day of the trip, as YYYY-MM-DD. */
  readonly date: string;
}
