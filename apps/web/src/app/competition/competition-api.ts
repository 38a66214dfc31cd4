import type { Book, Conditions, UnitSystem } from '@inky-shoal/core';
import { dayThatCounts, type DayThatCounts } from '@inky-shoal/core/competition';
import type { Trip } from '@inky-shoal/core/underway';
import { deviceTrips } from '../record/device-trips';

/** A day that counts, without the whole trips that its practice was. */
export type ToldCompetition = Omit<DayThatCounts, 'practice'> & {
  readonly practice: {
    readonly trips: readonly { readonly name: string; readonly daysBefore: number; readonly holds: number }[];
    readonly spots: DayThatCounts['practice']['spots'];
  };
};

export interface CompetitionQuestion {
  readonly conditions: Conditions;
  readonly units: UnitSystem;
  readonly waterId?: string | undefined;
  /** The trip of the day and the time on its clock; none on the evening before. */
  readonly underway?: { readonly trip: Trip; readonly nowMs: number };
}

/** Days that count, beside the page: trips of the past are read from this device. */
export const competitionApi = {
  async dayThatCounts(book: Book, question: CompetitionQuestion): Promise<ToldCompetition | null> {
    const { trips } = await deviceTrips(book);
    const found = dayThatCounts({ ...question, trips });
    if (!found) return null;
    const { practice } = found;
    return {
      ...found,
      practice: {
        trips: practice.trips.map(({ trip, daysBefore, holds }) => ({ name: trip.begin.name, daysBefore, holds })),
        spots: practice.spots,
      },
    };
  },
};
