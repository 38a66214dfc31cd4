import type { Conditions } from '../contract/conditions.js';
import { LEVELS, type CategoryId, type Phase, type Sky } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import { cloudTransmission } from '../day/light.js';
import { minutesOf } from '../day/windows.js';
import { makePlan } from '../plan/make-plan.js';
import type { Trip } from '../underway/trip.js';
import { stretchesOf } from './stretches.js';

/** What two days can differ in. */
export type WayApart = 'temperature' | 'trend' | 'clarity' | 'light' | 'wind' | 'phase' | 'level';

/** A trip on a day like the planned one. */
export interface LikeDay {
  readonly trip: Trip;
  /** How far off it is: 0 is the same day; 1 changes the answer as much as one usual step of everything would. */
  readonly distance: number;
  /** In what it differs most, most first: only what matters to the answer. */
  readonly apart: readonly WayApart[];
  readonly hours: number;
  readonly bites: number;
  readonly fish: number;
  /** What bit most for its hours, best first. */
  readonly worked: readonly { readonly category: CategoryId; readonly hours: number; readonly bites: number }[];
}

/** One usual step of what can be told of a day: what an angler would call another kind of day. Judgement. */
const STEP = { temperatureC: 3, trendC: 0.3, clarityLog: 0.5, windMps: 3 } as const;
/** The light of a day is another where the sky lets through so much more or less of it. */
const LIGHT_STEP = 0.25;
const NEIGHBOURS: Readonly<Record<Sky, readonly Sky[]>> = {
  clear: ['partly-cloudy'],
  'partly-cloudy': ['clear', 'overcast'],
  overcast: ['partly-cloudy', 'rain'],
  rain: ['overcast'],
  fog: ['overcast'],
};

type Answer = ReadonlyMap<string, number>;

/** A plan as one thing to compare: shares of the day by lure, by kind of place, and the depth. */
function answerOf({ windows }: Plan): { readonly shares: Answer; readonly depthLog: number } {
  const shares = new Map<string, number>();
  const add = (key: string, share: number) => shares.set(key, (shares.get(key) ?? 0) + share);
  const lengths = windows.map(({ from, to }) => (minutesOf(to) - minutesOf(from) + 1440) % 1440);
  const day = lengths.reduce((sum, length) => sum + length, 0);
  let depthLog = 0;
  windows.forEach(({ presentations, holding }, at) => {
    const part = (lengths[at] as number) / day;
    const all = presentations.reduce((sum, { score }) => sum + score, 0) || 1;
    for (const { category, score, runDepthM } of presentations) {
      add(`lure ${category}`, (part * score) / all);
      depthLog += (part * score * Math.log(Math.max(0.2, (runDepthM[0] + runDepthM[1]) / 2))) / all;
    }
    for (const { structure, weight } of holding) add(`place ${structure}`, part * weight);
  });
  return { shares, depthLog };
}

/** How far two answers are apart: half of what the shares of lures and places differ by, and the depths. */
function answersApart(one: Plan, other: Plan): number {
  const [a, b] = [answerOf(one), answerOf(other)];
  const keys = new Set([...a.shares.keys(), ...b.shares.keys()]);
  let apart = 0;
  for (const key of keys) apart += Math.abs((a.shares.get(key) ?? 0) - (b.shares.get(key) ?? 0)) / 2;
  return apart + Math.abs(a.depthLog - b.depthLog);
}

const within = (from: number, to: number, value: number): number => Math.min(to, Math.max(from, value));

/** The day one step to either side in each way. */
function stepsOf(day: Conditions): Partial<Record<WayApart, Conditions[]>> {
  const { surfaceTempC, tempTrendCPerDay = 0, visibilityM = 1, windMps = 3, sky = 'partly-cloudy', level } = day;
  // Readings would say the trend anew.
  const { readings: _, ...plain } = day;
  const both = (change: (side: 1 | -1) => Partial<Conditions>): Conditions[] =>
    ([1, -1] as const).map((side) => ({ ...plain, ...change(side) }));
  return {
    temperature: both((side) => ({ surfaceTempC: within(1, 34, surfaceTempC + side * STEP.temperatureC) })),
    trend: both((side) => ({ tempTrendCPerDay: within(-3, 3, tempTrendCPerDay + side * STEP.trendC) })),
    clarity: both((side) => ({ visibilityM: within(0.1, 9, visibilityM * Math.exp(side * STEP.clarityLog)) })),
    light: NEIGHBOURS[sky].map((each) => ({ ...plain, sky: each })),
    wind: both((side) => ({ windMps: within(0, 15, windMps + side * STEP.windMps) })),
    level: LEVELS.filter((each) => each !== level).map((each) => ({ ...plain, level: each })),
  };
}

/** What each step of a day changes in the answer; that of phase is what that of temperature is: it moves the phase. */
function mattering(day: Conditions): ReadonlyMap<WayApart, number> {
  const base = makePlan(day);
  const matters = new Map<WayApart, number>();
  for (const [way, steps] of Object.entries(stepsOf(day)) as [WayApart, Conditions[]][]) {
    const apart = steps.map((step) => answersApart(base, makePlan(step)));
    matters.set(way, apart.reduce((sum, one) => sum + one, 0) / apart.length);
  }
  matters.set('phase', matters.get('temperature') ?? 0);
  return matters;
}

const shareOf = ({ phase }: Plan, id: Phase): number =>
  phase.id === id ? phase.probability : (phase.others.find((each) => each.id === id)?.probability ?? 0);

/** Half of what two days' shares of phases differ by. */
function phasesApart(one: Plan, other: Plan): number {
  const ids = new Set([one, other].flatMap(({ phase }) => [phase.id, ...phase.others.map(({ id }) => id)]));
  return [...ids].reduce((sum, id) => sum + Math.abs(shareOf(one, id) - shareOf(other, id)) / 2, 0);
}

/** How many usual steps lie between two days in each way; what is not known of both is left out. */
function stepsApart(day: Conditions, plan: Plan, other: Conditions, otherPlan: Plan): Map<WayApart, number> {
  const steps = new Map<WayApart, number>();
  const add = (way: WayApart, one: number | undefined, two: number | undefined, step: number) => {
    if (one !== undefined && two !== undefined) steps.set(way, Math.abs(one - two) / step);
  };
  const log = (value: number | undefined) => (value === undefined ? undefined : Math.log(value));
  const at = (list: readonly string[], id: string | undefined) => (id === undefined ? undefined : list.indexOf(id));
  add('temperature', day.surfaceTempC, other.surfaceTempC, STEP.temperatureC);
  add('trend', day.tempTrendCPerDay, other.tempTrendCPerDay, STEP.trendC);
  add('clarity', log(day.visibilityM), log(other.visibilityM), STEP.clarityLog);
  const light = (sky: Sky | undefined) => (sky === undefined ? undefined : cloudTransmission(sky));
  add('light', light(day.sky), light(other.sky), LIGHT_STEP);
  add('wind', day.windMps, other.windMps, STEP.windMps);
  add('level', at(LEVELS, day.level), at(LEVELS, other.level), 1);
  steps.set('phase', phasesApart(plan, otherPlan) * 2);
  return steps;
}

/** Differences that carry less than this share of the distance are not named. */
const NAMED_SHARE = 0.2;

function workedOn(trip: Trip): LikeDay['worked'] {
  const by = new Map<CategoryId, { hours: number; bites: number }>();
  for (const { block } of stretchesOf(trip)) {
    const sum = by.get(block.category) ?? { hours: 0, bites: 0 };
    by.set(block.category, { hours: sum.hours + block.hours, bites: sum.bites + block.bites });
  }
  return [...by]
    .filter(([, { bites }]) => bites > 0)
    .map(([category, sum]) => ({ category, ...sum }))
    .sort((a, b) => b.bites / (b.hours + 0.5) - a.bites / (a.hours + 0.5));
}

/**
 * The trips most like a planned day, nearest first. Each way in which days differ counts by how much one usual step of it
 * changes the planner's answer on this day: so clarity counts where it decides, and not where it does not.
 */
export function daysLike(day: Conditions, trips: readonly Trip[], most = 5): LikeDay[] {
  const alike = trips.filter(
    ({ state, plan: followed }) => state === 'over' && followed?.conditions.discipline === day.discipline,
  );
  if (!alike.length) return [];
  const matters = mattering(day);
  const plan = makePlan(day);
  const all = [...matters.values()].reduce((sum, one) => sum + one ** 2, 0) || 1;
  return alike
    .flatMap((trip): LikeDay[] => {
      const { plan: followed } = trip;
      if (!followed) return [];
      const steps = stepsApart(day, plan, followed.conditions, followed.plan);
      const parts = [...steps].map(([way, step]) => ({ way, part: (step * (matters.get(way) ?? 0)) ** 2 / all }));
      const sum = parts.reduce((total, { part }) => total + part, 0);
      const blocks = stretchesOf(trip).map(({ block }) => block);
      const total = (of: 'hours' | 'bites' | 'landed') => blocks.reduce((count, block) => count + block[of], 0);
      return [
        {
          trip,
          distance: Math.sqrt(sum),
          apart: parts
            .filter(({ part }) => part > NAMED_SHARE * sum)
            .sort((a, b) => b.part - a.part)
            .map(({ way }) => way),
          hours: total('hours'),
          bites: total('bites'),
          fish: total('landed'),
          worked: workedOn(trip),
        },
      ];
    })
    .sort((a, b) => a.distance - b.distance)
    .slice(0, most);
}
