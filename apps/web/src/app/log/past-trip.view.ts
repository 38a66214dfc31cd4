import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import type { Problem } from '@inky-shoal/core';
import { tripByHand } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { map } from 'rxjs';
import { BookService } from '../base/book.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { fieldProblems } from '../ui/field-problems';
import { FieldComponent } from '../ui/field.component';
import { type FieldChange, FieldsComponent, type Values } from '../ui/fields.component';
import { FoldComponent } from '../ui/fold.component';
import { localDay } from '../ui/local-time';
import { SelectComponent } from '../ui/select.component';
import { PastTripsService, zoneHere } from '../underway/past/past-trips.service';
import { WatersService } from '../waters/waters.service';
import { PastDayService } from './past-day.service';
import { DAY_FIELDS, FIRST_LURE, fishedFields, lureName } from './past-trip-fields';
import { TripsByPhotosComponent } from './trips-by-photos.component';

/** A trip of the past, by hand and in under a minute: the day, what was fished, what it brought. */
@Component({
  selector: 'inky-past-trip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    FieldComponent,
    FieldsComponent,
    FoldComponent,
    ReactiveFormsModule,
    RouterLink,
    SelectComponent,
    Textarea,
    TripsByPhotosComponent,
  ],
  templateUrl: './past-trip.view.html',
  styleUrl: './past-trip.view.css',
})
export class PastTripView {
  private readonly past = inject(PastTripsService);
  private readonly days = inject(PastDayService);
  private readonly notices = inject(NoticeService);
  private readonly router = inject(Router);
  private readonly settings = inject(SettingsService);
  private readonly clock = toSignal(inject(BookService).clock$);
  protected readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });

  protected readonly form = inject(NonNullableFormBuilder).group({ date: '', from: '06:30', to: '11:30', note: '' });
  protected readonly waterId = linkedSignal(() => this.waters()[0]?.id ?? '');
  protected readonly water = computed(() => this.waters().find(({ id }) => id === this.waterId()) ?? null);
  protected readonly dayFields = DAY_FIELDS;
  protected readonly lureName = lureName;
  protected readonly dayValues = signal<Values>({});
  protected readonly fished = signal<readonly Values[]>([FIRST_LURE]);
  protected readonly specs = computed(() => fishedFields(this.water()));
  private readonly units = toSignal(this.settings.units$, { requireSync: true });
  /** What is wrong with the figures as they are typed, in the user's units. */
  protected readonly dayProblems = computed(() => fieldProblems(DAY_FIELDS, this.dayValues(), this.units()));
  private readonly fishedProblems = computed(() =>
    this.fished().map((each) => fieldProblems(this.specs(), each, this.units())),
  );
  protected readonly isWrong = computed(() =>
    [this.dayProblems(), ...this.fishedProblems()].some((each) => Object.keys(each).length > 0),
  );
  /** What else is wrong, once it was to go into the log. */
  private readonly problems = signal<readonly Problem[]>([]);
  protected readonly busy = signal(false);
  protected readonly photosOpen = signal(false);
  /** What is wrong with no field of its own. */
  protected readonly problem = computed(
    () =>
      this.problems()
        .filter(({ path }) => !path.startsWith('fished['))
        .filter(({ path }) => !['date', 'from', 'to'].includes(path))
        .map(({ message }) => message)
        .join('; ') || null,
  );

  protected problemOf(path: string): string | null {
    return this.problems().find((each) => each.path === path)?.message ?? null;
  }

  protected problemsAt(at: number): Record<string, string> {
    const own = `fished[${at}].`;
    const others = this.problems()
      .filter(({ path }) => path.startsWith(own))
      .map(({ path, message }) => [path.slice(own.length), message] as const);
    return { ...Object.fromEntries(others), ...this.fishedProblems()[at] };
  }

  protected setDay({ key, value }: FieldChange): void {
    this.dayValues.set({ ...this.dayValues(), [key]: value });
  }

  protected set(at: number, { key, value }: FieldChange): void {
    this.fished.set(this.fished().map((each, index) => (index === at ? { ...each, [key]: value } : each)));
  }

  protected more(): void {
    this.fished.set([...this.fished(), FIRST_LURE]);
  }

  protected less(at: number): void {
    this.fished.set(this.fished().filter((_, index) => index !== at));
  }

  protected async add(): Promise<void> {
    const { note, ...when } = this.form.getRawValue();
    const timeZone = this.water()?.place.timeZone ?? zoneHere();
    const today = localDay(this.clock()?.now ?? new Date().toISOString(), timeZone);
    const said = { ...when, timeZone, fished: this.fished(), note: note.trim() || undefined };
    const trip = tripByHand(said);
    if (!trip.ok) return this.problems.set(trip.problems);
    if (when.date > today) {
      return this.problems.set([{ path: 'date', message: 'expected a day that has been' }]);
    }
    const planned = await this.days.planOf(this.water(), this.clock(), when, this.dayValues());
    if (planned && 'problems' in planned) return this.problems.set(planned.problems);
    this.problems.set([]);
    this.busy.set(true);
    try {
      const id = await this.past.addOne(trip.value, this.water(), planned?.plan ?? null);
      this.notices.say('It stands in the log.', () => void this.past.remove([id]));
      await this.router.navigate(['/log', id]);
    } catch (error) {
      this.problems.set([{ path: '', message: (error as Error).message }]);
    } finally {
      this.busy.set(false);
    }
  }
}
