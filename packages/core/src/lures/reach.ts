import type { LineMaterial } from '../contract/ids.js';
import { castPath, maxDepthOf } from '../mechanics/cast-path.js';
import { lineOf } from '../mechanics/lines.js';
import { lurePull } from '../mechanics/lure-forces.js';
import { calibrated } from '../mechanics/calibrated.js';
import { depthHeldM, sinkingLure } from '../mechanics/sinking.js';
import type { Category, WaterForm } from './category.js';
import { speedMps } from './pace.js';
import type { Facts } from '../rules/facts.js';

/** A line by material and test, as rigs name it. */
export interface LineChoice {
  readonly material: LineMaterial;
  readonly testLb: number;
  readonly diameterMm?: number | undefined;
}

/** The depth stated for a diver, with the line and cast for which it stands. */
export interface StatedDepth {
  readonly depthM: number;
  readonly line: LineChoice;
  readonly castM: number;
}

/** What decides how deep a lure of a form comes. */
export interface ReachInput {
  readonly form: WaterForm;
  readonly line: LineChoice;
  /** For divers. */
  readonly stated: StatedDepth;
  /** For sinking lures: their mass and how slowly they are reeled. */
  readonly massG: number;
  readonly speedMps: number;
}

/** The rod is held low. */
const ROD_TIP_M = 0.3;
const STATED_SPEED_MPS = 0.9;

const thickness = ({ material, testLb, diameterMm }: LineChoice) =>
  lineOf(diameterMm === undefined ? { material, testLb } : { material, diameterMm });

/** Answers come back again and again: lures, lines and paces are few. */
const known = new Map<string, number>();
const MAX_KNOWN = 4000;

function remembered(key: string, work: () => number): number {
  let value = known.get(key);
  if (value === undefined) {
    if (known.size >= MAX_KNOWN) known.clear();
    known.set(key, (value = work()));
  }
  return value;
}

const nameLine = ({ material, testLb, diameterMm }: LineChoice) => `${material}${diameterMm ?? `#${testLb}`}`;

/** How deep a diver comes at most on a line, on the cast its stated depth stands for, in m. */
export const diverDeepestM = ({ depthM, line, castM }: StatedDepth, on: LineChoice): number =>
  remembered(`dive ${depthM} ${nameLine(line)} ${castM} ${nameLine(on)}`, () => {
    const cast = { castM, rodTipM: ROD_TIP_M, speedMps: STATED_SPEED_MPS, rough: true };
    const lure = calibrated(depthM, { ...cast, line: thickness(line) });
    return maxDepthOf(castPath(cast, thickness(on), lurePull(lure, STATED_SPEED_MPS), 'to-deepest'));
  });

/** Cast on which sinking lures are reeled, in m. */
const SINKING_CAST_M = 25;

/** How deep a lure comes on a line: a diver by its lip, a sinking one by what it holds at a pace; none on the surface. */
export function deepestM({ form, line, stated, massG, speedMps }: ReachInput): number {
  if (form === 'surface') return 0;
  if (form === 'hung') return Infinity;
  if (form === 'diver') return diverDeepestM(stated, line);
  const [mass, speed] = [Math.round(massG), Math.max(0.05, Math.round(speedMps * 20) / 20)];
  return remembered(`sink ${form} ${mass} ${speed} ${nameLine(line)}`, () =>
    depthHeldM(sinkingLure(form, mass), thickness(line), {
      castM: SINKING_CAST_M,
      rodTipM: ROD_TIP_M,
      speedMps: speed,
    }),
  );
}

/** The cast for which depths of divers are stated where nothing is said, in m: those of categories, too. */
export const STATED_CAST_M = 35;
/** Lines lighter by a step at a time, in lb. */
const LIGHTER_LB = [65, 50, 40, 30, 25, 20, 17, 15, 14, 12, 10, 8, 6];

/** What the depth of a category stands for: its deepest, on its own line. */
const statedOfCategory = ({ runDepthM, line }: Category): StatedDepth => ({
  depthM: runDepthM[1],
  line: line.material === 'braid' ? { material: 'fluorocarbon', testLb: 10 } : line,
  castM: STATED_CAST_M,
});

/**
 * The line named, where the lure comes down to a depth on it; else the first that lets it: of dense fluorocarbon, then
 * lighter step by step. Lures that need no lip keep their line.
 */
export function lineThatReaches<T extends LineChoice>(category: Category, named: T, wantedM: number): T {
  if (category.form !== 'diver') return named;
  const stated = statedOfCategory(category);
  const reaches = (line: LineChoice) => diverDeepestM(stated, line) >= wantedM - 0.05;
  if (reaches(named)) return named;
  const lighter = LIGHTER_LB.filter((testLb) => testLb <= Math.max(named.testLb, category.line.testLb));
  const testLb = lighter.find((test) => reaches({ material: 'fluorocarbon', testLb: test }));
  return { ...named, material: 'fluorocarbon', testLb: testLb ?? stated.line.testLb };
}

/** The least mass in g, within what a category weighs, that holds a depth at a pace; its greatest where none does. */
export function massThatHolds(
  category: Category,
  line: LineChoice,
  speedMps: number,
  wantedM: number,
  fromG: number,
): number {
  const stated = statedOfCategory(category);
  const [, most] = category.weightG;
  const holds = (massG: number) => deepestM({ form: category.form, line, stated, massG, speedMps }) >= wantedM - 0.05;
  for (let massG = Math.round(fromG); massG < most; massG = Math.ceil(massG * 1.15)) if (holds(massG)) return massG;
  return most;
}

/** What falls on its own between two twitches gets down whatever the pace. */
const FALLS_BETWEEN = new Set<WaterForm>(['soft-weightless', 'hung', 'surface', 'diver']);

/** Whether a category is held at its depth by its pace: neither by a lip, nor on top, nor on the bottom. */
export const heldByPace = ({ form, positions, traits }: Category): boolean =>
  !FALLS_BETWEEN.has(form) && positions.bottom < 0.6 && traits.vertical < 0.5;

/** The deepest a category gets with its rig, in m, for lures that a lip or a pace holds. */
export const categoryDeepestM = (category: Category, line: LineChoice, massG: number, speedMps: number): number =>
  category.form === 'diver' || heldByPace(category)
    ? deepestM({ form: category.form, line, stated: statedOfCategory(category), massG, speedMps })
    : Infinity;

/** What the heaviest of a category holds on its own line, by pace in twentieths of a m/s. */
const held = new WeakMap<Category, Map<number, number>>();

function heldAtM(category: Category, speedMps: number): number {
  const known = held.get(category) ?? new Map<number, number>();
  held.set(category, known);
  const step = Math.round(speedMps * 20);
  let depthM = known.get(step);
  if (depthM === undefined) {
    depthM = categoryDeepestM(category, category.line, category.weightG[1], step / 20);
    known.set(step, depthM);
  }
  return depthM;
}

/**
 * The depths a category can be run at in this water, in m: within its own, and for one that its pace holds no deeper than
 * its heaviest holds at the slowest pace the water asks for.
 */
export function runsWithin(category: Category, facts: Facts): readonly [number, number] {
  const [from, to] = category.runDepthM;
  if (!heldByPace(category)) return category.runDepthM;
  const deepest = heldAtM(category, speedMps(category, category.styles[0].style, facts)[0]);
  return deepest >= to ? category.runDepthM : [Math.min(from, deepest), deepest];
}
