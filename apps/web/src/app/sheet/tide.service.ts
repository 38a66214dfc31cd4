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

  /**
   * The day with the tide of its water, unless a stage was typed. A tide that was saved with the day stands for a water
   * without a station, and for that day alone.
   */
  withTide({ input: given, savedInput, waterId }: Draft): Observable<Draft['input']> {
    const { hourlyTide: saved, ...input } = given;
    if (input.discipline !== 'inshore' || input.tide) return of(input);
    const kept = saved && savedInput?.date === input.date ? saved : undefined;
    return this.stations$.pipe(
      map((waters) => waters.find(({ id }) => id === waterId)?.tideStation ?? null),
      distinctUntilChanged((one, two) => JSON.stringify(one) === JSON.stringify(two)),
      switchMap((station) => (station ? from(this.levelsOf(station, input)) : of(kept))),
      // A day that cannot be reckoned is planned with what was kept, else with the stage that is assumed.
      catchError(() => of(kept)),
      map((hourlyTide) => (hourlyTide ? { ...input, hourlyTide } : input)),
    );
  }

  private async levelsOf(station: NonNullable<Water['tideStation']>, input: ConditionsInput): Promise<Levels> {
    const { tideDay } = await import('@inky-shoal/core/tide');
    const { levels } = tideDay(station, input.date, input.place?.timeZone ?? 'UTC', span(input));
    return [...levels];
  }
}
