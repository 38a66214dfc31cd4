import type { Light, TideStage } from '../contract/ids.js';
import type { Fishing } from '../contract/trips.js';
import type { Block, Fished } from './evidence/fished.js';
import { moveBetween } from './evidence/moves.js';
import { categoryOf } from '../lures/categories.js';
import { activeMs, type Note, type Trip } from './trip.js';

const HOUR_MS = 3_600_000;
/** A cast as it is commonly made, and the time it takes to throw and look about. Judgement. */
const CAST_M = 22;
const HANDLING_S = 10;
const CAST_S = [25, 180] as const;
/** Where no effort was said, silence counts as fishing for so long after a note. */
const SILENT_HOURS = 40 / 60;
/** A stretch is cut after so long: the day wanders while one fishes. */
const LONGEST_MS = 0.5 * HOUR_MS;

/** Hours that one cast takes: the lure's way at its pace, and the hand's. */
export const castHours = (paceMps: number): number =>
  Math.min(CAST_S[1], Math.max(CAST_S[0], CAST_M / Math.max(0.05, paceMps) + HANDLING_S)) / 3600;

/** What an hour is to the fish. */
export interface HourOfDay {
  readonly light: Light;
  readonly tide: TideStage | null;
}

/** What is fished as the evidence takes it, at an hour. */
export const fishedOf = (
  { spot, structure, cover, depthM, category, trim, paceMps }: Fishing,
  { light, tide }: HourOfDay,
): Fished => ({
  spot,
  structure,
  cover,
  depthM,
  category,
  role: categoryOf(category).roles[0],
  trim,
  paceMps,
  light,
  tide,
});

const isSameHour = (a: HourOfDay, b: HourOfDay): boolean => a.light === b.light && a.tide === b.tide;

/** A stretch of a trip, with what of its bites came to hand. */
export interface TripBlock extends Block {
  readonly landed: number;
}

interface Stretch {
  readonly fished: Fished;
  readonly fromMs: number;
  saidHours: number;
  contacts: number;
  bites: number;
  nearMisses: number;
  landed: number;
  lastMs: number;
}

/** What a trip's clock and plan say of a moment. */
export interface DayClock {
  /** Minutes past midnight of the day on which the trip began. */
  readonly minuteAt: (atMs: number) => number;
  readonly hourAt: (atMs: number) => HourOfDay;
}

/**
 * Stretches of fishing one thing, with the effort and the bites of each. Effort is what was said, casts or minutes;
 * where none was said it is the time between the notes, pauses left out. A follow is no bite, nor is a strike that
 * fell short: both are near misses.
 */
export function blocksOf(trip: Trip, nowMs: number, { minuteAt, hourAt }: DayClock): TripBlock[] {
  const blocks: TripBlock[] = [];
  const endMs = Math.max(trip.startMs, trip.stoppedMs ?? nowMs);
  const afterwards = trip.begin.afterwards ?? false;
  let open: Stretch | null = null;
  const close = (toMs: number) => {
    if (!open) return;
    const { fished, fromMs, saidHours, contacts, bites, nearMisses, landed, lastMs } = open;
    const oneCast = castHours(fished.paceMps);
    const elapsed = Math.min(activeMs(trip, fromMs, toMs), activeMs(trip, fromMs, lastMs) + SILENT_HOURS * HOUR_MS);
    const landing = contacts * oneCast;
    // Notes that were written down afterwards tell effort by words alone, the fish in it.
    const hours = afterwards
      ? Math.max(saidHours, landing)
      : saidHours > 0
        ? saidHours + landing
        : Math.max(elapsed / HOUR_MS, landing);
    // The cast that is in the water has said nothing yet.
    if (hours >= oneCast / 2) {
      blocks.push({ ...fished, atMin: minuteAt((fromMs + toMs) / 2), hours, bites, nearMisses, landed });
    }
    open = null;
  };
  const at = (fishing: Fishing, atMs: number): Stretch => {
    const fished = fishedOf(fishing, hourAt(atMs));
    const same = open && moveBetween(open.fished, fished) === 'stay';
    const near = open && isSameHour(open.fished, fished) && atMs - open.fromMs < LONGEST_MS;
    if (open && same && (afterwards || near)) return open;
    close(atMs);
    open = { fished, fromMs: atMs, saidHours: 0, contacts: 0, bites: 0, nearMisses: 0, landed: 0, lastMs: atMs };
    return open;
  };
  for (const { event, atMs } of trip.notes as readonly Note[]) {
    if (!('fishing' in event) || !event.fishing) continue;
    const stretch = at(event.fishing, atMs);
    stretch.lastMs = atMs;
    if (event.kind === 'effort') {
      stretch.saidHours += (event.casts ?? 0) * castHours(event.fishing.paceMps) + (event.minutes ?? 0) / 60;
    }
    if (event.kind === 'contact') {
      stretch.contacts++;
      if (event.what === 'follow' || event.what === 'short') stretch.nearMisses++;
      else stretch.bites++;
      if (event.what === 'landed') stretch.landed++;
    }
  }
  close(endMs);
  return blocks;
}
