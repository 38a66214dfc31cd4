import type { Reason } from '../contract/plan.js';
import type { Category } from '../lures/category.js';
import { inOrder, roleBeside, type Chosen } from '../presentation/choose.js';
import type { Weighed } from '../presentation/score.js';
import type { Facts } from '../rules/facts.js';
import type { FullConditions } from './assume.js';

/**
 * What the angler says comes after the scores, as a constraint on the set, and is told as "because you said": a goal,
 * new water, what the water has answered. Scores stay what they are; the set is made to hold what was asked for.
 */
interface Constraint {
  readonly id: string;
  readonly when: (facts: Facts) => boolean;
  /** Why the lure stands in the set, in words. */
  readonly text: string;
  readonly wants: (weighed: Weighed, facts: Facts) => boolean;
  /** It must stand among so many of the set. */
  readonly within: number;
  /** A lure so far behind the first, in log-weight, is not taken for it. */
  readonly farthestBehind: number;
}

const horizontal = ({ fished }: Category): boolean => fished === 'swum' || fished === 'cranked';
const weedless = ({ hook, snag }: Category): boolean => hook === 'single' && Math.max(snag.wood, snag.grass) >= 0.6;
const slowSwum = ({ paceMps, id }: Category): boolean => paceMps[0] <= 0.45 && id !== 'suspending-jerkbait';

const CONSTRAINTS: readonly Constraint[] = [
  {
    id: 'said-new-water-slow',
    when: (facts) => facts.degree('familiarity:new') > 0 || facts.degree('school:search:two-lures') > 0,
    text: 'Because the water is new: one that swims slowly and comes through everything',
    wants: ({ category }) => horizontal(category) && weedless(category) && slowSwum(category),
    within: 2,
    farthestBehind: 6,
  },
  {
    id: 'said-new-water-fast',
    when: (facts) => facts.degree('familiarity:new') > 0 || facts.degree('school:search:two-lures') > 0,
    text: 'Because the water is new: one that is quick and forces a strike',
    wants: ({ category }) =>
      horizontal(category) && category.roles.includes('reaction') && !(weedless(category) && slowSwum(category)),
    within: 2,
    farthestBehind: 6,
  },
  {
    id: 'said-big-fish',
    when: (facts) => facts.degree('goal:big-fish') > 0,
    text: 'Because you want one big fish: a large meal',
    wants: ({ category }) => category.traits.bulk >= 0.55 || category.roles.includes('big-fish'),
    within: 2,
    farthestBehind: 5,
  },
  {
    id: 'said-clustered',
    when: (facts) => facts.degree('feedback:clustered-fish') > 0,
    text: 'Because several came from one stretch: over it again with something slow on the bottom',
    wants: ({ category }) =>
      category.positions.bottom >= 0.75 && (category.fished === 'dragged' || category.fished === 'dropped'),
    within: 3,
    farthestBehind: 6,
  },
  {
    id: 'said-stripers',
    when: (facts) => facts.degree('species:striped-bass') > 0,
    text: 'Because it is for stripers: a bucktail belongs in the boat',
    wants: ({ category }) => category.id === 'bucktail',
    within: 3,
    farthestBehind: 8,
  },
  {
    id: 'said-leaves',
    when: (facts) => facts.degree('leaves') > 0,
    text: 'Because there are leaves on the water: weedless and without trebles',
    wants: ({ category }) => category.hook === 'single' && horizontal(category),
    within: 2,
    farthestBehind: 6,
  },
  {
    id: 'said-quiet-first',
    when: (facts) => facts.degree('pressure:high') > 0,
    text: 'Because it is fished hard: something small and plain',
    wants: ({ category }) => category.roles.includes('finesse'),
    within: 3,
    farthestBehind: 5,
  },
  {
    id: 'said-after-front',
    when: (facts) => facts.degree('front:post-frontal') > 0.9,
    text: 'Because a front has gone through: something slow that stays in front of them',
    wants: ({ category }) =>
      category.fished === 'dragged' || category.fished === 'dropped' || category.fished === 'vertical',
    within: 2,
    farthestBehind: 6,
  },
];

/** A lure that the angler trusts belongs in the set, wherever it fits the day at all. */
const trusted = (confidence: FullConditions['confidence']): Constraint[] =>
  Object.entries(confidence ?? {})
    .filter(([, trust]) => trust >= TRUSTED_FROM)
    .map(([id]) => ({
      id: 'said-trusted',
      when: () => true,
      text: 'Because you trust it: it belongs among them',
      wants: ({ category }) => category.id === id,
      within: 4,
      farthestBehind: 7,
    }));

/** A lure of the set with the constraints that it answers. */
export interface Bound extends Chosen {
  /** Share of the total over all categories, 0 to 1, in the order of the set. */
  readonly score: number;
  readonly said: readonly Reason[];
}

const reasonOfConstraint = ({ id, text }: Pick<Constraint, 'id' | 'text'>): Reason => ({
  rule: id,
  text,
  weight: 0.7,
  school: null,
});

/** Whether anything was asked for that a set must hold. */
export const isBound = (facts: Facts, confidence: FullConditions['confidence']): boolean =>
  CONSTRAINTS.some(({ when }) => when(facts)) || trusted(confidence).length > 0;

/**
 * Makes a set hold what was asked for: where nothing among its first answers a constraint, the heaviest lure that does
 * is taken in for the last that answers none. What the set has already stays as it is, and is told.
 */
export function bindSet(
  chosen: readonly Chosen[],
  weighed: readonly Weighed[],
  facts: Facts,
  confidence: FullConditions['confidence'] = undefined,
): Bound[] {
  const first = weighed[0];
  if (!first) return [];
  // A lure answers one thing that was asked for, so that two askings get two lures.
  const said = new Map<Weighed, Reason>();
  let set: Chosen[] = [...chosen];
  for (const constraint of [...CONSTRAINTS, ...trusted(confidence)]) {
    if (!constraint.when(facts)) continue;
    const wants = (lure: Weighed) => constraint.wants(lure, facts) && !said.has(lure);
    const within = Math.min(constraint.within, Math.max(1, set.length));
    const there = set.slice(0, within).find(({ weighed: lure }) => wants(lure));
    const best =
      there?.weighed ??
      set.find(({ weighed: lure }) => wants(lure))?.weighed ??
      weighed.find((lure) => wants(lure) && lure.logWeight > first.logWeight - constraint.farthestBehind);
    if (!best) continue;
    said.set(best, reasonOfConstraint(constraint));
    if (there) continue;
    // In for the last of the first few that answers nothing.
    const rest = set.filter(({ weighed: lure }) => lure !== best);
    const free = rest.slice(0, within).filter(({ weighed: lure }) => !said.has(lure));
    const out = free.at(-1)?.weighed ?? rest[within - 1]?.weighed;
    const place = out ? rest.findIndex(({ weighed: lure }) => lure === out) : rest.length;
    const displaced = rest.splice(place, 1, { weighed: best, role: roleBeside(best.category, []) });
    // It steps back behind the first few, and moves none that answers something out of them.
    rest.splice(within, 0, ...displaced);
    set = rest.slice(0, Math.max(1, chosen.length));
  }
  const order = said.size ? withRoles(set) : inOrder(set);
  return withScores(order).map((each) => {
    const reason = said.get(each.weighed);
    return { ...each, said: reason ? [reason] : [] };
  });
}

/** What was asked for counts at least as much as what it stands before: no score is less than one behind it. */
function withScores(set: readonly Chosen[]): (Chosen & { score: number })[] {
  let least = 0;
  return [...set]
    .reverse()
    .map((each) => {
      least = Math.max(least, each.weighed.score);
      return { ...each, score: least };
    })
    .reverse();
}

/** Roles given anew in the order of the set. */
function withRoles(set: readonly Chosen[]): Chosen[] {
  const ordered: Chosen[] = [];
  for (const { weighed } of set) ordered.push({ weighed, role: roleBeside(weighed.category, ordered) });
  return ordered;
}

/** How strongly an angler's own trust in a lure counts, in log-weight at full confidence. */
const CONFIDENCE_WEIGHT = 2;
/** Trusted so far, a lure has its place in the set. */
const TRUSTED_FROM = 0.5;

/** What the angler said of a category: the trust in it, as a log-weight. */
export const confidenceIn =
  ({ confidence }: FullConditions) =>
  ({ id }: Category): number =>
    CONFIDENCE_WEIGHT * (confidence?.[id] ?? 0);
