import type { Conditions } from '../contract/conditions.js';
import type { Plan } from '../contract/plan.js';
import type { DayTide } from '../day/tide.js';
import { clockOf } from '../day/windows.js';
import { judgeCautions } from '../cautions/cautions.js';
import { categoryOf } from '../lures/categories.js';
import { SCHOOL_MATTERS, SCHOOLS_OF_THE_DAY } from '../presentation/schools.js';
import type { SheetGroup } from '../place/place.js';
import type { Facts } from '../rules/facts.js';
import { degreeOf } from '../rules/fuzzy.js';
import type { UnitSystem } from '../units/units.js';
import { ifThenCards, longestOf, turnsOf, type TurnAdvice } from './if-then.js';
import type { Leaning } from './leaning.js';
import { judgeDay, type JudgedDay } from './judge.js';
import { chooseForWindow, firstOf, groupsAt, tellWindow } from './window.js';

export interface PlanOptions {
  /** The units in which words are written. Figures in the plan are SI always. Default `us`. */
  readonly units?: UnitSystem;
  /** Presentations named in each window at most; more than usual for who has more rods. The first stay the same. */
  readonly presentations?: number;
  /** What the angler's own record adds to the shipped knowledge. */
  readonly leaning?: Leaning | null;
}

/** One quarter hour of the sheet: the light in the water and the depths that hold fish. */
export interface SheetMoment {
  /** Minutes past local midnight. */
  readonly minute: number;
  /** Share of full sun that enters the water, 0 to 1. */
  readonly light: number;
  /** Every group of fish with the depths that hold it and its share, shallowest first. */
  readonly groups: readonly SheetGroup[];
}

/** A plan with what is needed to draw it: the day in quarter hours, and the sun's times on the local clock. */
export interface PlannedDay {
  readonly plan: Plan;
  readonly moments: readonly SheetMoment[];
  readonly sunrise: string | null;
  readonly sunset: string | null;
  /** The visibility the light is drawn with, metres. */
  readonly visibilityM: number;
  readonly thermoclineM: number | null;
  /** The trend planned with: said, from the readings, or assumed. */
  readonly tempTrendCPerDay: number;
  readonly bottomM: number | null;
  /** The tide of the day, where its course is known. */
  readonly tide: DayTide | null;
}

/** Cautions look at the whole day: the deepest holding place, whether any of it is dark, what is fished. */
function cautionFacts(day: JudgedDay, windows: Plan['windows']): Facts {
  const holding = windows.flatMap((window) => window.holding);
  const dark = day.curve.some(({ sunAltitudeDeg }) => sunAltitudeDeg < -1);
  return day.facts.with({
    'day:night': dark ? 1 : 0,
    holdingDepthM: Math.max(...holding.map(({ depthM }) => depthM[1])),
    ...Object.fromEntries(
      holding.flatMap(({ structure, cover }) => [
        [`structure:${structure}`, 1],
        [`cover:${cover}`, 1],
      ]),
    ),
  });
}

/** The schools that had a say: the user's own choices, and those that speak about the day or a chosen category. */
function schoolsUsed(day: JudgedDay, windows: Plan['windows']): Plan['schoolsUsed'] {
  const presentations = windows.flatMap((window) => window.presentations);
  const spoken = new Set(
    presentations.flatMap(({ because, against }) =>
      [...because, ...against].flatMap(({ school }) => school?.split(': ')[0] ?? []),
    ),
  );
  const about = new Set([
    ...SCHOOLS_OF_THE_DAY,
    ...presentations.flatMap(({ category }) => categoryOf(category).schools ?? []),
  ]);
  return day.schools
    .filter(
      ({ id, chosen }) => chosen || spoken.has(id) || (about.has(id) && degreeOf(SCHOOL_MATTERS[id], day.facts) >= 0.5),
    )
    .map(({ id, side, why }) => ({ id, side, why }));
}

function planJudged(day: JudgedDay, most?: number): Plan {
  const { units } = day;
  const chosen = day.windows.map((window) => chooseForWindow(day, window, units, { most }));
  const windows = chosen.map((each, index) => tellWindow(day, each, index));
  const longest = longestOf(day.windows);
  const now = chosen.find(({ window }) => window === longest);
  return {
    phase: day.phase,
    overlays: day.overlays,
    clarity: day.clarity,
    food: day.food,
    windows,
    ifThen: ifThenCards(day, now ? firstOf(now) : null),
    cautions: judgeCautions(cautionFacts(day, windows), units),
    schoolsUsed: schoolsUsed(day, windows),
    assumed: day.assumed,
  };
}

/**
 * Plans a day and gives what is needed to draw it. Conditions are checked already.
 * @example
 * const day = planDay(Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * }));
 * day.sunrise // => '06:07'
 * day.moments[0].minute % 15 // => 0
 */
export function planDay(given: Conditions, { units = 'us', leaning }: PlanOptions = {}): PlannedDay {
  const day = judgeDay(given, units, leaning);
  const { visibilityM, thermoclineM, tempTrendCPerDay, maxDepthM } = day.conditions;
  const clock = (minutes: number | null) => (minutes === null ? null : clockOf(minutes));
  return {
    plan: planJudged(day),
    moments: day.curve.map((moment) => ({
      minute: moment.minute,
      light: moment.light,
      groups: groupsAt(day, moment),
    })),
    sunrise: clock(day.sun.sunriseMin),
    sunset: clock(day.sun.sunsetMin),
    visibilityM,
    thermoclineM: thermoclineM ?? null,
    tempTrendCPerDay,
    bottomM: maxDepthM ?? null,
    tide: day.tide,
  };
}

/**
 * Conditions in, a whole plan out: season, water, food, places by window, presentations with reasons, trim, retrieve
 * and rig, if-then cards, cautions, and what was assumed. The same conditions always give the same plan.
 * @example
 * const plan = makePlan(Conditions.parse({
 *   discipline: 'bass',
 *   date: '2027-03-13',
 *   surfaceTempC: 10.5,
 *   place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
 * }));
 * plan.phase.id // => 'pre-spawn'
 * plan.windows[0].presentations.length > 2 // => true
 */
export function makePlan(given: Conditions, options: PlanOptions = {}): Plan {
  const { units = 'us', presentations, leaning } = options;
  return planJudged(judgeDay(given, units, leaning), presentations);
}

/** What the turns of a day would want tied on first that its plan does not name first. */
export function turnAdvice(given: Conditions, units: UnitSystem): TurnAdvice[] {
  return turnsOf(judgeDay(given, units));
}
