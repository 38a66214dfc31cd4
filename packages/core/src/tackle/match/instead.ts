import { nameOf } from '../../contract/names.js';
import type { Presentation } from '../../contract/plan.js';
import { categoryOf } from '../../lures/categories.js';
import { likeness } from '../../presentation/likeness.js';
import { diverDeepestM } from '../../lures/reach.js';
import type { ItemOf } from '../item.js';
import { say, type UnitSystem } from '../../units/units.js';
import { reachOf, type Reach } from './combo-fit.js';
import type { Combo } from './combos.js';
import { statedOf } from './lure-fit.js';
import type { LeftOver } from './rig-plan.js';

/** Tests that are thought of, heaviest first, lb. */
const TESTS_LB = [17, 15, 12, 10, 8, 6];

/** What is asked about a lure that does not come down on its line. */
interface Short {
  readonly lure: ItemOf<'lure'>;
  /** With the depths of the window in which it goes deepest. */
  readonly wanted: Presentation;
  readonly combo: Combo;
  readonly reach: Reach;
  readonly lures: readonly ItemOf<'lure'>[];
  readonly lines: readonly ItemOf<'line'>[];
  readonly units: UnitSystem;
}

/** What to do about a lure that does not come down on its line: what lies ready first, what would have to be bought last. */
export function insteadOf({ lure, wanted, combo, reach, lures, lines, units }: Short): string {
  // One that misses must come to the top of where it should run, one that only touches that to its middle.
  const cures = (other: Reach | null) =>
    other !== null && (reach.misses ? !other.misses : other.reaches) && other.deepestM > reach.deepestM;
  const ready = lines
    .map((line) => ({ line, then: reachOf(lure, line, wanted) }))
    .filter(({ then }) => cures(then))
    .sort((a, b) => (b.then?.deepestM ?? 0) - (a.then?.deepestM ?? 0))[0];
  if (ready?.then) {
    return `Put ${ready.line.name} on ${combo.reel.name}: it then gets to ${say('depth', ready.then.deepestM, units)}`;
  }
  const deeper = lures.find(
    (other) => other.id !== lure.id && other.category === lure.category && cures(reachOf(other, combo.line, wanted)),
  );
  if (deeper) return `Tie on ${deeper.name}: it gets down there on this line`;
  if (categoryOf(lure.category).form !== 'diver') return 'Let it sink longer and reel slower, or take a heavier one';
  const [from, to] = wanted.runDepthM;
  const needed = reach.misses ? from : (from + to) / 2;
  const stated = statedOf(lure);
  const lb = TESTS_LB.find((testLb) => diverDeepestM(stated, { material: 'fluorocarbon', testLb }) >= needed);
  return lb
    ? `It takes fluorocarbon of ${say('test', lb, units)} or lighter`
    : 'No line gets it deeper: fish it while they are up, or take one that dives deeper';
}

/** The owned lure most like what is advised, where none stands for it. */
export function nearestLure(lures: readonly ItemOf<'lure'>[], { category }: Presentation): LeftOver['nearest'] {
  const alike = (lure: ItemOf<'lure'>) => likeness(categoryOf(lure.category), categoryOf(category));
  const lure = lures.reduce<ItemOf<'lure'> | null>(
    (best, each) => (best && alike(best) >= alike(each) ? best : each),
    null,
  );
  return lure && { lure, differs: [`a ${nameOf(lure.category)}`] };
}
