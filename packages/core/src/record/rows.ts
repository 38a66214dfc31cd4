import type { Conditions } from '../contract/conditions.js';
import type { Cover, Structure } from '../contract/ids.js';
import { DAY_MIN, minutesOf, type DayWindow } from '../day/windows.js';
import { categoryOf } from '../lures/categories.js';
import { speedMps, styleOf } from '../lures/pace.js';
import { factsAt, type HoldingPlace } from '../place/place.js';
import { judgeDay, type JudgedDay } from '../plan/judge.js';
import { runDepthM, usableIn, windowGrounds } from '../plan/window.js';
import { groundsOf, weighCategories, type Grounds } from '../presentation/score.js';
import type { Facts } from '../rules/facts.js';
import { hoursOf, paceOf } from '../underway/states/options.js';
import { PACES } from '../underway/states/said.js';
import type { RecordedStretch, RecordedTrip } from './said.js';
import {
  behindFirst,
  behindLikeliest,
  hourTraits,
  lureTraits,
  mannerTraits,
  placeTraits,
  spotTraits,
  type Traits,
} from './traits.js';

/** A stretch as the record sees it. */
export interface StretchRow {
  readonly hours: number;
  readonly bites: number;
  readonly traits: Traits;
  /** Where it was, and what kind of place that is. */
  readonly place: string;
  readonly structure: Structure | undefined;
}

/** Depths that are farther off than this, as a logarithm, tell no more. */
const FARTHEST_DEPTH = 1.2;

const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;
const within = ([from, to]: readonly [number, number], value: number): number => Math.min(to, Math.max(from, value));

/** A window of a day with the ground of it, and the log-weight of what the plan would fish first. */
interface WindowGround {
  readonly window: DayWindow;
  readonly places: readonly HoldingPlace[];
  readonly facts: Facts;
  readonly grounds: Grounds;
  readonly first: number;
}

function groundsOfDay(day: JudgedDay): WindowGround[] {
  const usable = usableIn(day.conditions.discipline);
  return windowGrounds(day).map(({ facts, places }, at) => {
    const grounds = groundsOf(places, facts);
    const [first] = weighCategories(usable, grounds, undefined, 0);
    return { window: day.windows[at] as DayWindow, places, facts, grounds, first: first?.logWeight ?? 0 };
  });
}

/** The place of the plan that is most like where was fished: by structure and cover, by structure, else the likeliest. */
function placeLike(places: readonly HoldingPlace[], structure: Structure | undefined, cover: Cover | undefined) {
  const like = places.filter((each) => each.structure === structure);
  const named = like.find((each) => each.cover === cover) ?? like[0];
  return { named, nearest: named ?? (places[0] as HoldingPlace) };
}

function traitsOf(stretch: RecordedStretch, at: WindowGround): Traits {
  const { category: id, structure, cover, place, depthM, pace, bedM } = stretch;
  const { places, facts, grounds, first, window } = at;
  const category = categoryOf(id);
  const [weighed] = weighCategories([category], grounds, undefined, Infinity);
  const { named, nearest } = placeLike(places, structure, cover);
  const there = factsAt(facts, nearest);
  const planned = within(bedM ?? [0, Infinity], middle(runDepthM(category, nearest, there)));
  // Nothing is known of how deep it should have been where the plan names no such place.
  const isKnown = depthM !== undefined && (named ?? bedM) !== undefined;
  const off = isKnown ? Math.log(Math.max(0.1, depthM) / Math.max(0.1, planned)) : 0;
  const usual = paceOf(id, middle(speedMps(category, styleOf(category, there), there)));
  const steps = pace === undefined ? 0 : PACES.indexOf(pace) - PACES.indexOf(usual);
  const best = Math.max(...places.map(({ weight }) => weight));
  const held = structure ? behindLikeliest(named?.weight, best) : null;
  return new Map([
    ['mean', 1],
    ['trust:lures', behindFirst(weighed?.logWeight, first)],
    ...(held === null ? [] : ([['trust:places', held]] as const)),
    ...lureTraits(category, weighed?.place ?? nearest, grounds),
    ...placeTraits(structure, cover, facts),
    ...mannerTraits(Math.min(FARTHEST_DEPTH, Math.max(-FARTHEST_DEPTH, off)), steps, facts),
    ...hourTraits(window.light),
    ...spotTraits(place),
  ]);
}

/** The window of a stretch by its middle: the first before the day, the last after it. */
function groundAt(grounds: readonly WindowGround[], { from, to }: RecordedStretch): WindowGround {
  const begins = minutesOf(from);
  const lasts = (minutesOf(to) - begins + DAY_MIN) % DAY_MIN;
  const first = (grounds[0] as WindowGround).window.fromMin;
  const middleMin = begins + lasts / 2 + (begins + DAY_MIN / 2 < first ? DAY_MIN : 0);
  return grounds.find(({ window }) => middleMin < window.toMin) ?? (grounds.at(-1) as WindowGround);
}

const known = new WeakMap<RecordedTrip, readonly StretchRow[]>();

/** The stretches of a trip as the record sees them; those of a trip that was seen before are not told anew. */
export function rowsOf(trip: RecordedTrip): readonly StretchRow[] {
  const before = known.get(trip);
  if (before) return before;
  const conditions: Conditions = trip.conditions;
  const grounds = groundsOfDay(judgeDay(conditions, 'us'));
  const rows = trip.stretches.map((stretch) => ({
    hours: hoursOf(stretch),
    bites: stretch.bites,
    traits: traitsOf(stretch, groundAt(grounds, stretch)),
    place: stretch.place,
    structure: stretch.structure,
  }));
  known.set(trip, rows);
  return rows;
}
