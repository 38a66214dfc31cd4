import { ROD_ACTIONS, ROD_POWERS, type LineMaterial } from '../../contract/ids.js';
import type { Rig } from '../../contract/plan.js';
import type { Category } from '../../lures/category.js';
import type { Facts } from '../../rules/facts.js';

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

/** The tests between which a category is fished, lb: outside them it breaks off, or no longer works. */
const within = ({ line }: Category, lb: number): number => {
  const [least, most] = line.betweenLb ?? [0.8 * line.testLb, 1.25 * line.testLb];
  return nearestTest(Math.min(most, Math.max(least, lb)));
};

/** Nylon where it should ride high or give: a cold shallow treble or wire lure, a warming day, a side that was chosen. */
function isNylon(category: Category, facts: Facts): boolean {
  if (category.line.material === 'braid') return false;
  const shallow = (facts.figure('holdingDepthM') ?? 0) < NYLON_TO_M;
  const side = facts.degree('school:cold-line:nylon') > 0 && category.schools?.includes('cold-line') === true;
  if (!side || facts.degree('school:cold-line:chosen') > 0) return side;
  // What hangs is fished on nylon only where it should rise.
  return shallow && (!category.hangs || (facts.figure('tempTrendCPerDay') ?? 0) >= 0.3);
}

/** Trebles of cold fish want a softer system: the rod steps down in power, and in action where it is fast. */
function rodFor(category: Category, facts: Facts): Rig['rod'] {
  const tempC = facts.figure('surfaceTempC') ?? 15;
  const coldTreble = tempC < 10 && category.hook === 'treble' && category.positions.surface < 0.5;
  // Barely hooked or lost: a softer rod that lets them take it, and a later sweep.
  const barelyHooked = facts.degree('feedback:barely-hooked') >= 0.5;
  const { power, action, lengthM } = category.rod;
  const softer = (coldTreble ? 1 : 0) + (barelyHooked ? 1 : 0);
  return {
    power: stepBy(ROD_POWERS, power, coldTreble && power !== 'light' && power !== 'medium' ? -1 : 0),
    action: stepBy(ROD_ACTIONS, action, Math.min(2, softer)),
    lengthM,
  };
}

function reelFor(category: Category, facts: Facts): Rig['reel'] {
  if (
    facts.degree('school:crank-rod:spinning') > 0 &&
    category.schools?.includes('crank-rod') &&
    category.weightG[0] < 10
  ) {
    return { kind: 'spinning', ratio: 6 };
  }
  if (category.schools?.includes('jerkbait-gear')) {
    return { kind: category.reel.kind, ratio: facts.degree('school:jerkbait-gear:low') ? 5.4 : 7.1 };
  }
  return { ...category.reel };
}

/** Thick grass: braid comes through where fluorocarbon does not; on a bladed jig only where the grass demands it. */
function isBraided(category: Category, facts: Facts): boolean {
  if (category.id === 'bladed-jig' || category.id === 'swim-jig') {
    const grass = facts.degree('ground:grass') + facts.degree('ground:mat') > 0;
    return (
      facts.degree('school:bladed-jig-line:braid') > 0 && (grass || facts.degree('school:bladed-jig-line:chosen') > 0)
    );
  }
  return false;
}

/** Weight of the head: heavier deep, in wind and in current; lighter in still shallows. */
function headFor({ headG }: Category, facts: Facts): [number, number] | null {
  if (!headG) return null;
  const [least, most] = headG;
  const depth = Math.min(1, (facts.figure('holdingDepthM') ?? 2) / 6);
  const wind = Math.min(1, Math.max(0, ((facts.figure('windMps') ?? 2) - 2) / 6));
  const current = Math.max(
    facts.degree('current:strong'),
    0.5 * facts.degree('current:light'),
    0.5 * facts.degree('structure:pass'),
  );
  const at = least * (most / least) ** Math.min(1, 0.75 * depth + 0.4 * wind + 0.4 * current);
  const half = (grams: number) => Math.round(grams * 2) / 2;
  return [half(Math.max(least, at * 0.87)), half(Math.min(most, at * 1.15))];
}

/**
 * Rod, reel, line, hooks and strike for a category: its own needs, softened for cold treble lures, heavier line where it
 * rubs, thinner where they look, always within the tests that anglers fish it on.
 */
export function rig(category: Category, facts: Facts): Omit<Rig, 'attitude'> {
  const factor = lineFactor(facts);
  const { leaderLb } = category.line;
  const braided = isBraided(category, facts);
  const nylon = !braided && isNylon(category, facts);
  const material: LineMaterial = braided ? 'braid' : nylon ? 'nylon' : category.line.material;
  return {
    rod: rodFor(category, facts),
    reel: reelFor(category, facts),
    line: {
      material,
      testLb:
        material === 'braid'
          ? Math.max(category.line.testLb, braided ? 40 : 0)
          : within(category, category.line.testLb * factor * (nylon ? 1.2 : 1)),
      leader: leaderLb === undefined ? null : { material: 'fluorocarbon', testLb: nearestTest(leaderLb * factor) },
    },
    strike: category.hook === 'treble' ? 'lean' : 'firm',
    hooks: category.hooks ? [...category.hooks] : null,
    headG: headFor(category, facts),
  };
}
