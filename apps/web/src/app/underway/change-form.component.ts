import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import {
  BASS_CATEGORIES,
  capital,
  INSHORE_CATEGORIES,
  nameOf,
  type PlanWindow,
  type UnitSystem,
} from '@inky-shoal/core';
import {
  changesAt,
  type Fishing,
  fishingOf,
  fishingWords,
  type PlaceOption,
  placesOf,
  placeWords,
  sameSpot,
  TRIM_WORDS,
  type Trip,
  usualFishing,
} from '@inky-shoal/core/underway';
import { sayDepth } from './underway-words';

/** One thing that could be fished instead, in words. */
interface Other {
  readonly words: string;
  readonly fishing: Fishing;
}

/** What is fished, changed in two taps: this opened it, the next one chooses. */
@Component({
  selector: 'inky-change',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>What do you fish?</h2>
    @if (lures().length) {
      <h3>Lure</h3>
      <ul>
        @for (each of lures(); track each.words) {
          <li>
            <button type="button" (click)="chosen.emit(each.fishing)">{{ each.words }}</button>
          </li>
        }
      </ul>
    }
    @if (changes().length) {
      <h3>One thing changed</h3>
      <ul>
        @for (each of changes(); track each.words) {
          <li>
            <button type="button" (click)="chosen.emit(each.fishing)">{{ each.words }}</button>
          </li>
        }
      </ul>
    }
    @if (places().length) {
      <h3>Place</h3>
      <ul>
        @for (each of places(); track each.words) {
          <li>
            <button type="button" (click)="chosen.emit(each.fishing)">{{ each.words }}</button>
          </li>
        }
      </ul>
    }
    <label
      >Another lure
      <select class="field" #any (change)="take(any.value)">
        <option value="">choose</option>
        @for (each of all(); track each) {
          <option [value]="each">{{ name(each) }}</option>
        }
      </select></label
    >
    <label
      >Another place, by its name
      <span class="row"
        ><input class="field" maxlength="120" #place [value]="spot()" (input)="spot.set(place.value)" />
        <button type="button" class="plain" [disabled]="!spot().trim() || !now()" (click)="go()">Fish it</button></span
      ></label
    >
    <button type="button" class="plain back" (click)="back.emit()">As it was</button>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0 0 0.75rem;
      padding: 0;
    }
    li button {
      width: 100%;
      min-height: 3rem;
      padding: 0.25rem 0;
      text-align: left;
      background: none;
      color: var(--ink);
      border: 0;
      border-bottom: var(--stroke) solid var(--rule);
      cursor: pointer;
    }
    h2 {
      margin-bottom: 0.5rem;
    }
    h3 {
      font-style: italic;
      font-weight: 400;
    }
    label {
      display: block;
      font-weight: 700;
      margin-bottom: 0.75rem;
    }
    .row {
      display: flex;
      gap: 0.5rem;
    }
    .row .plain {
      white-space: nowrap;
    }
    .back {
      padding-left: 0;
    }
  `,
})
export class ChangeFormComponent {
  readonly trip = input.required<Trip>();
  readonly window = input.required<PlanWindow | null>();
  readonly now = input.required<Fishing | null>();
  readonly minute = input.required<number>();
  readonly units = input.required<UnitSystem>();
  readonly chosen = output<Fishing>();
  readonly back = output();

  protected readonly spot = signal('');
  protected readonly name = nameOf;
  protected readonly all = computed(() =>
    this.trip().plan?.conditions.discipline === 'inshore'
      ? [...INSHORE_CATEGORIES, ...BASS_CATEGORIES]
      : [...BASS_CATEGORIES, ...INSHORE_CATEGORIES],
  );
  private readonly placesNow = computed((): readonly PlaceOption[] => {
    const window = this.window();
    return window ? placesOf(window, this.trip().begin.stops, this.minute()) : [];
  });
  /** The place one is at, as the plan or the last note has it. */
  private readonly here = computed((): PlaceOption | null => {
    const now = this.now();
    const known = now && this.placesNow().find((place) => sameSpot(place, now));
    return known ?? (now && { ...now, weight: 1 }) ?? this.placesNow()[0] ?? null;
  });

  protected readonly lures = computed((): Other[] => {
    const here = this.here();
    if (!here) return [];
    return (this.window()?.presentations ?? []).map((presentation) => {
      const fishing = fishingOf(here, presentation);
      return { words: capital(fishingWords(fishing, this.units())), fishing };
    });
  });
  protected readonly changes = computed((): Other[] => {
    const now = this.now();
    if (!now) return [];
    return changesAt(this.window(), this.trip().begin.stops, now, this.minute()).map((fishing) => ({
      words: this.changeWords(now, fishing),
      fishing,
    }));
  });
  protected readonly places = computed((): Other[] => {
    const now = this.now();
    if (!now) return [];
    return this.placesNow().flatMap(({ spot, structure, cover, depthM }) => {
      const fishing = { ...now, spot, structure, cover };
      if (placeWords(fishing) === placeWords(now)) return [];
      return [{ words: `${capital(placeWords(fishing))}, ${sayDepth(depthM, this.units())}`, fishing }];
    });
  });

  protected take(category: string): void {
    const known = this.all().find((each) => each === category);
    if (!known) return;
    const { spot = null, structure = null, cover = null, depthM } = this.now() ?? this.here() ?? {};
    this.chosen.emit({ ...usualFishing(known, depthM), spot, structure, cover });
  }

  protected go(): void {
    const now = this.now();
    if (now) this.chosen.emit({ ...now, spot: this.spot().trim(), structure: null, cover: null });
  }

  private changeWords(now: Fishing, { depthM, paceMps, trim }: Fishing): string {
    if (trim && trim !== now.trim) return capital(TRIM_WORDS[trim]);
    if (depthM !== now.depthM) return `${depthM > now.depthM ? 'Deeper' : 'Higher'}: ${sayDepth(depthM, this.units())}`;
    return paceMps > now.paceMps ? 'Faster' : 'Slower';
  }
}
