import type { Competition } from '../contract/competition.js';
import type { Conditions } from '../contract/conditions.js';
import { dayNumber } from '../day/calendar.js';
import { isClearWater, spotMemories, type SpotMemory } from '../logbook/spots.js';
import { dayOfTrip } from '../logbook/stretches.js';
import type { Trip } from '../underway/trip.js';

/** A practice day. */
export interface PracticeTrip {
  readonly trip: Trip;
  /** Days between it and the day that counts. */
  readonly daysBefore: number;
  /** How much of it still holds, 0 to 1. */
  readonly holds: number;
}

/** What practice showed of a place, with what of it still holds. */
export interface PracticeSpot extends SpotMemory {
  readonly daysSince: number;
  readonly holds: number;
}

export interface Practice {
  readonly trips: readonly PracticeTrip[];
  /** Places that were fished, those that bite soonest first: the order to run them again. */
  readonly spots: readonly PracticeSpot[];
}

/**
 * The practice before a day that counts, and how much of it still holds: what bit repeats in stained water for days and in
 * clear water hardly, as far as the record has learnt that of returns (`logbook/spots`), the sport's rule before it has.
 * @param waterId none where the day is not planned on a water of the book: then no trip was practice for it
 */
export function practiceFor(
  { practiceDays = 0 }: Competition,
  { date, visibilityM }: Pick<Conditions, 'date' | 'visibilityM'>,
  waterId: string | undefined,
  trips: readonly Trip[],
): Practice {
  const day = dayNumber(date);
  const own = trips.flatMap((trip) => {
    const daysBefore = day - dayOfTrip(trip);
    const isPractice = waterId !== undefined && trip.begin.waterId === waterId && daysBefore > 0;
    return isPractice && daysBefore <= practiceDays ? [{ trip, daysBefore }] : [];
  });
  if (!own.length) return { trips: [], spots: [] };
  const before = trips.filter((trip) => trip.begin.waterId === waterId && dayOfTrip(trip) < day);
  const { spots, repeats } = spotMemories(before, day, visibilityM);
  const { halfDays } = isClearWater(visibilityM) ? repeats.clear : repeats.stained;
  const holdsAfter = (days: number) => 0.5 ** (days / halfDays);
  return {
    trips: own.map(({ trip, daysBefore }) => ({ trip, daysBefore, holds: holdsAfter(daysBefore) })),
    spots: spots.flatMap((spot) => {
      const daysSince = day - spot.lastDay;
      return daysSince <= practiceDays ? [{ ...spot, daysSince, holds: holdsAfter(daysSince) }] : [];
    }),
  };
}
