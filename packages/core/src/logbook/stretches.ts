import type { Conditions } from '../contract/conditions.js';
import type { CategoryId, Tone } from '../contract/ids.js';
import { castHours, blocksOf, type TripBlock } from '../underway/blocks.js';
import { dayClock, windowAt } from '../underway/moment.js';
import type { Trip } from '../underway/trip.js';
import { dateOf, localTimes } from '../day/calendar.js';

/** A stretch of fishing with the day it was fished on. */
export interface LoggedStretch {
  readonly trip: Trip;
  /** Day number of the trip on its own clock (`day/calendar`). */
  readonly day: number;
  readonly block: TripBlock;
  /** Casts that its hours are worth at its pace. */
  readonly casts: number;
  /** What was known of the day; null where one set out without a plan. */
  readonly conditions: Conditions | null;
  /** The tone that the plan gave its lure, as it was changed; null where nothing says it. */
  readonly tone: Tone | null;
}

const known = new WeakMap<Trip, readonly LoggedStretch[]>();
const clocks = new Map<string, ReturnType<typeof localTimes>>();

/** The day of a trip on its own clock, as a day number. */
export function dayOfTrip({ startMs, begin }: Pick<Trip, 'startMs' | 'begin'>): number {
  const zone = begin.place?.timeZone ?? 'UTC';
  let clock = clocks.get(zone);
  if (!clock) clocks.set(zone, (clock = localTimes(zone)));
  return clock(startMs).day;
}

/** The same as YYYY-MM-DD. */
export const dateOfTrip = (trip: Pick<Trip, 'startMs' | 'begin'>): string => dateOf(dayOfTrip(trip));

const BRIGHT: Tone = 'bold';
const PLAIN: Tone = 'natural';

function toneOf({ plan }: Trip, category: CategoryId, minute: number, trim: string | null): Tone | null {
  if (trim === 'brighter') return BRIGHT;
  if (trim === 'more-natural') return PLAIN;
  const window = windowAt(plan?.plan.windows ?? [], minute);
  return window?.presentations.find((each) => each.category === category)?.colour.tone ?? null;
}

/** The stretches of a trip. A trip that was told before is not told anew. */
export function stretchesOf(trip: Trip): readonly LoggedStretch[] {
  const before = known.get(trip);
  if (before) return before;
  const { plan, stoppedMs, startMs } = trip;
  const last = trip.notes.at(-1)?.atMs ?? startMs;
  const day = dayOfTrip(trip);
  const told = blocksOf(trip, stoppedMs ?? last, dayClock(trip)).map((block): LoggedStretch => ({
    trip,
    day,
    block,
    casts: block.hours / castHours(block.paceMps),
    conditions: plan?.conditions ?? null,
    tone: toneOf(trip, block.category, block.atMin % 1440, block.trim),
  }));
  known.set(trip, told);
  return told;
}
