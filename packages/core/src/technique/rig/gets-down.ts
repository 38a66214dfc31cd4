import type { Holding, Range, Reason, Rig } from '../../contract/plan.js';
import type { Category } from '../../lures/category.js';
import { speedMps, styleOf } from '../../lures/pace.js';
import type { Facts } from '../../rules/facts.js';
import { say, type UnitSystem } from '../../units/units.js';
import { roundedG } from '../../units/rounding.js';
import { categoryDeepestM, heldByPace, lineThatReaches, massThatHolds } from '../../lures/reach.js';
import { rig } from './rig.js';

/** A rig's figure that was changed so that the lure gets down, in words. */
const gets = (rule: string, text: string): Reason => ({ rule, text, weight: 0.2, school: null });

/** Thick nylon that holds a diver up, lb. */
const HOLDS_UP_LB = 17;
/** A diver that is run so much less deep than it dives is held up. */
const HELD_UP_SHARE = 0.8;

/** The line on which a lure runs where it is to run: dense where it must come down, thick nylon where it must stay up. */
function lineFor(
  category: Category,
  named: Rig['line'],
  wantedM: number,
  facts: Facts,
): { line: Rig['line']; why: Reason[] } {
  const chosen = facts.degree('school:cold-line:chosen') > 0 && category.schools?.includes('cold-line');
  if (category.form !== 'diver' || chosen || named.material === 'braid') return { line: named, why: [] };
  const digs = category.fished === 'cranked' && category.runDepthM[1] > 3;
  if (digs && wantedM < HELD_UP_SHARE * category.runDepthM[1]) {
    return {
      line: { material: 'nylon', testLb: HOLDS_UP_LB, leader: null },
      why: [gets('nylon-holds-up', 'Thick nylon holds it up: it is to run less deep than it dives')],
    };
  }
  const line = lineThatReaches(category, named, wantedM);
  return line === named
    ? { line, why: [] }
    : {
        line,
        why: [gets('line-that-reaches', 'Thin, dense line: on what it would else be fished on it stays above them')],
      };
}

/**
 * The rig with which a lure gets where it is to run, and the depth it runs at then: a line on which a lip gets it there,
 * weight that holds it there at its pace. What cannot be had by either is not promised. A side of a school that the
 * angler chose is kept, and the depth told that it gives.
 */
export function rigThatGetsDown(category: Category, wanted: Range, sizeG: Range, facts: Facts) {
  const named = rig(category, facts);
  // Where the head is chosen apart from the lure, it is what is cast.
  const weightG = named.headG ?? sizeG;
  const { line, why } = lineFor(category, named.line, wanted[1], facts);
  const [slowest] = speedMps(category, styleOf(category, facts), facts);
  const held = heldByPace(category) ? massThatHolds(category, line, slowest, wanted[1], weightG[1]) : weightG[1];
  const deepest = categoryDeepestM(category, line, held, slowest);
  const cast = [Math.min(weightG[0] * (held / weightG[1]), held), held] as const;
  return {
    runDepthM: [Math.min(wanted[0], 0.8 * deepest), Math.min(wanted[1], deepest)] as const,
    rig: { ...named, line, headG: named.headG && roundedG(cast) },
    weightG: cast,
    why: [...why, ...(held > weightG[1] ? [gets('weight-that-holds', 'Heavy enough to stay down at this pace')] : [])],
  };
}

/** Why a lure that does not come down to the fish is advised all the same. */
export function whyAbove(category: Category, run: Range, { depthM }: Holding, units: UnitSystem): Reason[] {
  if (run[1] >= depthM[0] - 0.05 || category.positions.surface > 0.8) return [];
  const text = `It runs over them, not down to ${say('depth', depthM[0], units)}: in this water they come up that far for it`;
  return [{ rule: 'runs-above-them', text, weight: 0.2, school: null }];
}
