import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { say, sayRange, type Water, type WeatherDay } from '@inky-shoal/core';
import {
  DATE_ORDERS,
  MEASURE_OF,
  WEATHER_ROLES,
  WEATHER_UNITS,
  type WeatherMapping,
  type WeatherMeasure,
  type WeatherRole,
} from '@inky-shoal/core/formats';
import { ButtonDirective } from 'primeng/button';
import { catchError, of, Subject, switchMap, tap } from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { ColumnsComponent, columnsOf } from '../ui/columns.component';
import { DATE_ORDER_NAMES } from '../ui/date-orders';
import { OpenFileComponent } from '../ui/open-file.component';
import { SelectComponent } from '../ui/select.component';
import { TableComponent } from '../ui/table.component';
import { UnreadLinesComponent } from '../ui/unread-lines.component';
import { ReadingTablesService } from '../waters/reading-tables.service';
import type { WeatherRead } from '../waters/table-api';
import { OutsideService } from './outside.service';

/** Files of weather are not taken larger than this. */
const MAX_FILE_BYTES = 8e6;
const PREVIEWED = 5;
const NOT_READ = 'The weather could not be read, and the fault is ours. Try it again.';

const ROLE_NAMES: Readonly<Record<WeatherRole, string>> = {
  date: 'day (and hour)',
  time: 'hour',
  air: 'air temperature',
  high: 'highest air',
  low: 'lowest air',
  dew: 'dew point',
  humidity: 'humidity, %',
  wind: 'wind',
  windFrom: 'wind from, degrees',
  cloud: 'cloud',
  pressure: 'pressure',
  rain: 'rain',
  solar: 'sun, W/m²',
  ignore: 'nothing of use',
};
const MEASURE_NAMES: Readonly<Record<WeatherMeasure, string>> = {
  temp: 'Temperatures in',
  wind: 'Wind in',
  rain: 'Rain in',
  pressure: 'Pressure in',
  cloud: 'Cloud in',
};

/** Weather from a CSV file, by the hour or by the day: how it is read is shown before anything goes in. */
@Component({
  selector: 'inky-weather-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    ColumnsComponent,
    OpenFileComponent,
    SelectComponent,
    TableComponent,
    UnreadLinesComponent,
  ],
  templateUrl: './weather-import.component.html',
  styleUrls: ['../ui/table-import.css', './weather-import.component.css'],
})
export class WeatherImportComponent {
  private readonly tables = inject(ReadingTablesService);
  private readonly outside = inject(OutsideService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  /** The book's now: what lies after it is forecast. */
  readonly now = input.required<string>();
  /** Gone in, or given up. */
  readonly done = output();

  private readonly text = signal('');
  private readonly read$ = new Subject<WeatherMapping | undefined>();
  protected readonly source = signal('');
  protected readonly read = signal<WeatherRead | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly agreed = signal(false);
  protected readonly busy = signal(false);
  protected readonly roles = WEATHER_ROLES.map((id) => ({ id, name: ROLE_NAMES[id] }));
  protected readonly orders = DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] }));

  protected readonly days = computed(() => this.read()?.result.days ?? []);
  protected readonly preview = computed(() => this.days().slice(0, PREVIEWED));
  protected readonly columns = computed(() => {
    const read = this.read();
    return read ? columnsOf(read.table.header, read.mapping.roles) : [];
  });
  /** The units of what stands in the table, each to be changed. */
  protected readonly unitChoices = computed(() => {
    const mapping = this.read()?.mapping;
    const measures = new Set(mapping?.roles.flatMap((role) => MEASURE_OF[role] ?? []));
    return [...measures].map((measure) => ({
      measure,
      name: MEASURE_NAMES[measure],
      unit: mapping?.units[measure] ?? '',
      choices: Object.keys(WEATHER_UNITS[measure]).map((id) => ({ id, name: id })),
    }));
  });
  protected readonly span = computed(() => {
    const days = this.days();
    if (!days.length) return '';
    const airs = days.map(({ airTempC }) => airTempC);
    const air = sayRange('temp', [Math.min(...airs), Math.max(...airs)], this.units());
    return `${days.length} ${days.length === 1 ? 'day' : 'days'}, ${days[0]?.date} to ${days.at(-1)?.date}, daily mean ${air}.`;
  });
  protected readonly ready = computed(
    () => this.days().length > 0 && (!this.read()?.result.problems.length || this.agreed()),
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.tables.rest());
    this.read$
      .pipe(
        tap(() => this.busy.set(true)),
        switchMap((mapping) => {
          const context = { timeZone: this.water().place.timeZone, now: this.now(), units: this.units() };
          return this.tables.readWeather(this.text(), context, mapping).pipe(catchError(() => of(NOT_READ)));
        }),
        takeUntilDestroyed(),
      )
      .subscribe((read) => {
        this.busy.set(false);
        this.agreed.set(false);
        this.read.set(typeof read === 'string' ? null : read);
        this.problem.set(typeof read === 'string' ? read : null);
      });
  }

  protected open(file: File): void {
    if (file.size > MAX_FILE_BYTES) {
      this.problem.set(`${file.name} is too large: expected at most ${MAX_FILE_BYTES / 1e6} MB.`);
      return;
    }
    void file.text().then((text) => {
      this.text.set(text);
      this.source.set(file.name);
      this.read$.next(undefined);
    });
  }

  protected map(change: Partial<WeatherMapping>): void {
    const mapping = this.read()?.mapping;
    if (mapping) this.read$.next({ ...mapping, ...change });
  }

  protected setUnit(measure: WeatherMeasure, unit: string): void {
    const units = this.read()?.mapping.units;
    if (units) this.map({ units: { ...units, [measure]: unit } });
  }

  protected say({ airTempC, dewPointC, windMps, rainMm, date }: WeatherDay) {
    const units = this.units();
    return {
      date,
      air: say('temp', airTempC, units),
      dew: say('temp', dewPointC, units),
      wind: say('wind', windMps, units),
      rain: rainMm ? say('length', rainMm, units) : '',
    };
  }

  protected add(): void {
    const [{ id }, days, source] = [this.water(), this.days(), this.source()];
    this.busy.set(true);
    this.outside.takeDays(id, source, days).subscribe({
      next: (replaced) => {
        this.busy.set(false);
        this.notices.say(`Weather of ${days.length} days taken from ${source}.`, () =>
          this.undo(source, days, replaced),
        );
        this.done.emit();
      },
      error: (error: Error) => {
        this.busy.set(false);
        this.problem.set(`Nothing more was taken. ${error.message}`);
      },
    });
  }

  /** What was taken goes, and what it replaced comes back. */
  private undo(source: string, days: readonly WeatherDay[], replaced: readonly WeatherDay[]): void {
    const { id } = this.water();
    this.outside
      .removeDays(
        id,
        days.map(({ date }) => date),
      )
      .pipe(switchMap(() => (replaced.length ? this.outside.takeDays(id, source, replaced) : of(null))))
      .subscribe({ error: (error: Error) => this.notices.say(`Not taken back. ${error.message}`) });
  }
}
