import { makePlan, minutesOf, type Conditions } from '@inky-shoal/core';
import { midnightMs } from '@inky-shoal/core/tide';
import {
  reviewOf,
  tideOfNote,
  tripOf,
  type Fishing,
  type NewTripEvent,
  type TripEvent,
} from '@inky-shoal/core/underway';
import { TRIPS } from './data/trips.js';
import { seeded, seededId } from './random.js';
import { conditionsOf, TRIP_TO, waterOf, zoneOf } from './trip-day.js';
import { placesOf } from './trip-places.js';
import { paceOfStep, type StretchRow, type TripRow } from './trip-row.js';

const MINUTE_MS = 60_000;
/** Ids tell when something was made: the demo's trips before any that one makes in it, whatever day it shows. */
const MADE_MS = Date.parse('2025-08-30T19:00:00Z');
/** The demo's phone. */
const DEVICE_ID = '01995000-0000-7000-8000-00000000f00d';

/** A day as the page names trips by it: `Saturday 13 March 2027`. */
const dayWords = (date: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  })
    .format(Date.parse(date))
    .replace(',', '');

function fishingOf(trip: TripRow, [, place, category, depthM, pace]: StretchRow): Fishing {
  const there = placesOf(trip)[place];
  return {
    spot: there?.id ?? null,
    structure: there?.structure ?? null,
    cover: there?.cover ?? null,
    depthM,
    category,
    trim: null,
    paceMps: paceOfStep(category, pace),
  };
}

/** A trip as the phone noted it. Ids belong to the day, so that what is told again is the same. */
function eventsOf(trip: TripRow, conditions: Conditions, index: number): TripEvent[] {
  const { id: waterId, name, place } = waterOf(trip);
  const beganMs = midnightMs(trip.date, place.timeZone);
  const at = (minute: number) => beganMs + minute * MINUTE_MS;
  const random = seeded(Date.parse(trip.date) / 86_400_000 + (trip.water === 'tern' ? 0.5 : 0));
  const startMs = at((trip.stretches[0]?.[0] ?? minutesOf(TRIP_TO)) - 5);
  const madeMs = MADE_MS + index * MINUTE_MS;
  const tripId = seededId(madeMs, random);
  const events: TripEvent[] = [];
  const add = (atMs: number, said: NewTripEvent) => {
    const seq = events.length;
    events.push({
      ...said,
      id: seededId(madeMs + seq, random),
      tripId,
      deviceId: DEVICE_ID,
      device: 'demo phone',
      seq,
      at: new Date(atMs).toISOString(),
    } as TripEvent);
  };
  const plan = { conditions, plan: makePlan(conditions, { units: 'us' }) };
  add(startMs, {
    kind: 'begin',
    name: `${name}, ${dayWords(trip.date)}`,
    waterId,
    zoneId: zoneOf(trip),
    place,
    plan,
    stops: [],
    aheadMs: 0,
  });
  const told = () => tripOf(events, tripId);
  const begun = told();
  for (const stretch of trip.stretches) {
    const [fromMin, number, , , , casts, contacts] = stretch;
    const fishing = fishingOf(trip, stretch);
    const there = placesOf(trip)[number];
    const sensed = there && { from: 'browser' as const, lonLat: [...there.lonLat] as [number, number] };
    add(at(fromMin), { kind: 'effort', casts, fishing, ...(sensed && { sensed }) });
    for (const [afterMin, what, species, lengthMm, tag] of contacts) {
      const atMs = at(fromMin + afterMin);
      const tide = begun ? tideOfNote(begun, atMs) : undefined;
      const fish = what === 'landed' ? { species, lengthMm, ...(tag && { tag }) } : undefined;
      add(atMs, {
        kind: 'contact',
        what,
        fishing,
        ...(fish && { fish }),
        ...(sensed && { sensed }),
        ...(tide && { tide }),
      });
    }
  }
  const overMs = at(minutesOf(TRIP_TO));
  add(overMs, { kind: 'finish' });
  const over = told();
  if (over) add(overMs + 10 * MINUTE_MS, { kind: 'review', review: reviewOf(over, overMs, 'us'), note: trip.note });
  return events;
}

let made: readonly TripEvent[] | undefined;

/**
 * All that was noted on the demo's trips, in their order, each planned as it would be planned today: made once a process,
 * since that is a plan a trip.
 */
export const demoTripEvents = (): readonly TripEvent[] =>
  (made ??= TRIPS.flatMap((trip, index) => eventsOf(trip, conditionsOf(trip), index)));
