import {
  BASS_PHASES,
  INSHORE_PHASES,
  REGIMES,
  STRUCTURES,
  type CategoryId,
  type Phase,
  type Regime,
  type Structure,
} from '../contract/ids.js';
import { seededNumbers } from '../numbers/seeded.js';
import type { DrillKey } from './grade.js';

/** What stands to choose from. */
export interface DrillOptions {
  readonly phases: readonly Phase[];
  readonly regimes: readonly Regime[];
  readonly structures: readonly Structure[];
  readonly lures: readonly CategoryId[];
  /** How deep the water is, metres: the band is dragged within it. */
  readonly bottomM: number;
}

const LURES = 6;
const STRUCTURES_SHOWN = 5;
/** Of the lures that are offered so many are of the planner's own set at most: the rest would be wrong, or nearly. */
const OF_SET = 2;

/** What is offered for a scene: what is right among what is not, in an order that says nothing. The same seed, the same. */
export function optionsFor({ day, chosen, told }: DrillKey, seed: number): DrillOptions {
  const random = seededNumbers(seed + 77);
  const shuffled = <T>(list: readonly T[]): T[] =>
    list
      .map((each) => ({ each, at: random() }))
      .sort((a, b) => a.at - b.at)
      .map(({ each }) => each);
  const { discipline, structures, maxDepthM } = day.conditions;
  const set = chosen.set.map(({ weighed }) => weighed.category.id).slice(0, OF_SET);
  const others = chosen.weighed.map(({ category }) => category.id).filter((id) => !set.includes(id));
  const there = [...new Set([...told.holding.slice(0, 2).map((each) => each.structure), ...structures])].slice(
    0,
    STRUCTURES_SHOWN,
  );
  const elsewhere = STRUCTURES.filter((id) => !there.includes(id));
  const deepest = Math.max(...told.holding.map(({ depthM }) => depthM[1]));
  return {
    phases: discipline === 'bass' ? BASS_PHASES : INSHORE_PHASES,
    regimes: REGIMES,
    structures: shuffled([...there, ...shuffled(elsewhere).slice(0, Math.max(1, STRUCTURES_SHOWN - there.length))]),
    lures: shuffled([...set, ...shuffled(others).slice(0, LURES - set.length)]),
    bottomM: Math.max(maxDepthM ?? 0, Math.ceil(deepest * 1.3)),
  };
}
