import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { say, type Water } from '@inky-shoal/core';
import type { TideStation } from '@inky-shoal/core/tide';
import { ButtonDirective } from 'primeng/button';
import { SettingsService } from '../base/settings.service';
import { OpenFileComponent } from '../ui/open-file.component';
import { SelectComponent } from '../ui/select.component';

/** Larger files hold more than the constituents of a station. */
const MAX_FILE_BYTES = 1e6;

interface StationFile {
  readonly name: string;
  readonly text: string;
}

/** A station from a file of its constituents: how it is read is shown before it is taken. */
@Component({
  selector: 'inky-station-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, OpenFileComponent, SelectComponent],
  template: `
    <inky-open-file
      label="From a file of constituents, or of highs and lows"
      accept=".csv,.json,.txt,text/csv,application/json"
      (opened)="open($event)"
    />
    @if (file()) {
      <div class="choices">
        <inky-select
          fieldId="station-unit"
          label="Amplitudes in"
          [choices]="units"
          [value]="unit()"
          (valueChange)="set(unit.set, $event)"
        />
        <inky-select
          fieldId="station-phases"
          label="Phases or times by"
          [choices]="clocks"
          [value]="clock()"
          (valueChange)="set(clock.set, $event)"
        />
      </div>
      <p role="status">{{ words() }}</p>
      <p class="problem" role="alert">{{ problem() }}</p>
      @if (station(); as found) {
        <button pButton type="button" (click)="taken.emit(found)">Take it</button>
      }
    }
  `,
  styles: `
    .choices {
      display: flex;
      flex-wrap: wrap;
      gap: 0.75rem;
      margin: 0.5rem 0;
    }
    .choices inky-select {
      min-width: 10rem;
    }
  `,
})
export class StationFileComponent {
  private readonly system = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  readonly taken = output<TideStation>();

  protected readonly units = [
    { id: 'm', name: 'metres' },
    { id: 'ft', name: 'feet' },
  ];
  protected readonly clocks = [
    { id: 'greenwich', name: 'Greenwich' },
    { id: 'local', name: "the water's own time" },
  ];
  protected readonly unit = signal<string>('m');
  protected readonly clock = signal<string>('greenwich');
  protected readonly file = signal<StationFile | null>(null);
  protected readonly station = signal<TideStation | null>(null);
  protected readonly problem = signal<string | null>(null);
  private readonly springM = signal(0);
  protected readonly words = computed(() => {
    const station = this.station();
    if (!station) return '';
    if (station.turns) {
      const until = new Date(station.turns.at(-1)?.atMs ?? 0).toISOString().slice(0, 10);
      const range = say('depth', this.springM(), this.system());
      return `${station.name}: ${station.turns.length} highs and lows until ${until}, greatest range ${range}; between them one cosine each.`;
    }
    const count = station.constituents.length;
    const range = this.springM() ? `, mean range of springs ${say('depth', this.springM(), this.system())}` : '';
    return `${station.name}: ${count} ${count === 1 ? 'constituent' : 'constituents'}${range}.`;
  });

  protected open(file: File): void {
    if (file.size > MAX_FILE_BYTES) {
      this.file.set({ name: file.name, text: '' });
      this.station.set(null);
      this.problem.set(`${file.name} is too large: expected at most ${MAX_FILE_BYTES / 1e6} MB.`);
      return;
    }
    void file.text().then((text) => {
      this.file.set({ name: file.name, text });
      return this.read();
    });
  }

  protected set(choose: (id: string) => void, id: string): void {
    choose(id);
    void this.read();
  }

  private async read(): Promise<void> {
    const file = this.file();
    if (!file) return;
    const [{ readStationFile, standardTimeAheadH }, { springAndNeapRangeM }] = await Promise.all([
      import('@inky-shoal/core/formats/tide'),
      import('@inky-shoal/core/tide'),
    ]);
    const { latitude, longitude, timeZone } = this.water().place;
    const read = readStationFile(file.text, {
      name: file.name.replace(/\.\w+$/, ''),
      latitude,
      longitude,
      unit: this.unit() === 'ft' ? 'ft' : 'm',
      timeZone: this.clock() === 'local' ? timeZone : 'UTC',
      phasesAheadH: this.clock() === 'local' ? standardTimeAheadH(timeZone, new Date().getFullYear()) : 0,
    });
    this.station.set(read.ok ? read.value : null);
    this.springM.set(read.ok ? springAndNeapRangeM(read.value).springM : 0);
    this.problem.set(read.ok ? null : `${file.name} cannot be read: ${read.problems[0]?.message ?? ''}.`);
  }
}
