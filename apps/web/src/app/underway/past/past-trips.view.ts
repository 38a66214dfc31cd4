import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { CategoryId } from '@inky-shoal/core';
import { type PastTrip, type TripMapping, type TripMeasure, type TripRole } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { filter, merge, skip } from 'rxjs';
import { Textarea } from 'primeng/textarea';
import { SettingsService } from '../../base/settings.service';
import { TableReader } from '../../base/tables/table-reader';
import { TablesService } from '../../base/tables/tables.service';
import { CheckComponent } from '../../ui/check.component';
import { ColumnsComponent, columnsOf } from '../../ui/columns.component';
import { FieldComponent } from '../../ui/field.component';
import { OpenFileComponent } from '../../ui/open-file.component';
import { SelectComponent } from '../../ui/select.component';
import { TableComponent } from '../../ui/table.component';
import { UnreadLinesComponent } from '../../ui/unread-lines.component';
import { PastContext } from './past-context';
import {
  askedLures,
  NONE_OF_THESE,
  PAST_CHOICES,
  pastTripWords,
  tripsAndFish,
  unitChoicesOf,
  unreadWords,
} from './past-words';

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
  providers: [PastContext],
})
export class PastTripsView {
  private readonly tables = inject(TablesService);
  private readonly router = inject(Router);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly around = inject(PastContext);
  protected readonly waters = this.around.waters;
  protected readonly withTwice = signal(false);
  protected readonly withLogged = signal(false);

  protected readonly table = new TableReader(
    (text, mapping?: TripMapping) =>
      this.tables.readTrips(text, this.around.context(this.units()), this.withTwice(), mapping),
    NOT_READ,
  );
  protected readonly read = this.table.read;
  protected readonly choices = PAST_CHOICES;

  protected readonly logged = computed(() => this.read()?.result.trips.filter(({ isInLog }) => isInLog) ?? []);
  protected readonly trips = computed(() =>
    (this.read()?.result.trips ?? []).filter(({ isInLog }) => !isInLog || this.withLogged()),
  );
  protected readonly count = computed(() => tripsAndFish(this.trips()));
  protected readonly bad = computed(() => this.read()?.result.problems ?? []);
  protected readonly unread = computed(() => unreadWords(this.bad().length));
  protected readonly hasTwice = computed(() => !!this.read()?.result.alike.length);
  protected readonly preview = computed(() => this.trips().slice(0, PREVIEWED));
  protected readonly columns = computed(() =>
    columnsOf(this.read()?.table.header ?? null, this.read()?.mapping.roles ?? []),
  );
  /** The units of what stands in the table, each to be changed. */
  protected readonly unitChoices = computed(() => unitChoicesOf(this.read()?.mapping));
  protected readonly asked = computed(() =>
    askedLures((this.read()?.result.unknownLures ?? []).slice(0, ASKED), this.around.lures()),
  );
  protected readonly moreLures = computed(() => Math.max(0, (this.read()?.result.unknownLures.length ?? 0) - ASKED));
  protected readonly ready = computed(
    () => this.trips().length > 0 && (!this.bad().length || this.table.agreed()) && !this.table.busy(),
  );

  /** What is added here stands in the log at once: that is no news. */
  private adding = false;

  constructor() {
    // Waters and the log may come after what was pasted: then names are known, and trips that stand there already.
    merge(toObservable(this.waters).pipe(skip(1)), toObservable(this.around.known).pipe(skip(1)))
      .pipe(
        filter(() => !this.adding),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.table.again());
  }

  protected mapRoles(roles: readonly string[]): void {
    this.table.map({ roles: roles as readonly TripRole[] });
  }

  protected setUnit(measure: TripMeasure, unit: string): void {
    const units = this.read()?.mapping.units;
    if (units) this.table.map({ units: { ...units, [measure]: unit } });
  }

  protected setWater(id: string): void {
    this.around.waterId.set(id);
    this.table.again();
  }

  protected setLure(key: string, id: string): void {
    if (!id) return;
    this.around.meanBy(key, id === NONE_OF_THESE ? null : (id as CategoryId));
    this.table.again();
  }

  protected takeTwice(taken: boolean): void {
    this.withTwice.set(taken);
    this.table.again();
  }

  protected readonly say = (trip: PastTrip) => pastTripWords(trip, this.waters());

  protected async add(): Promise<void> {
    const count = this.count();
    this.adding = true;
    this.table.busy.set(true);
    try {
      await this.around.add(this.trips(), count);
      await this.router.navigateByUrl('/log');
    } catch (error) {
      this.table.problem.set((error as Error).message);
    } finally {
      this.adding = false;
      this.table.busy.set(false);
    }
  }
}
