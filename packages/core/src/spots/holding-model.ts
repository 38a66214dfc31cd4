import { COVERS, STRUCTURES, type Cover, type Structure } from '../contract/ids.js';
import type { Reason } from '../contract/plan.js';
import { OUT_OF_DEPTH_COST, placeFacts, reasonsFor, shares, type Votes } from '../place/place.js';
import { PLACE_DEPTH_RULES } from '../place/depth.js';
import { COVER_RULES, POSITION_RULES, STRUCTURE_RULES } from '../place/rules.js';
import { SPOT_RULES } from '../place/spot-rules.js';
import { momentGround, type JudgedDay } from '../plan/judge.js';
import type { Moment } from '../day/curve.js';
import type { Facts } from '../rules/facts.js';
import { fire, reasonsOf, strongest, tally, type Fired } from '../rules/rule.js';
import type { UnitSystem } from '../units/units.js';
import { classFacts, traitsOf } from './ground.js';

/** What the rules make of a class of ground at one hour. */
export interface ClassJudged {
  /** Log-weight of the structure, which counts as far as the form is sure. */
  readonly structure: number;
  /** Log-weight of cover and of what lies about. */
  readonly rest: number;
  /** Depths that hold fish there, metres. */
  readonly fromM: number;
  readonly toM: number;
  /** Share of the fish that hang off the bottom, 0 to 1: those may do so over deeper water. */
  readonly hang: number;
  /** How much the depth changes over half a cell, metres. */
  readonly spreadM: number;
}

/** The holding model of one hour, to be asked class by class. */
export interface HoldingModel {
  readonly moment: Moment;
  /** How far the tide stands under the level at which the bed was read, metres. */
  readonly dropM: number;
  readonly judge: (key: number) => ClassJudged;
  readonly because: (key: number, sure: number, units: UnitSystem) => Reason[];
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
 * The plan's own holding model (structure, cover, depth and position rules), asked for ground instead of for names,
 * with the spot rules on top. @param dropM how far the tide stands under the level at which the bed was read
 */
export function holdingModel(day: JudgedDay, minute: number, cellM: number, dropM = 0): HoldingModel {
  const moment = momentAt(day, minute);
  const window = day.windows.find(({ toMin }) => moment.minute <= toMin) ?? day.windows.at(-1);
  if (!window) throw new Error('The day has no windows');
  const groundIn = (units: UnitSystem) => momentGround(day, moment, window.light, units);
  const { band, facts } = groundIn('us');
  const usual = day.conditions.covers;
  const judged = new Map<number, ClassJudged>();

  const rulesOf = (key: number) => {
    const traits = traitsOf(key);
    const structure: Structure = STRUCTURES[traits.structure - 1] ?? 'open-water';
    const cover = COVERS[traits.cover - 1];
    const here: Facts = facts.with(classFacts(traits));
    const leans = here.trying(
      cover ? [`structure:${structure}`, `cover:${cover}`] : [`structure:${structure}`],
      (there) => fire(PLACE_DEPTH_RULES, there),
    );
    const structures: Fired<Votes<Structure>>[] = fire(STRUCTURE_RULES, here);
    return {
      structure,
      cover,
      here,
      leans,
      structures,
      covers: fire(COVER_RULES, here),
      spot: fire(SPOT_RULES, here),
      traits,
    };
  };

  const judgeClass = (key: number): ClassJudged => {
    const { structure, cover, here, leans, structures, covers, spot, traits } = rulesOf(key);
    const factor = leans.reduce((product, { rule, degree }) => product * (1 + degree * (rule.effect - 1)), 1);
    const depthM: [number, number] = [band.depthM[0] * factor, band.depthM[1] * factor];
    const place = here.with({
      ...placeFacts({ structure, cover: cover ?? 'bare', depthM, position: 'bottom' }),
      'position:bottom': 0,
    });
    const { bottom } = shares(tally(fire(POSITION_RULES, place)));
    return {
      structure: tally(structures)[structure] ?? 0,
      rest: coverVote(tally(covers), cover, usual) + (tally<'spot'>(spot).spot ?? 0),
      fromM: depthM[0],
      toM: depthM[1],
      hang: 1 - bottom,
      spreadM: (cellM / 2) * Math.tan((Math.min(70, traits.slopeDeg) * Math.PI) / 180),
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
    because: (key, sure, units) => {
      const { structure, cover, leans, structures, covers, spot } = rulesOf(key);
      return strongest([
        ...reasonsFor(structures, structure, units, sure),
        ...(cover ? reasonsFor(covers, cover, units) : []),
        ...reasonsFor<'spot'>(spot, 'spot', units),
        ...reasonsOf(leans, (effect, degree) => degree * Math.abs(Math.log(effect)), units),
        ...groundIn(units).band.because,
      ]);
    },
  };
}

/** How much of what is wanted a depth offers, 0 to 1. @param depthM of the bottom */
export function depthShare(depthM: number, { fromM, toM, hang, spreadM }: ClassJudged): number {
  const deepest = depthM + spreadM;
  if (deepest < fromM) return Math.max(0, (deepest - fromM * 0.5) / (fromM * 0.5));
  const shallowest = depthM - spreadM;
  if (shallowest <= toM) return 1;
  const beyond = Math.max(0, 1 - (shallowest - toM) / (toM * 0.6));
  const over = hang * Math.min(1, Math.max(0, 1 - (shallowest - toM * 2) / (toM * 2)));
  return Math.max(beyond, over);
}

/** Log-weight of a cell: the form as far as it is sure, cover, what lies about, and how well the depth fits. */
export const cellScore = (judged: ClassJudged, sure: number, depthM: number): number =>
  judged.structure * sure + judged.rest - OUT_OF_DEPTH_COST * (1 - depthShare(depthM, judged));
