import { inject, Injectable } from '@angular/core';
import { minutesOf, type ConditionsInput, type Water } from '@inky-shoal/core';
import { catchError, distinctUntilChanged, from, map, type Observable, of, switchMap } from 'rxjs';
import { valueOr } from '../base/loaded';
import { WatersService } from '../waters/waters.service';
import type { Draft } from './draft';

type Levels = NonNullable<ConditionsInput['hourlyTide']>;

const QUARTER_MIN = 15;
const DAY_MIN = 1440;
/** Before the hours on the water begin the tide is told from so long, so that its stage is known. */
const BEFORE_MIN = 240;

/** A day of the tide: from midnight on, or from some hours before where the hours on the water cross midnight. */
function span({ window }: ConditionsInput): { fromMin: number; toMin: number } {
  const [from, to] = window ? [minutesOf(window.from), minutesOf(window.to)] : [0, DAY_MIN - QUARTER_MIN];
  const fromMin = to < from ? Math.min(from, Math.max(0, Math.floor((from - BEFORE_MIN) / 60) * 60)) : 0;
  return { fromMin, toMin: fromMin + DAY_MIN - QUARTER_MIN };
}

/** The tide of a water by the station that it has, worked out in the page: there is none to ask at sea. */
@Injectable({ providedIn: 'root' })
export class TideService {
  private readonly waters = inject(WatersService);
  private readonly stations$ = this.waters.waters$.pipe(map((loaded) => valueOr(loaded, [])));

  /** The day with the tide of its water, unless one was typed, or its water has no station. */
  withTide(draft: Draft): Observable<Draft['input']> {
    const { input } = draft;
    if (input.discipline !== 'inshore' || input.tide || input.hourlyTide || !draft.waterId) return of(input);
    return this.stations$.pipe(
      map((waters) => waters.find(({ id }) => id === draft.waterId)?.tideStation ?? null),
      distinctUntilChanged((a, b) => JSON.stringify(a) === JSON.stringify(b)),
      switchMap((station) => (station ? from(this.levelsOf(station, input)) : of(undefined))),
      // A day that cannot be reckoned is planned with the stage that is assumed.
      catchError(() => of(undefined)),
      map((hourlyTide) => (hourlyTide ? { ...input, hourlyTide } : input)),
    );
  }

  private async levelsOf(station: NonNullable<Water['tideStation']>, input: ConditionsInput): Promise<Levels> {
    const { tideDay } = await import('@inky-shoal/core/tide');
    const { levels } = tideDay(station, input.date, input.place?.timeZone ?? 'UTC', span(input));
    return [...levels];
  }
}
