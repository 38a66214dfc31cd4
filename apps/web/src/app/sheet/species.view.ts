import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { BASS_SPECIES, INSHORE_SPECIES, nameOf, sayRange, type Conditions, type UnitSystem } from '@inky-shoal/core';
import { SPECIES_LIKES, speciesToday } from '@inky-shoal/core/plan/species';
import { ButtonDirective } from 'primeng/button';
import { map } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { linesOf, type Line } from '../plans/plan-lines';
import { PlanLinesComponent } from '../plans/plan-lines.component';
import { choices } from '../ui/choices';
import { SelectComponent } from '../ui/select.component';
import { BesideService } from './beside.service';
import { DayService } from './day.service';
import { capital, sayList } from './words';

type Species = NonNullable<Conditions['species']>;

const SUITS = { well: 'The day suits it', less: 'The day suits it less', badly: 'The day suits it badly' } as const;
const SHORT = {
  cold: 'colder than it likes',
  warm: 'warmer than it likes',
  fresh: 'too fresh for it',
  salt: 'too salt for it',
  cover: 'not its cover',
  food: 'not its food',
} as const;

/** How a day suits a kind of fish, in words. */
export function saySuits(species: Species, conditions: Conditions): string {
  const { suits, short, inDanger } = speciesToday(species, conditions);
  const why = short.map((each) => SHORT[each]).join(', ');
  const danger = inDanger ? ' It is in danger by itself: let it be.' : '';
  return `${SUITS[suits]}${why ? `: ${why}` : ''}.${danger}`;
}

/** What two kinds like, in lines. */
function likeLines(pair: readonly [Species, Species], conditions: Conditions, units: UnitSystem): Line[] {
  const line = (label: string, of: (species: Species) => string): Line => {
    const [left, right] = [of(pair[0]), of(pair[1])];
    return { label, left, right, differs: left !== right };
  };
  const tide = (species: Species) => {
    const { tides } = SPECIES_LIKES[species];
    return tides.length === 2 ? 'rising and falling' : (tides[0] ?? 'none');
  };
  return [
    line('Today', (species) => saySuits(species, conditions)),
    line('Comfort', (species) => sayRange('temp', SPECIES_LIKES[species].comfortC, units)),
    ...(conditions.discipline === 'inshore'
      ? [line('Salinity', (species) => SPECIES_LIKES[species].salinityPsu.join(' to ') + ' psu'), line('Tide', tide)]
      : []),
    line('Cover', (species) => capital(sayList(SPECIES_LIKES[species].covers))),
    line('Food', (species) => capital(sayList(SPECIES_LIKES[species].food))),
  ];
}

/** The day planned for two kinds of fish, side by side. */
@Component({
  selector: 'inky-species',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, PlanLinesComponent, RouterLink, SelectComponent],
  template: `<div class="view">
    <h1 aria-live="polite">{{ title() }}</h1>
    <p><a class="back" routerLink="/sheet">To the sheet</a></p>
    @if (kinds().length) {
      <inky-select
        fieldId="other-species"
        label="Beside it"
        [choices]="kinds()"
        [value]="other()"
        (valueChange)="wanted.set($event)"
      />
    }
    @if (pair(); as two) {
      <inky-plan-lines [names]="names()" [lines]="lines()" />
      <p class="take">
        <button pButton type="button" (click)="take()">Plan this day for {{ otherName() }}</button>
      </p>
    } @else {
      <p class="quiet" role="status">Planning for both.</p>
    }
  </div>`,
  styles: `
    .back {
      display: inline-flex;
      align-items: center;
      min-height: var(--touch);
    }
    inky-select {
      max-width: 16rem;
      margin-bottom: 0.75rem;
    }
    .take {
      margin-top: 1rem;
    }
  `,
})
export class SpeciesView {
  private readonly day = inject(DayService);
  private readonly router = inject(Router);
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });

  private readonly planned = toSignal(this.day.planned$, { initialValue: null });
  protected readonly wanted = signal('');
  /** The kind that the day is planned for: said, or assumed. */
  private readonly own = computed<Species | null>(() => {
    const planned = this.planned();
    if (!planned) return null;
    const assumed = planned.day.plan.assumed.find(({ path }) => path === 'species')?.value;
    return planned.conditions.species ?? (assumed as Species | undefined) ?? null;
  });
  protected readonly kinds = computed(() => {
    const planned = this.planned();
    if (!planned) return [];
    const all: readonly Species[] = planned.conditions.discipline === 'bass' ? BASS_SPECIES : INSHORE_SPECIES;
    return choices(all.filter((each) => each !== this.own()));
  });
  protected readonly other = computed(() => {
    const kinds = this.kinds();
    return (kinds.find(({ id }) => id === this.wanted()) ?? kinds[0])?.id as Species | undefined;
  });

  protected readonly pair = toSignal(
    inject(BesideService).pair(toObservable(this.other).pipe(map((species) => (species ? () => ({ species }) : null)))),
  );
  protected readonly names = computed(() => [this.own() ?? '', this.other() ?? ''].map((id) => capital(nameOf(id))));
  protected readonly otherName = computed(() => nameOf(this.other() ?? ''));
  protected readonly title = computed(() =>
    this.own() ? `${this.names()[0] ?? ''} and ${this.otherName()}.` : 'Two kinds of fish.',
  );
  protected readonly lines = computed(() => {
    const [pair, own, other, units] = [this.pair(), this.own(), this.other(), this.units()];
    if (!pair || !own || !other) return [];
    const salinity = pair[0].plan.assumed.find(({ path }) => path === 'salinityPsu')?.value as number | undefined;
    const told = { salinityPsu: salinity, ...pair[0].conditions };
    return [...likeLines([own, other], told, units), ...linesOf(pair[0], pair[1], units)];
  });

  protected take(): void {
    const species = this.other();
    if (!species) return;
    this.day.change({ species });
    void this.router.navigateByUrl('/sheet');
  }
}
