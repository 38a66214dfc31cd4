import { COVERS, STRUCTURES, type Cover, type Structure } from '../contract/ids.js';
import type { Reason } from '../contract/plan.js';
import type { GroupId } from '../rules/vocabulary.js';
import { PLACE_GROUP_RULES, type GroupVotes } from '../place/group-rules.js';
import { floorOf, groupAtGround, hangs } from '../place/groups.js';
import { reasonsFor, reasonsOfGroup, type Votes } from '../place/place.js';
import { COVER_RULES, STRUCTURE_RULES } from '../place/rules.js';
import { SPOT_RULES } from '../place/spot-rules.js';
import { momentGround, type JudgedDay } from '../plan/judge.js';
import type { Moment } from '../day/curve.js';
import type { Facts } from '../rules/facts.js';
import { fire, strongest, tally, type Fired } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { classFacts, traitsOf } from './ground.js';

/** A group of fish at a class of ground: its weight there, and the depths that hold it, metres. */
export interface GroupOnGround {
  readonly group: GroupId;
  readonly weight: number;
  readonly fromM: number;
  readonly toM: number;
  /** It may hang over deeper water. */
  readonly hangs: boolean;
}

/** What the rules make of a class of ground at one hour. */
export interface ClassJudged {
  /** Log-weight of the structure, which counts as far as the form is sure. */
  readonly structure: number;
  /** Log-weight of cover and of what lies about. */
  readonly rest: number;
  readonly groups: readonly GroupOnGround[];
  /** How much the depth changes over half a cell, metres. */
  readonly spreadM: number;
  /** Log-weight by the depth of the bottom, in steps of DEPTH_STEP_M from 0 on. */
  readonly byDepth: Float32Array;
}

/** The holding model of one hour, to be asked class by class. */
export interface HoldingModel {
  readonly moment: Moment;
  /** How far the tide stands under the level at which the bed was read, metres. */
  readonly dropM: number;
  readonly judge: (key: number) => ClassJudged;
  /** Why a cell of a class is good, for the group that its depth suits best. */
  readonly because: (key: number, sure: number, units: UnitSystem, depthM: number) => Reason[];
}

/** Votes count less where the cover of a spot is not known: then the mean of the water's covers stands for it. */
const UNKNOWN_COVER_SHARE = 0.6;

function coverVote(votes: Votes<Cover>, cover: Cover | undefined, usual: readonly Cover[]): number {
  if (cover) return votes[cover] ?? 0;
  if (!usual.length) return 0;
  return (UNKNOWN_COVER_SHARE * usual.reduce((sum, each) => sum + (votes[each] ?? 0), 0)) / usual.length;
}

/** The quarter hour of a day that is nearest to a minute past midnight. */
export function momentAt(day: JudgedDay, minute: number): Moment {
  const first = day.curve[0];
  if (!first) throw new Error('The day has no hours');
  return day.curve.reduce((best, each) =>
    Math.abs(each.minute - minute) < Math.abs(best.minute - minute) ? each : best,
  );
}

/**
 * The plan's own holding model (structure, cover and group rules), asked for ground instead of for names,
 * with the spot rules on top. @param dropM how far the tide stands under the level at which the bed was read
 */
export function holdingModel(day: JudgedDay, minute: number, cellM: number, dropM = 0): HoldingModel {
  const moment = momentAt(day, minute);
  const window = day.windows.find(({ toMin }) => moment.minute <= toMin) ?? day.windows.at(-1);
  if (!window) throw new Error('The day has no windows');
  const { groups: judgedGroups, facts } = momentGround(day, moment, window.light);
  const floorM = floorOf({ ...day.limits, bottomM: undefined });
  const usual = day.conditions.covers;
  const judged = new Map<number, ClassJudged>();

  const rulesOf = (key: number) => {
    const traits = traitsOf(key);
    const structure: Structure = STRUCTURES[traits.structure - 1] ?? 'open-water';
    const cover = COVERS[traits.cover - 1];
    const here: Facts = facts.with(classFacts(traits));
    const placeGroups: Fired<GroupVotes>[] = here.withTemporary(
      cover ? [`structure:${structure}`, `cover:${cover}`] : [`structure:${structure}`],
      (there) => fire(PLACE_GROUP_RULES, there),
    );
    const structures: Fired<Votes<Structure>>[] = fire(STRUCTURE_RULES, here);
    return {
      structure,
      cover,
      placeGroups,
      structures,
      covers: fire(COVER_RULES, here),
      spot: fire(SPOT_RULES, here),
      traits,
    };
  };

  const judgeClass = (key: number): ClassJudged => {
    const { structure, cover, placeGroups, structures, covers, spot, traits } = rulesOf(key);
    const bonus = tally(placeGroups);
    const groups = judgedGroups.groups.map((group): GroupOnGround => {
      const [fromM, toM] = groupAtGround(group, structure, floorM);
      return {
        group: group.id,
        weight: group.share * Math.exp(bonus[group.id] ?? 0),
        fromM,
        toM,
        hangs: hangs(group.id),
      };
    });
    const spreadM = (cellM / 2) * Math.tan((Math.min(70, traits.slopeDeg) * Math.PI) / 180);
    return {
      structure: tally(structures)[structure] ?? 0,
      rest: coverVote(tally(covers), cover, usual) + (tally<'spot'>(spot).spot ?? 0),
      groups,
      spreadM,
      byDepth: Float32Array.from({ length: DEPTH_STEPS }, (_, step) =>
        logDepthWeight(step * DEPTH_STEP_M, groups, spreadM),
      ),
    };
  };

  return {
    moment,
    dropM,
    judge: (key) => {
      let known = judged.get(key);
      if (!known) judged.set(key, (known = judgeClass(key)));
      return known;
    },
    because: (key, sure, units, depthM) => {
      const { structure, cover, placeGroups, structures, covers, spot } = rulesOf(key);
      const { groups, spreadM } = judgeClass(key);
      const here = groups.reduce((best, each) =>
        each.weight * depthShare(depthM, each, spreadM) > best.weight * depthShare(depthM, best, spreadM) ? each : best,
      );
      const group = judgedGroups.groups.find(({ id }) => id === here.group);
      return strongest([
        ...reasonsFor(structures, structure, units, sure),
        ...(cover ? reasonsFor(covers, cover, units) : []),
        ...reasonsFor<'spot'>(spot, 'spot', units),
        ...reasonsFor(placeGroups, here.group, units),
        ...(group ? reasonsOfGroup(judgedGroups, group, false, units) : []),
      ]);
    },
  };
}

/** Steps of depth by which a class's weight is tabled: there are far more cells than classes. */
export const DEPTH_STEP_M = 0.125;
const DEPTH_STEPS = 512;
/** A depth that offers nothing of what is wanted still counts so much. */
const MIN_OFFER = 0.08;

/** How much of what a group wants a depth of the bottom offers, 0 to 1. */
export function depthShare(
  depthM: number,
  { fromM, toM, hangs: canHang }: Omit<GroupOnGround, 'group' | 'weight'>,
  spreadM: number,
): number {
  const deepest = depthM + spreadM;
  if (deepest < fromM) return Math.max(0, (deepest - fromM * 0.5) / (fromM * 0.5));
  const shallowest = depthM - spreadM;
  if (shallowest <= toM) return 1;
  const beyond = Math.max(0, 1 - (shallowest - toM) / (toM * 0.6));
  const over = canHang ? Math.min(1, Math.max(0, 1 - (shallowest - toM * 2.5) / (toM * 3))) : 0;
  return Math.max(beyond, over);
}

/** Log-weight of a depth of the bottom under all groups: each brings its fish as far as the depth offers what it wants. */
export const logDepthWeight = (depthM: number, groups: readonly GroupOnGround[], spreadM: number): number =>
  Math.log(MIN_OFFER + groups.reduce((sum, group) => sum + group.weight * depthShare(depthM, group, spreadM), 0));

/** Log-weight of a cell: the form as far as it is sure, cover, what lies about, and how well the depth fits. */
export function cellScore({ structure, rest, byDepth }: ClassJudged, sure: number, depthM: number): number {
  const step = Math.min(byDepth.length - 1, depthM / DEPTH_STEP_M);
  const at = Math.floor(step);
  const below = byDepth[at] as number;
  const above = byDepth[Math.min(byDepth.length - 1, at + 1)] as number;
  return structure * sure + rest + below + (above - below) * (step - at);
}
