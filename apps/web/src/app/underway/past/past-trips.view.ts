import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { CATEGORIES, type CategoryId } from '@inky-shoal/core';
import { DATE_ORDERS } from '@inky-shoal/core/formats';
import {
  type PastTrip,
  TRIP_ROLES,
  TRIP_UNITS,
  type TripMapping,
  type TripMeasure,
  type TripRole,
  sayStretch,
} from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { filter, merge, skip } from 'rxjs';
import { Textarea } from 'primeng/textarea';
import { BookService } from '../../base/book.service';
import { valueOr } from '../../base/loaded';
import { NoticeService } from '../../base/notice.service';
import { SettingsService } from '../../base/settings.service';
import { TableReader } from '../../base/tables/table-reader';
import { TablesService } from '../../base/tables/tables.service';
import { DayService } from '../../sheet/day.service';
import { CheckComponent } from '../../ui/check.component';
import { choices } from '../../ui/choices';
import { ColumnsComponent, columnsOf } from '../../ui/columns.component';
import { DATE_ORDER_NAMES } from '../../ui/date-orders';
import { sayShortDate } from '../../ui/dates';
import { FieldComponent } from '../../ui/field.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { SelectComponent } from '../../ui/select.component';
import { TableComponent } from '../../ui/table.component';
import { UnreadLinesComponent } from '../../ui/unread-lines.component';
import { WatersService } from '../../waters/waters.service';
import { TripService } from '../trip.service';
import { MEASURE_NAMES, MEASURED, NONE_OF_THESE, ROLE_NAMES, tripsAndFish } from './past-words';
import { PastTripsService, zoneHere } from './past-trips.service';

const PREVIEWED = 6;
/** Lures that are asked for at once, the most frequent first. */
const ASKED = 6;
const NOT_READ = 'The trips could not be read, and the fault is ours. Try it again.';

/** Trips of the past from a CSV file: how it is read is shown before anything goes in. */
@Component({
  selector: 'inky-past-trips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    ColumnsComponent,
    FieldComponent,
    OpenFileComponent,
    RouterLink,
    SelectComponent,
    TableComponent,
    Textarea,
    UnreadLinesComponent,
  ],
  templateUrl: './past-trips.view.html',
  styleUrl: '../../ui/table-import.css',
})
export class PastTripsView {
  private readonly tables = inject(TablesService);
  private readonly past = inject(PastTripsService);
  private readonly notices = inject(NoticeService);
  private readonly router = inject(Router);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly clock = toSignal(inject(BookService).clock$);
  private readonly known = toSignal(inject(TripService).trips$, { initialValue: [] });
  private readonly draft = toSignal(inject(DayService).draft$, { initialValue: null });
  private readonly loaded = toSignal(inject(WatersService).waters$);
  protected readonly waters = computed(() => valueOr(this.loaded(), []));
  /** The water of rows that name none: that of the sheet, else the first. */
  protected readonly waterId = linkedSignal(() => this.draft()?.waterId ?? this.waters()[0]?.id);
  private readonly lures = signal(this.past.lures);
  protected readonly withTwice = signal(false);
  protected readonly withLogged = signal(false);

  protected readonly table = new TableReader(
    (text, mapping?: TripMapping) => this.tables.readTrips(text, this.context(), this.withTwice(), mapping),
    NOT_READ,
  );
  protected readonly read = this.table.read;
  protected readonly roles = TRIP_ROLES.map((id) => ({ id, name: ROLE_NAMES[id] }));
  protected readonly orders = DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] }));
  protected readonly categories = [{ id: NONE_OF_THESE, name: 'none of these' }, ...choices(CATEGORIES)];

  protected readonly logged = computed(() => this.read()?.result.trips.filter(({ isInLog }) => isInLog) ?? []);
  protected readonly trips = computed(() =>
    (this.read()?.result.trips ?? []).filter(({ isInLog }) => !isInLog || this.withLogged()),
  );
  protected readonly count = computed(() => tripsAndFish(this.trips()));
  protected readonly bad = computed(() => this.read()?.result.problems ?? []);
  protected readonly unread = computed(() => {
    const lines = this.bad().length;
    return lines ? `, ${lines} ${lines === 1 ? 'line' : 'lines'} that cannot be read` : '';
  });
  protected readonly hasTwice = computed(() => !!this.read()?.result.alike.length);
  protected readonly preview = computed(() => this.trips().slice(0, PREVIEWED));
  protected readonly columns = computed(() => {
    const read = this.read();
    return read ? columnsOf(read.table.header, read.mapping.roles) : [];
  });
  /** The units of what stands in the table, each to be changed. */
  protected readonly unitChoices = computed(() => {
    const mapping = this.read()?.mapping;
    return (Object.keys(TRIP_UNITS) as TripMeasure[])
      .filter((measure) => mapping?.roles.some((role) => MEASURED[role] === measure))
      .map((measure) => ({
        measure,
        name: MEASURE_NAMES[measure],
        unit: mapping?.units[measure] ?? '',
        choices: TRIP_UNITS[measure].map((id) => ({ id, name: id })),
      }));
  });
  protected readonly asked = computed(() =>
    (this.read()?.result.unknownLures ?? []).slice(0, ASKED).map(({ key, words, count }) => {
      const meant = this.lures()[key];
      return {
        key,
        label: count > 1 ? `${words}, ${count} times` : words,
        value: meant === null ? NONE_OF_THESE : '',
      };
    }),
  );
  protected readonly moreLures = computed(() => Math.max(0, (this.read()?.result.unknownLures.length ?? 0) - ASKED));
  protected readonly ready = computed(
    () => this.trips().length > 0 && (!this.bad().length || this.table.agreed()) && !this.table.busy(),
  );

  /** What is added here stands in the log at once: that is no news. */
  private adding = false;

  constructor() {
    // Waters and the log may come after what was pasted: then names are known, and trips that stand there already.
    merge(toObservable(this.waters).pipe(skip(1)), toObservable(this.known).pipe(skip(1)))
      .pipe(
        filter(() => !this.adding),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.table.again());
  }

  private context() {
    const waters = this.waters();
    const timeZone = waters.find(({ id }) => id === this.waterId())?.place.timeZone ?? zoneHere();
    return {
      timeZone,
      now: this.clock()?.now ?? new Date().toISOString(),
      units: this.units(),
      waters: waters.map(({ id, name, place }) => ({ id, name, timeZone: place.timeZone })),
      waterId: this.waterId(),
      known: this.known().map(({ begin, startMs }) => ({ begin: { ...begin, plan: null, stops: [] }, startMs })),
      lures: this.lures(),
    };
  }

  protected mapRoles(roles: readonly string[]): void {
    this.table.map({ roles: roles as readonly TripRole[] });
  }

  protected setUnit(measure: TripMeasure, unit: string): void {
    const units = this.read()?.mapping.units;
    if (units) this.table.map({ units: { ...units, [measure]: unit } });
  }

  protected setWater(id: string): void {
    this.waterId.set(id);
    this.table.again();
  }

  protected setLure(key: string, id: string): void {
    if (!id) return;
    this.past.rememberLure(key, id === NONE_OF_THESE ? null : (id as CategoryId));
    this.lures.set(this.past.lures);
    this.table.again();
  }

  protected takeTwice(taken: boolean): void {
    this.withTwice.set(taken);
    this.table.again();
  }

  protected say({ startMs, waterName, waterId, fish, hours, lures }: PastTrip) {
    const zone = this.waters().find(({ id }) => id === waterId)?.place.timeZone;
    return {
      when: sayShortDate(startMs, zone),
      water: waterName,
      fish: String(fish),
      hours: hours === null ? '' : sayStretch(hours * 3_600_000),
      lures: lures.slice(0, 3).join(', '),
    };
  }

  protected async add(): Promise<void> {
    const count = this.count();
    this.adding = true;
    this.table.busy.set(true);
    try {
      const ids = await this.past.add(this.trips(), this.waters());
      this.notices.say(`${count} added.`, () => {
        this.past.remove(ids).catch((error: Error) => this.notices.say(`Not taken back. ${error.message}`));
      });
      await this.router.navigateByUrl('/log');
    } catch (error) {
      this.table.problem.set((error as Error).message);
    } finally {
      this.adding = false;
      this.table.busy.set(false);
    }
  }
}
