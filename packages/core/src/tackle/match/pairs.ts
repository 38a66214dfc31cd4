import type { ItemOf } from '../item.js';
import type { UnitSystem } from '../../units/units.js';
import type { DayAdvice } from './advice.js';
import { comboFit, otherLine, type ComboFit } from './combo-fit.js';
import type { Combo, OwnedRods } from './combos.js';
import type { Fit } from './fit.js';
import { MIN_FIT, lureFit } from './lure-fit.js';

/** Lures thought about for each piece of advice. */
const LURES_EACH = 4;
/** Putting on another line is work: it must better things by more than this takes off. */
const RESPOOLING = 0.88;

/** An owned lure that stands for a piece of advice, and how well. */
export interface PairCandidate {
  readonly lure: ItemOf<'lure'>;
  readonly fit: Fit;
}

/** A lure on a rod for a piece of advice, with the rod's line as it is or with another put on first. */
export interface Pair {
  readonly candidate: PairCandidate;
  /** The rod as it is. */
  readonly asIs: ComboFit;
  /** The line put on first, and how it does; null where the rod is taken as it is. */
  readonly respool: { readonly line: ItemOf<'line'>; readonly fit: Fit } | null;
  readonly fit: number;
  readonly value: number;
  /** Ids of what it uses up, so that no other can have it. */
  readonly uses: readonly string[];
}

/** The owned lures that stand for a piece of advice, best first. */
export function candidatesFor(
  { presentation }: DayAdvice,
  lures: readonly ItemOf<'lure'>[],
  units: UnitSystem,
): PairCandidate[] {
  return lures
    .map((lure) => ({ lure, fit: lureFit(lure, presentation, units) }))
    .filter(({ fit }) => fit.fit >= MIN_FIT)
    .sort((a, b) => b.fit.fit - a.fit.fit)
    .slice(0, LURES_EACH);
}

/** The ways in which one combo can carry one lure: as it is, and with each line that lies ready and betters it. */
function waysOf(
  candidate: PairCandidate,
  combo: Combo,
  lines: readonly ItemOf<'line'>[],
  { presentation, worth, deepestM }: DayAdvice,
  units: UnitSystem,
): Pair[] {
  const wanted = { ...presentation, runDepthM: deepestM };
  const asIs = comboFit(combo, candidate.lure, wanted, units);
  const pair = (respool: Pair['respool'], carries: number): Pair => {
    const fit = candidate.fit.fit * carries;
    const uses = respool ? [candidate.lure.id, respool.line.id] : [candidate.lure.id];
    return { candidate, asIs, respool, fit, value: worth * fit, uses };
  };
  const others = lines
    .map((line) => ({ line, fit: otherLine(line, candidate.lure, wanted, units) }))
    .filter(({ fit }) => RESPOOLING * fit.fit > asIs.line.fit);
  return [
    pair(null, asIs.whole.fit),
    ...others.map((respool) => pair(respool, RESPOOLING * asIs.rod.fit * respool.fit.fit)),
  ];
}

/** For every piece of advice and combo all ways to bring them together, best first. */
export const pairsOf = (
  advice: readonly DayAdvice[],
  { combos, spareLines }: OwnedRods,
  candidates: readonly PairCandidate[][],
  units: UnitSystem,
): Pair[][][] =>
  advice.map((each, at) =>
    combos.map((combo) =>
      (candidates[at] ?? [])
        .flatMap((candidate) => waysOf(candidate, combo, spareLines, each, units))
        .sort((a, b) => b.value - a.value),
    ),
  );
