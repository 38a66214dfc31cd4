import { inject, Injectable } from '@angular/core';
import type { CategoryId } from '@inky-shoal/core';
import { type OwnedTiedOn, tiedOnFrom } from '@inky-shoal/core/tackle/match';
import { lastTiedOn, type TiedOn, type Trip } from '@inky-shoal/core/underway';
import { combineLatest, map, type Observable, shareReplay, startWith } from 'rxjs';
import { RigService } from '../rig/rig.service';
import { TackleService } from '../rig/tackle.service';

/** What may be tied on of a category, likeliest first. */
export type OwnedOf = (category: CategoryId) => readonly OwnedTiedOn[];

const NONE: OwnedOf = () => [];

/** Owned lures as a note of a fish carries them: those on the rods of the day before the rest. */
@Injectable({ providedIn: 'root' })
export class TiedOnService {
  readonly owned$: Observable<OwnedOf> = combineLatest([
    inject(TackleService).tackle$,
    inject(RigService).onSheet$.pipe(startWith(null)),
  ]).pipe(
    map(([tackle, rig]): OwnedOf => {
      if (tackle.state !== 'ready') return NONE;
      return (category) => tiedOnFrom(category, rig?.rods ?? [], tackle.value);
    }),
    startWith(NONE),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
}

/**
 * What goes with a fish that is landed now: what the last fish on such a lure had in its mouth, else what stands on a rod,
 * else the only one that is owned. Of several nobody knows which: nothing is carried.
 */
export function carriedTiedOn(trip: Trip, category: CategoryId, owned: OwnedOf): TiedOn | undefined {
  const choices = owned(category);
  const [first, another] = choices;
  const isSure = first !== undefined && (first.rigged || another === undefined);
  return lastTiedOn(trip, category) ?? (isSure ? first.tiedOn : undefined);
}
