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

/** A lure that is not chosen yet, with how much like the likest of the chosen it is. */
interface Candidate {
  readonly weighed: Weighed;
  closest: number;
}

/** What the chosen cover so far. */
interface Covered {
  readonly ways: Map<WayFished, number>;
  readonly roles: Set<Role>;
  readonly groups: Set<GroupId>;
}

function worthBeside(
  { weighed: { category, place, logWeight }, closest }: Candidate,
  covered: Covered,
  groupShares: ReadonlyMap<GroupId, number>,
): number {
  const sameWay = covered.ways.get(category.fished) ?? 0;
  const [second, third] = SAME_WAY_COST[category.fished];
  const way = sameWay === 0 ? 0 : sameWay === 1 ? second : second + third * (sameWay - 1);
  const twin = TWIN_COST * Math.max(0, (closest - TWIN_FROM) / (1 - TWIN_FROM));
  const role = covered.roles.has(category.roles[0]) ? 0 : NEW_ROLE_WORTH;
  const group = covered.groups.has(place.group)
    ? 0
    : NEW_GROUP_WORTH * Math.min(1, 2 * (groupShares.get(place.group) ?? 0));
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
  const chosen: Chosen[] = [];
  const covered: Covered = { ways: new Map(), roles: new Set(), groups: new Set() };
  const left = weighed
    .slice(1)
    .filter(({ logWeight }) => logWeight > first.logWeight - FARTHEST_BEHIND)
    .map((each): Candidate => ({ weighed: each, closest: 0 }));
  const take = (taken: Weighed) => {
    const { category, form, place } = taken;
    const role = roleBeside(category, chosen);
    chosen.push({ weighed: taken, role });
    covered.ways.set(category.fished, (covered.ways.get(category.fished) ?? 0) + 1);
    covered.roles.add(role);
    covered.groups.add(place.group);
    for (const each of left) each.closest = Math.max(each.closest, likeness(form.of, each.weighed.form.of));
  };
  take(first);
  while (chosen.length < most && left.length) {
    let best = -1;
    let worth = -Infinity;
    for (let at = 0; at < left.length; at++) {
      const each = worthBeside(left[at] as Candidate, covered, groupShares);
      if (each > worth) [best, worth] = [at, each];
    }
    const [next] = best < 0 ? [] : left.splice(best, 1);
    if (!next) break;
    take(next.weighed);
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
