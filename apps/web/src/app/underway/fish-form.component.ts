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
import type { UnitSystem } from '@inky-shoal/core';
import { tagSeen, type Catch, type Trip } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { map } from 'rxjs';
import { PhotoProblem, smallPhoto } from '../rig/boxes/photo';
import { OpenFileComponent } from '../ui/open-file.component';
import { FieldComponent } from '../ui/field.component';
import { SelectComponent } from '../ui/select.component';
import { FoldComponent } from '../ui/fold.component';
import { fieldProblems } from '../ui/field-problems';
import { type FieldChange, FieldsComponent } from '../ui/fields.component';
import { catchOf, fishFields, fishValues, type FishValues, pieceOf, withField, withTiedOn } from './fish-fields';
import { FISH_SIZES, type FishSize, noteOf, seenWords, shownSize, sizeProblem, typedOver, unitOf } from './fish-size';
import { TiedOnService } from './tied-on.service';
import { TripService } from './trip.service';

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

  protected readonly fields = FISH_SIZES;
  /** The trip and the note as the form was opened: what comes in later does not overtake what is typed. */
  private readonly found = computed(() => noteOf(untracked(this.among), this.of()));
  private readonly known = computed((): Catch => this.found().contact?.fish ?? {});
  private readonly owned = toSignal(inject(TiedOnService).owned$, { requireSync: true });
  /** What more may be told of it: by kind of fishing, since that tells which fish it may be. */
  protected readonly more = computed(() => fishFields(this.found().trip?.plan?.conditions.discipline));
  protected readonly moreValues = linkedSignal((): FishValues => fishValues(this.known()));
  /** What is owned of the lure that was fished. */
  protected readonly pieces = computed(() => {
    const category = this.found().contact?.fishing?.category;
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
    lengthMm: sizeProblem('lengthMm', this.typed().lengthMm, this.units()),
    weightG: sizeProblem('weightG', this.typed().weightG, this.units()),
  }));
  protected readonly seenBefore = computed(() =>
    tagSeen(this.among(), this.typed().tag, this.of()).map((seen) => seenWords(seen, this.units())),
  );

  constructor() {
    effect(() =>
      this.form.setValue({
        lengthMm: shownSize('lengthMm', this.known(), this.units()),
        weightG: shownSize('weightG', this.known(), this.units()),
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
      lengthMm: typedOver('lengthMm', this.typed().lengthMm, this.known(), this.units()),
      weightG: typedOver('weightG', this.typed().weightG, this.known(), this.units()),
      tag: this.typed().tag.trim() === this.known().tag ? undefined : this.typed().tag.trim() || undefined,
      photoId: this.photoId(),
      ...(this.moreSaid() ? catchOf(this.moreValues(), this.known()) : {}),
    };
    const told = Object.values(fish).some((value) => value !== undefined);
    void (told ? this.trips.describeCatch(this.of(), fish) : Promise.resolve()).then(() => this.done.emit());
  }

  protected unit(field: FishSize): string {
    return unitOf(field, this.units());
  }
}
