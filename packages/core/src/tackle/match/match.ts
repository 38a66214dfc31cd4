import type { Conditions } from '../../contract/conditions.js';
import { nameOf } from '../../contract/names.js';
import type { Plan } from '../../contract/plan.js';
import { makePlan, turnAdvice } from '../../plan/make-plan.js';
import { isKind, type TackleItem } from '../item.js';
import { chores } from '../upkeep.js';
import { adviceOf } from './advice.js';
import { reachOf } from './combo-fit.js';
import { ownedRods } from './combos.js';
import { insteadOf, nearestLure } from './instead.js';
import { needsOf } from './needs.js';
import { packed } from './packing.js';
import { turnLures, type TurnLure } from './turn-lures.js';
import { candidatesFor, pairsOf } from './pairs.js';
import type { LeftOver, MatchOptions, RigPlan, RodAdvice } from './rig-plan.js';
import { solve } from './solve.js';

/**
 * What goes on which rod: every piece of advice of the day against every owned lure, rod, reel and line, at once and
 * within the rods on deck; what each gives up, what does not get down there and what to do instead, what to pack, and
 * what is missing.
 */
export function matchTackle(plan: Plan, owned: readonly TackleItem[], { maxRods, units, date }: MatchOptions): RigPlan {
  const advice = adviceOf(plan);
  const lures = owned.filter(isKind('lure'));
  const rack = ownedRods(owned);
  const candidates = advice.map((each) => candidatesFor(each, lures, units));
  const counts = new Map(lures.map(({ id, count }) => [id, count]));
  const { chosen } = solve(pairsOf(advice, rack, candidates, units), maxRods, counts);

  const taken = new Set(chosen.flatMap((each) => each?.pair.respool?.line.id ?? []));
  const rods = advice.flatMap(({ presentation, windows, deepestM }, at): RodAdvice[] => {
    const wanted = { ...presentation, runDepthM: deepestM };
    const made = chosen[at];
    const combo = made ? rack.combos[made.combo] : undefined;
    if (!made || !combo) return [];
    const { candidate, asIs, respool, fit } = made.pair;
    const { lure } = candidate;
    const lines = respool ? [respool.line] : rack.spareLines.filter(({ id }) => !taken.has(id));
    const cured = respool ? asIs.line.short.filter((short) => !respool.fit.short.includes(short)) : [];
    return [
      {
        combo,
        lure,
        presentation,
        windowIds: windows.map(({ id }) => id),
        fit,
        differs: candidate.fit.short,
        compromises: [...asIs.rod.short, ...(respool ? respool.fit.short : asIs.line.short)],
        reach: asIs.reach,
        instead:
          asIs.reach && !asIs.reach.reaches
            ? insteadOf({ lure, wanted, combo, reach: asIs.reach, lures, lines, units })
            : null,
        respool: respool && {
          line: respool.line,
          because: cured,
          deepestM: reachOf(lure, respool.line, wanted)?.deepestM ?? null,
        },
        needs: needsOf(lure, presentation, owned, units),
      },
    ];
  });

  const left = advice.flatMap(({ presentation }, at): LeftOver[] => {
    if (chosen[at]) return [];
    const [first] = candidates[at] ?? [];
    if (first) return [{ presentation, why: 'no-rod', nearest: { lure: first.lure, differs: first.fit.short } }];
    return [{ presentation, why: 'no-lure', nearest: nearestLure(lures, presentation) }];
  });
  const missing = rods.flatMap(({ needs, presentation }) =>
    needs.filter(({ item }) => !item).map(({ what }) => `${what}, for the ${nameOf(presentation.category)}`),
  );
  const fished = rods.flatMap(({ lure, combo }) => [lure, combo.line, ...(combo.leader ? [combo.leader] : [])]);
  return { rods, left, packing: packed(rods), missing, todo: chores(fished, date), unready: rack.unready };
}

/** Takes what a turn of the day would want along: packed where it is owned, told as missing where it is not. */
function withTurns(rigged: RigPlan, lures: readonly TurnLure[]): RigPlan {
  const owned = lures.flatMap(({ lure, when }) => (lure ? [{ item: lure, forWhat: inCase(when) }] : []));
  const missing = lures.filter(({ lure }) => !lure).map(({ category, when }) => `${category}, ${inCase(when)}`);
  return {
    ...rigged,
    packing: packed(rigged.rods, owned),
    missing: [...rigged.missing, ...missing],
  };
}

const inCase = (when: string): string => `if ${when.charAt(0).toLowerCase()}${when.slice(1)}`;

/** One rod more than there are on deck is thought about, so that there is something to leave ashore. */
const MORE_ADVICE = 1;

/**
 * The same from the conditions of a day: a plan that names as many lures as there are rods, the usual ones first.
 * @example
 * const conditions = Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * });
 * matchDay(conditions, [], { maxRods: 4, units: 'us', date: '2027-03-13' }).rods // => []
 */
export function matchDay(conditions: Conditions, owned: readonly TackleItem[], options: MatchOptions): RigPlan {
  const presentations = Math.max(4, options.maxRods + MORE_ADVICE);
  const plan = makePlan({ ...conditions, maxRods: presentations }, { units: options.units, presentations });
  const rigged = matchTackle(plan, owned, options);
  const lures = turnLures(turnAdvice(conditions, options.units), rigged.rods, owned.filter(isKind('lure')));
  return withTurns(rigged, lures);
}
