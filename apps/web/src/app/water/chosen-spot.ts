import { computed, inject, Injectable, linkedSignal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { PlacedSpot, WayHome } from '@inky-shoal/core/spots';
import { combineLatest, distinctUntilChanged, EMPTY, map, of, switchMap, type Observable } from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { ChartEngineService } from './chart-engine.service';
import { ChartLayers } from './chart-layers';
import { RunService } from './run.service';

/** A spot, and those of the chart that are most like it. */
interface Alike {
  readonly to: PlacedSpot;
  readonly found: readonly { readonly spot: PlacedSpot; readonly like: number }[];
}

/** The spot that is read, and places like one. */
@Injectable()
export class ChosenSpot {
  private readonly engine = inject(ChartEngineService);
  private readonly layers = inject(ChartLayers);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  private readonly chosen = linkedSignal<string | undefined, PlacedSpot | null>({
    source: this.layers.waterId,
    computation: () => null,
  });
  readonly spot = this.chosen.asReadonly();
  private readonly likeness = linkedSignal<string | undefined, Alike | null>({
    source: this.layers.waterId,
    computation: () => null,
  });
  readonly alike = this.likeness.asReadonly();
  readonly alikeSpots = computed(() => this.alike()?.found.map(({ spot }) => spot) ?? []);

  private readonly runs = inject(RunService);
  /** When the boat gets home from the spot that is read. */
  readonly home = toSignal(
    combineLatest([
      toObservable(this.layers.chart),
      toObservable(this.spot).pipe(
        map((spot) => spot?.cell),
        distinctUntilChanged(),
      ),
      this.runs.wish$,
    ]).pipe(
      switchMap(([chart, cell, boat]): Observable<WayHome | null> =>
        chart && cell !== undefined ? this.layers.orNotice(this.runs.home(chart, cell, boat)) : of(null),
      ),
    ),
    { initialValue: null },
  );

  constructor() {
    // Another hour is another scan: what was chosen is looked at anew.
    toObservable(this.layers.picture)
      .pipe(
        switchMap((picture) => {
          const chosen = this.chosen();
          if (!picture || !chosen) return EMPTY;
          return this.layers.orNotice(this.engine.spotAt(chosen.lonLat, picture.minute, this.units()));
        }),
        takeUntilDestroyed(),
      )
      .subscribe((spot) => this.chosen.set(spot));
  }

  /** Reads a spot; the same again is let go. */
  choose(spot: PlacedSpot | null): void {
    const again = spot?.cell === this.chosen()?.cell;
    const kept = this.alike();
    const belongs = kept && [kept.to, ...this.alikeSpots()].some(({ cell }) => cell === spot?.cell);
    if (again || !belongs) this.likeness.set(null);
    this.chosen.set(again ? null : spot);
  }

  /** What the chart knows of a place; null where that is not in water on it. */
  at(lonLat: readonly [number, number]): Observable<PlacedSpot | null> {
    return this.layers.orNotice(this.engine.spotAt(lonLat, this.layers.minute(), this.units()));
  }

  /** Finds the places that are most like one. */
  findAlike(to: PlacedSpot): void {
    this.layers.orNotice(this.engine.alike(to.cell, this.layers.minute(), this.units())).subscribe((found) => {
      this.likeness.set(found.length ? { to, found } : null);
      if (!found.length) this.notices.say('Nothing on this chart is much like it.');
    });
  }
}
