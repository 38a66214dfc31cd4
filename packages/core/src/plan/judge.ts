import type { Conditions } from '../contract/conditions.js';
import { TIDE_STAGES, type Light, type Phase } from '../contract/ids.js';
import type { Plan, Reason } from '../contract/plan.js';
import { dayCurve, type Moment } from '../day/curve.js';
import { dayOfYear, sunDay, yearMonth, type SunDay } from '../day/sun.js';
import { levelAtM } from '../day/level.js';
import { expectedTide } from '../day/over-table.js';
import { tideAt, type DayTide } from '../day/tide.js';
import { DAY_MIN, dayWindows, NIGHT_DEG, minutesOfHours, type DayWindow } from '../day/windows.js';
import { judgeFood } from '../food/food.js';
import { judgeGroups, type DepthLimits, type JudgedGroups } from '../place/groups.js';
import { schoolsInForce, withSchools, type SchoolInForce } from '../presentation/schools.js';
import { Facts, Statement } from '../rules/facts.js';
import { interpolate } from '../rules/fuzzy.js';
import { judgeOverlays } from '../season/overlays.js';
import { judgeSeason, type Season } from '../season/season.js';
import type { UnitSystem } from '../units/units.js';
import { judgeWater, type WaterJudgement } from '../water/clarity.js';
import { stateGiven } from './given-facts.js';
import type { Leaning } from './leaning.js';
import { assume, readingTrend, type FullConditions, type ReadingTrend } from './assume.js';

/** The day as judged before any window is looked at: season, water, food, light. */
export interface JudgedDay {
  /** The conditions as they were given. */
  readonly given: Conditions;
  /** The conditions as they were judged, with what was assumed. */
  readonly conditions: FullConditions;
  readonly assumed: Plan['assumed'];
  readonly sun: SunDay;
  readonly trend: ReadingTrend;
  /** In which its reasons are told. */
  readonly units: UnitSystem;
  /** What the angler's own record adds; null where there is none, or it is not asked. */
  readonly leaning: Leaning | null;
  readonly season: Season;
  readonly water: WaterJudgement;
  readonly phase: Plan['phase'];
  readonly phases: ReadonlyMap<Phase, number>;
  readonly overlays: Plan['overlays'];
  readonly clarity: Plan['clarity'];
  readonly food: Plan['food'];
  readonly schools: readonly SchoolInForce[];
  readonly facts: Facts;
  readonly curve: readonly Moment[];
  readonly windows: readonly DayWindow[];
  readonly sunriseMin: number | null;
  readonly limits: DepthLimits;
  /** Where its course is known. */
  readonly tide: DayTide | null;
}

/** Hours after sunrise at which a shad spawn ends for the day, by the visibility as fish judge it: short when clear. */
const SHAD_SPAWN_ENDS_H = [
  [0.4, 2.1],
  [1.2, 1.4],
  [3, 0.8],
] as const;
/** Cloud lets it go on for so much longer, hours. */
const CLOUD_ADDS_H = 0.5;

const shadSpawnEndsH = (facts: Facts, sky: FullConditions['sky']): number =>
  interpolate(SHAD_SPAWN_ENDS_H, facts.figure('effectiveVisibilityM') ?? 1) +
  (sky === 'overcast' || sky === 'rain' || sky === 'fog' ? CLOUD_ADDS_H : 0);

/**
 * Judges what holds for the whole day, in the angler's order: season, water, food, light.
 * @param leaning what the angler's own record adds
 */
export function judgeDay(given: Conditions, units: UnitSystem, leaning: Leaning | null = null): JudgedDay {
  return judge(given, sunDay(given.date, given.place), readingTrend(given), { units, leaning });
}

/**
 * Judges a day anew as if it were other than given: what was assumed is assumed anew, the sun and what the readings told
 * stay. The same as judging the changed conditions, and much faster.
 * @param change of anything but the day, the place and the readings
 */
export function rejudge(
  day: JudgedDay,
  change: Partial<Omit<Conditions, 'date' | 'place' | 'readings' | 'discipline'>>,
): JudgedDay {
  return judge({ ...day.given, ...change }, day.sun, day.trend, day, day);
}

const sameWindow = (a: FullConditions['window'], b: FullConditions['window']): boolean =>
  a.from === b.from && a.to === b.to;

function curveOf({ window, place, sky }: FullConditions, sun: SunDay): readonly Moment[] {
  const { fromMin, toMin } = minutesOfHours(window);
  return dayCurve(place.latitude, sun, sky, fromMin, toMin);
}

/** @param before the same day as judged under other conditions: what does not depend on those is taken from it */
function judge(
  given: Conditions,
  sun: SunDay,
  trend: ReadingTrend,
  { units, leaning }: Pick<JudgedDay, 'units' | 'leaning'>,
  before?: JudgedDay,
): JudgedDay {
  const { conditions, assumed } = assume(given, sun, trend);
  const same = (...fields: (keyof FullConditions)[]) =>
    before !== undefined && fields.every((field) => before.conditions[field] === conditions[field]);
  const season =
    before && same('surfaceTempC', 'tempTrendCPerDay', 'yearLowC', 'date', 'species', 'fishSigns')
      ? before.season
      : judgeSeason(conditions, units);
  const water =
    before && same('visibilityM', 'normalVisibilityM', 'visibilityTrend', 'level')
      ? before.water
      : judgeWater(conditions, units);
  const stated = stateGiven(conditions, trend.sharpChangeC);
  stated.put('yearMonth', yearMonth(conditions.place.latitude, dayOfYear(conditions.date)));
  stated.put('moonFullness', sun.moonIlluminatedFraction);
  for (const [phase, probability] of season.probabilities) stated.of('phase', phase, probability);
  const said = Facts.of(season.facts, water.facts).withStatement(stated);
  const overlays = judgeOverlays(said, conditions.discipline, units);
  const known = said.with(overlays.facts);
  const food = judgeFood(conditions, known, units);
  const facts = known.with(food.facts);
  const schools = schoolsInForce(conditions.schools, facts);

  const curve =
    before && same('sky') && sameWindow(before.conditions.window, conditions.window)
      ? before.curve
      : curveOf(conditions, sun);
  const { sunriseMin, noonMin } = sun;
  const spawnCut =
    sunriseMin !== null && facts.degree('overlay:shad-spawn') >= 0.5
      ? [sunriseMin + shadSpawnEndsH(facts, conditions.sky) * 60]
      : [];
  // What moves the water parts the day as light does.
  const tide = expectedTide(conditions);
  return {
    given,
    conditions,
    assumed,
    sun,
    trend,
    units,
    leaning,
    season,
    water,
    phase: season.phase,
    phases: season.probabilities,
    overlays: overlays.overlays,
    clarity: water.clarity,
    food: food.food,
    schools,
    facts: withSchools(facts, schools),
    curve,
    windows: dayWindows(curve, noonMin, [...spawnCut, ...(tide?.streamTurnsMin ?? [])]),
    sunriseMin,
    limits: { bottomM: conditions.maxDepthM, thermoclineM: conditions.thermoclineM },
    tide,
  };
}

/** Water is never shallower than this where one plans to fish it, metres. */
const LEAST_DEPTH_M = 0.3;

/** What bounds fish at a minute: the tide takes water off the deepest place, and puts it on. */
export function limitsAt({ limits, tide }: JudgedDay, minute: number): DepthLimits {
  if (!tide || limits.bottomM === undefined) return limits;
  return { ...limits, bottomM: Math.max(LEAST_DEPTH_M, limits.bottomM + levelAtM(tide, minute) - tide.middleM) };
}

/** The tide of an hour, where its course is known; the day's own tide stands where it is not. */
function stateTide({ tide }: JudgedDay, minute: number, stated: Statement): void {
  if (!tide) return;
  const { stage, hoursIntoStage, rangeM, run } = tideAt(tide, minute);
  for (const each of TIDE_STAGES) stated.of('tide', each, each === stage ? 1 : 0);
  stated.put('tideHours', hoursIntoStage);
  stated.put('tideRangeM', rangeM);
  stated.put('tideRun', run);
}

const clamp = (value: number): number => Math.min(1, Math.max(0, value));

/** Night falls between these heights of the sun: from the end of civil twilight to that of the nautical. */
const DUSK_DEG = -6;
/** A night that goes on so long after sunset belongs to the sunrise that follows it. */
const AFTER_SUNSET_MIN = 60;

/** The sunrise that a minute is told from: that of its day, and once it is night the one that ends the night. */
function nextSunrise(sunriseMin: number, sunsetMin: number | null, minute: number): number {
  const night = sunsetMin !== null && sunsetMin > sunriseMin && minute > sunsetMin + AFTER_SUNSET_MIN;
  return night ? sunriseMin + DAY_MIN : sunriseMin;
}

/** The facts of one moment under a kind of light: light, warmth, and what both make of sky and wind. */
export function momentFacts(day: JudgedDay, moment: Moment, light: Light): Facts {
  const { windMps, sky } = day.conditions;
  const sunny = sky === 'clear' ? 1 : sky === 'partly-cloudy' ? 0.6 : 0;
  const bright = clamp((moment.light - 0.3) / 0.25);
  const stated = new Statement();
  stated.put('light', moment.light);
  stated.put('sunWarmth', moment.sunWarmth);
  stated.put('night', clamp((DUSK_DEG - moment.sunAltitudeDeg) / (DUSK_DEG - NIGHT_DEG)));
  stated.put('bright-and-calm', Math.min(sunny, bright, clamp((4 - windMps) / 2.5)));
  if (day.sunriseMin !== null) {
    const hours = (moment.minute - nextSunrise(day.sunriseMin, day.sun.sunsetMin, moment.minute)) / 60;
    stated.put('hoursFromSunrise', hours);
    stated.put('shadSpawnHoursLeft', shadSpawnEndsH(day.facts, sky) - hours);
  }
  stateTide(day, moment.minute, stated);
  stated.of('light', light);
  return day.facts.withStatement(stated);
}

/** The groups of fish at one moment, and the facts of that moment under a kind of light. */
export function momentGround(
  day: JudgedDay,
  moment: Moment,
  light: Light,
): { readonly groups: JudgedGroups; readonly facts: Facts } {
  const facts = momentFacts(day, moment, light);
  return { facts, groups: judgeGroups(moment.light, facts, day.phases) };
}

/** The mean moment of a window: its middle minute, mean light and mean warmth. */
export function meanMoment(curve: readonly Moment[], window: DayWindow): Moment {
  const inside = curve.filter(({ minute }) => minute >= window.fromMin && minute <= window.toMin);
  const mean = (pick: (moment: Moment) => number) =>
    inside.reduce((sum, moment) => sum + pick(moment), 0) / inside.length;
  return {
    minute: (window.fromMin + window.toMin) / 2,
    sunAltitudeDeg: mean(({ sunAltitudeDeg }) => sunAltitudeDeg),
    light: mean(({ light }) => light),
    sunWarmth: mean(({ sunWarmth }) => sunWarmth),
  };
}

/** A reason list without repeats of a rule, the heaviest kept. */
export function withoutRepeats(reasons: readonly Reason[]): Reason[] {
  return reasons.filter((reason, index) => reasons.findIndex(({ rule }) => rule === reason.rule) === index);
}
