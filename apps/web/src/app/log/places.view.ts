import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { dateOf, nameOf, say } from '@inky-shoal/core';
import { levelWords, type Factor, type SpotMemory, type TagStory } from '@inky-shoal/core/logbook';
import { catchError, map, of, switchMap } from 'rxjs';
import { valueOr } from '../base/loaded';
import { SettingsService } from '../base/settings.service';
import { countWords } from '../record/record-words';
import { DayService } from '../sheet/day.service';
import { sayWay } from '../sheet/words';
import { FoldComponent } from '../ui/fold.component';
import { SelectComponent } from '../ui/select.component';
import { WatersService } from '../waters/waters.service';
import { LogService } from './log.service';
import { biteChance, hoursWords, rateFigure, sayDay, spotHistory } from './log-words';

/** What places remember: how often they bit, when last, and how likely what bit there still does. */
@Component({
  selector: 'inky-log-places',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FoldComponent, RouterLink, SelectComponent],
  templateUrl: './places.view.html',
  styles: `
    h1 {
      margin-bottom: 0.4rem;
    }
    ol,
    .tags {
      list-style: none;
      margin: 0.5rem 0 0;
      padding: 0;
      max-width: 46rem;
    }
    li {
      border-top: var(--stroke) solid var(--rule);
      padding: 0.6rem 0;
    }
    h2 {
      font-size: 1.1rem;
    }
    .water {
      max-width: 16rem;
      margin-bottom: 0.75rem;
    }
    section {
      margin-top: 1.5rem;
    }
  `,
})
export class PlacesView {
  private readonly log = inject(LogService);
  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });
  private readonly draft = toSignal(inject(DayService).draft$, { initialValue: null });
  /** The day on the sheet: what places remember is told as of then. */
  private readonly asked = toSignal(this.log.asked$, { initialValue: null });
  protected readonly told = toSignal(
    this.log.asked$.pipe(
      switchMap(({ day, visibilityM }) =>
        this.log.places(day, visibilityM).pipe(
          map((places) => ({ places, problem: null })),
          catchError((error: Error) => of({ places: null, problem: error.message })),
        ),
      ),
    ),
    { initialValue: null },
  );

  protected readonly date = computed(() => sayDay(dateOf(this.asked()?.day ?? 0)));
  protected readonly choices = computed(() => {
    const has = new Set(this.told()?.places?.spots.map(({ waterId }) => waterId));
    return this.waters().filter(({ id }) => has.has(id));
  });
  private readonly chosen = signal<string | null>(null);
  protected readonly waterId = computed(() => {
    const own = this.draft()?.waterId;
    return this.chosen() ?? (this.choices().some(({ id }) => id === own) ? own : this.choices()[0]?.id) ?? '';
  });
  protected readonly spots = computed(() =>
    (this.told()?.places?.spots ?? []).filter(({ waterId }) => !this.waterId() || waterId === this.waterId()),
  );
  protected readonly tags = computed(() => this.told()?.places?.tags ?? []);
  /** How water repeats by the record, in words. */
  protected readonly repeats = computed(() => {
    const repeats = this.told()?.places?.repeats;
    if (!repeats) return '';
    const said = ({ boost, halfDays }: { boost: number; halfDays: number }) =>
      `${rateFigure(1 + boost)} times the usual at once, half of that gone after ${countWords(Math.round(halfDays), 'day')}`;
    return `Where it bit it bites again: in stained water ${said(repeats.stained)}; in clear water ${said(repeats.clear)}.`;
  });

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  protected readonly chance = biteChance;
  protected readonly history = spotHistory;

  /** Hours and bites by month or hour, in words, the best first. */
  protected by(factor: Factor & ('month' | 'hour'), { byMonth, byHour }: SpotMemory): string[] {
    const sums = factor === 'month' ? byMonth : byHour;
    return [...sums]
      .sort(([a], [b]) => a.localeCompare(b))
      .map(
        ([level, { hours, bites }]) =>
          `${levelWords(factor, level, this.units())}: ${countWords(bites, 'bite')} in ${hoursWords(hours)}`,
      );
  }

  protected story({ tag, species, meetings, days, movedM, grewMm }: TagStory): string {
    const what = `${species ? nameOf(species) : 'fish'} ${tag}`;
    const [last] = meetings.slice(-1);
    const where = last?.spot ? ` at ${last.spot}` : '';
    const met = `${what}, ${sayDay(dateOf(last?.day ?? 0))}${where}`;
    if (meetings.length < 2) return `${met}.`;
    const moved =
      movedM === null ? '' : `, ${movedM < 50 ? 'at the same place' : `moved ${sayWay(movedM, this.units())}`}`;
    const grew = grewMm === null ? '' : `, grew ${say('fishLength', Math.max(0, grewMm), this.units())}`;
    return `${met}: met ${meetings.length} times over ${countWords(days, 'day')}${moved}${grew}.`;
  }
}
