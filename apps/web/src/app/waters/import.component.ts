import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Reading, Water } from '@inky-shoal/core';
import { COLUMN_ROLES, DATE_ORDERS, type ReadingMapping, type TableReading } from '@inky-shoal/core/formats';
import { v7 as uuid } from 'uuid';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import type { Clock } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { SelectComponent } from '../ui/select.component';
import { DATE_ORDER_NAMES } from '../ui/date-orders';
import { ColumnsComponent, columnsOf } from '../ui/columns.component';
import { UnreadLinesComponent } from '../ui/unread-lines.component';
import { OpenFileComponent } from '../ui/open-file.component';
import { TableComponent } from '../ui/table.component';
import { FieldComponent } from '../ui/field.component';
import { TableReader } from '../base/tables/table-reader';
import { TablesService } from '../base/tables/tables.service';
import { readingRow, ROLE_NAMES } from './reading-columns';
import { WatersService } from './waters.service';

const PREVIEWED = 6;
const NOT_READ = 'The readings could not be read, and the fault is ours. Try it again.';

/** Several readings at once, pasted or from a CSV file: how it is read is shown before anything goes in. */
@Component({
  selector: 'inky-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    ColumnsComponent,
    FieldComponent,
    OpenFileComponent,
    SelectComponent,
    TableComponent,
    Textarea,
    UnreadLinesComponent,
  ],
  templateUrl: './import.component.html',
  styleUrl: '../ui/table-import.css',
})
export class ImportComponent {
  private readonly tables = inject(TablesService);
  private readonly waters = inject(WatersService);
  private readonly notices = inject(NoticeService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  readonly water = input.required<Water>();
  readonly record = input.required<readonly Reading[]>();
  readonly clock = input<Clock>();
  /** Gone in, or given up. */
  readonly done = output();

  protected readonly table = new TableReader(
    (text, mapping?: ReadingMapping) => this.tables.read(text, this.context(), mapping),
    NOT_READ,
  );
  protected readonly read = this.table.read;
  protected readonly zoneId = signal<string | null>(null);
  protected readonly zones = computed(() => this.water().zones ?? []);
  protected readonly roles = COLUMN_ROLES.map((id) => ({ id, name: ROLE_NAMES[id] }));
  protected readonly tempUnits = [
    { id: 'C', name: '°C' },
    { id: 'F', name: '°F' },
  ];
  protected readonly depthUnits = [
    { id: 'm', name: 'm' },
    { id: 'ft', name: 'ft' },
  ];
  protected readonly orders = DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] }));

  protected readonly fresh = computed(() => this.read()?.result.readings.filter(({ twice }) => !twice) ?? []);
  protected readonly twice = computed(() => (this.read()?.result.readings.length ?? 0) - this.fresh().length);
  protected readonly bad = computed(() => this.read()?.result.problems ?? []);
  protected readonly preview = computed(() => this.fresh().slice(0, PREVIEWED));
  /** Rows as they came, to choose columns by. */
  protected readonly sample = computed(() => this.read()?.table.lines.slice(0, 3) ?? []);
  protected readonly columns = computed(() => {
    const read = this.read();
    return read ? columnsOf(read.table.header, read.mapping.roles) : [];
  });
  protected readonly ready = computed(() => this.fresh().length > 0 && (!this.bad().length || this.table.agreed()));

  private context() {
    const [water, units] = [this.water(), this.units()];
    return {
      zones: this.zones(),
      timeZone: water.place.timeZone,
      now: this.clock()?.now ?? new Date().toISOString(),
      known: this.record(),
      zoneId: this.zoneId() ?? this.zones()[0]?.id,
      units,
    };
  }

  protected setZone(zoneId: string): void {
    this.zoneId.set(zoneId);
    this.table.again();
  }

  protected say(reading: TableReading) {
    return readingRow(reading, this.water(), this.units());
  }

  protected add(): void {
    const batch = this.fresh().map(({ draft }) => ({ id: uuid(), ...draft }));
    const { id } = this.water();
    this.table.busy.set(true);
    this.waters.addReadings(id, batch).subscribe({
      next: (state) => {
        this.table.busy.set(false);
        const count = `${batch.length} ${batch.length === 1 ? 'reading' : 'readings'}`;
        this.notices.say(
          state === 'sent' ? `${count} added.` : `${count} are kept here and go in when the server is back.`,
          () =>
            this.waters
              .removeReadings(
                id,
                batch.map((reading) => reading.id),
              )
              .subscribe(),
        );
        this.done.emit();
      },
      error: (error: Error) => {
        this.table.busy.set(false);
        this.table.problem.set(`Nothing more was added. ${error.message}`);
      },
    });
  }
}
