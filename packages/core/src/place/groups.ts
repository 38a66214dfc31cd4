import { POSITIONS, type Cover, type Phase, type Position, type Structure } from '../contract/ids.js';
import type { Range } from '../contract/plan.js';
import { depthOfLightM } from '../day/light.js';
import type { Facts } from '../rules/facts.js';
import { interpolate } from '../rules/fuzzy.js';
import { fire, votesFor, type Fired } from '../rules/rule.js';
import { GROUP_IDS, type GroupId } from '../rules/vocabulary.js';
import { GROUP_DEPTH_RULES, GROUP_RULES, REGIME_GROUP_RULES, type GroupVotes } from './group-rules.js';
import { COVER_DEEPEST_M, STRUCTURE_DEPTH_M } from './places.js';

/** Where the groups of a phase hold in ordinary light and a visibility of 1.5 m, and which share of the fish each is. */
interface PhaseGroup {
  readonly depthM: number;
  readonly share: number;
}
type SeasonGroup = 'edge' | 'hanging' | 'bottom';
const SEASON_GROUPS: readonly SeasonGroup[] = ['edge', 'hanging', 'bottom'];

const groups = (edge: Range, hanging: Range, bottom: Range): Record<SeasonGroup, PhaseGroup> => ({
  edge: { depthM: edge[0], share: edge[1] },
  hanging: { depthM: hanging[0], share: hanging[1] },
  bottom: { depthM: bottom[0], share: bottom[1] },
});

/** Depth in metres and share of each group, phase by phase. The field's working figures; shares are judgement. */
const PHASE_GROUPS: Record<Phase, Record<SeasonGroup, PhaseGroup>> = {
  winter: groups([1.7, 0.2], [3.4, 0.35], [8, 0.45]),
  staging: groups([1.5, 0.26], [2.8, 0.34], [3.9, 0.4]),
  'pre-spawn': groups([1.05, 0.42], [1.8, 0.18], [2.6, 0.4]),
  spawn: groups([0.75, 0.7], [1.3, 0.06], [2.1, 0.24]),
  'post-spawn': groups([0.9, 0.31], [1.8, 0.25], [3, 0.44]),
  summer: groups([1.3, 0.25], [3.1, 0.27], [4.6, 0.48]),
  'early-fall': groups([1.1, 0.32], [2, 0.38], [3.8, 0.3]),
  fall: groups([0.95, 0.45], [1.6, 0.29], [5.2, 0.26]),
  'late-fall': groups([1.5, 0.28], [3, 0.3], [5, 0.42]),
  'winter-refuge': groups([0.9, 0.22], [1.5, 0.2], [2.8, 0.58]),
  'spring-rise': groups([0.7, 0.55], [0.9, 0.2], [1.6, 0.25]),
  'summer-heat': groups([0.7, 0.42], [1.1, 0.2], [2.2, 0.38]),
  'fall-run': groups([0.8, 0.46], [1.1, 0.24], [2, 0.3]),
};

/** The logarithms of those depths: phases are mixed by them. */
const LOG_DEPTH = Object.fromEntries(
  Object.entries(PHASE_GROUPS).map(([phase, { edge, hanging, bottom }]) => [
    phase,
    { edge: Math.log(edge.depthM), hanging: Math.log(hanging.depthM), bottom: Math.log(bottom.depthM) },
  ]),
) as Record<Phase, Record<SeasonGroup, number>>;

/** How far the hanging group of a phase follows its light, 0 (not) to 1 (wholly). */
const FOLLOWS_LIGHT: Record<Phase, number> = {
  winter: 0.15,
  staging: 0.2,
  'pre-spawn': 0.25,
  spawn: 0.2,
  'post-spawn': 0.5,
  summer: 0.55,
  'early-fall': 0.55,
  fall: 0.45,
  'late-fall': 0.3,
  'winter-refuge': 0.1,
  'spring-rise': 0.25,
  'summer-heat': 0.4,
  'fall-run': 0.3,
};

/** The light fish like best, as a share of full sun. Judgement: puts them at 2.7 Secchi depths under a high clear sun. */
const LIKED_LIGHT = 0.01;
/** Cold fish go by warmth, not by light: under this they do not follow it at all, from twice this wholly. */
const COLD_IGNORES_LIGHT_C = 8;
/** From this visibility on, in metres, they follow the light wholly. */
const SEES_LIGHT_M = 0.8;
/** How dusk still lets fish up below that, as a power of the visibility: small enough that less sight never holds them deeper. */
const DUSK_POWER = 0.25;
/** The visibility, in metres, for which the phase depths are given. */
const REFERENCE_VISIBILITY_M = 1.5;
/** How strongly each group's depth goes with the visibility, as a power of it, and between which factors. */
const CLARITY_POWER: Record<SeasonGroup, readonly [power: number, least: number, most: number]> = {
  edge: [0.35, 0.4, 1.4],
  hanging: [0.33, 0.35, 1.4],
  bottom: [0.3, 0.3, 1.25],
};
/** In dirty water fish keep shallow and tight to what can be felt: the deepest that each group holds, by visibility. */
const DEEPEST_BY_VISIBILITY_M = [
  [0.1, 0.9],
  [0.4, 1.5],
  [0.7, 2.7],
  [1.2, 5.5],
  [2, 13],
  [4, 30],
] as const;

/** Depths in metres of the groups that a regime makes. */
const REGIME_DEPTH_M = { bank: 0.35, 'mud-flat': 1.22, 'shad-spawn': 0.5, chasing: 0.6 } as const;
type RegimeGroup = keyof typeof REGIME_DEPTH_M;

/** Half the band of a group, as a share of its depth, above and below. */
const BAND_ABOVE = 0.24;
const BAND_BELOW = 0.26;
/** Of a group whose band is told otherwise. */
const BAND: Partial<Record<GroupId, readonly [above: number, below: number]>> = { 'mud-flat': [0.18, 0.22] };

/** A group of fish at one hour, wherever on the water: its share, its depth, and how it lies in the water. */
export interface Group {
  readonly id: GroupId;
  readonly share: number;
  readonly depthM: number;
  /** In dirty water no deeper than this, whatever the place offers, metres. */
  readonly capM: number;
  /** Of the edge group: where those hang that it lies no deeper than, at any place, metres. */
  readonly hangingM?: number | undefined;
}

/** What bounds fish, in metres; absent where unknown. */
export interface DepthLimits {
  readonly bottomM: number | undefined;
  readonly thermoclineM: number | undefined;
}

/** The deepest that any fish holds, metres. */
export const floorOf = ({ bottomM, thermoclineM }: DepthLimits): number =>
  Math.min(bottomM ?? Infinity, thermoclineM ?? Infinity);

/** The groups of one moment with the rules that shaped them. */
export interface JudgedGroups {
  readonly groups: readonly Group[];
  readonly votes: readonly Fired<GroupVotes>[];
  readonly depths: readonly Fired<GroupVotes>[];
  readonly regimes: readonly Fired<GroupVotes>[];
}

/** The depth of a group in metres before what dirty water and the place set to it. */
function seasonDepthM(
  group: SeasonGroup,
  phases: ReadonlyMap<Phase, number>,
  light: number,
  facts: Facts,
  moved: readonly Fired<GroupVotes>[],
): number {
  const visibilityM = facts.figure('visibilityM') ?? REFERENCE_VISIBILITY_M;
  const effectiveM = facts.figure('effectiveVisibilityM') ?? visibilityM;
  let logDepth = 0;
  let follows = 0;
  for (const [phase, probability] of phases) {
    logDepth += probability * LOG_DEPTH[phase][group];
    follows += probability * FOLLOWS_LIGHT[phase];
  }
  const [power, least, most] = CLARITY_POWER[group];
  const clarity = Math.min(most, Math.max(least, (effectiveM / REFERENCE_VISIBILITY_M) ** power));
  let usualM = Math.exp(logDepth) * clarity;
  if (group === 'hanging') {
    const warm = ((facts.figure('surfaceTempC') ?? 15) - COLD_IGNORES_LIGHT_C) / COLD_IGNORES_LIGHT_C;
    const lightM = depthOfLightM(light, LIKED_LIGHT, visibilityM);
    // Where they see no farther than they are long no light sends them down; dusk lets them up nearly all the same.
    const sees = Math.min(1, visibilityM / SEES_LIGHT_M) ** (lightM > usualM ? 1 : DUSK_POWER);
    const share = follows * Math.min(1, Math.max(0, warm)) * sees;
    usualM = usualM * (1 - share) + lightM * share;
  }
  let depthM = usualM;
  for (const { rule, degree } of moved) depthM *= 1 + degree * ((rule.effect[group] ?? 1) - 1);
  return depthM;
}

/** The deepest that fish hold at this visibility, metres. */
function deepestByVisibilityM(facts: Facts): number {
  const visibilityM = facts.figure('visibilityM') ?? REFERENCE_VISIBILITY_M;
  const effectiveM = facts.figure('effectiveVisibilityM') ?? visibilityM;
  return interpolate(DEEPEST_BY_VISIBILITY_M, Math.sqrt(visibilityM * effectiveM));
}

/**
 * The groups of one moment. Each phase puts fish in two or three groups at once; rules vote for groups by the hour as
 * log-weights and move their depths by factors; a regime (mud, a shad spawn, chasing at the top) draws its share of all
 * fish into a group of its own. Shares sum to one.
 */
export function judgeGroups(light: number, facts: Facts, phases: ReadonlyMap<Phase, number>): JudgedGroups {
  const votes = fire(GROUP_RULES, facts);
  const depths = fire(GROUP_DEPTH_RULES, facts);
  const regimes = fire(REGIME_GROUP_RULES, facts);
  const weight = (group: SeasonGroup): number => {
    let share = 0;
    for (const [phase, probability] of phases) share += probability * PHASE_GROUPS[phase][group].share;
    return share * Math.exp(votesFor(votes, group));
  };
  const weights = SEASON_GROUPS.map(weight);
  const total = weights.reduce((sum, each) => sum + each, 0);
  const shares = new Map<GroupId, number>(
    SEASON_GROUPS.map((group, index) => [group, (weights[index] as number) / total]),
  );
  for (const { rule, degree } of regimes) {
    const taken = Object.values(rule.effect).reduce((sum, share) => sum + share, 0) * degree;
    for (const [group, share] of shares) shares.set(group, share * (1 - taken));
    for (const group of GROUP_IDS) {
      const gained = rule.effect[group];
      if (gained) shares.set(group, (shares.get(group) ?? 0) + gained * degree);
    }
  }
  const capM = deepestByVisibilityM(facts);
  const atSeasonM = (id: SeasonGroup) => Math.max(0.15, Math.min(seasonDepthM(id, phases, light, facts, depths), capM));
  const hangingM = atSeasonM('hanging');
  const depthOf = (id: GroupId): number => {
    if (id === 'hanging') return hangingM;
    return id in REGIME_DEPTH_M ? REGIME_DEPTH_M[id as RegimeGroup] : atSeasonM(id as SeasonGroup);
  };
  return {
    votes,
    depths,
    regimes,
    groups: [...shares].map(([id, share]) => ({
      id,
      share,
      depthM: depthOf(id),
      capM,
      hangingM: id === 'edge' ? hangingM : undefined,
    })),
  };
}

/** A group that hangs does not need the bottom at its depth; the others lie on it. */
const HANGS: Readonly<Record<GroupId, boolean>> = {
  edge: false,
  hanging: true,
  bottom: false,
  bank: false,
  'mud-flat': false,
  'shad-spawn': true,
  chasing: true,
};

/** Structures whose own form moves a group: far out they lie deeper, far back shallower. */
const FORM_FACTOR: Partial<Record<Structure, Partial<Record<GroupId, number>>>> = {
  'main-lake-point': { bottom: 1.2, edge: 1.1 },
  'channel-swing': { bottom: 1.15 },
  ledge: { bottom: 1.05 },
  'secondary-point': { bottom: 0.9 },
  ditch: { bottom: 0.85 },
  transition: { bottom: 0.9 },
  pocket: { edge: 0.85, bottom: 0.75 },
  'creek-back': { edge: 0.85, bottom: 0.75 },
  flat: { edge: 0.95, bottom: 0.8 },
  'drain-mouth': { bottom: 1.25 },
  pass: { bottom: 2, hanging: 1.6 },
  bridge: { bottom: 1.8, hanging: 1.5 },
  trough: { bottom: 1.1 },
  'open-water': { hanging: 1.15 },
  // Shade and piles let them hang high.
  dock: { hanging: 0.5, bottom: 0.8, edge: 0.95 },
  marina: { hanging: 0.65, bottom: 0.8 },
};

type GroupDepth = Pick<Group, 'id' | 'depthM' | 'capM' | 'hangingM'>;

/** The depth a group would hold at a form whatever bounds it there, metres: the edge never below those that hang. */
function wantedAtM({ id, depthM, hangingM }: GroupDepth, structure: Structure): number {
  const factors = FORM_FACTOR[structure];
  return Math.min(depthM * (factors?.[id] ?? 1), (hangingM ?? Infinity) * (factors?.hanging ?? 1));
}

/** Log-weight lost per unit of log-depth by which a place is too shallow, or lies too deep, for a group. */
const TOO_SHALLOW_COST = 2;
const TOO_DEEP_COST = 1.5;
const DRIVEN_UP_COST = 0.8;

/** By how much more one depth is than another, as a logarithm; 0 where it is not. */
const logExcess = (depthM: number, thanM: number): number => (depthM > thanM ? Math.log(depthM / thanM) : 0);

/** The depths that a group holds at a place, and the log-weight that the place loses where it does not offer them. */
export function groupAt(
  group: GroupDepth,
  structure: Structure,
  cover: Cover,
  floorM: number,
  coverTopM: number | undefined,
): { readonly depthM: [number, number]; readonly cost: number } {
  const { id, capM } = group;
  const [shallowM, deepM] = STRUCTURE_DEPTH_M[structure];
  const deepestM = Math.max(0.2, Math.min(deepM, COVER_DEEPEST_M[cover] ?? Infinity, floorM));
  const shallowestM = Math.min(shallowM, 0.9 * deepestM);
  const [above, below] = BAND[id] ?? [BAND_ABOVE, BAND_BELOW];
  const wantedM = wantedAtM(group, structure);
  const cappedM = Math.min(wantedM, capM / (1 + below));
  const hangs = HANGS[id];
  // What lies on the bottom lies no higher than the place begins; in dirty water it leaves it for what it can feel, higher.
  const leastM = hangs ? 0.15 : Math.min(shallowestM * 1.1, capM / (1 + below));
  // What hangs may do so over any deeper bottom; over cover that is known to stand high it hangs above its top.
  const overCoverM = hangs && coverTopM !== undefined && coverTopM > 0.15 ? coverTopM * 0.9 : Infinity;
  const centreM = Math.min(Math.max(cappedM, leastM), deepestM / (1 + 0.5 * below), overCoverM);
  // What a place lacks is told by the wish alone: a cap that bound some forms only would draw fish to the deep ones.
  const tooShallow = logExcess(wantedM, Math.max(0.1, deepestM));
  // Driven up over the cover they are fewer than where they may hang as deep as they like.
  const drivenUp = logExcess(wantedM, Math.max(0.1, overCoverM));
  const tooDeep = hangs ? 0 : logExcess(shallowestM, wantedM);
  return {
    depthM: [centreM * (1 - above), Math.min(centreM * (1 + below), deepestM)],
    cost: TOO_SHALLOW_COST * tooShallow + TOO_DEEP_COST * tooDeep + DRIVEN_UP_COST * drivenUp,
  };
}

export const hangs = (id: GroupId): boolean => HANGS[id];

/** The depths that a group holds over ground of a form, whatever depth the ground has. @param floorM thermocline, metres */
export function groupAtGround(group: GroupDepth, structure: Structure, floorM: number): Range {
  const { id, capM } = group;
  const [above, below] = BAND[id] ?? [BAND_ABOVE, BAND_BELOW];
  const wantedM = Math.min(wantedAtM(group, structure), capM / (1 + below), floorM / (1 + 0.5 * below));
  return [wantedM * (1 - above), Math.min(floorM, wantedM * (1 + below))];
}

/** How each group lies in the water where nothing moves it. */
const USUAL_POSITIONS: Readonly<Record<GroupId, Readonly<Record<Position, number>>>> = {
  edge: { surface: 0.1, suspended: 0.3, bottom: 0.6 },
  hanging: { surface: 0.05, suspended: 0.85, bottom: 0.1 },
  bottom: { surface: 0, suspended: 0.1, bottom: 0.9 },
  bank: { surface: 0.15, suspended: 0.25, bottom: 0.6 },
  'mud-flat': { surface: 0.05, suspended: 0.25, bottom: 0.7 },
  'shad-spawn': { surface: 0.4, suspended: 0.5, bottom: 0.1 },
  chasing: { surface: 0.75, suspended: 0.22, bottom: 0.03 },
};

/** Where most of a group lies; of two equal shares the deeper. */
export function mainPosition({ surface, suspended, bottom }: Readonly<Record<Position, number>>): Position {
  if (bottom >= suspended && bottom >= surface) return 'bottom';
  return suspended >= surface ? 'suspended' : 'surface';
}

/** Shares of the positions of a group, after the votes of the position rules. */
export function positionsOf(id: GroupId, votes: Partial<Record<Position, number>>): Record<Position, number> {
  const usual = USUAL_POSITIONS[id];
  const weights = POSITIONS.map((position) => usual[position] * Math.exp(votes[position] ?? 0));
  const total = weights.reduce((sum, each) => sum + each, 0);
  const [surface, suspended, bottom] = weights.map((each) => each / total) as [number, number, number];
  return { surface, suspended, bottom };
}
