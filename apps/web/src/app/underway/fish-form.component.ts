import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { readQuantityIn, say, sayRange, symbolOf, type UnitSystem } from '@inky-shoal/core';
import { FISH_LENGTH_MM, FISH_WEIGHT_G, tagSeen, type Catch, type Trip } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { map } from 'rxjs';
import { PhotoProblem, smallPhoto } from '../rig/boxes/photo';
import { plainFigure } from '../ui/numbers';
import { OpenFileComponent } from '../ui/open-file.component';
import { FieldComponent } from '../ui/field.component';
import { SelectComponent } from '../ui/select.component';
import { FoldComponent } from '../ui/fold.component';
import { fieldProblems } from '../ui/field-problems';
import { type FieldChange, FieldsComponent } from '../ui/fields.component';
import { catchOf, fishFields, fishValues, type FishValues, pieceOf, withField, withTiedOn } from './fish-fields';
import { TiedOnService } from './tied-on.service';
import { TripService } from './trip.service';
import { sayTime } from './underway-words';
import { sayShortDate } from '../ui/dates';

type Measured = 'lengthMm' | 'weightG';
const BOUNDS = { lengthMm: FISH_LENGTH_MM, weightG: FISH_WEIGHT_G } as const;
const FIELDS = [
  { key: 'lengthMm', name: 'Length' },
  { key: 'weightG', name: 'Weight' },
] as const;
const MEASURES = { lengthMm: 'fishLength', weightG: 'fishWeight' } as const;

/** More of a fish that is noted already: length, weight, tag, photo. All of it may be left out. */
@Component({
  selector: 'inky-fish-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    FieldComponent,
    FieldsComponent,
    FoldComponent,
    OpenFileComponent,
    ReactiveFormsModule,
    SelectComponent,
  ],
  templateUrl: './fish-form.component.html',
  styleUrl: './fish-form.component.css',
})
export class FishFormComponent {
  private readonly trips = inject(TripService);

  /** The note of the fish. */
  readonly of = input.required<string>();
  readonly units = input.required<UnitSystem>();
  /** Trips among which the tag is looked for. */
  readonly among = input.required<readonly Trip[]>();
  readonly done = output();

  protected readonly fields = FIELDS;
  /** What was known of it as the form was opened: what comes in later does not overtake what is typed. */
  private readonly known = computed((): Catch => {
    const of = this.of();
    const notes = untracked(this.among).flatMap((trip) => trip.notes);
    const note = notes.find(({ event }) => event.id === of)?.event;
    return (note?.kind === 'contact' && note.fish) || {};
  });
  private readonly owned = toSignal(inject(TiedOnService).owned$, { requireSync: true });
  private readonly category = computed(() => {
    const of = this.of();
    const notes = untracked(this.among).flatMap((trip) => trip.notes);
    const note = notes.find(({ event }) => event.id === of)?.event;
    return note?.kind === 'contact' ? note.fishing?.category : undefined;
  });
  private readonly discipline = computed(() => {
    const of = this.of();
    const trip = untracked(this.among).find(({ notes }) => notes.some(({ event }) => event.id === of));
    return trip?.plan?.conditions.discipline;
  });
  /** What more may be told of it: by kind of fishing, since that tells which fish it may be. */
  protected readonly more = computed(() => fishFields(this.discipline()));
  protected readonly moreValues = linkedSignal((): FishValues => fishValues(this.known()));
  /** What is owned of the lure that was fished. */
  protected readonly pieces = computed(() => {
    const category = this.category();
    return category ? this.owned()(category) : [];
  });
  protected readonly piece = computed(() => pieceOf(this.moreValues()));
  protected readonly moreProblems = computed(() => fieldProblems(this.more(), this.moreValues(), this.units()));
  private readonly moreSaid = signal(false);
  protected readonly form = inject(NonNullableFormBuilder).group({ lengthMm: '', weightG: '', tag: '' });
  private readonly typed = toSignal(this.form.valueChanges.pipe(map(() => this.form.getRawValue())), {
    initialValue: this.form.getRawValue(),
  });
  protected readonly photoId = signal<string | undefined>(undefined);
  protected readonly photoProblem = signal<string | null>(null);
  protected readonly problems = computed(() => ({
    lengthMm: this.problem('lengthMm', this.typed().lengthMm),
    weightG: this.problem('weightG', this.typed().weightG),
  }));
  protected readonly seenBefore = computed(() =>
    tagSeen(this.among(), this.typed().tag, this.of()).map(({ atMs, tripName, spot, lengthMm }) => ({
      when: `${sayShortDate(atMs)}, ${sayTime(atMs, undefined)}`,
      where: [tripName, spot].filter(Boolean).join(', '),
      length: lengthMm === null ? null : say('fishLength', lengthMm, this.units()),
    })),
  );

  constructor() {
    effect(() =>
      this.form.setValue({
        lengthMm: this.shown('lengthMm'),
        weightG: this.shown('weightG'),
        tag: this.known().tag ?? '',
      }),
    );
  }

  protected setMore({ key, value }: FieldChange): void {
    this.moreSaid.set(true);
    this.moreValues.set(withField(this.moreValues(), key, value));
  }

  /** It took this one of what is owned. */
  protected setPiece(id: string): void {
    const piece = this.pieces().find((each) => each.id === id);
    this.moreSaid.set(true);
    this.moreValues.set(withTiedOn(this.moreValues(), piece?.tiedOn ?? {}));
  }

  protected take(file: File): void {
    this.photoProblem.set(null);
    smallPhoto(file)
      .then((photo) => this.trips.addPhoto(photo))
      .then((id) => this.photoId.set(id))
      .catch((error: Error) =>
        this.photoProblem.set(
          error instanceof PhotoProblem ? error.message : `The photo was not kept. ${error.message}`,
        ),
      );
  }

  /** Something stands there that cannot be. */
  protected readonly isWrong = computed(() => {
    const { lengthMm, weightG } = this.problems();
    return !!lengthMm || !!weightG || Object.keys(this.moreProblems()).length > 0;
  });

  /** Closes it. What was typed and is right is kept: nobody types a length to lose it. */
  protected close(): void {
    if (!this.isWrong()) this.keep();
  }

  protected keep(): void {
    const fish: Catch = {
      lengthMm: this.typedOver('lengthMm'),
      weightG: this.typedOver('weightG'),
      tag: this.typed().tag.trim() === this.known().tag ? undefined : this.typed().tag.trim() || undefined,
      photoId: this.photoId(),
      ...(this.moreSaid() ? catchOf(this.moreValues(), this.known()) : {}),
    };
    const told = Object.values(fish).some((value) => value !== undefined);
    void (told ? this.trips.describeCatch(this.of(), fish) : Promise.resolve()).then(() => this.done.emit());
  }

  /** A known figure as it stands in its field. */
  private shown(field: Measured): string {
    const si = this.known()[field];
    return si === undefined ? '' : plainFigure(MEASURES[field], si, this.units());
  }

  /** What was typed; nothing where the field stands as it did, since it was only shown rounded. */
  private typedOver(field: Measured): number | undefined {
    return this.typed()[field] === this.shown(field) ? undefined : this.si(field);
  }

  private si(field: Measured): number | undefined {
    return readQuantityIn(this.typed()[field], MEASURES[field], this.units());
  }

  protected unit(field: Measured): string {
    return symbolOf(MEASURES[field], this.units());
  }

  private problem(field: Measured, text: string): string | null {
    if (!text.trim()) return null;
    const expected = `Expected ${sayRange(MEASURES[field], BOUNDS[field], this.units())}`;
    const si = this.si(field);
    if (si === undefined) return `${expected}, got "${text.trim().slice(0, 20)}".`;
    const [least, most] = BOUNDS[field];
    return si < least || si > most ? `${expected}, got ${text.trim()} ${this.unit(field)}.` : null;
  }
}
