import { inject, Injectable } from '@angular/core';
import type { ReadingDraftInput } from '@inky-shoal/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import type { Trip } from '@inky-shoal/core/underway';
import { forkJoin, type Observable, of } from 'rxjs';
import { BookService } from '../base/book.service';
import { OutboxService } from '../base/outbox.service';

type Reading = ReadingDraftInput & { readonly id: string };

/** What of a trip belongs to its water: readings for the record of its season, marks for its chart. Ids are the notes'. */
export function yieldOf({ notes }: Trip): { readonly readings: readonly Reading[]; readonly marks: ChartFeature[] } {
  const readings = notes.flatMap(({ event, atMs }): Reading[] => {
    if (event.kind !== 'reading' || event.reading.surfaceTempC === undefined) return [];
    const { surfaceTempC, visibilityM } = event.reading;
    return [{ id: event.id, at: new Date(atMs).toISOString(), surfaceTempC, visibilityM }];
  });
  const marks = notes.flatMap(({ event }): ChartFeature[] => {
    const lonLat = event.sensed?.lonLat;
    if (event.kind !== 'mark' || !lonLat) return [];
    return [
      {
        id: event.id,
        kind: 'mark',
        shape: { type: 'Point', coordinates: lonLat },
        name: event.name ?? 'Mark of a trip',
      },
    ];
  });
  return { readings, marks };
}

/** Brings what a trip found to its water, when the server is there. The ids are the notes': twice changes nothing. */
@Injectable({ providedIn: 'root' })
export class TripYieldService {
  private readonly books = inject(BookService);
  private readonly outbox = inject(OutboxService);

  applyToWater(trip: Trip): Observable<unknown> {
    const { waterId } = trip.begin;
    const { readings, marks } = yieldOf(trip);
    if (!waterId) return of(null);
    const path = `/books/${this.books.book}/waters/${waterId}`;
    const writes = [
      ...(readings.length ? [{ method: 'PUT', path: `${path}/readings`, body: readings } as const] : []),
      ...(marks.length ? [{ method: 'PUT', path: `${path}/chart/features`, body: marks } as const] : []),
    ];
    return writes.length ? forkJoin(writes.map((write) => this.outbox.send(write))) : of(null);
  }
}
