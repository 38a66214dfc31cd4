import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import {
  BASS_SPECIES,
  CATEGORIES,
  Conditions,
  type Problem,
  INSHORE_SPECIES,
  LIMITS,
  nameOf,
  parse,
  SKIES,
  STRUCTURES,
} from '@inky-shoal/core';
import { FISH_LENGTH_MM, tripByHand, type TripPlan } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { firstValueFrom, map } from 'rxjs';
import { BookService } from '../base/book.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { PlannerService } from '../base/planner/planner.service';
import { SettingsService } from '../base/settings.service';
import { draftFor } from '../sheet/draft';
import { choices } from '../ui/choices';
import { fieldProblems } from '../ui/field-problems';
import { FieldComponent } from '../ui/field.component';
import { type FieldChange, FieldsComponent, type FieldSpec, type Values } from '../ui/fields.component';
import { FoldComponent } from '../ui/fold.component';
import { localDay } from '../ui/local-time';
import { SelectComponent } from '../ui/select.component';
import { PastTripsService, zoneHere } from '../underway/past/past-trips.service';
import { WatersService } from '../waters/waters.service';
import { TripsByPhotosComponent } from './trips-by-photos.component';

const LURES = choices(CATEGORIES).sort((a, b) => a.name.localeCompare(b.name));
const DAY_FIELDS: readonly FieldSpec[] = [
  { key: 'surfaceTempC', label: 'Water', kind: 'figure', measure: 'temp', bounds: LIMITS.surfaceTempC },
  { key: 'visibilityM', label: 'Clarity', kind: 'figure', measure: 'depth', bounds: LIMITS.visibilityM },
  { key: 'sky', label: 'Sky', kind: 'one', choices: choices(SKIES), none: 'not known' },
  { key: 'windMps', label: 'Wind', kind: 'figure', measure: 'wind', bounds: LIMITS.windMps },
];
const FIRST_LURE = { bites: 0, fish: 0 } as const;

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
  styles: `
    h1 {
      margin-bottom: 0.4rem;
    }
    form {
      max-width: 46rem;
    }
    .when {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
      gap: 0.5rem 0.9rem;
      margin-bottom: 0.5rem;
    }
    fieldset {
      border: 0;
      border-top: var(--stroke) solid var(--rule);
      margin: 0.75rem 0 0;
      padding: 0.5rem 0 0;
    }
    legend {
      padding: 0;
      font-family: var(--display);
    }
    .first {
      padding-left: 0;
    }
  `,
})
export class PastTripView {
  private readonly past = inject(PastTripsService);
  private readonly planner = inject(PlannerService);
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
  protected readonly dayValues = signal<Values>({});
  protected readonly fished = signal<readonly Values[]>([FIRST_LURE]);
  protected readonly specs = computed((): FieldSpec[] => {
    const species = this.water()?.discipline === 'inshore' ? INSHORE_SPECIES : BASS_SPECIES;
    const structures = this.water()?.structures ?? STRUCTURES;
    return [
      { key: 'category', label: 'Lure', kind: 'one', choices: LURES, none: 'choose a lure' },
      { key: 'minutes', label: 'Fished', kind: 'figure', unit: 'minutes', bounds: [1, 1440] },
      { key: 'bites', label: 'Bites', kind: 'figure', bounds: [0, 200] },
      { key: 'fish', label: 'of them landed', kind: 'figure', bounds: [0, 200] },
      { key: 'spot', label: 'Place', kind: 'text' },
      { key: 'structure', label: 'Kind of place', kind: 'one', choices: choices(structures), none: 'not said' },
      { key: 'depthM', label: 'Depth', kind: 'figure', measure: 'depth', bounds: [0, 300] },
      { key: 'species', label: 'Fish', kind: 'one', choices: choices(species), none: 'not said' },
      { key: 'lengthMm', label: 'The longest', kind: 'figure', measure: 'fishLength', bounds: FISH_LENGTH_MM },
    ];
  });
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
    const planned = await this.plan(when);
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

  /** The day planned as it was, where the water's temperature is known: only so does the trip teach. */
  private async plan({
    date,
    from,
    to,
  }: {
    readonly date: string;
    readonly from: string;
    readonly to: string;
  }): Promise<{ plan: TripPlan } | { problems: readonly Problem[] } | null> {
    const [water, clock] = [this.water(), this.clock()];
    if (!water || !clock || this.dayValues()['surfaceTempC'] === undefined) return null;
    const { readings: _, ...input } = draftFor(water, [], clock, date).input;
    const checked = parse(Conditions, { ...input, window: { from, to }, ...this.dayValues() });
    if (!checked.ok) return { problems: checked.problems };
    const { plan } = await firstValueFrom(this.planner.plan(checked.value, this.settings.units));
    return { plan: { conditions: checked.value, plan } };
  }

  protected lureName({ category }: Values, at: number): string {
    return typeof category === 'string' ? nameOf(category) : at ? 'Another lure' : 'What was fished';
  }
}
