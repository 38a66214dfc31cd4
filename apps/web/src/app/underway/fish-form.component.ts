import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { say, sayRange, symbolOf, toSi, type UnitSystem } from '@inky-shoal/core';
import { FISH_LENGTH_MM, FISH_WEIGHT_G, tagSeen, type Catch, type Trip } from '@inky-shoal/core/underway';
import { PhotoProblem, smallPhoto } from '../rig/boxes/photo';
import { TripService } from './trip.service';
import { plainFigure, readNumber } from '../ui/numbers';
import { sayTime } from './underway-words';

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
  template: `
    <h2>Landed. It is noted.</h2>
    <form (submit)="$event.preventDefault(); keep()">
      <div class="two">
        @for (field of fields; track field.key) {
          <div>
            <label
              >{{ field.name }} ({{ unit(field.key) }})
              <input
                class="field"
                inputmode="decimal"
                autocomplete="off"
                #typed
                [value]="texts()[field.key]"
                [attr.aria-invalid]="!!problems()[field.key]"
                [attr.aria-describedby]="field.key + '-problem'"
                (input)="type(field.key, typed.value)"
            /></label>
            <p [id]="field.key + '-problem'" class="problem" role="alert">{{ problems()[field.key] }}</p>
          </div>
        }
      </div>
      <label
        >Tag number
        <input class="field" autocomplete="off" maxlength="40" #tagged [value]="tag()" (input)="tag.set(tagged.value)"
      /></label>
      @for (seen of seenBefore(); track $index) {
        <p class="seen" role="status">
          Seen before: {{ seen.when }}{{ seen.where ? ', ' + seen.where : ''
          }}{{ seen.length ? ', ' + seen.length : '' }}.
        </p>
      }
      <label class="plain photo"
        >{{ photoId() ? 'Photo is kept' : 'Photo' }}
        <input class="visually-hidden" type="file" accept="image/*" capture="environment" #file (change)="take(file)"
      /></label>
      @if (photoProblem(); as why) {
        <p class="problem" role="alert">{{ why }}</p>
      }
      <div class="acts">
        <button type="submit" class="act" [disabled]="!!problems().lengthMm || !!problems().weightG">Keep</button>
        <button type="button" class="plain" (click)="done.emit()">Fish on</button>
      </div>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 0.5rem;
      margin-top: 0.5rem;
    }
    label {
      font-weight: 700;
    }
    .problem {
      margin-top: 0.4rem;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.75rem;
    }
    .photo {
      font-weight: 400;
    }
    .seen {
      border-left: 3px solid var(--act);
      padding-left: 0.6rem;
    }
    .acts {
      display: flex;
      gap: 1rem;
    }
    .acts .act {
      min-width: 7rem;
    }
  `,
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
  protected readonly texts = linkedSignal(() => ({ lengthMm: this.shown('lengthMm'), weightG: this.shown('weightG') }));
  protected readonly tag = linkedSignal(() => this.known().tag ?? '');
  protected readonly photoId = signal<string | undefined>(undefined);
  protected readonly photoProblem = signal<string | null>(null);
  protected readonly problems = computed(() => ({
    lengthMm: this.problem('lengthMm', this.texts().lengthMm),
    weightG: this.problem('weightG', this.texts().weightG),
  }));
  protected readonly seenBefore = computed(() =>
    tagSeen(this.among(), this.tag(), this.of()).map(({ atMs, tripName, spot, lengthMm }) => ({
      when: `${new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(atMs)}, ${sayTime(atMs, undefined)}`,
      where: [tripName, spot].filter(Boolean).join(', '),
      length: lengthMm === null ? null : say('fishLength', lengthMm, this.units()),
    })),
  );

  protected type(field: Measured, text: string): void {
    this.texts.update((texts) => ({ ...texts, [field]: text }));
  }

  protected take({ files }: HTMLInputElement): void {
    const [file] = files ?? [];
    if (!file) return;
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

  protected keep(): void {
    const fish: Catch = {
      lengthMm: this.typedOver('lengthMm'),
      weightG: this.typedOver('weightG'),
      tag: this.tag().trim() === this.known().tag ? undefined : this.tag().trim() || undefined,
      photoId: this.photoId(),
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
    return this.texts()[field] === this.shown(field) ? undefined : this.si(field);
  }

  private si(field: Measured): number | undefined {
    const number = readNumber(this.texts()[field]);
    return number === undefined ? undefined : toSi(MEASURES[field], number, this.units());
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
