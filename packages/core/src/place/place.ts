import { COVERS, STRUCTURES, type Cover, type Position, type Structure } from '../contract/ids.js';
import type { Holding, Reason } from '../contract/plan.js';
import { slotOf, type Facts } from '../rules/facts.js';
import { mentions } from '../rules/fuzzy.js';
import { fire, reasonsOf, strongest, votesFor, type Fired, type Rule } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { GROUP_IDS, type GroupId } from '../rules/vocabulary.js';
import { PLACE_GROUP_RULES, type GroupVotes } from './group-rules.js';
import { groupAt, mainPosition, positionsOf, type Group, type JudgedGroups } from './groups.js';
import { COVER_GROUND, COVER_HARDLY_AT, HARDLY_AT_COST } from './places.js';
import { COVER_RULES, POSITION_RULES, STRUCTURE_RULES } from './rules.js';

/** How many holding places a window names. */
const MAX_PLACES = 4;
/** A group of so large a share of the fish has a place named of its own. */
const MIN_GROUP_SHARE = 0.15;
/** Shares less than this are not worth a place in a plan. */
const MIN_WEIGHT = 0.03;
/** A group of so few is not looked for, even where a place gathers most of it. */
const MIN_CANDIDATE_SHARE = 0.001;
/** A place of the same structure and group as one that is named says little more: its weight counts this much. */
const SAME_FORM = 0.2;
const SAME_STRUCTURE = 0.8;

export type Votes<T extends string> = Partial<Record<T, number>>;

/** Reasons for an option, at a share of their weight. */
export const reasonsFor = <T extends string>(
  fired: readonly Fired<Votes<T>>[],
  option: T,
  units: UnitSystem,
  share = 1,
): Reason[] => reasonsOf(fired, (effect, degree) => share * degree * (effect[option] ?? 0), units);

/** A holding place: a group of fish at a structure and cover, with how it lies in the water. */
export interface HoldingPlace extends Holding {
  readonly group: GroupId;
  readonly positions: Readonly<Record<Position, number>>;
}

/** The slots of the facts that a holding place adds for the rules after it. */
const PLACE_SLOTS = {
  structure: Object.fromEntries(STRUCTURES.map((id) => [id, slotOf(`structure:${id}`)])) as Record<Structure, number>,
  cover: Object.fromEntries(COVERS.map((id) => [id, slotOf(`cover:${id}`)])) as Record<Cover, number>,
  ground: Object.fromEntries(COVERS.map((id) => [id, slotOf(`ground:${COVER_GROUND[id]}`)])) as Record<Cover, number>,
  group: Object.fromEntries(GROUP_IDS.map((id) => [id, slotOf(`group:${id}`)])) as Record<GroupId, number>,
  surface: slotOf('position:surface'),
  suspended: slotOf('position:suspended'),
  bottom: slotOf('position:bottom'),
  holdingDepthM: slotOf('holdingDepthM'),
};

/**
 * The facts at a holding place, stacked by slots, since a plan does it a hundred times.
 * @param lureSlot the slot of the lure that is fished there, where one is
 */
export function factsAt(
  facts: Facts,
  {
    structure,
    cover,
    group,
    positions,
    depthM,
  }: Pick<HoldingPlace, 'structure' | 'cover' | 'group' | 'positions' | 'depthM'>,
  lureSlot?: number,
): Facts {
  const slots = [
    PLACE_SLOTS.structure[structure],
    PLACE_SLOTS.cover[cover],
    PLACE_SLOTS.ground[cover],
    PLACE_SLOTS.group[group],
    PLACE_SLOTS.surface,
    PLACE_SLOTS.suspended,
    PLACE_SLOTS.bottom,
    PLACE_SLOTS.holdingDepthM,
  ];
  const stated = [1, 1, 1, 1, positions.surface, positions.suspended, positions.bottom, (depthM[0] + depthM[1]) / 2];
  if (lureSlot !== undefined) {
    slots.push(lureSlot);
    stated.push(1);
  }
  return facts.withSlots(slots, stated);
}

/** Before it is known how they lie there. */
const NO_POSITION = { surface: 0, suspended: 0, bottom: 0 };

/** What does not change from hour to hour of a structure with a cover. */
interface PlaceKind {
  readonly slots: readonly number[];
  /** The rules on groups that can speak there at all: those that name one of its facts. */
  readonly rules: readonly Rule<GroupVotes>[];
  /** Log-weight lost where the two are hardly ever met together. */
  readonly rarityCost: number;
  /** Water over the top of such a cover counts. */
  readonly grows: boolean;
}
const placeKinds = new Map<Structure, Map<Cover, PlaceKind>>();

function placeKind(structure: Structure, cover: Cover): PlaceKind {
  let covers = placeKinds.get(structure);
  if (!covers) placeKinds.set(structure, (covers = new Map()));
  let known = covers.get(cover);
  if (!known) {
    const ground = COVER_GROUND[cover];
    const named = new RegExp(`^(structure:${structure}|cover:${cover}|ground:${ground})$`);
    known = {
      slots: [PLACE_SLOTS.structure[structure], PLACE_SLOTS.cover[cover], PLACE_SLOTS.ground[cover]],
      rules: PLACE_GROUP_RULES.filter(({ when }) => mentions(when, named)),
      rarityCost: COVER_HARDLY_AT[cover]?.includes(structure) ? HARDLY_AT_COST : 0,
      grows: ground === 'grass' || ground === 'mat',
    };
    covers.set(cover, known);
  }
  return known;
}

/** A group at a structure and cover before the best few are picked. */
interface PlaceCandidate {
  readonly structure: Structure;
  readonly cover: Cover;
  readonly group: Group;
  /** Which of the hour's groups it is. */
  readonly at: number;
  readonly depthM: [number, number];
  readonly placeGroups: readonly Fired<GroupVotes>[];
  /** How many fish of the group the place draws, as a weight among all places. */
  readonly draws: number;
  /** How far the place gathers this group rather than the others, as a factor. */
  readonly gathers: number;
  weight: number;
}

/**
 * The best few, by weight, with a place of its own for every group that counts; what is much like a named one stands
 * back (maximal marginal relevance, Carbonell & Goldstein 1998).
 */
function bestOf(candidates: readonly PlaceCandidate[], shares: ReadonlyMap<GroupId, number>): PlaceCandidate[] {
  const picked: PlaceCandidate[] = [];
  /** What it adds to those that are picked. */
  const worthOf = ({ structure, group: { id }, weight }: PlaceCandidate): number => {
    let like = 1;
    let missing = true;
    for (const each of picked) {
      if (each.group.id === id) missing = false;
      if (each.structure === structure) like = Math.min(like, each.group.id === id ? SAME_FORM : SAME_STRUCTURE);
    }
    if (!missing) return weight * like;
    const share = shares.get(id) as number;
    return weight * like + (share >= MIN_GROUP_SHARE ? share : 0);
  };
  const left = [...candidates];
  while (picked.length < MAX_PLACES && left.length) {
    let best = 0;
    let most = -Infinity;
    for (let at = 0; at < left.length; at++) {
      const candidate = left[at] as PlaceCandidate;
      const worth = worthOf(candidate);
      // Of two that add as much the heavier.
      if (worth > most || (worth === most && candidate.weight > (left[best] as PlaceCandidate).weight))
        [best, most] = [at, worth];
    }
    picked.push(...left.splice(best, 1));
  }
  return picked;
}

/** What else is known of a kind of place, as a log-weight on top of the rules. */
export type PlaceLean = (structure: Structure, cover: Cover) => number;
const NO_LEAN: PlaceLean = () => 0;

/** Every group at every structure and cover, weighed; weights sum to one. */
function candidatesOf(
  judged: JudgedGroups,
  structures: readonly Structure[],
  covers: readonly Cover[],
  floorM: number,
  facts: Facts,
  lean: PlaceLean,
) {
  const structureRules = fire(STRUCTURE_RULES, facts);
  const coverRules = fire(COVER_RULES, facts);
  const coverVotes = covers.map((cover) => votesFor(coverRules, cover));
  const coverTopM = facts.figure('waterOverCoverM');
  const candidates: PlaceCandidate[] = [];
  for (const structure of structures) {
    const structureVotes = votesFor(structureRules, structure);
    for (let index = 0; index < covers.length; index++) {
      const cover = covers[index] as Cover;
      const { slots, rules, rarityCost, grows } = placeKind(structure, cover);
      const votes = structureVotes + (coverVotes[index] as number) - rarityCost + lean(structure, cover);
      const placeGroups = facts.withTemporarySlots(slots, (here) => fire(rules, here));
      const over = grows ? coverTopM : undefined;
      for (let at = 0; at < judged.groups.length; at++) {
        const group = judged.groups[at] as Group;
        if (group.share < MIN_CANDIDATE_SHARE) continue;
        const { depthM, cost } = groupAt(group, structure, cover, floorM, over);
        const draws = Math.exp(votes - cost);
        const gathers = Math.exp(votesFor(placeGroups, group.id));
        candidates.push({ structure, cover, group, at, depthM, placeGroups, draws, gathers, weight: 0 });
      }
    }
  }
  // A group is shared out among its places. How many of them suit it does not make more of it; what those gather that it
  // lies at does, in their mean. Where no place offers it its depth it is there still, at the nearest that there is.
  const fishOf = judged.groups.map(() => 0);
  const gatheredOf = judged.groups.map(() => 0);
  for (const { at, draws, gathers } of candidates) {
    (fishOf[at] as number) += draws * gathers;
    (gatheredOf[at] as number) += draws * gathers * gathers;
  }
  let total = 0;
  for (const candidate of candidates) {
    const { group, at, draws, gathers } = candidate;
    const fish = fishOf[at] as number;
    candidate.weight = group.share * ((gatheredOf[at] as number) / fish) * ((draws * gathers) / fish);
    total += candidate.weight;
  }
  const shareOf = judged.groups.map(() => 0);
  for (const candidate of candidates) {
    candidate.weight /= total;
    (shareOf[candidate.at] as number) += candidate.weight;
  }
  const shares = new Map<GroupId, number>();
  for (const { group, at } of candidates) shares.set(group.id, shareOf[at] as number);
  return { candidates, shares, structureRules, coverRules };
}

/** A group of fish as the sheet draws it. */
export interface SheetGroup {
  readonly group: GroupId;
  readonly depthM: readonly [number, number];
  /** Share of all fish, 0 to 1. */
  readonly share: number;
}

/** The groups over all places of a water: the depths that hold each in the mean of its places, and its share. */
export function groupBands(
  judged: JudgedGroups,
  structures: readonly Structure[],
  covers: readonly Cover[],
  floorM: number,
  facts: Facts,
): SheetGroup[] {
  const { candidates, shares } = candidatesOf(judged, structures, covers, floorM, facts, NO_LEAN);
  return [...shares]
    .map(([group, share]) => {
      const own = candidates.filter((each) => each.group.id === group);
      const mean = (pick: (depthM: readonly [number, number]) => number) =>
        own.reduce((sum, { depthM, weight }) => sum + weight * pick(depthM), 0) / share;
      return { group, share, depthM: [mean(([from]) => from), mean(([, to]) => to)] as const };
    })
    .filter(({ share }) => share >= MIN_WEIGHT)
    .sort((a, b) => a.depthM[0] - b.depthM[0]);
}

/**
 * The likeliest holding places of a window: every group at every structure and cover, weighed by the rules and by
 * whether the place offers the group its depth. The best few stand for all: each takes over the fish of its group, so
 * that their weights sum to 1 and show how the groups share the fish.
 * @param floorM no place holds deeper than this (bottom or thermocline), metres
 * @param units for the reasons; null leaves reasons out, for a search that does not read them
 */
export function holdingPlaces(
  judged: JudgedGroups,
  structures: readonly Structure[],
  covers: readonly Cover[],
  floorM: number,
  facts: Facts,
  units: UnitSystem | null,
  lean = NO_LEAN,
): HoldingPlace[] {
  const { candidates, shares, structureRules, coverRules } = candidatesOf(
    judged,
    structures,
    covers,
    floorM,
    facts,
    lean,
  );
  const picked = bestOf(candidates, shares).filter(
    ({ weight, group }) => (shares.get(group.id) as number) >= MIN_WEIGHT && weight > 0,
  );
  // Each stands for the fish of its group, in the proportion of its own weight.
  const groupWeight = (group: GroupId) =>
    picked.filter((each) => each.group.id === group).reduce((sum, { weight }) => sum + weight, 0);
  const weights = picked.map(
    ({ weight, group }) => ((shares.get(group.id) as number) * weight) / groupWeight(group.id),
  );
  const named = weights.reduce((sum, weight) => sum + weight, 0);
  return picked
    .map((candidate, index): HoldingPlace => {
      const { structure, cover, group, depthM, placeGroups } = candidate;
      const here = factsAt(facts, { structure, cover, group: group.id, depthM, positions: NO_POSITION });
      const positionRules = fire(POSITION_RULES, here);
      const positions = positionsOf(group.id, {
        surface: votesFor(positionRules, 'surface'),
        suspended: votesFor(positionRules, 'suspended'),
        bottom: votesFor(positionRules, 'bottom'),
      });
      const position = mainPosition(positions);
      return {
        structure,
        cover,
        depthM,
        position,
        positions,
        group: group.id,
        weight: (weights[index] as number) / named,
        because: units
          ? strongest([
              ...reasonsFor(structureRules, structure, units),
              ...reasonsFor(coverRules, cover, units),
              ...reasonsFor(placeGroups, group.id, units),
              ...reasonsFor(positionRules, position, units, 0.5),
              ...reasonsOfGroup(judged, group, depthM[1] >= floorM - 1e-9 && group.id !== 'edge', units),
            ])
          : [],
      };
    })
    .sort((a, b) => b.weight - a.weight);
}

/** What the hour did to a group: votes for it, what moved it, and the regime that made it. */
export function reasonsOfGroup(judged: JudgedGroups, group: Group, atFloor: boolean, units: UnitSystem): Reason[] {
  const reasons = [
    ...reasonsFor(judged.votes, group.id, units),
    ...reasonsFor(judged.regimes, group.id, units),
    ...reasonsOf(judged.depths, (effect, degree) => degree * Math.abs(Math.log(effect[group.id] ?? 1)), units),
  ];
  if (atFloor) {
    reasons.push({
      rule: 'thermocline-floor',
      text: 'Nothing holds under it: bottom or thermocline',
      weight: 0.3,
      school: null,
    });
  }
  return reasons;
}
