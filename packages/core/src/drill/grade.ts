import type { CategoryId, Phase, Regime, SchoolId, Structure } from '../contract/ids.js';
import { SCHOOL_SIDES } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import type { Range, Reason } from '../contract/plan.js';
import { judgeDay, rejudge, type JudgedDay } from '../plan/judge.js';
import { chooseForWindow, tellWindow, type ChosenWindow } from '../plan/window.js';
import { BITES_BY_WEIGHT } from '../mornings/wanted.js';
import { explain } from '../presentation/score.js';
import { sayRange, type UnitSystem } from '../units/units.js';
import type { Scene } from './scene.js';

/** What is asked of a day, in the order of the work. */
export const DRILL_STEPS = ['phase', 'regime', 'where', 'depth', 'lure', 'pause'] as const;
export type DrillStep = (typeof DRILL_STEPS)[number];

export type DrillAnswer =
  | { readonly step: 'phase'; readonly phase: Phase }
  | { readonly step: 'regime'; readonly regime: Regime }
  | { readonly step: 'where'; readonly structure: Structure }
  | { readonly step: 'depth'; readonly depthM: Range }
  | { readonly step: 'lure'; readonly category: CategoryId }
  | { readonly step: 'pause'; readonly seconds: number };

/** What the planner makes of a scene: what answers are set against. */
export interface DrillKey {
  readonly day: JudgedDay;
  readonly index: number;
  readonly chosen: ChosenWindow;
  readonly told: ReturnType<typeof tellWindow>;
  readonly units: UnitSystem;
}

/** An answer with what it is worth and why. */
export interface Graded {
  /** 0 to 1: full where the planner finds it nearly as good as its own. */
  readonly score: number;
  /** What the planner has, in words. */
  readonly best: string;
  readonly because: readonly string[];
  readonly against: readonly string[];
  /** The school by whose other side it is right; null where none is needed, or none makes it so. */
  readonly school: SchoolId | null;
  /** The planner itself is unsure of it: the answer is graded mildly. */
  readonly unsure: boolean;
}

/** Reasons that are told for an answer and against it. */
const TOLD = 3;
/** A choice so far behind, as a share of the weight of the first, is as good. */
const AS_GOOD = 0.85;
/** The planner is unsure where its first has less than this, and who is near then gets half of what is missing. */
const UNSURE_UNDER = 0.5;
/** A regime next to the right one is half right. */
const NEXT_REGIME = 0.4;
const NEAR_REGIMES: readonly (readonly [Regime, Regime])[] = [
  ['mud-rising', 'mud-steady'],
  ['mud-steady', 'clearing'],
  ['mud-steady', 'murky'],
  ['murky', 'usual'],
  ['clearing', 'usual'],
  ['usual', 'very-clear'],
];

/** The planner's own answer to a scene. */
export function keyOf({ conditions, at }: Scene, units: UnitSystem): DrillKey {
  const day = judgeDay(conditions, units);
  const index = Math.min(day.windows.length - 1, Math.floor(at * day.windows.length));
  const window = day.windows[index];
  if (!window) throw new Error('a day without a window cannot be drilled');
  const chosen = chooseForWindow(day, window, units);
  return { day, index, chosen, told: tellWindow(day, chosen, index), units };
}

const texts = (reasons: readonly Reason[]): string[] => reasons.slice(0, TOLD).map(({ text }) => text);

/** A share of the best as marks: nearly as good is as good; where the planner is unsure what is missing counts half. */
function marks(share: number, sureness: number): Pick<Graded, 'score' | 'unsure'> {
  const unsure = sureness < UNSURE_UNDER;
  const plain = Math.min(1, Math.max(0, share / AS_GOOD));
  return { score: unsure ? plain + (1 - plain) / 2 : plain, unsure };
}

function gradePhase({ day }: DrillKey, phase: Phase): Graded {
  const share = (day.phases.get(phase) ?? 0) / Math.max(1e-9, day.phase.probability);
  return {
    ...marks(share, day.phase.probability),
    best: nameOf(day.phase.id),
    because: texts(day.phase.because),
    against: [],
    school: null,
  };
}

function gradeRegime({ day }: DrillKey, regime: Regime): Graded {
  const { clarity } = day;
  const isNear = NEAR_REGIMES.some((pair) => pair.includes(regime) && pair.includes(clarity.regime));
  const score = regime === clarity.regime ? 1 : isNear ? NEXT_REGIME : 0;
  return {
    score,
    best: nameOf(clarity.regime),
    because: texts(clarity.because),
    against: [],
    school: null,
    unsure: false,
  };
}

function gradeWhere({ told }: DrillKey, structure: Structure): Graded {
  const weights = new Map<Structure, number>();
  for (const { structure: own, weight } of told.holding) weights.set(own, (weights.get(own) ?? 0) + weight);
  const [best, most] = [...weights].reduce((a, b) => (b[1] > a[1] ? b : a), ['open-water' as Structure, 0]);
  const first = told.holding.find((each) => each.structure === best);
  const own = told.holding.find((each) => each.structure === structure);
  return {
    ...marks((weights.get(structure) ?? 0) / Math.max(1e-9, most), most),
    best: nameOf(best),
    because: texts(own?.because ?? []),
    against:
      own || !first
        ? []
        : texts(first.because).map((text) => `On the ${nameOf(best)}: ${text.charAt(0).toLowerCase()}${text.slice(1)}`),
    school: null,
  };
}

/** How much of the one range lies in the other, of the shorter. */
function overlap([a, b]: Range, [c, d]: Range): number {
  const shared = Math.min(b, d) - Math.max(a, c);
  return Math.min(1, Math.max(0, shared) / Math.max(0.2, Math.min(b - a, d - c)));
}

function gradeDepth({ told, units }: DrillKey, depthM: Range): Graded {
  const [first] = told.holding;
  if (!first) throw new Error('a window without a place cannot be drilled');
  const all = told.holding.reduce((sum, { weight }) => sum + weight, 0);
  const covered = told.holding.reduce((sum, each) => sum + each.weight * overlap(depthM, each.depthM), 0) / all;
  // A band over all of the water is no answer: what lies outside of where the fish are is taken off.
  const [least, most] = [
    Math.min(...told.holding.map((each) => each.depthM[0])),
    Math.max(...told.holding.map((each) => each.depthM[1])),
  ];
  const idle = Math.max(0, depthM[1] - depthM[0] - (most - least)) / Math.max(1, most - least);
  return {
    ...marks(covered / (1 + idle), first.weight / all),
    best: sayRange('depth', first.depthM, units),
    because: texts(first.because),
    against: covered < 0.3 ? [`Most of them are at ${sayRange('depth', first.depthM, units)}`] : [],
    school: null,
  };
}

/** The school by whose other side a lure comes first in the window; null where none has it so. */
function schoolFor({ day, index }: DrillKey, category: CategoryId): SchoolId | null {
  for (const { id, side } of day.schools) {
    for (const other of SCHOOL_SIDES[id] as readonly string[]) {
      if (other === side) continue;
      const otherDay = rejudge(day, { schools: { ...day.conditions.schools, [id]: other } });
      const window = otherDay.windows[index];
      const first = window && chooseForWindow(otherDay, window, null).set[0];
      if (first?.weighed.category.id === category) return id;
    }
  }
  return null;
}

function gradeLure(key: DrillKey, category: CategoryId): Graded {
  const { chosen, told, units } = key;
  const [first] = chosen.set;
  if (!first) throw new Error('a window without a lure cannot be drilled');
  const own = chosen.weighed.find((each) => each.category.id === category);
  const behind = own ? own.logWeight - first.weighed.logWeight : -Infinity;
  const plain = marks(Math.exp(BITES_BY_WEIGHT * Math.min(0, behind)), 1);
  const inSet = chosen.set.some(({ weighed }) => weighed.category.id === category);
  const named = Math.max(plain.score, inSet ? 1 : 0);
  const school = named < 1 ? schoolFor(key, category) : null;
  const reasons = own ? explain(own, chosen.grounds, units) : { because: [], against: [] };
  return {
    score: school ? 1 : own ? named : 0,
    best: nameOf(first.weighed.category.id),
    because: texts(reasons.because.length ? reasons.because : (told.presentations[0]?.because ?? [])),
    against: texts(reasons.against),
    school,
    unsure: false,
  };
}

function gradePause({ told }: DrillKey, seconds: number): Graded {
  const pause = told.presentations[0]?.retrieve.pauseS ?? null;
  if (!pause) {
    return { score: seconds < 0.5 ? 1 : 0.3, best: 'no wait', because: [], against: [], school: null, unsure: false };
  }
  const off = seconds < pause[0] ? pause[0] / Math.max(0.1, seconds) : seconds > pause[1] ? seconds / pause[1] : 1;
  return {
    // Twice too long or too short is worth nothing.
    score: Math.max(0, 1 - Math.log2(off)),
    best: `${pause[0]} to ${pause[1]} s`,
    because: [],
    against:
      off > 1
        ? [seconds < pause[0] ? 'They want it to lie still for longer' : 'It need not lie still for so long']
        : [],
    school: null,
    unsure: false,
  };
}

/** What an answer is worth, by the planner's own weights, not by being the same. */
export function grade(key: DrillKey, answer: DrillAnswer): Graded {
  switch (answer.step) {
    case 'phase':
      return gradePhase(key, answer.phase);
    case 'regime':
      return gradeRegime(key, answer.regime);
    case 'where':
      return gradeWhere(key, answer.structure);
    case 'depth':
      return gradeDepth(key, answer.depthM);
    case 'lure':
      return gradeLure(key, answer.category);
    case 'pause':
      return gradePause(key, answer.seconds);
  }
}
