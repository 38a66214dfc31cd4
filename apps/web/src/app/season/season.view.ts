import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { dateOf, nameOf, type SeasonZone } from '@inky-shoal/core';
import { sayComing, sayDay, sayDays, seasonAnswer } from '@inky-shoal/core/season/answer';
import { filter, map, scan, take } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { capital } from '../sheet/words';
import { sayDate } from '../ui/dates';
import { DayService } from '../sheet/day.service';
import { type Loaded, valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { WatersService } from '../waters/waters.service';
import { SelectComponent } from '../ui/select.component';
import { CheckComponent } from '../ui/check.component';
import { FoldComponent } from '../ui/fold.component';
import { TableComponent } from '../ui/table.component';
import { OutsideService } from './outside.service';
import { SeasonService, type WaterSeason } from './season.service';
import { readDay, sayAhead, sayPhases, sayTempBand, sayWeather } from './season-words';
import { YearChartComponent } from './year-chart.component';
import { WeatherImportComponent } from './weather-import.component';

/** The table of the year has a row for every so many days. */
const TABLE_STEP_DAYS = 7;

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
    WeatherImportComponent,
    YearChartComponent,
  ],
  templateUrl: './season.view.html',
  styleUrl: './season.view.css',
})
export class SeasonView {
  private readonly service = inject(SeasonService);
  private readonly outside = inject(OutsideService);
  private readonly days = inject(DayService);
  private readonly notices = inject(NoticeService);
  private readonly router = inject(Router);
  /** Weather is being brought in from a file. */
  protected readonly bringing = signal(false);
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
  protected readonly asking = signal(false);
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
  protected readonly weather = computed(() => {
    const season = this.season();
    return season ? sayWeather(season.outside.weather, season.clock.now, season.water.place.timeZone) : '';
  });
  protected readonly weatherFailed = computed(() => !!this.season()?.outside.weather.failure);
  protected readonly comparable = computed(() => !!this.zone()?.lastYear);

  protected readonly zoneRows = computed(() => {
    const [year, units] = [this.year(), this.units()];
    if (!year) return [];
    const at = year.today - year.firstDay;
    return year.zones.map((zone) => ({
      zone,
      now: sayTempBand(zone, at, units),
      soon: sayTempBand(zone, at + 5, units),
      phases: sayPhases(zone, year.today, 2),
      coming: this.comingWords(zone),
      ahead: sayAhead(zone),
      recorded: zone.recorded,
    }));
  });
  protected readonly tableRows = computed(() => {
    const [year, zone, units] = [this.year(), this.zone(), this.units()];
    if (!year || !zone) return [];
    const rows = [];
    for (let day = year.firstDay; day <= year.lastDay; day += TABLE_STEP_DAYS) {
      rows.push({ day, kind: this.kindOf(day), ...readDay(year, zone, day, units) });
    }
    return rows;
  });
  /** What the picture says, for those who do not see it. */
  protected readonly words = computed(() => {
    const [year, zone] = [this.year(), this.zone()];
    if (!year || !zone) return '';
    const spans = zone.spans.map(({ phase, from, to }) => `${nameOf(phase)} ${sayDays(from, to)}`).join('; ');
    return `The year of ${zone.name}: temperatures, phases and food by day. ${spans}. The table below says the same.`;
  });

  protected readonly capital = capital;
  protected readonly sayDay = sayDay;

  protected date(day: number): string {
    return sayDate(dateOf(day));
  }

  /** Whether a day's figure is read and worked out, forecast, or only what is usual. */
  protected kindOf(day: number): string {
    const year = this.year();
    if (!year || day <= year.today) return 'worked out';
    return day <= (year.forecastTo ?? year.today) ? 'forecast' : 'usual course';
  }

  private comingWords(zone: SeasonZone): string {
    const year = this.year();
    const words = year && sayComing(zone, year.today);
    return words ? capital(words) : 'not within ten weeks';
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

  protected ask(): void {
    const season = this.season();
    if (!season) return;
    this.asking.set(true);
    this.outside.ask(season.water.id).subscribe({ complete: () => this.asking.set(false) });
  }

  /** Lets go of all weather that is kept of this water. */
  protected removeWeather({ water, outside: { weather, weatherDays } }: WaterSeason): void {
    const { id, name } = water;
    const dates = weatherDays.map(({ date }) => date);
    this.outside.removeDays(id, dates).subscribe({
      next: () =>
        this.notices.say(`The weather of ${name} is removed: ${weatherDays.length} days.`, () =>
          this.outside.takeDays(id, weather.source ?? 'a file', weatherDays).subscribe(),
        ),
      error: (error: Error) => this.notices.say(`Not removed. ${error.message}`),
    });
  }
}
