import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { dateOf, type SeasonZone } from '@inky-shoal/core';
import { sayDay, seasonAnswer } from '@inky-shoal/core/season/answer';
import { filter, map, scan, take } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { capital } from '../sheet/words';
import { sayDate } from '../ui/dates';
import { DayService } from '../sheet/day.service';
import { type Loaded, valueOr } from '../base/loaded';
import { SettingsService } from '../base/settings.service';
import { WatersService } from '../waters/waters.service';
import { SelectComponent } from '../ui/select.component';
import { CheckComponent } from '../ui/check.component';
import { FoldComponent } from '../ui/fold.component';
import { TableComponent } from '../ui/table.component';
import { SeasonService, type WaterSeason } from './season.service';
import { kindOfDay, weekRows, yearWords, zoneRows } from './season-rows';
import { readDay } from './season-words';
import { weatherProblem, WeatherSourceComponent } from './weather-source.component';
import { YearChartComponent } from './year-chart.component';

/** The season: what phase where, what is coming when, and the year as one picture from which a day can be planned. */
@Component({
  selector: 'inky-season',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    FoldComponent,
    RouterLink,
    SelectComponent,
    TableComponent,
    WeatherSourceComponent,
    YearChartComponent,
  ],
  templateUrl: './season.view.html',
  styleUrl: './season.view.css',
})
export class SeasonView {
  private readonly service = inject(SeasonService);
  private readonly days = inject(DayService);
  private readonly router = inject(Router);
  private readonly settings = inject(SettingsService);

  constructor() {
    // The season of the water on the sheet, where no other was asked for.
    this.days.draft$.pipe(take(1)).subscribe((draft) => draft?.waterId && this.service.lookAtFirst(draft.waterId));
  }

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly waters = toSignal(inject(WatersService).waters$, { initialValue: { state: 'loading' } as const });
  private readonly loaded = toSignal(this.service.season$, { initialValue: { state: 'loading' } as Loaded<null> });
  /** The latest season; it stays on the page while the next is worked out. */
  protected readonly season = toSignal(
    this.service.season$.pipe(
      filter((loaded) => loaded.state === 'ready'),
      map(({ value }) => value),
      scan((_, next) => next, null as WaterSeason | null),
    ),
    { initialValue: null },
  );
  protected readonly state = computed(() => this.loaded().state);
  protected readonly list = computed(() => valueOr(this.waters(), []));

  private readonly zonePressed = signal<string | null>(null);
  private readonly dayPressed = signal<number | null>(null);
  private readonly dayHovered = signal<number | null>(null);
  protected readonly lastYear = signal(false);
  /** The long table is made when it is wanted. */
  protected readonly tableOpen = signal(false);

  protected readonly year = computed(() => this.season()?.year ?? null);
  protected readonly answer = computed(() => {
    const season = this.season();
    return season ? seasonAnswer(season.year, season.water.name) : '';
  });
  /** The zone that is read: the one pressed, else the one that is read most. */
  protected readonly zone = computed((): SeasonZone | null => {
    const zones = this.year()?.zones ?? [];
    const most = zones.reduce<SeasonZone | null>((a, b) => (a && a.recorded >= b.recorded ? a : b), null);
    return zones.find(({ id }) => id === this.zonePressed()) ?? most;
  });
  protected readonly pinned = computed(() => {
    const year = this.year();
    if (!year) return 0;
    return Math.min(year.lastDay, Math.max(year.firstDay, this.dayPressed() ?? year.today));
  });
  protected readonly day = computed(() => this.dayHovered() ?? this.pinned());
  protected readonly read = computed(() => {
    const [year, zone] = [this.year(), this.zone()];
    return year && zone ? readDay(year, zone, this.day(), this.units()) : null;
  });
  protected readonly weatherProblem = computed(() => weatherProblem(this.season()));
  protected readonly comparable = computed(() => !!this.zone()?.lastYear);

  protected readonly zoneRows = computed(() => {
    const year = this.year();
    return year ? zoneRows(year, this.units()) : [];
  });
  protected readonly tableRows = computed(() => {
    const [year, zone] = [this.year(), this.zone()];
    return year && zone ? weekRows(year, zone, this.units()) : [];
  });
  protected readonly words = computed(() => {
    const zone = this.zone();
    return zone ? yearWords(zone) : '';
  });

  protected readonly capital = capital;
  protected readonly sayDay = sayDay;

  protected date(day: number): string {
    return sayDate(dateOf(day));
  }

  protected kindOf(day: number): string {
    const year = this.year();
    return year ? kindOfDay(year, day) : '';
  }

  protected lookAt(waterId: string): void {
    this.service.look(waterId);
    this.zonePressed.set(null);
    this.dayPressed.set(null);
  }

  protected choose(zoneId: string): void {
    this.zonePressed.set(zoneId);
  }

  protected pick(day: number): void {
    this.dayPressed.set(day);
  }

  protected hover(day: number | null): void {
    this.dayHovered.set(day);
  }

  protected plan(): void {
    const [season, zone] = [this.season(), this.zone()];
    if (!season || !zone) return;
    this.days.beginFrom(season, zone.id, this.pinned());
    void this.router.navigateByUrl('/sheet');
  }
}
