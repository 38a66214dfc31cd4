import { clockOf, DAY_MIN } from '../day/windows.js';
import type { Block } from '../underway/evidence/fished.js';
import { blocksOf } from '../underway/blocks.js';
import { dayClock } from '../underway/moment.js';
import { paceOf } from '../underway/states/options.js';
import type { Trip } from '../underway/trip.js';
import type { RecordedStretch, RecordedTrip } from './said.js';

/** Where nobody said at which place: all of these are one. */
const SOMEWHERE = 'somewhere';

function stretchOf(block: Block): RecordedStretch {
  const { atMin, hours, bites, nearMisses, category, spot, structure, cover, depthM, paceMps } = block;
  const lasts = Math.max(1, Math.round(60 * hours));
  const from = Math.round(atMin - lasts / 2);
  const clock = (minute: number) => clockOf(((minute % DAY_MIN) + DAY_MIN) % DAY_MIN);
  return {
    from: clock(from),
    to: clock(from + lasts),
    place: spot ?? structure ?? SOMEWHERE,
    category,
    depthM,
    pace: paceOf(category, paceMps),
    bites,
    follows: nearMisses,
    structure: structure ?? undefined,
    cover: cover ?? undefined,
  };
}

const known = new WeakMap<Trip, RecordedTrip | null>();

function recorded(trip: Trip): RecordedTrip | null {
  const { plan, state, stoppedMs, startMs } = trip;
  if (!plan || state !== 'over') return null;
  const stretches = blocksOf(trip, stoppedMs ?? startMs, dayClock(trip)).map(stretchOf);
  return stretches.length ? { conditions: plan.conditions, stretches } : null;
}

/**
 * The trips of a log as the record learns from them: those that are over and had a plan, since without one nobody knows
 * what kind of day it was; each by the plan that was followed at its end. A trip that was told before is not told anew.
 */
export function recordOf(trips: readonly Trip[]): RecordedTrip[] {
  return trips.flatMap((trip) => {
    const before = known.get(trip);
    const told = before === undefined ? recorded(trip) : before;
    known.set(trip, told);
    return told ?? [];
  });
}
