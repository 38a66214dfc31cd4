import type { Light, Phase } from '../contract/ids.js';
import type { Plan, Reason } from '../contract/plan.js';
import { dayCurve, type Moment } from '../day/curve.js';
import { dayOfYear, yearMonth, type SunDay } from '../day/sun.js';
import { dayWindows, minutesOf, type DayWindow } from '../day/windows.js';
import { judgeFood } from '../food/food.js';
import { depthBand, type DepthBand, type DepthLimits } from '../place/depth.js';
import { schoolFacts, schoolsInForce, type SchoolInForce } from '../presentation/schools.js';
import { Facts, type Known } from '../rules/facts.js';
import { judgeOverlays } from '../season/overlays.js';
import { judgeSeason } from '../season/season.js';
import type { UnitSystem } from '../units/units.js';
import { judgeWater } from '../water/clarity.js';
import type { FullConditions } from './assume.js';

/** The day as judged before any window is looked at: season, water, food, light. */
export interface JudgedDay {
  readonly conditions: FullConditions;
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
}

/** Hours after sunrise at which a shad spawn ends for the day: short when clear, longer under cloud or stain. */
const SHAD_SPAWN_ENDS_H = 1.5;

const ones = (family: string, list: readonly string[] = []): Known =>
  Object.fromEntries(list.map((id) => [`${family}:${id}`, 1]));

/** What the conditions say outright, as facts. */
function givenFacts(conditions: FullConditions): Known {
  const { windMps, surfaceTempC, tide, forage = [], salinityPsu, bankSlopeDeg, coverTopDepthM } = conditions;
  const inflow = conditions.inflow === 'none' ? [] : [conditions.inflow];
  return {
    windMps,
    cold: Math.min(1, Math.max(0, (13 - surfaceTempC) / 4)),
    ...ones('discipline', [conditions.discipline]),
    ...ones('species', [conditions.species]),
    ...ones('sky', [conditions.sky]),
    ...ones('front', [conditions.front]),
    ...ones('inflow', inflow),
    ...ones('water', [conditions.waterKind]),
    ...ones('goal', [conditions.goal]),
    ...ones('familiarity', [conditions.familiarity]),
    ...ones('sign', conditions.signs),
    ...ones('feedback', conditions.feedback),
    ...ones(
      'seen',
      forage.flatMap(({ seen = [] }) => seen),
    ),
    ...(tide ? { ...ones('tide', [tide.stage]), tideHours: tide.hoursIntoStage ?? 2 } : {}),
    ...(tide?.rangeM === undefined ? {} : { tideRangeM: tide.rangeM }),
    ...(salinityPsu === undefined ? {} : { salinityPsu }),
    ...(bankSlopeDeg === undefined ? {} : { bankSlopeDeg }),
    ...(coverTopDepthM === undefined ? {} : { waterOverCoverM: coverTopDepthM }),
  };
}

/** A sharp fall of the water weighs like a front that the angler did not name. */
function frontFacts(conditions: FullConditions, sharpChangeC: number): Known {
  const fall = Math.min(1, Math.max(0, (-sharpChangeC - 1) / 1.5));
  return conditions.front === 'stable' && fall > 0 ? { 'front:post-frontal': fall * 0.6 } : {};
}

/** Judges what holds for the whole day, in the angler's order: season, water, food, light. */
export function judgeDay(conditions: FullConditions, sun: SunDay, sharpChangeC: number, units: UnitSystem): JudgedDay {
  const season = judgeSeason(conditions, units);
  const water = judgeWater(conditions, units);
  const phaseFacts: Known = Object.fromEntries([...season.probabilities].map(([phase, p]) => [`phase:${phase}`, p]));
  const said = Facts.of(givenFacts(conditions))
    .with({
      yearMonth: yearMonth(conditions.place.latitude, dayOfYear(conditions.date)),
      moonFullness: sun.moonIlluminatedFraction,
    })
    .with(frontFacts(conditions, sharpChangeC))
    .with(season.facts)
    .with(phaseFacts)
    .with(water.facts);
  const overlays = conditions.discipline === 'bass' ? judgeOverlays(said, units) : { overlays: [], facts: {} };
  const known = said.with(overlays.facts);
  const food = judgeFood(conditions, known, units);
  const facts = known.with(food.facts);
  const schools = schoolsInForce(conditions.schools, facts);

  const [fromMin, toMin] = [minutesOf(conditions.window.from), minutesOf(conditions.window.to)];
  const curve = dayCurve(conditions.place.latitude, sun, conditions.sky, fromMin, toMin);
  const { sunriseMin, noonMin } = sun;
  const spawnCut =
    sunriseMin !== null && facts.degree('overlay:shad-spawn') >= 0.5 ? [sunriseMin + SHAD_SPAWN_ENDS_H * 60] : [];
  return {
    conditions,
    phase: season.phase,
    phases: season.probabilities,
    overlays: overlays.overlays,
    clarity: water.clarity,
    food: food.food,
    schools,
    facts: facts.with(schoolFacts(schools)),
    curve,
    windows: dayWindows(curve, noonMin, spawnCut),
    sunriseMin,
    limits: { bottomM: conditions.maxDepthM, thermoclineM: conditions.thermoclineM },
  };
}

const clamp = (value: number): number => Math.min(1, Math.max(0, value));

/** The facts of one moment: light, warmth, and what both make of sky and wind. */
export function momentFacts(day: JudgedDay, moment: Pick<Moment, 'minute' | 'light' | 'sunWarmth'>): Known {
  const { windMps, sky } = day.conditions;
  const sunny = sky === 'clear' ? 1 : sky === 'partly-cloudy' ? 0.6 : 0;
  const bright = clamp((moment.light - 0.3) / 0.25);
  return {
    light: moment.light,
    sunWarmth: moment.sunWarmth,
    'bright-and-calm': Math.min(sunny, bright, clamp((4 - windMps) / 2.5)),
    ...(day.sunriseMin === null ? {} : { hoursFromSunrise: (moment.minute - day.sunriseMin) / 60 }),
  };
}

/** The depth band at one moment of the day. */
export function bandAt(day: JudgedDay, moment: Moment, units: UnitSystem): DepthBand {
  return depthBand(moment, day.facts.with(momentFacts(day, moment)), day.phases, day.limits, units);
}

/** The depth band at one moment, and the facts of that moment under a kind of light. */
export function momentGround(day: JudgedDay, moment: Moment, light: Light, units: UnitSystem) {
  const facts = day.facts.with(momentFacts(day, moment));
  const band = depthBand(moment, facts, day.phases, day.limits, units);
  const holdingDepthM = (band.depthM[0] + band.depthM[1]) / 2;
  return { band, facts: facts.with({ [`light:${light}`]: 1, holdingDepthM }) };
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
