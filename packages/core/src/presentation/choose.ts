import type { Role } from '../contract/ids.js';
import { aspectsOfItself } from './aspects.js';
import type { Category } from './category.js';
import { ASPECTS } from './rules.js';
import type { Weighed } from './score.js';

/** A category with the role it plays in the set. */
export interface Chosen {
  readonly weighed: Weighed;
  readonly role: Role;
}

/** How strongly likeness to what is already chosen counts against a candidate, in log-weight. */
const LIKENESS_COST = 4;
/** What a role not yet in the set is worth, in log-weight. */
const NEW_ROLE_WORTH = 1.2;
/** The same for a role that is only the candidate's second. */
const SECOND_ROLE_WORTH = 0.5;
/** A candidate so far behind the first is not worth a rod, whatever its role. */
const FARTHEST_BEHIND = 9;

/** How much each aspect that a category has of itself tells two of them apart; the surface parts them most. */
const APART = Float64Array.from(ASPECTS, (aspect) => (aspect === 'surface' ? 2.25 : 1));

const likenesses = new WeakMap<Category, Map<Category, number>>();

/** Likeness of two categories, 0 to 1: a Gaussian of the distance between their attributes. */
export function likeness(a: Category, b: Category): number {
  const known = likenesses.get(a) ?? new Map<Category, number>();
  likenesses.set(a, known);
  let value = known.get(b);
  if (value === undefined) known.set(b, (value = Math.exp(-apart(a, b) / 1.6)));
  return value;
}

function apart(a: Category, b: Category): number {
  const [x, y] = [aspectsOfItself(a), aspectsOfItself(b)];
  let squared = 0;
  for (const [index, weight] of APART.entries()) squared += weight * ((x[index] as number) - (y[index] as number)) ** 2;
  return squared;
}

/** How many of the set may be there for a role, and how many are: one each, but for the lures that search. */
class Roles {
  private readonly taken = new Map<Role, number>();

  constructor(private readonly searchLures: number) {}

  take(role: Role): void {
    this.taken.set(role, (this.taken.get(role) ?? 0) + 1);
  }

  isOpen(role: Role): boolean {
    return (this.taken.get(role) ?? 0) < (role === 'search' ? this.searchLures : 1);
  }

  /** The first of a category's roles that the set still wants. */
  openTo({ roles }: Category): Role | undefined {
    return roles.find((role) => this.isOpen(role));
  }

  worth(category: Category): number {
    if (this.isOpen(category.roles[0])) return NEW_ROLE_WORTH;
    return this.openTo(category) ? SECOND_ROLE_WORTH : 0;
  }
}

/**
 * A small set that covers roles and does not repeat itself: the best first, then greedily by weight less likeness to
 * what is chosen (maximal marginal relevance, Carbonell & Goldstein 1998) plus the worth of a role not yet covered.
 * @param searchLures how many of them may be there to search with
 */
export function chooseSet(weighed: readonly Weighed[], most: number, searchLures = 1): Chosen[] {
  const first = weighed[0];
  if (!first) return [];
  const chosen: Chosen[] = [{ weighed: first, role: first.category.roles[0] }];
  const roles = new Roles(searchLures);
  roles.take(first.category.roles[0]);
  const left = new Set(weighed.slice(1).filter(({ logWeight }) => logWeight > first.logWeight - FARTHEST_BEHIND));
  while (chosen.length < most && left.size) {
    let best: { candidate: Weighed; worth: number } | undefined;
    for (const candidate of left) {
      const alike = Math.max(...chosen.map((each) => likeness(each.weighed.category, candidate.category)));
      const worth = candidate.logWeight - LIKENESS_COST * alike + roles.worth(candidate.category);
      if (!best || worth > best.worth) best = { candidate, worth };
    }
    if (!best) break;
    const role = roles.openTo(best.candidate.category) ?? best.candidate.category.roles[0];
    chosen.push({ weighed: best.candidate, role });
    roles.take(role);
    left.delete(best.candidate);
  }
  return chosen;
}
