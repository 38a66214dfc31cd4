import type { CategoryId } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import { isKind, type ItemOf, type TackleItem } from '../tackle/item.js';
import { comboFit } from '../tackle/match/combo-fit.js';
import { ownedRods, type Combo, type OwnedRods } from '../tackle/match/combos.js';
import { lureFit, MIN_FIT } from '../tackle/match/lure-fit.js';
import type { UnitSystem } from '../units/units.js';
import { BETTER, bestOf, chooseAboard } from './cover.js';
import { morningShare, mostFor, ofMornings } from './packing.js';
import { bitesOf, type Wanted } from './wanted.js';

/** A rod on deck with what is tied on it. */
export interface DeckRod {
  readonly combo: Combo;
  readonly lure: ItemOf<'lure'>;
  /** What it is fished as most. */
  readonly category: CategoryId;
  /** Share of the mornings in which nothing else on deck does better, in a window at least. */
  readonly wanted: number;
  /** What rod, reel and line give up with it. */
  readonly short: readonly string[];
  /** A spool of the same line that lies ready. */
  readonly spareLine: ItemOf<'line'> | null;
}

export interface MorningsDeck {
  readonly rods: readonly DeckRod[];
  /** Rods that stay in the locker though with the right lure they would do better on some mornings, the most wanted first. */
  readonly locker: readonly Pick<DeckRod, 'combo' | 'lure' | 'category' | 'wanted'>[];
  /** Rods that cannot be fished as they are, and why. */
  readonly unready: OwnedRods['unready'];
}

/** Lures that are thought about for each kind that is wanted. */
const LURES_EACH = 4;
const MOST_IN_LOCKER = 3;
/** A spool serves for a line of nearly its test. */
const LIKE_TEST = 0.2;

/** A lure on a rod, with what it brings in every window of every morning. */
interface Tied {
  readonly combo: Combo;
  readonly lure: ItemOf<'lure'>;
  readonly values: Float64Array;
  readonly standsFor: readonly CategoryId[];
  readonly short: ReadonlyMap<CategoryId, readonly string[]>;
}

function everyTied(
  { cases, presentations }: Wanted,
  owned: readonly TackleItem[],
  { combos }: OwnedRods,
  units: UnitSystem,
): Tied[] {
  const lures = owned.filter(isKind('lure')).filter(({ count }) => count > 0);
  const stands = [...presentations].flatMap(([category, presentation]) => {
    const bites = Float64Array.from(cases, ({ window }) => bitesOf(category, window));
    return lures
      .map((lure) => ({ category, presentation, bites, lure, fit: lureFit(lure, presentation, units).fit }))
      .filter(({ fit }) => fit >= MIN_FIT)
      .sort((a, b) => b.fit - a.fit)
      .slice(0, LURES_EACH);
  });
  const wanted = lures.filter((lure) => stands.some((each) => each.lure === lure));
  return combos.flatMap((combo) =>
    wanted.map((lure): Tied => {
      const values = new Float64Array(cases.length);
      const standsFor = new Array<CategoryId>(cases.length).fill(lure.category);
      const short = new Map<CategoryId, readonly string[]>();
      for (const each of stands) {
        if (each.lure !== lure) continue;
        const { whole, rod, line } = comboFit(combo, lure, each.presentation, units);
        short.set(each.category, [...rod.short, ...line.short]);
        const fit = each.fit * whole.fit;
        each.bites.forEach((bites, index) => {
          if (fit * bites <= (values[index] as number)) return;
          values[index] = fit * bites;
          standsFor[index] = each.category;
        });
      }
      return { combo, lure, values, standsFor, short };
    }),
  );
}

function spareFor({ line }: Combo, { spareLines }: OwnedRods): ItemOf<'line'> | null {
  const alike = spareLines.filter(
    ({ material, testLb }) => material === line.material && Math.abs(testLb / line.testLb - 1) <= LIKE_TEST,
  );
  return alike.sort((a, b) => Math.abs(a.testLb - line.testLb) - Math.abs(b.testLb - line.testLb))[0] ?? null;
}

/**
 * Which of the owned rods lie on deck for all mornings that may come, and what is tied on each: one lure a rod, no lure
 * on two of them (`cover`: greed, then exchanges).
 * @param most rods on deck; none where it is 0
 */
export function deckFor(
  wanted: Wanted,
  owned: readonly TackleItem[],
  { most, units }: { readonly most: number; readonly units: UnitSystem },
): MorningsDeck {
  const rack = ownedRods(owned);
  const tied = everyTied(wanted, owned, rack, units);
  const shares = Float64Array.from(wanted.cases, ({ share }) => share);
  const values = tied.map((each) => each.values);
  const bars = (one: number, other: number): boolean => {
    const [a, b] = [tied[one] as Tied, tied[other] as Tied];
    return a.combo === b.combo || a.lure === b.lure;
  };
  const chosen = chooseAboard(values, shares, most, bars);
  const best = bestOf(values, chosen, shares.length);
  const rods = chosen
    .map((at): DeckRod => {
      const { combo, lure, values: own, standsFor, short } = tied[at] as Tied;
      const holds = (index: number) =>
        (own[index] as number) > 0 && (own[index] as number) >= (best[index] as number) - 1e-12;
      const category = mostFor(standsFor, holds);
      return {
        combo,
        lure,
        category,
        wanted: morningShare(wanted, holds),
        short: short.get(category) ?? [],
        spareLine: spareFor(combo, rack),
      };
    })
    .sort((a, b) => b.wanted - a.wanted);
  const onDeck = new Set(rods.map(({ combo }) => combo));
  const locker = rack.combos
    .filter((combo) => !onDeck.has(combo))
    .flatMap((combo) =>
      tied
        .filter((each) => each.combo === combo)
        .map(({ lure, values: own, standsFor }) => {
          const holds = (index: number) => (own[index] as number) > (best[index] as number) + BETTER;
          return { combo, lure, category: mostFor(standsFor, holds), wanted: morningShare(wanted, holds) };
        })
        .sort((a, b) => b.wanted - a.wanted)
        .slice(0, 1),
    )
    .filter((each) => each.wanted > 0)
    .sort((a, b) => b.wanted - a.wanted)
    .slice(0, MOST_IN_LOCKER);
  return { rods, locker, unready: rack.unready };
}

/** Why a rod lies on deck, in words. */
export const whyOnDeck = ({ category, wanted }: Pick<DeckRod, 'category' | 'wanted'>): string =>
  wanted > 0 ? `${nameOf(category)}, best in ${ofMornings(wanted)} mornings` : `${nameOf(category)}, behind the others`;
