import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { say, sayRange, type Water, type WeatherDay } from '@inky-shoal/core';
import { DATE_ORDERS, WEATHER_ROLES, type WeatherMapping, type WeatherMeasure } from '@inky-shoal/core/formats';
import { ButtonDirective } from 'primeng/button';
import { of, switchMap } from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { TableReader } from '../base/tables/table-reader';
import { TablesService } from '../base/tables/tables.service';
import { ColumnsComponent, columnsOf } from '../ui/columns.component';
import { DATE_ORDER_NAMES } from '../ui/date-orders';
import { OpenFileComponent } from '../ui/open-file.component';
import { SelectComponent } from '../ui/select.component';
import { TableComponent } from '../ui/table.component';
import { UnreadLinesComponent } from '../ui/unread-lines.component';
import { WeatherDaysService } from './weather-days.service';
import { WEATHER_ROLE_NAMES, weatherUnitChoices } from './weather-columns';

const PREVIEWED = 5;
const NOT_READ = 'The weather could not be read, and the fault is ours. Try it again.';

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
  private readonly tables = inject(TablesService);
  private readonly kept = inject(WeatherDaysService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  /** The book's now: what lies after it is forecast. */
  readonly now = input.required<string>();
  /** Gone in, or given up. */
  readonly done = output();

  protected readonly table = new TableReader((text, mapping?: WeatherMapping) => {
    const context = { timeZone: this.water().place.timeZone, now: this.now(), units: this.units() };
    return this.tables.readWeather(text, context, mapping);
  }, NOT_READ);
  protected readonly read = this.table.read;
  protected readonly roles = WEATHER_ROLES.map((id) => ({ id, name: WEATHER_ROLE_NAMES[id] }));
  protected readonly orders = DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] }));

  protected readonly days = computed(() => this.read()?.result.days ?? []);
  protected readonly preview = computed(() => this.days().slice(0, PREVIEWED));
  protected readonly columns = computed(() => {
    const read = this.read();
    return read ? columnsOf(read.table.header, read.mapping.roles) : [];
  });
  /** The units of what stands in the table, each to be changed. */
  protected readonly unitChoices = computed(() => weatherUnitChoices(this.read()?.mapping));
  protected readonly span = computed(() => {
    const days = this.days();
    if (!days.length) return '';
    const airs = days.map(({ airTempC }) => airTempC);
    const air = sayRange('temp', [Math.min(...airs), Math.max(...airs)], this.units());
    return `${days.length} ${days.length === 1 ? 'day' : 'days'}, ${days[0]?.date} to ${days.at(-1)?.date}, daily mean ${air}.`;
  });
  protected readonly ready = computed(
    () => this.days().length > 0 && (!this.read()?.result.problems.length || this.table.agreed()),
  );

  protected setUnit(measure: WeatherMeasure, unit: string): void {
    const units = this.read()?.mapping.units;
    if (units) this.table.map({ units: { ...units, [measure]: unit } });
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
    const [{ id }, days, source] = [this.water(), this.days(), this.table.source()];
    this.table.busy.set(true);
    this.kept.take(id, source, days).subscribe({
      next: (replaced) => {
        this.table.busy.set(false);
        this.notices.say(`Weather of ${days.length} days taken from ${source}.`, () =>
          this.undo(source, days, replaced),
        );
        this.done.emit();
      },
      error: (error: Error) => {
        this.table.busy.set(false);
        this.table.problem.set(`Nothing more was taken. ${error.message}`);
      },
    });
  }

  /** What was taken goes, and what it replaced comes back. */
  private undo(source: string, days: readonly WeatherDay[], replaced: readonly WeatherDay[]): void {
    const { id } = this.water();
    this.kept
      .remove(
        id,
        days.map(({ date }) => date),
      )
      .pipe(switchMap(() => (replaced.length ? this.kept.take(id, source, replaced) : of(null))))
      .subscribe({ error: (error: Error) => this.notices.say(`Not taken back. ${error.message}`) });
  }
}
