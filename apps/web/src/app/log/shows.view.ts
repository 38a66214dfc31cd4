import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital } from '@inky-shoal/core';
import { FACTOR_NAMES, FACTORS, isInOrder, type Counted, type Factor, type LevelRate } from '@inky-shoal/core/logbook';
import { catchError, map, of, startWith, switchMap } from 'rxjs';
import { valueOr } from '../base/loaded';
import { SettingsService } from '../base/settings.service';
import { countWords } from '../record/record-words';
import { FoldComponent } from '../ui/fold.component';
import { OneOfComponent } from '../ui/one-of.component';
import { SelectComponent } from '../ui/select.component';
import { TableComponent } from '../ui/table.component';
import { WatersService } from '../waters/waters.service';
import { DotsChartComponent } from './dots-chart.component';
import type { Dot } from './dots-pen';
import { LogService } from './log.service';
import { claimWords, hoursWords, levelName, rateFigure } from './log-words';

/** More levels than these are not drawn; the table has them all. */
const MOST_DOTS = 24;
const COUNTED_NAMES = [
  { id: 'bites', name: 'Bites' },
  { id: 'fish', name: 'Fish' },
] as const;

/** What the log shows: rates by anything that was noted, two of them crossed, and claims tested. */
@Component({
  selector: 'inky-log-shows',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DotsChartComponent, FoldComponent, OneOfComponent, RouterLink, SelectComponent, TableComponent],
  templateUrl: './shows.view.html',
  styleUrl: './shows.view.css',
})
export class ShowsView {
  private readonly log = inject(LogService);
  private readonly settings = inject(SettingsService);
  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });

  protected readonly factors = FACTORS.map((id) => ({ id, name: FACTOR_NAMES[id] }));
  protected readonly countedNames = COUNTED_NAMES;
  protected readonly factor = signal<Factor>('lure');
  protected readonly across = signal<Factor | null>(null);
  protected readonly counted = signal<Counted>('bites');
  /** Only trips on this water; on every one where it is empty. */
  protected readonly waterId = signal('');
  protected readonly waters = toSignal(inject(WatersService).waters$.pipe(map((loaded) => valueOr(loaded, []))), {
    initialValue: [],
  });
  private readonly query = computed(() => ({
    waterId: this.waterId() || undefined,
    factor: this.factor(),
    across: this.across() ?? undefined,
    counted: this.counted(),
  }));

  /** The rates with the question they answer; words where they could not be counted. */
  protected readonly told = toSignal(
    toObservable(this.query).pipe(
      switchMap((query) =>
        this.log.shows(query).pipe(
          map((rates) => ({ query, rates, problem: null })),
          catchError((error: Error) => of({ query, rates: null, problem: error.message })),
        ),
      ),
    ),
    { initialValue: null },
  );
  protected readonly levels = computed(() => {
    const told = this.told();
    if (!told?.rates) return [];
    const { factor, across } = told.query;
    const ordered = isInOrder(factor) && !across;
    return [...told.rates.levels]
      .sort((a, b) => (ordered ? a.level.localeCompare(b.level) : b.perHour - a.perHour))
      .map((rate) => ({ rate, name: levelName(rate, factor, across, this.units()) }));
  });
  protected readonly dots = computed((): Dot[] =>
    this.levels()
      .slice(0, MOST_DOTS)
      .map(({ rate: { perHour, low, high, isSmall }, name }) => ({ name, value: perHour, low, high, isSmall })),
  );
  protected readonly smalls = computed(() => this.levels().filter(({ rate }) => rate.isSmall).length);
  protected readonly sentence = computed(() => {
    const rates = this.told()?.rates;
    if (!rates) return '';
    const { trips, hours, perHour } = rates;
    return `${countWords(trips, 'trip')}, ${countWords(Math.round(hours), 'hour')} of fishing, ${rateFigure(perHour)} ${this.counted()} an hour over all.`;
  });
  protected readonly words = computed(
    () =>
      `${capital(this.counted())} an hour by ${FACTOR_NAMES[this.factor()]}: ${this.dots()
        .map(({ name, value }) => `${name} ${rateFigure(value)}`)
        .join(', ')}.`,
  );

  /** What can be claimed: a level of the factor that is looked at. */
  protected readonly claims = computed(() => {
    const told = this.told();
    if (!told?.rates || told.query.across) return [];
    return this.levels().map(({ rate, name }) => ({ id: rate.level, name }));
  });
  protected readonly claimed = signal('');
  protected readonly claim = toSignal(
    toObservable(computed(() => ({ query: this.query(), level: this.claimed() }))).pipe(
      switchMap(({ query, level }) =>
        level && !query.across
          ? this.log.claim(query, level).pipe(
              map((claim) => claimWords(claim, query.factor, level, query.counted, this.units())),
              catchError((error: Error) => of(error.message)),
              startWith(null),
            )
          : of(null),
      ),
    ),
    { initialValue: null },
  );

  protected readonly hoursWords = hoursWords;
  protected readonly rateFigure = rateFigure;

  protected setFactor(id: string): void {
    this.claimed.set('');
    this.factor.set(id as Factor);
    if (this.across() === id) this.across.set(null);
  }

  protected setAcross(id: string): void {
    this.claimed.set('');
    this.across.set(id && id !== this.factor() ? (id as Factor) : null);
  }

  protected perHundred({ casts, ...rate }: LevelRate): string {
    return casts ? rateFigure((100 * rate[this.counted()]) / casts) : '';
  }
}
