import type { CategoryId } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import type { Presentation } from '../contract/plan.js';
import { isKind, type ItemOf, type TackleItem } from '../tackle/item.js';
import { lureFit, MIN_FIT } from '../tackle/match/lure-fit.js';
import { needsOf, type Need } from '../tackle/match/needs.js';
import type { UnitSystem } from '../units/units.js';
import { BETTER, bestOf, chooseAboard } from './cover.js';
import { bitesOf, type Wanted } from './wanted.js';

/** A lure that goes into the boat, and why. */
export interface PackedLure {
  readonly lure: ItemOf<'lure'>;
  /** What it stands for most. */
  readonly category: CategoryId;
  /** Share of the mornings in which nothing else aboard does better, in a window at least. */
  readonly wanted: number;
  /** Weight, hook and trailer that it goes with, each with the owned piece that comes nearest. */
  readonly needs: readonly Need[];
}

/** Something small to buy before the trip, and why. */
export interface ToBuy {
  readonly what: string;
  readonly why: 'not owned' | 'runs low';
}

export interface MorningsPacking {
  /** Small things that the lures aboard want and that are not owned, or of which hardly any are left. */
  readonly toBuy: readonly ToBuy[];
  readonly aboard: readonly PackedLure[];
  /** What stays ashore though it would do better than all that is aboard on some mornings, most wanted first. */
  readonly ashore: readonly PackedLure[];
  /** What the lures aboard bring beside what the planner names first with everything owned, 0 to 1. */
  readonly brings: number;
}

const MOST_ASHORE = 6;
/** What every owned lure would bring in every window of every morning, and what it stands for there. */
interface Values {
  readonly lures: readonly ItemOf<'lure'>[];
  /** By lure, then by case. */
  readonly values: readonly Float64Array[];
  readonly standsFor: readonly (readonly CategoryId[])[];
  readonly shares: Float64Array;
}

function valuesOf({ cases, presentations }: Wanted, owned: readonly TackleItem[], units: UnitSystem): Values {
  const lures = owned.filter(isKind('lure')).filter(({ count }) => count > 0);
  const wanted = [...presentations];
  const bites = wanted.map(([category]) => Float64Array.from(cases, ({ window }) => bitesOf(category, window)));
  const found = lures.flatMap((lure) => {
    const fits = wanted.map(([, presentation]) => lureFit(lure, presentation, units).fit);
    if (!fits.some((fit) => fit >= MIN_FIT)) return [];
    const values = new Float64Array(cases.length);
    const stands: CategoryId[] = new Array<CategoryId>(cases.length).fill(lure.category);
    fits.forEach((fit, at) => {
      if (fit < MIN_FIT) return;
      const own = bites[at] as Float64Array;
      const category = (wanted[at] as readonly [CategoryId, Presentation])[0];
      for (let index = 0; index < values.length; index++) {
        const value = fit * (own[index] as number);
        if (value > (values[index] as number)) {
          values[index] = value;
          stands[index] = category;
        }
      }
    });
    return [{ lure, values, stands }];
  });
  return {
    lures: found.map(({ lure }) => lure),
    values: found.map(({ values }) => values),
    standsFor: found.map(({ stands }) => stands),
    shares: Float64Array.from(cases, ({ share }) => share),
  };
}

const total = (best: Float64Array, shares: Float64Array): number =>
  best.reduce((sum, value, index) => sum + value * (shares[index] as number), 0);

/** In how many mornings something holds in a window at least. */
export function morningShare({ cases, mornings }: Wanted, holds: (index: number) => boolean): number {
  const held = new Set<number>();
  cases.forEach(({ morning }, index) => holds(index) && held.add(morning));
  return held.size / Math.max(1, mornings);
}

/** What a lure stands for most, where it is wanted; else anywhere. */
export function mostFor(stands: readonly CategoryId[], holds: (index: number) => boolean): CategoryId {
  const counts = new Map<CategoryId, number>();
  stands.forEach((category, index) => holds(index) && counts.set(category, (counts.get(category) ?? 0) + 1));
  return [...counts].reduce<readonly [CategoryId, number]>(
    (a, b) => (b[1] > a[1] ? b : a),
    [stands[0] as CategoryId, 0],
  )[0];
}

/**
 * What of the owned lures goes into the boat for all mornings that may come, each with in how many it is wanted.
 * @param most lures that there is room for
 */
export function packFor(
  wanted: Wanted,
  owned: readonly TackleItem[],
  { most, units }: { readonly most: number; readonly units: UnitSystem },
): MorningsPacking {
  const { lures, values, standsFor, shares } = valuesOf(wanted, owned, units);
  const chosen = chooseAboard(values, shares, most);
  const best = bestOf(values, chosen, shares.length);
  const packed = (at: number, holds: (index: number) => boolean): PackedLure => {
    const lure = lures[at] as ItemOf<'lure'>;
    const category = mostFor(standsFor[at] as CategoryId[], holds);
    const presentation = wanted.presentations.get(category);
    return {
      lure,
      category,
      wanted: morningShare(wanted, holds),
      needs: presentation ? needsOf(lure, presentation, owned, units) : [],
    };
  };
  const valueAt = (at: number, index: number) => (values[at] as Float64Array)[index] as number;
  const aboard = chosen
    .map((at) => packed(at, (index) => valueAt(at, index) > 0 && valueAt(at, index) >= (best[index] as number) - 1e-12))
    .sort((a, b) => b.wanted - a.wanted);
  const ashore = lures
    .flatMap((_, at) => {
      if (chosen.includes(at)) return [];
      const one = packed(at, (index) => valueAt(at, index) > (best[index] as number) + BETTER);
      return one.wanted > 0 ? [one] : [];
    })
    .sort((a, b) => b.wanted - a.wanted)
    .filter((one, at, all) => all.findIndex(({ category }) => category === one.category) === at)
    .slice(0, MOST_ASHORE);
  const all = total(bestOf(values, [...lures.keys()], shares.length), shares);
  return { aboard, ashore, toBuy: toBuyFor(aboard), brings: all > 0 ? total(best, shares) / all : 0 };
}

/** So few of what is lost on every snag are hardly any. */
const RUNS_LOW = 2;

/** What is to be bought for the lures aboard, each thing once. */
function toBuyFor(aboard: readonly PackedLure[]): ToBuy[] {
  const needs = aboard.flatMap((piece) => piece.needs);
  const missing = needs.filter(({ item }) => !item).map(({ what }): ToBuy => ({ what, why: 'not owned' }));
  const low = needs.flatMap(({ item }): ToBuy[] =>
    item && item.count <= RUNS_LOW ? [{ what: item.name, why: 'runs low' }] : [],
  );
  return [...missing, ...low].filter((one, at, all) => all.findIndex(({ what }) => what === one.what) === at);
}

/** A lure that is not owned and would be wanted. */
export interface Lacking {
  readonly category: CategoryId;
  /** Share of the mornings in which it would do better than all that is owned, in a window at least. */
  readonly wanted: number;
  /** How many times the bites it would bring there, in the mean, beside the best that is owned. */
  readonly times: number;
  /** How it is advised where it is wanted most. */
  readonly presentation: Presentation;
}

/** It must better the best that is owned by a twentieth, on one morning of fifty, to be worth a word. */
const WORTH_BUYING = 1.05;
const WORTH_MORNINGS = 0.02;

/** What the box lacks: lures that would do better than all that is owned, the most missed first. By kind alone. */
export function boxLacks(wanted: Wanted, owned: readonly TackleItem[], units: UnitSystem): Lacking[] {
  const { values, shares } = valuesOf(wanted, owned, units);
  const best = bestOf(values, [...values.keys()], shares.length);
  const lacking = [...wanted.presentations].flatMap(([category, presentation]): (Lacking & { missed: number })[] => {
    const own = Float64Array.from(wanted.cases, ({ window }) => bitesOf(category, window));
    const isBetter = (index: number) => (own[index] as number) > WORTH_BUYING * (best[index] as number);
    const share = morningShare(wanted, isBetter);
    if (share < WORTH_MORNINGS) return [];
    let [had, would] = [0, 0];
    own.forEach((value, index) => {
      if (!isBetter(index)) return;
      had += (shares[index] as number) * (best[index] as number);
      would += (shares[index] as number) * value;
    });
    // Where nothing that is owned does anything there, several times is all that can be said.
    const times = had > 0 ? Math.min(9, would / had) : 9;
    return [{ category, wanted: share, times, presentation, missed: would - had }];
  });
  return lacking.sort((a, b) => b.missed - a.missed).map(({ missed: _, ...each }) => each);
}

/** A share of mornings as it is said: `9 of 10`, `1 of 12`. */
export function ofMornings(share: number): string {
  if (share >= 0.995) return 'every one';
  const tenths = Math.round(10 * share);
  if (tenths >= 1) return `${Math.min(9, tenths)} of 10`;
  return share <= 0 ? 'none' : `1 of ${Math.min(100, Math.round(1 / share))}`;
}

/** Why a piece goes along, in words. */
export const whyPacked = ({ category, wanted }: PackedLure): string =>
  wanted > 0
    ? `${nameOf(category)}, wanted in ${ofMornings(wanted)} mornings`
    : `${nameOf(category)}, behind the others`;
