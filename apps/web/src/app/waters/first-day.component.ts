import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import {
  DISCIPLINES,
  KINDS_FOR,
  symbolOf,
  type Discipline,
  type Water,
  type WaterDraftInput,
  type WaterKind,
} from '@inky-shoal/core';
import { readPosition } from '@inky-shoal/core/units/position';
import { ButtonDirective } from 'primeng/button';
import { concat, last, map, type Observable, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BookService } from '../base/book.service';
import { SettingsService } from '../base/settings.service';
import { DayService } from '../sheet/day.service';
import { dayToPlan } from '../sheet/draft';
import { choices } from '../ui/choices';
import { sayDate } from '../ui/dates';
import { FieldComponent } from '../ui/field.component';
import { localDay } from '../ui/local-time';
import { SelectComponent } from '../ui/select.component';
import { isTimeZone } from './place-doubt';
import { readFirstDay } from './first-day-values';
import { placeControls, PlaceFieldsComponent } from './place-fields.component';
import { TideStationsService } from './tide-stations.service';
import { WatersService } from './waters.service';

type Field = 'where' | 'timeZone' | 'date' | 'temp' | 'seen' | 'whole';

/** The name of a water that nobody has named yet. */
const UNNAMED = 'My water';

/** The first minute of an empty book: a place, a day and today's water as well as one knows it make the first plan. */
@Component({
  selector: 'inky-first-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, PlaceFieldsComponent, ReactiveFormsModule, SelectComponent],
  templateUrl: './first-day.component.html',
  styleUrl: './first-day.component.css',
})
export class FirstDayComponent {
  private readonly waters = inject(WatersService);
  private readonly stations = inject(TideStationsService);
  private readonly day = inject(DayService);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly clock = toSignal(inject(BookService).clock$);
  private readonly placeFields = viewChild.required(PlaceFieldsComponent);

  protected readonly form = inject(NonNullableFormBuilder).group({
    place: placeControls(null, Intl.DateTimeFormat().resolvedOptions().timeZone),
    date: '',
    discipline: 'bass' as Discipline,
    waterKind: 'lowland-reservoir' as WaterKind,
    temp: '',
    seen: '',
  });
  private readonly typed = toSignal(this.form.valueChanges.pipe(map(() => this.form.getRawValue())), {
    initialValue: this.form.getRawValue(),
  });
  protected readonly problems = signal<Partial<Record<Field, string | null>>>({});
  protected readonly planning = signal(false);
  protected readonly tempUnit = computed(() => symbolOf('temp', this.units()));
  protected readonly depthUnit = computed(() => symbolOf('depth', this.units()));
  protected readonly disciplines = choices(DISCIPLINES);
  protected readonly kinds = computed(() => choices(KINDS_FOR[this.typed().discipline]));

  private readonly timeZone = computed(() => {
    const { timeZone } = this.typed().place;
    return isTimeZone(timeZone) ? timeZone : 'UTC';
  });
  /** The day that is planned where none is typed: from the afternoon on it is tomorrow. */
  private readonly usualDate = computed(() => {
    const clock = this.clock();
    return clock ? dayToPlan(clock, this.timeZone()) : '';
  });
  /** Which day the date is, and why it stands there. */
  protected readonly when = computed(() => {
    const [clock, { date }] = [this.clock(), this.typed()];
    if (!clock || !date) return '';
    if (date === localDay(clock.now, this.timeZone())) return 'Today.';
    const isUsual = date === this.usualDate() && !this.form.controls.date.dirty;
    return isUsual ? `Tomorrow, since it is past two: ${sayDate(date)}.` : `${sayDate(date)}.`;
  });

  constructor() {
    const { date, discipline, waterKind } = this.form.controls;
    effect(() => {
      const usual = this.usualDate();
      if (usual && !date.dirty) date.setValue(usual);
    });
    discipline.valueChanges.subscribe((now) => {
      const kinds: readonly WaterKind[] = KINDS_FOR[now];
      if (!kinds.includes(waterKind.value)) waterKind.setValue(kinds[0] as WaterKind);
    });
  }

  protected keep(): void {
    const { place, date, discipline, waterKind } = this.form.getRawValue();
    const where = readPosition(place.where);
    const { water, clarity, problems } = readFirstDay(this.form.getRawValue(), where, this.units());
    this.problems.set(problems);
    if (!where.ok || Object.values(problems).some(Boolean)) return;
    if (this.placeFields().doubt()) return document.getElementById('water-place-doubt')?.focus();
    const draft: WaterDraftInput = {
      name: UNNAMED,
      discipline,
      waterKind,
      place: { ...where.position, timeZone: place.timeZone },
    };
    const said = {
      date,
      ...(water.si === undefined ? {} : { surfaceTempC: water.si }),
      ...(clarity.si === undefined ? {} : { visibilityM: clarity.si }),
    };
    this.planning.set(true);
    const now = this.clock()?.now ?? new Date().toISOString();
    const id = uuid();
    this.make(id, draft, water.si, clarity.si, now).subscribe({
      next: () => this.day.begin({ ...draft, id, createdAt: now, updatedAt: now, version: 1 } as Water, said),
      error: (error: Error) => {
        this.planning.set(false);
        this.problems.set({ whole: error.message });
      },
    });
  }

  /** Adds the water and, where its temperature is known, its first reading. */
  private make(
    id: string,
    draft: WaterDraftInput,
    surfaceTempC: number | undefined,
    visibilityM: number | undefined,
    at: string,
  ): Observable<unknown> {
    const made = this.stations.withStation(draft).pipe(switchMap((whole) => this.waters.make(whole, id)));
    if (surfaceTempC === undefined) return made;
    const reading = { at: new Date(at).toISOString(), surfaceTempC, visibilityM };
    return concat(made, this.waters.addReading(id, reading)).pipe(last());
  }
}
