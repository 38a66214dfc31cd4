import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { BASS_CATEGORIES, capital, INSHORE_CATEGORIES, type PlanWindow, type UnitSystem } from '@inky-shoal/core';
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
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectComponent } from '../ui/select.component';
import { FieldComponent } from '../ui/field.component';
import { choices } from '../ui/choices';
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
  imports: [ButtonDirective, FieldComponent, InputText, SelectComponent],
  templateUrl: './change-form.component.html',
  styleUrl: './change-form.component.css',
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
  private readonly categories = computed(() =>
    this.trip().plan?.conditions.discipline === 'inshore'
      ? [...INSHORE_CATEGORIES, ...BASS_CATEGORIES]
      : [...BASS_CATEGORIES, ...INSHORE_CATEGORIES],
  );
  protected readonly all = computed(() => choices(this.categories()));
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

  private readonly lures = computed((): Other[] => {
    const here = this.here();
    if (!here) return [];
    return (this.window()?.presentations ?? []).map((presentation) => {
      const fishing = fishingOf(here, presentation);
      return { words: capital(fishingWords(fishing, this.units())), fishing };
    });
  });
  private readonly changes = computed((): Other[] => {
    const now = this.now();
    if (!now) return [];
    return changesAt(this.window(), this.trip().begin.stops, now, this.minute()).map((fishing) => ({
      words: this.changeWords(now, fishing),
      fishing,
    }));
  });
  private readonly places = computed((): Other[] => {
    const now = this.now();
    if (!now) return [];
    return this.placesNow().flatMap(({ spot, structure, cover, depthM }) => {
      const fishing = { ...now, spot, structure, cover };
      if (placeWords(fishing) === placeWords(now)) return [];
      return [{ words: `${capital(placeWords(fishing))}, ${sayDepth(depthM, this.units())}`, fishing }];
    });
  });

  /** What could be fished instead, under the one thing that would be other. */
  protected readonly groups = computed(() =>
    [
      { name: 'Lure', others: this.lures() },
      { name: 'One thing changed', others: this.changes() },
      { name: 'Place', others: this.places() },
    ].filter(({ others }) => others.length),
  );

  protected take(category: string): void {
    const known = this.categories().find((each) => each === category);
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
