import { inject, Injectable } from '@angular/core';
import type { RigPlan } from '@inky-shoal/core/tackle/match';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  distinctUntilChanged,
  filter,
  map,
  type Observable,
  of,
  shareReplay,
  startWith,
  switchMap,
} from 'rxjs';
import * as z from 'zod';
import { DayService } from '../sheet/day.service';
import { RigEngineService } from './rig-engine.service';
import { SettingsService } from '../base/settings.service';
import { Store } from '../base/store';
import { TackleService } from './tackle.service';

/** What is on deck where nobody says otherwise. */
const USUAL_RODS = 5;

/** Rods for the day on the sheet: on their way, matched, or not to be had. */
export type RigState =
  | { readonly state: 'working' }
  | { readonly state: 'nothing-owned' }
  | { readonly state: 'matched'; readonly rig: RigPlan }
  | {
      readonly state: 'failed';
      readonly message: string;
      /** What is owned could not be read; it may be read again. */
      readonly unread?: boolean;
    };

/** The match of the day on the sheet with the tackle of the open book. It is worked out once somebody asks for it. */
@Injectable({ providedIn: 'root' })
export class RigService {
  private readonly engine = inject(RigEngineService);
  private readonly store = new Store('rods', z.number().int().min(1).max(20).nullable(), null);
  private readonly askedStore = new Store('rigged', z.boolean(), false);
  private readonly chosenRods = new BehaviorSubject<number | null>(this.store.read());
  private readonly asked = new BehaviorSubject(this.askedStore.read());
  private readonly day = inject(DayService);

  /** Somebody has matched tackle here before: the sheet shows rods too. */
  readonly asked$ = this.asked.pipe(distinctUntilChanged());
  /** Rods on deck at most: as chosen, else as the day says. */
  readonly maxRods$ = combineLatest([this.chosenRods, this.day.planned$]).pipe(
    map(([chosen, planned]) => chosen ?? Math.min(USUAL_RODS, planned?.conditions.maxRods ?? USUAL_RODS)),
    distinctUntilChanged(),
  );

  readonly rigState$: Observable<RigState> = combineLatest([
    this.day.planned$.pipe(filter((planned) => planned !== null)),
    inject(TackleService).tackle$,
    inject(SettingsService).units$,
    this.maxRods$,
  ]).pipe(
    switchMap(([{ conditions }, tackle, units, maxRods]): Observable<RigState> => {
      if (tackle.state === 'loading') return of({ state: 'working' });
      if (tackle.state === 'failed') {
        return of({ state: 'failed', message: `What you own cannot be read. ${tackle.message}`, unread: true });
      }
      if (!tackle.value.length) return of({ state: 'nothing-owned' });
      return this.engine.match(conditions, tackle.value, { maxRods, units, date: conditions.date }).pipe(
        map((rig): RigState => ({ state: 'matched', rig })),
        catchError(() =>
          of<RigState>({ state: 'failed', message: 'The rods could not be matched, and the fault is ours.' }),
        ),
      );
    }),
    startWith<RigState>({ state: 'working' }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** The match as far as it has been asked for: nothing of it is fetched before. */
  readonly onSheet$: Observable<RigPlan | null> = this.asked$.pipe(
    switchMap((asked) => (asked ? this.rigState$ : of(null))),
    map((rigged) => (rigged?.state === 'matched' ? rigged.rig : null)),
  );

  ask(): void {
    this.askedStore.write(true);
    this.asked.next(true);
  }

  setRods(count: number): void {
    this.store.write(count);
    this.chosenRods.next(count);
  }
}
