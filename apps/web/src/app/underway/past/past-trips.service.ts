import { inject, Injectable } from '@angular/core';
import { type CategoryId, CATEGORIES, type Water } from '@inky-shoal/core';
import type { PastTrip, TripPlan, WrittenDown } from '@inky-shoal/core/underway';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { Store } from '../../base/store';
import { sayDate } from '../../ui/dates';
import { localDay } from '../../ui/local-time';
import { type SaidOnTrip, TripLogService } from '../trip-log.service';

/** What the angler said that lures mean, by their names in one form. */
const LURES = new Store<Readonly<Record<string, CategoryId | null>>>(
  'lures-mean',
  z.record(z.string(), z.enum(CATEGORIES).nullable()),
  {},
);

/** Trips of the past, into the log as if they had been noted then. */
@Injectable({ providedIn: 'root' })
export class PastTripsService {
  private readonly log = inject(TripLogService);

  /** What lures mean, as it was said before. */
  get lures(): Readonly<Record<string, CategoryId | null>> {
    return LURES.read();
  }

  rememberLure(key: string, category: CategoryId | null): void {
    LURES.write({ ...this.lures, [key]: category });
  }

  /** @returns the ids of the trips @throws NotKept where they could not be kept, in words; then none is */
  async add(
    trips: readonly Pick<PastTrip, 'startMs' | 'told' | 'waterId' | 'waterName'>[],
    waters: readonly Water[],
  ): Promise<string[]> {
    const ids = trips.map(() => uuid());
    const said = trips.flatMap(({ startMs, told, waterId, waterName }, index): SaidOnTrip[] => {
      const tripId = ids[index] as string;
      const place = waters.find(({ id }) => id === waterId)?.place ?? null;
      const day = localDay(new Date(startMs).toISOString(), place?.timeZone ?? zoneHere());
      const name = `${waterName || 'A trip'}, ${sayDate(day)}`.slice(0, 120);
      return [
        {
          tripId,
          atMs: startMs,
          said: { kind: 'begin', name, waterId, place, plan: null, stops: [], aheadMs: 0, afterwards: true },
        },
        ...told.map((each) => ({ tripId, ...each })),
      ];
    });
    await this.log.addAll(said);
    return ids;
  }

  /** One that was written down by hand, with the plan of its day where that is known. @throws NotKept */
  async addOne({ startMs, told }: WrittenDown, water: Water | null, plan: TripPlan | null): Promise<string> {
    const [tripId, place] = [uuid(), water?.place ?? null];
    const day = localDay(new Date(startMs).toISOString(), place?.timeZone ?? zoneHere());
    const name = `${water?.name ?? 'A trip'}, ${sayDate(day)}`.slice(0, 120);
    const waterId = water?.id;
    await this.log.addAll([
      {
        tripId,
        atMs: startMs,
        said: { kind: 'begin', name, waterId, place, plan, stops: [], aheadMs: 0, afterwards: true },
      },
      ...told.map((each) => ({ tripId, ...each })),
    ]);
    return tripId;
  }

  /** Into the bin with them. @throws NotKept */
  async remove(ids: readonly string[]): Promise<void> {
    const atMs = Date.now();
    await this.log.addAll(ids.map((tripId) => ({ tripId, atMs, said: { kind: 'remove' } })));
  }
}

/** The time zone of this device. */
export const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
