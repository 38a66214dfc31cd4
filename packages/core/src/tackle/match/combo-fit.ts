import { ROD_ACTIONS, ROD_POWERS, type LineMaterial } from '../../contract/ids.js';
import type { Presentation } from '../../contract/plan.js';
import { deepestM, heldByPace, type LineChoice } from '../../lures/reach.js';
import { categoryOf } from '../../lures/categories.js';
import type { ItemOf } from '../item.js';
import { figureOf, say, type UnitSystem } from '../../units/units.js';
import type { Combo } from './combos.js';
import { fitIf, outside, PERFECT, ratioFit, together, type Fit } from './fit.js';
import { statedOf } from './lure-fit.js';
import { riggedMassG } from './needs.js';

/** What a step of power or action away costs. */
const POWER_FIT = [1, 0.85, 0.5, 0.2, 0.1];
const ACTION_FIT = [1, 0.92, 0.75, 0.6];

/** How well a line of one material does the work of another. Judgement. */
const MATERIAL_FIT: Readonly<Record<LineMaterial, Readonly<Record<LineMaterial, number>>>> = {
  nylon: { nylon: 1, fluorocarbon: 0.8, braid: 0.55 },
  fluorocarbon: { nylon: 0.75, fluorocarbon: 1, braid: 0.6 },
  braid: { nylon: 0.5, fluorocarbon: 0.55, braid: 1 },
};
/** A leader of what is wanted makes good most of what braid lacks. */
const LEADER_HELPS = 0.85;

/** How deep a lure gets on a line, beside what is wanted. */
export interface Reach {
  readonly deepestM: number;
  readonly wantedM: readonly [number, number];
  /** It comes down at least to the middle of where it should run. */
  readonly reaches: boolean;
  /** It does not even come to the top of it. */
  readonly misses: boolean;
}

/** A lure's reach on a line, for what is advised; null where any line will do: on top, on the bottom, straight down. */
export function reachOf(lure: ItemOf<'lure'>, line: LineChoice, wanted: Presentation): Reach | null {
  const { runDepthM, retrieve } = wanted;
  if (categoryOf(lure.category).form !== 'diver' && !heldByPace(categoryOf(lure.category))) return null;
  const [from, to] = runDepthM;
  const deepest = deepestM({
    form: categoryOf(lure.category).form,
    line,
    stated: statedOf(lure),
    massG: riggedMassG(lure, wanted),
    // A lure that is let sink and reeled as slowly as the water allows.
    speedMps: retrieve.speedMps[0],
  });
  return {
    deepestM: deepest,
    wantedM: runDepthM,
    reaches: deepest >= (from + to) / 2 - 0.05,
    misses: deepest < from - 0.05,
  };
}

/** What a reach costs; in words it stands by itself. */
function reachFit(reach: Reach | null): Fit {
  if (!reach || reach.reaches) return PERFECT;
  const [from] = reach.wantedM;
  return { fit: reach.misses ? 0.55 * ratioFit(Math.max(0.02, reach.deepestM) / from, 0.3) : 0.8, short: [] };
}

function rodFit({ rod, reel }: Combo, lure: ItemOf<'lure'>, wanted: Presentation, units: UnitSystem): Fit {
  const { rig } = wanted;
  const stiffer = ROD_POWERS.indexOf(rod.power) - ROD_POWERS.indexOf(rig.rod.power);
  const slower = ROD_ACTIONS.indexOf(rod.rodAction) - ROD_ACTIONS.indexOf(rig.rod.action);
  const massG = riggedMassG(lure, wanted);
  const load = outside(massG, [rod.castsFromG, rod.castsToG]);
  const gear = Math.abs(reel.ratio - rig.reel.ratio);
  return together([
    fitIf(rod.handle === rig.reel.kind, 0.6, `a ${rod.handle} rod, ${rig.reel.kind} is better`),
    fitIf(
      stiffer === 0,
      POWER_FIT[Math.abs(stiffer)] ?? 0.1,
      `${stiffer > 0 ? 'stiffer' : 'softer'}: ${rod.power} for ${rig.rod.power}`,
    ),
    fitIf(
      slower === 0,
      ACTION_FIT[Math.abs(slower)] ?? 0.5,
      `${slower > 0 ? 'slower' : 'faster'} action: ${rod.rodAction} for ${rig.rod.action}`,
    ),
    {
      fit: ratioFit(load, 0.4),
      short:
        Math.abs(Math.log(load)) > 0.1
          ? [`${say('weight', massG, units)} is ${load < 1 ? 'light' : 'heavy'} for this rod`]
          : [],
    },
    fitIf(gear <= 1.1, Math.max(0.75, 1 - 0.08 * (gear - 0.6)), `reel ${reel.ratio} for ${rig.reel.ratio}`),
  ]);
}

function lineFit({ line, leader }: Pick<Combo, 'line' | 'leader'>, { rig }: Presentation, units: UnitSystem): Fit {
  const wanted = rig.line;
  const plain = MATERIAL_FIT[wanted.material][line.material];
  const led = line.material === 'braid' && leader?.material === wanted.material ? LEADER_HELPS : plain;
  const end = wanted.leader && line.material === 'braid' ? leader : null;
  const test = line.testLb / wanted.testLb;
  // Braid of another test than nylon is no lighter or heavier to a fish.
  const compared = line.material === wanted.material ? test : line.material === 'braid' ? 1 : test;
  return together([
    fitIf(line.material === wanted.material, Math.max(plain, led), `${line.material} for ${wanted.material}`),
    {
      fit: ratioFit(compared, compared < 1 ? 0.45 : 0.6),
      short:
        Math.abs(Math.log(compared)) > 0.25
          ? [`${say('test', line.testLb, units)} line for ${figureOf('test', wanted.testLb, units)}`]
          : [],
    },
    fitIf(
      !wanted.leader || line.material !== 'braid' || end !== null,
      0.8,
      `no leader on it: ${wanted.leader ? say('test', wanted.leader.testLb, units) : ''} fluorocarbon is wanted`,
    ),
  ]);
}

/** How well a rod carries a lure for what is advised; without its line, where that is asked. */
export interface ComboFit {
  readonly whole: Fit;
  readonly rod: Fit;
  readonly line: Fit;
  readonly reach: Reach | null;
}

export function comboFit(combo: Combo, lure: ItemOf<'lure'>, wanted: Presentation, units: UnitSystem): ComboFit {
  const reach = reachOf(lure, combo.line, wanted);
  const rod = rodFit(combo, lure, wanted, units);
  const line = together([reachFit(reach), lineFit(combo, wanted, units)]);
  return { whole: together([rod, line]), rod, line, reach };
}

/** The same rod with another line on it, as far as the line goes. */
export function otherLine(line: ItemOf<'line'>, lure: ItemOf<'lure'>, wanted: Presentation, units: UnitSystem): Fit {
  const reach = reachOf(lure, line, wanted);
  return together([reachFit(reach), lineFit({ line, leader: null }, wanted, units)]);
}
