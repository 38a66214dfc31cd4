import type { Rig } from '../contract/plan.js';
import { ROD_ACTIONS, ROD_POWERS } from '../contract/ids.js';
import type { Category } from '../presentation/category.js';
import type { Facts } from '../rules/facts.js';

/** Line tests sold everywhere, lb. */
const TESTS_LB = [4, 6, 8, 10, 12, 14, 15, 17, 20, 25, 30, 40, 50, 65] as const;

/** Deeper than this depth decides, and nylon rides too high. */
const NYLON_TO_M = 2.6;

const stepBy = <T>(list: readonly T[], value: T, by: number): T =>
  list[Math.min(list.length - 1, Math.max(0, list.indexOf(value) + by))] as T;

const nearestTest = (lb: number): number =>
  TESTS_LB.reduce((best, test) => (Math.abs(test - lb) < Math.abs(best - lb) ? test : best));

/** Heavier in rock, shell, wood and mud; lighter in clear water with nothing to rub on. */
function lineFactor(facts: Facts): number {
  const rub = Math.max(facts.degree('ground:wood'), facts.degree('ground:shell'), facts.degree('ground:rock') * 0.3);
  const clear = facts.degree('clarity:very-clear');
  const mud = Math.max(facts.degree('clarity:muddy'), facts.degree('clarity:dirty'));
  return 1 + 0.2 * rub + 0.2 * mud - 0.2 * clear * (1 - rub);
}

/**
 * Rod, reel, line and strike for a category: its own needs, softened for cold treble lures, heavier line where it rubs,
 * thinner where they look. Cold treble lures want a softer system, since the fish barely has it.
 */
export function rig(category: Category, facts: Facts): Rig {
  const cold = (facts.figure('surfaceTempC') ?? 15) < 10;
  const treble = category.hook === 'treble';
  const spinningCrank =
    facts.degree('school:crank-rod:spinning') > 0 &&
    category.schools?.includes('crank-rod') &&
    category.weightG[0] < 10;
  const nylon =
    facts.degree('school:cold-line:nylon') > 0 &&
    category.schools?.includes('cold-line') &&
    category.line.material !== 'braid' &&
    (facts.figure('holdingDepthM') ?? 0) < NYLON_TO_M;
  const jerkbaitRatio = category.schools?.includes('jerkbait-gear')
    ? facts.degree('school:jerkbait-gear:low')
      ? 5.4
      : 7.1
    : undefined;
  // Barely hooked or lost: a softer rod that lets them take it, and a later sweep.
  const barelyHooked = facts.degree('feedback:barely-hooked') >= 0.5;
  const factor = lineFactor(facts);
  const { leaderLb } = category.line;
  return {
    rod: {
      power:
        cold && treble && category.traits.bulk < 0.6
          ? stepBy(ROD_POWERS, category.rod.power, category.rod.power === 'medium' ? 0 : -1)
          : category.rod.power,
      action: stepBy(
        ROD_ACTIONS,
        category.rod.action,
        Math.min(1, (cold && treble && category.rod.action === 'fast' ? 1 : 0) + (barelyHooked ? 1 : 0)),
      ),
      lengthM: category.rod.lengthM,
    },
    reel: spinningCrank
      ? { kind: 'spinning', ratio: 6 }
      : { kind: category.reel.kind, ratio: jerkbaitRatio ?? category.reel.ratio },
    line: {
      material: nylon ? 'nylon' : category.line.material,
      testLb: category.line.material === 'braid' ? category.line.testLb : nearestTest(category.line.testLb * factor),
      leader: leaderLb === undefined ? null : { material: 'fluorocarbon', testLb: nearestTest(leaderLb * factor) },
    },
    strike: treble ? 'lean' : 'firm',
  };
}
