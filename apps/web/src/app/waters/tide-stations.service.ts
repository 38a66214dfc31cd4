import { inject, Injectable } from '@angular/core';
import type { WaterDraftInput } from '@inky-shoal/core';
import { CurrentStation, NearStation, STATION_NEAR_KM, TideStation } from '@inky-shoal/core/tide';
import { catchError, map, type Observable, of, switchMap } from 'rxjs';
import * as z from 'zod';
import { ApiService } from '../base/api.service';

/** The stations of the world are some thirty megabytes, which a small server reads when one is first asked for. */
const READ_WITHIN_MS = 30_000;

/** Stations whose tides are known, by place. */
@Injectable({ providedIn: 'root' })
export class TideStationsService {
  private readonly api = inject(ApiService);

  /** The nearest, first. */
  near({ latitude, longitude }: { readonly latitude: number; readonly longitude: number }): Observable<NearStation[]> {
    return this.api.get(
      `/tide-stations?latitude=${latitude}&longitude=${longitude}`,
      z.array(NearStation),
      READ_WITHIN_MS,
    );
  }

  /** Those of currents, the nearest first. */
  currentsNear({ latitude, longitude }: { readonly latitude: number; readonly longitude: number }) {
    return this.api.get(
      `/tide-stations?latitude=${latitude}&longitude=${longitude}&kind=current`,
      z.array(NearStation),
      READ_WITHIN_MS,
    );
  }

  current(id: string): Observable<CurrentStation> {
    return this.api.get(`/current-station?id=${encodeURIComponent(id)}`, CurrentStation, READ_WITHIN_MS);
  }

  station(id: string): Observable<TideStation> {
    return this.api.get(`/tide-station?id=${encodeURIComponent(id)}`, TideStation, READ_WITHIN_MS);
  }

  /**
   * A new water with the tide of its place: of the nearest station, where that is near. Without one, and where the server
   * does not answer, the water is made as it is, and its station found later.
   */
  withStation(draft: WaterDraftInput): Observable<WaterDraftInput> {
    if (draft.discipline !== 'inshore' || draft.tideStation !== undefined) return of(draft);
    return this.near(draft.place).pipe(
      switchMap(([nearest]) =>
        nearest && nearest.distanceKm <= STATION_NEAR_KM
          ? this.station(nearest.id).pipe(map((tideStation) => ({ ...draft, tideStation })))
          : of(draft),
      ),
      catchError(() => of(draft)),
    );
  }
}
