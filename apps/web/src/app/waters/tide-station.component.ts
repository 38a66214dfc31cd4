import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Water } from '@inky-shoal/core';
import { type NearStation, STATION_NEAR_KM, type TideStation } from '@inky-shoal/core/tide';
import { ButtonDirective } from 'primeng/button';
import { distinctUntilChanged, map, switchMap } from 'rxjs';
import { loading, valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { sayWay } from '../sheet/words';
import { StationFileComponent } from './station-file.component';
import { TideStationsService } from './tide-stations.service';
import { WatersService } from './waters.service';

/** Whose tide a water has: the station it keeps, and those that are near. */
@Component({
  selector: 'inky-tide-station',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, StationFileComponent],
  templateUrl: './tide-station.component.html',
  styles: `
    h3 {
      margin: 1rem 0 0.25rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      padding: 0.35rem 0;
      border-bottom: 1px solid var(--line);
    }
    li .p-button {
      padding-left: 0;
    }
    li span {
      display: block;
    }
    .end {
      margin-top: 0.75rem;
    }
  `,
})
export class TideStationComponent {
  private readonly stations = inject(TideStationsService);
  private readonly waters = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  readonly done = output();

  protected readonly problem = signal<string | null>(null);
  private readonly found = toSignal(
    toObservable(this.water).pipe(
      map(({ place }) => place),
      distinctUntilChanged((a, b) => a.latitude === b.latitude && a.longitude === b.longitude),
      switchMap((place) => loading(this.stations.near(place))),
    ),
  );
  protected readonly state = computed(() => this.found()?.state);
  protected readonly near = computed(() =>
    valueOr(this.found(), []).map((station) => ({
      station,
      words: `${sayWay(station.distanceKm * 1000, this.units())} off. ${station.source}, ${station.licence}.`,
      isFar: station.distanceKm > STATION_NEAR_KM,
    })),
  );
  protected readonly kept = computed(() => this.water().tideStation ?? null);

  protected take({ id }: NearStation): void {
    this.stations.station(id).subscribe({
      next: (station) => this.keep(station),
      error: (error: Error) => this.problem.set(error.message),
    });
  }

  /** Keeps a station with the water, or that it has none. */
  protected keep(station: TideStation | null): void {
    const { id, version, createdAt: _, updatedAt: __, ...before } = this.water();
    const put = (tideStation: TideStation | null | undefined, from?: number) =>
      this.waters.make({ ...before, tideStation }, id, from);
    put(station, version).subscribe({
      next: () => {
        const said = station
          ? `The tide of ${before.name} is that of ${station.name}.`
          : 'The tide is said day by day.';
        this.notices.say(said, () => put(before.tideStation).subscribe());
        this.done.emit();
      },
      error: (error: Error) => this.problem.set(error.message),
    });
  }
}
