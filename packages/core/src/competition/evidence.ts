import type { Competition } from '../contract/competition.js';
import type { Species } from '../contract/ids.js';
import { blocksOf } from '../underway/blocks.js';
import { dayClock } from '../underway/moment.js';
import type { Trip } from '../underway/trip.js';
import type { Way, WayEvidence } from './belief.js';
import { wayOfLure, type WaysOfDay } from './ways.js';
import { countsAs, isShort } from './weigh.js';

/** A fish that counts, as the log has it. */
export interface CountedFish {
  readonly atMin: number;
  readonly way: Way;
  /** What it counts; null where nobody said how large it was. */
  readonly size: number | null;
  /** Taken from its other measures. */
  readonly estimated: boolean;
}

/** Fish of a trip that count, in their order: the angler's own, landed, not too short. */
export function countedFish(trip: Trip, ways: WaysOfDay, rules: Competition, species: Species): CountedFish[] {
  const { minuteAt } = dayClock(trip);
  return trip.notes.flatMap(({ event, atMs }): CountedFish[] => {
    if (event.kind !== 'contact' || event.what !== 'landed') return [];
    const { fish, fishing } = event;
    if (fish?.whose !== undefined || isShort(fish, rules.minimumMm)) return [];
    const way = fishing ? wayOfLure(ways, fishing.category) : 'limit';
    const counts = countsAs(fish, rules, species);
    return [{ atMin: minuteAt(atMs), way, size: counts?.size ?? null, estimated: counts?.estimated ?? false }];
  });
}

/**
 * What a trip tells of both ways.
 * @param holdsAt how much of what came at a minute of its day still holds, 0 to 1
 */
export function evidenceOf(
  trip: Trip,
  ways: WaysOfDay,
  fish: readonly CountedFish[],
  nowMs: number,
  holdsAt: (atMin: number) => number,
): WayEvidence[] {
  const hours = blocksOf(trip, nowMs, dayClock(trip)).map((block): WayEvidence => ({
    way: wayOfLure(ways, block.category),
    hours: block.hours,
    fish: 0,
    sizes: [],
    holds: holdsAt(block.atMin),
  }));
  const came = fish.map(({ atMin, way, size }): WayEvidence => ({
    way,
    hours: 0,
    fish: 1,
    sizes: size === null ? [] : [size],
    holds: holdsAt(atMin),
  }));
  return [...hours, ...came];
}
