import { inject, Injectable } from '@angular/core';
import { Conditions, dateOf, parse, type Water } from '@inky-shoal/core';
import { whatBit, type OwnDay, type WhatBit } from '@inky-shoal/core/drill';
import { logbookRow } from '@inky-shoal/core/logbook';
import { sayDay } from '@inky-shoal/core/season/answer';
import { tripsOf, type Trip } from '@inky-shoal/core/underway';
import { catchError, combineLatest, filter, map, type Observable, of, shareReplay, switchMap, take } from 'rxjs';
import { SeasonService, type WaterSeason } from '../season/season.service';
import { seasonDraft } from '../sheet/draft';
import { TripLogService } from '../underway/trip-log.service';
import { TripSyncService } from '../underway/trip-sync.service';
import { WatersService } from '../waters/waters.service';

/** A day of one's own that can be asked about. */
export interface OwnScene extends OwnDay {
  readonly conditions: Conditions;
  readonly minute?: number | undefined;
  /** What really bit; null where it is yet to come. */
  readonly bit: readonly WhatBit[] | null;
}

/** A trip as it is offered: without a plan there is nothing to judge it by. */
export interface TripToJudge {
  readonly id: string;
  readonly name: string;
  readonly scene: OwnScene | null;
}

/** Days ahead that are asked, over a fortnight, of so many waters. */
const AHEAD = [1, 4, 8, 12] as const;
const WATERS = 4;
/** Trips that are offered, the latest. */
const TRIPS = 30;

/** Days of one's own: those that come on one's waters within a fortnight, and trips of the past. */
@Injectable({ providedIn: 'root' })
export class OwnDaysService {
  private readonly season = inject(SeasonService);

  constructor() {
    // Trips of other devices come here, too.
    inject(TripSyncService);
  }

  /** Days that come, the next first; none where nothing can be had of the waters. */
  readonly coming$: Observable<readonly OwnScene[]> = inject(WatersService).waters$.pipe(
    filter(({ state }) => state !== 'loading'),
    map((loaded) => (loaded.state === 'ready' ? loaded.value.slice(0, WATERS) : [])),
    switchMap((waters) => (waters.length ? combineLatest(waters.map((water) => this.of(water))) : of([]))),
    map((days) => days.flat().sort((a, b) => a.conditions.date.localeCompare(b.conditions.date))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** Trips that are over, the latest first. */
  readonly trips$: Observable<readonly TripToJudge[]> = inject(TripLogService).log$.pipe(
    map(({ events }) =>
      tripsOf(events)
        .filter(({ state, removedAt }) => state === 'over' && !removedAt)
        .sort((a, b) => b.startMs - a.startMs)
        .slice(0, TRIPS)
        .map(toJudge),
    ),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private of(water: Water): Observable<readonly OwnScene[]> {
    return this.season.of(water).pipe(
      take(1),
      map((season) => AHEAD.flatMap((days) => comingOn(season, season.year.today + days))),
      // A water whose season cannot be had is left out.
      catchError(() => of([])),
    );
  }
}

/** A day of a water's season; none where it cannot be planned. */
function comingOn(season: WaterSeason, day: number): OwnScene[] {
  if (day > season.year.lastDay) return [];
  const { waterName, waterId, input } = seasonDraft(season, undefined, day);
  const checked = parse(Conditions, input);
  if (!checked.ok) return [];
  const name = `${waterName}, ${sayDay(day)}`;
  return [{ id: `${waterId}/${dateOf(day)}`, name, conditions: checked.value, bit: null }];
}

function toJudge(trip: Trip): TripToJudge {
  const { date, name, strokes } = logbookRow(trip);
  const bit = whatBit(strokes);
  const told = `${name}, ${date}`;
  const scene = trip.plan && {
    id: trip.id,
    name: told,
    conditions: trip.plan.conditions,
    minute: bit[0]?.minute,
    bit,
  };
  return { id: trip.id, name: told, scene };
}
