import type { Holding, Range, Reason } from '../contract/plan.js';
import type { Category } from '../presentation/category.js';
import { speedMps, styleOf } from '../retrieve/retrieve.js';
import type { Facts } from '../rules/facts.js';
import { say, type UnitSystem } from '../units/units.js';
import { categoryDeepestM, heldByPace, lineThatReaches, massThatHolds } from './reach.js';
import { rig } from './rig.js';

/** A rig's figure that was changed so that the lure gets down, in words. */
const gets = (rule: string, text: string): Reason => ({ rule, text, weight: 0.2, school: null });

/**
 * The rig with which a lure gets where it is to run, and the depth it runs at then: a line on which a lip gets it there,
 * weight that holds it there at its pace. What cannot be had by either is not promised.
 */
export function rigThatGetsDown(category: Category, wanted: Range, weightG: Range, facts: Facts) {
  const named = rig(category, facts);
  const line = lineThatReaches(category, named.line, wanted[1]);
  const [slowest] = speedMps(category, styleOf(category, facts), facts);
  const held = heldByPace(category) ? massThatHolds(category, line, slowest, wanted[1], weightG[1]) : weightG[1];
  const deepest = categoryDeepestM(category, line, held, slowest);
  const why = [
    ...(line === named.line
      ? []
      : [gets('line-that-reaches', 'Thin, dense line: on what it would else be fished on it stays above them')]),
    ...(held > weightG[1] ? [gets('weight-that-holds', 'Heavy enough to stay down at this pace')] : []),
  ];
  return {
    runDepthM: [Math.min(wanted[0], 0.8 * deepest), Math.min(wanted[1], deepest)] as const,
    rig: { ...named, line },
    weightG: [Math.min(weightG[0] * (held / weightG[1]), held), held] as const,
    why,
  };
}

/** Why a lure that does not come down to the fish is advised all the same. */
export function whyAbove(category: Category, run: Range, { depthM }: Holding, units: UnitSystem): Reason[] {
  if (run[1] >= depthM[0] - 0.05 || category.positions.surface > 0.8) return [];
  const text = `It runs over them, not down to ${say('depth', depthM[0], units)}: in this water they come up that far for it`;
  return [{ rule: 'runs-above-them', text, weight: 0.2, school: null }];
}
