import type { Light, TideStage } from '../contract/ids.js';
import type { PlanWindow } from '../contract/plan.js';
import type { Conditions, Place } from '../contract/conditions.js';
import type { Fishing, NoteTide } from '../contract/trips.js';
import { dayTide, tideAt } from '../day/tide.js';
import { DAY_MIN, minutesInOrder, minuteWithin } from '../day/windows.js';
import { localTimes } from '../day/calendar.js';
import type { DayClock, HourOfDay } from './blocks.js';
import { fishingOf, placesOf } from './candidates.js';
import type { Trip } from './trip.js';

const LIGHT_BY_HOUR: readonly (readonly [untilMin: number, light: Light])[] = [
  [7.5 * 60, 'low'],
  [10 * 60, 'rising'],
  [15 * 60, 'high'],
  [18 * 60, 'falling'],
];

/** The window of a plan at a minute of the day: the first before it, the last after it. */
export function windowAt(windows: readonly PlanWindow[], minute: number): PlanWindow | null {
  const hours = minutesInOrder(windows);
  const at = minuteWithin(minute, hours[0]?.fromMin ?? 0, hours.at(-1)?.toMin ?? DAY_MIN);
  return windows[hours.findIndex(({ toMin }) => at < toMin)] ?? windows.at(-1) ?? null;
}

/** Minutes past the midnight before a moment's day began; a trip over midnight goes on past 1440. */
function minutesSince(startMs: number, place: Place | null): (atMs: number) => number {
  const local = localTimes(place?.timeZone ?? 'UTC');
  const first = local(startMs).day;
  return (atMs) => {
    const { day, hour } = local(atMs);
    return (day - first) * 1440 + hour * 60;
  };
}

/** The tide of a moment: its stage, and what it runs towards. */
export interface TideOfMoment {
  readonly stage: TideStage;
  /** Null where the levels that are known end before it turns. */
  readonly next: { readonly kind: 'high' | 'low'; readonly inMin: number } | null;
}

/** The tide at a minute of a plan's day; null where its course is not known, or ends before. */
export function tideOfMoment(conditions: Pick<Conditions, 'hourlyTide'>, minute: number): TideOfMoment | null {
  const levels = conditions.hourlyTide;
  if (!levels) return null;
  const tide = dayTide(levels);
  const { levels: told, turns } = tide;
  const [firstMin, lastMin] = [told[0]?.minute ?? 0, told.at(-1)?.minute ?? 0];
  const at = minute < firstMin ? minute + DAY_MIN : minute;
  if (at > lastMin) return null;
  const next = turns.find((turn) => turn.minute > at);
  return { stage: tideAt(tide, at).stage, next: next ? { kind: next.kind, inMin: next.minute - at } : null };
}

/** The tide that a note made at a moment carries; undefined where the plan knows no course of it. */
export function tideOfNote(trip: Trip, atMs: number): NoteTide | undefined {
  const tide = trip.plan && tideOfMoment(trip.plan.conditions, dayClock(trip).minuteAt(atMs) % DAY_MIN);
  if (!tide) return undefined;
  const { stage, next } = tide;
  return { stage, ...(next ? { next: next.kind, inMin: Math.round(next.inMin) } : {}) };
}

/** What the plan would have one fish at a moment: its first choice at the likeliest place; null without a plan. */
export function advisedAt(trip: Trip, atMs: number): Fishing | null {
  const minute = dayClock(trip).minuteAt(atMs) % 1440;
  const window = windowAt(trip.plan?.plan.windows ?? [], minute);
  const [presentation] = window?.presentations ?? [];
  if (!window || !presentation) return null;
  const best = [...placesOf(window, trip.begin.stops, minute)].sort((a, b) => b.weight - a.weight)[0];
  return best ? fishingOf(best, presentation) : null;
}

/** The clock of a trip, and the light and tide of its plan; without a plan the light goes by the hour. */
export function dayClock({ startMs, begin, plan }: Trip): DayClock {
  const minuteAt = minutesSince(startMs, begin.place);
  const windows = plan?.plan.windows ?? [];
  const hourAt = (atMs: number): HourOfDay => {
    const minute = minuteAt(atMs) % 1440;
    const light = windowAt(windows, minute)?.light ?? LIGHT_BY_HOUR.find(([until]) => minute < until)?.[1] ?? 'low';
    return { light, tide: (plan && tideOfMoment(plan.conditions, minute)?.stage) ?? null };
  };
  return { minuteAt, hourAt };
}
