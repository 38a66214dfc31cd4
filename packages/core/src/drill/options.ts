import {
  BASS_PHASES,
  FORAGE_KINDS,
  INSHORE_PHASES,
  REGIMES,
  STRUCTURES,
  TONES,
  type CategoryId,
  type ForageKind,
  type Phase,
  type Regime,
  type Structure,
  type Tone,
} from '../contract/ids.js';
import { capital } from '../contract/names.js';
import { seededNumbers } from '../numbers/seeded.js';
import { STRUCTURE_DEPTH_M } from '../place/places.js';
import { rig } from '../technique/rig/rig.js';
import type { DrillRig } from './answer.js';
import { classesOf, rigOf, rigWords } from './grading/lure.js';
import type { DrillKey } from './key.js';

/** A place on the profile of a water: how far out it lies, 0 (bank) to 1 (the deepest), and between which depths. */
export interface ProfilePlace {
  readonly structure: Structure;
  readonly out: number;
  readonly depthM: readonly [number, number];
}

/** What stands to choose from. */
export interface DrillOptions {
  readonly phases: readonly Phase[];
  readonly regimes: readonly Regime[];
  readonly foods: readonly ForageKind[];
  /** Nearest the bank first. */
  readonly places: readonly ProfilePlace[];
  readonly lures: readonly CategoryId[];
  /** Of the planner's lure; none where it is made for all depths. */
  readonly classes: readonly { readonly id: string; readonly words: string }[];
  readonly tones: readonly Tone[];
  readonly rigs: readonly { readonly rig: DrillRig; readonly words: string }[];
  /** Windows of the day, for what is asked over its hours. */
  readonly hours: readonly {
    readonly from: string;
    readonly to: string;
    readonly fromMin: number;
    readonly toMin: number;
  }[];
  /** The window that all but the band is asked about. */
  readonly index: number;
  /** How deep the water is, metres: the band is dragged within it. */
  readonly bottomM: number;
}

const LURES = 6;
const STRUCTURES_SHOWN = 5;
const FOODS = 5;
const RIGS = 4;
/** Of the lures that are offered so many are of the planner's own set at most: the rest would be wrong, or nearly. */
const OF_SET = 2;

/** Food that a water of the discipline may have. */
const FOODS_OF = {
  bass: ['shad', 'crayfish', 'sunfish', 'herring'],
  inshore: ['shrimp', 'mullet', 'menhaden', 'crab', 'pinfish'],
} as const;

/** Rigs of the planner's lure and of others, all of them other in words. */
function rigsFor(key: DrillKey, shuffled: <T>(list: readonly T[]) => T[]): DrillOptions['rigs'] {
  const own = rigOf(key);
  const others = shuffled(key.chosen.weighed).map(({ category }): DrillRig => {
    const { rod, line } = rig(category, key.chosen.grounds.facts);
    return { power: rod.power, material: line.material, testLb: line.testLb };
  });
  const named = new Map([own, ...others].map((each) => [rigWords(each), each]));
  const [first, ...rest] = [...named].map(([words, each]) => ({ rig: each, words: capital(words) }));
  return shuffled(first ? [first, ...rest.slice(0, RIGS - 1)] : []);
}

/** Where places lie on a profile: what reaches deepest farthest out, none on another. */
function profileOf(structures: readonly Structure[], bottomM: number): ProfilePlace[] {
  const sorted = structures
    .map((structure) => ({ structure, depthM: STRUCTURE_DEPTH_M[structure] }))
    .sort((a, b) => a.depthM[0] + a.depthM[1] - (b.depthM[0] + b.depthM[1]));
  return sorted.map(({ structure, depthM: [from, to] }, at) => ({
    structure,
    out: (at + 0.5) / sorted.length,
    depthM: [Math.min(from, 0.6 * bottomM), Math.min(to, bottomM)],
  }));
}

/** What is offered for a scene: what is right among what is not, in an order that says nothing. The same seed, the same. */
export function optionsFor(key: DrillKey, seed: number): DrillOptions {
  const { day, chosen, told, hours } = key;
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
  const deepest = Math.max(...hours.flatMap(({ places }) => places.map(({ depthM }) => depthM[1])));
  const bottomM = Math.max(maxDepthM ?? 0, Math.ceil(deepest * 1.3));
  const eaten = day.food.slice(0, 2).map(({ kind }) => kind);
  const foods = FORAGE_KINDS.filter((kind) => (FOODS_OF[discipline] as readonly ForageKind[]).includes(kind));
  return {
    phases: discipline === 'bass' ? BASS_PHASES : INSHORE_PHASES,
    regimes: REGIMES,
    foods: shuffled([...new Set([...eaten, ...foods])].slice(0, FOODS)),
    places: profileOf(
      [...there, ...shuffled(elsewhere).slice(0, Math.max(1, STRUCTURES_SHOWN - there.length))],
      bottomM,
    ),
    lures: shuffled([...set, ...shuffled(others).slice(0, LURES - set.length)]),
    classes: classesOf(key),
    tones: TONES,
    rigs: rigsFor(key, shuffled),
    hours: hours.map(({ from, to, fromMin, toMin }) => ({ from, to, fromMin, toMin })),
    index: key.index,
    bottomM,
  };
}
