import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Water } from '@inky-shoal/core';
import { type NearStation, STATION_NEAR_KM, type TideStation, type TideStream } from '@inky-shoal/core/tide';
import { ButtonDirective } from 'primeng/button';
import { distinctUntilChanged, map, switchMap } from 'rxjs';
import { loading, valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { COMPASS_POINTS, compassOf, degreesOf, sayWay } from '../sheet/words';
import { SelectComponent } from '../ui/select.component';
import { TideStreamComponent } from './tide-stream.component';
import { StationFileComponent } from './station-file.component';
import { TideStationsService } from './tide-stations.service';
import { WatersService } from './waters.service';

/** Whose tide a water has: the station it keeps, and those that are near. */
@Component({
  selector: 'inky-tide-station',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, SelectComponent, StationFileComponent, TideStreamComponent],
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
    .sea {
      max-width: 18rem;
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

  protected readonly points = COMPASS_POINTS.map((id) => ({ id, name: id }));
  protected readonly sea = computed(() => {
    const degrees = this.kept()?.seaDeg;
    return degrees === undefined ? '' : compassOf(degrees);
  });

  /** Keeps which way the open sea lies; an empty id where that is taken back. */
  protected keepSea(id: string): void {
    const station = this.kept();
    const point = COMPASS_POINTS.find((each) => each === id);
    if (!station || id === this.sea()) return;
    const { seaDeg: _, ...rest } = station;
    const said = point
      ? `The open sea of ${this.water().name} lies to the ${point}.`
      : 'Where the sea lies is not said.';
    this.put(point ? { ...rest, seaDeg: degreesOf(point) } : rest, said);
  }

  protected take({ id }: NearStation): void {
    this.stations.station(id).subscribe({
      next: (station) => this.keep(station),
      error: (error: Error) => this.problem.set(error.message),
    });
  }

  /** Keeps when the stream turns. */
  protected keepStream(stream: TideStream): void {
    const station = this.kept();
    if (station) this.put({ ...station, stream }, `When the stream of ${this.water().name} turns is kept.`);
  }

  /** Keeps a station with the water, or that it has none. */
  protected keep(station: TideStation | null): void {
    const { name } = this.water();
    const said = station ? `The tide of ${name} is that of ${station.name}.` : 'The tide is said day by day.';
    this.put(station, said, () => this.done.emit());
  }

  private put(station: TideStation | null, said: string, kept?: () => void): void {
    const { id, version, createdAt: _, updatedAt: __, ...before } = this.water();
    const put = (tideStation: TideStation | null | undefined, from?: number) =>
      this.waters.make({ ...before, tideStation }, id, from);
    put(station, version).subscribe({
      next: () => {
        this.notices.say(said, () => put(before.tideStation).subscribe());
        kept?.();
      },
      error: (error: Error) => this.problem.set(error.message),
    });
  }
}
