import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Water } from '@inky-shoal/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import { featuresToGeoJson, featuresToGpx, featuresToKml, type FeatureFormat } from '@inky-shoal/core/formats/features';
import { finalize, type Subscription } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { ChartFilesService } from '../chart-files.service';
import { DrawnService } from '../drawn.service';
import { NoticeService } from '../../base/notice.service';
import { saveFile } from '../../ui/save-file';
import { OpenFileComponent } from '../../ui/open-file.component';

/** Larger files of marks are refused before they are read. */
const MAX_FILE_BYTES = 40e6;
const FORMATS: Readonly<
  Record<FeatureFormat, { write: (features: readonly ChartFeature[]) => string; media: string; name: string }>
> = {
  gpx: { write: featuresToGpx, media: 'application/gpx+xml', name: 'GPX' },
  kml: { write: featuresToKml, media: 'application/xml', name: 'KML' },
  geojson: { write: featuresToGeoJson, media: 'application/geo+json', name: 'GeoJSON' },
};

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** Marks, tracks and areas from a file onto the chart, and from the chart into a file. */
@Component({
  selector: 'inky-features-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, OpenFileComponent],
  template: `
    <inky-open-file
      label="Bring in from GPX, KML or GeoJSON"
      accept=".gpx,.kml,.geojson,.json"
      (opened)="open($event)"
    />
    @if (reading()) {
      <p role="status">Reading. <button pButton text type="button" (click)="stop()">Stop</button></p>
    }
    <p class="problem" role="alert">{{ problem() }}</p>
    @if (found(); as it) {
      <p role="status">{{ words() }}</p>
      <button pButton type="button" [disabled]="!it.length" (click)="take(it)">Put them on the chart</button>
      <button pButton text type="button" (click)="found.set(null)">Never mind</button>
    }
    <p>
      Save as
      @for (format of formats; track format.id) {
        <button pButton text type="button" [disabled]="!features().length" (click)="save(format.id)">
          {{ format.name }}
        </button>
      }
    </p>
  `,
})
export class FeaturesFileComponent {
  private readonly files = inject(ChartFilesService);
  private readonly drawn = inject(DrawnService);
  private readonly notices = inject(NoticeService);
  readonly water = input.required<Water>();

  protected readonly features = toSignal(this.drawn.features$, { requireSync: true });
  protected readonly formats = (Object.keys(FORMATS) as FeatureFormat[]).map((id) => ({ id, name: FORMATS[id].name }));
  protected readonly reading = signal<Subscription | null>(null);
  protected readonly problem = signal('');
  protected readonly found = signal<readonly ChartFeature[] | null>(null);
  protected readonly words = computed(() => {
    const found = this.found() ?? [];
    const of = (type: ChartFeature['shape']['type']) => found.filter(({ shape }) => shape.type === type).length;
    const ids = new Set(this.features().map(({ id }) => id));
    const known = found.filter(({ id }) => ids.has(id)).length;
    const parts = [counted(of('Point'), 'mark'), counted(of('LineString'), 'track'), counted(of('Polygon'), 'area')];
    const again = known ? ` ${known} of them ${known === 1 ? 'is' : 'are'} drawn already and would be put anew.` : '';
    return `${parts.filter((part) => !part.startsWith('0 ')).join(', ')}.${again}`;
  });

  protected open(file: File): void {
    this.found.set(null);
    this.problem.set('');
    if (file.size > MAX_FILE_BYTES) {
      const [own, most] = [file.size, MAX_FILE_BYTES].map((size) => Math.round(size / 1e6));
      this.problem.set(`${file.name} is ${own} MB: expected at most ${most}.`);
      return;
    }
    const { name, place } = this.water();
    this.reading.set(
      this.files
        .readFeatures(file, { name, lonLat: [place.longitude, place.latitude] })
        .pipe(finalize(() => this.reading.set(null)))
        .subscribe({
          next: (going) => {
            if ('problem' in going) this.problem.set(`${file.name}: ${going.problem}`);
            else if ('done' in going) this.found.set(going.done);
          },
          error: () => this.problem.set(`${file.name} could not be read, and the fault is ours.`),
        }),
    );
  }

  protected stop(): void {
    this.reading()?.unsubscribe();
    this.reading.set(null);
  }

  protected take(features: readonly ChartFeature[]): void {
    this.found.set(null);
    this.notices.say(`${counted(features.length, 'thing')} drawn from the file.`, this.drawn.put(features));
  }

  protected save(id: FeatureFormat): void {
    const { write, media } = FORMATS[id];
    const name = this.water()
      .name.toLowerCase()
      .replace(/[^a-z0-9]+/g, '-');
    saveFile(`${name}.${id}`, write(this.features()), media);
  }
}
