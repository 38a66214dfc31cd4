import { inject, Injectable, Injector } from '@angular/core';
import { catchError, distinctUntilChanged, from, map, type Observable, of, switchMap } from 'rxjs';
import { valueOr } from '../base/loaded';
import { WatersService } from '../waters/waters.service';
import type { Draft } from './draft';

/** The tide of a water by the station that it has, and by its gauge. */
@Injectable({ providedIn: 'root' })
export class TideService {
  private readonly injector = inject(Injector);
  private readonly stations$ = inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, [])));

  /**
   * The day with the tide of its water, unless a stage was typed. A tide that was saved with the day stands for a water
   * without a station, and for that day alone.
   */
  withTide({ input: given, savedInput, waterId }: Draft): Observable<Draft['input']> {
    const { hourlyTide, waterOverTableM, waterDoubtM, tideSpringShare, seaDeg, ...input } = given;
    if (input.discipline !== 'inshore' || input.tide) return of(input);
    const saved = { hourlyTide, waterOverTableM, waterDoubtM, tideSpringShare, seaDeg };
    const kept = hourlyTide && savedInput?.date === input.date ? saved : {};
    return this.stations$.pipe(
      map((waters) => waters.find(({ id }) => id === waterId)),
      distinctUntilChanged((one, two) => JSON.stringify(one?.tideStation) === JSON.stringify(two?.tideStation)),
      switchMap((water) =>
        water?.tideStation
          ? from(import('./expected-tide.service')).pipe(
              switchMap(({ ExpectedTideService }) => this.injector.get(ExpectedTideService).of(water, input)),
            )
          : of(kept),
      ),
      // A day that cannot be reckoned is planned with what was kept, else with the stage that is assumed.
      catchError(() => of(kept)),
      map((tide) => ({ ...input, ...tide })),
    );
  }
}
