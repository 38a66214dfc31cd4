import type { Role } from '../contract/ids.js';
import type { GroupId, WayFished } from '../rules/vocabulary.js';
import type { Category } from '../lures/category.js';
import { likeness } from './likeness.js';
import type { Weighed } from './score.js';

/** A lure with the role it plays in the set. */
export interface Chosen {
  readonly weighed: Weighed;
  readonly role: Role;
}

/**
 * How much of a lure of each way of fishing is enough: what a second of the same way loses, in log-weight, and a third
 * on top. Four on top in one window are one answer four times; two that are swum may be two.
 */
const SAME_WAY_COST: Readonly<Record<WayFished, readonly [second: number, third: number]>> = {
  top: [1.6, 3.5],
  swum: [0.7, 1.6],
  cranked: [0.8, 1.8],
  dropped: [0.8, 1.8],
  dragged: [0.9, 2],
  vertical: [0.9, 2.5],
};
/** Lures that are the same thing but for a detail lose so much, whatever their way. */
const TWIN_COST = 2.2;
const TWIN_FROM = 0.55;
/** What a role or a group of fish that nothing covers yet is worth, in log-weight. */
const NEW_ROLE_WORTH = 0.7;
const NEW_GROUP_WORTH = 0.9;
/** A candidate so far behind the first is not worth a rod, whatever it would cover. */
const FARTHEST_BEHIND = 7;

const rolesTaken = (chosen: readonly Chosen[]) => new Set(chosen.map(({ role }) => role));

/** The role that a lure plays beside those that are chosen: its first that is open, else its first. */
export const roleBeside = ({ roles }: Category, chosen: readonly Chosen[]): Role =>
  roles.find((role) => !rolesTaken(chosen).has(role)) ?? roles[0];

function worthBeside(candidate: Weighed, chosen: readonly Chosen[], groupShares: ReadonlyMap<GroupId, number>): number {
  const { category, place, logWeight } = candidate;
  const sameWay = chosen.filter(({ weighed }) => weighed.category.fished === category.fished).length;
  const [second, third] = SAME_WAY_COST[category.fished];
  const way = sameWay === 0 ? 0 : sameWay === 1 ? second : second + third * (sameWay - 1);
  const closest = Math.max(...chosen.map(({ weighed }) => likeness(weighed.form.of, candidate.form.of)));
  const twin = TWIN_COST * Math.max(0, (closest - TWIN_FROM) / (1 - TWIN_FROM));
  const taken = rolesTaken(chosen);
  const role = taken.has(category.roles[0]) ? 0 : NEW_ROLE_WORTH;
  const covered = chosen.some(({ weighed }) => weighed.place.group === place.group);
  const group = covered ? 0 : NEW_GROUP_WORTH * Math.min(1, 2 * (groupShares.get(place.group) ?? 0));
  return logWeight - way - twin + role + group;
}

/**
 * A small set that covers ways of fishing, roles and groups of fish: the heaviest first, then greedily by weight less
 * what it repeats plus what it covers anew (maximal marginal relevance, Carbonell & Goldstein 1998); shown in order of
 * weight.
 */
export function chooseSet(
  weighed: readonly Weighed[],
  most: number,
  groupShares: ReadonlyMap<GroupId, number> = new Map(),
): Chosen[] {
  const first = weighed[0];
  if (!first) return [];
  const chosen: Chosen[] = [{ weighed: first, role: first.category.roles[0] }];
  const left = new Set(weighed.slice(1).filter(({ logWeight }) => logWeight > first.logWeight - FARTHEST_BEHIND));
  while (chosen.length < most && left.size) {
    let best: Weighed | undefined;
    let worth = -Infinity;
    for (const candidate of left) {
      const each = worthBeside(candidate, chosen, groupShares);
      if (each > worth) [best, worth] = [candidate, each];
    }
    if (!best) break;
    chosen.push({ weighed: best, role: roleBeside(best.category, chosen) });
    left.delete(best);
  }
  return inOrder(chosen);
}

/** Most weight first; roles are given anew in that order, so that the first has its own. */
export function inOrder(chosen: readonly Chosen[]): Chosen[] {
  const ordered: Chosen[] = [];
  for (const { weighed } of [...chosen].sort((a, b) => b.weighed.logWeight - a.weighed.logWeight)) {
    ordered.push({ weighed, role: roleBeside(weighed.category, ordered) });
  }
  return ordered;
}
