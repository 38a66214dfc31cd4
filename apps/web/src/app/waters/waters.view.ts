import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { nameOf, say, trendCPerDay, type Water } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { sayTrend } from '../sheet/words';
import { BookService } from '../base/book.service';
import { DayService } from '../sheet/day.service';
import { valueOr } from '../base/loaded';
import { NoticeService } from '../base/notice.service';
import { SettingsService } from '../base/settings.service';
import { SeasonService } from '../season/season.service';
import { TideStationComponent } from './tide-station.component';
import { WatersService } from './waters.service';
import { ImportComponent } from './import.component';
import { ReadingFormComponent } from './reading-form.component';
import { ReadingsListComponent } from './readings-list.component';
import { WaterFormComponent } from './water-form.component';
import { ZonesComponent } from './zones.component';

/** The waters of the open book: pick one, make one, add a reading. */
@Component({
  selector: 'inky-waters',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    ImportComponent,
    ReadingFormComponent,
    ReadingsListComponent,
    TideStationComponent,
    WaterFormComponent,
    ZonesComponent,
  ],
  templateUrl: './waters.view.html',
  styleUrl: './waters.view.css',
})
export class WatersView {
  private readonly service = inject(WatersService);
  private readonly day = inject(DayService);
  private readonly notices = inject(NoticeService);
  private readonly seasons = inject(SeasonService);
  private readonly router = inject(Router);

  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly clock = toSignal(inject(BookService).clock$);
  protected readonly waters = toSignal(this.service.waters$, { initialValue: null });
  protected readonly readings = toSignal(this.service.readings$, { initialValue: null });
  private readonly draft = toSignal(this.day.draft$, { initialValue: null });
  private readonly pressed = signal<string | null>(null);
  protected readonly making = signal(false);
  /** The water is being changed. */
  protected readonly editing = signal(false);
  /** What stands open in place of the form for one reading. */
  protected readonly open = signal<'zones' | 'import' | 'tide' | null>(null);

  protected readonly list = computed(() => valueOr(this.waters(), []));
  protected readonly chosen = computed(
    () =>
      this.list().find(({ id }) => id === this.pressed()) ??
      this.list().find(({ id }) => id === this.draft()?.waterId) ??
      this.list()[0] ??
      null,
  );
  protected readonly record = computed(() =>
    valueOr(this.readings(), []).filter(({ waterId }) => waterId === this.chosen()?.id),
  );
  protected readonly summary = computed(() => {
    const [latest] = this.record();
    const zones = this.chosen()?.zones ?? [];
    if (!latest) return 'No reading yet. Its season is that of the latitude until you add the first.';
    if (zones.length > 1) {
      const count = `${this.record().length} ${this.record().length === 1 ? 'reading' : 'readings'}`;
      const zone = zones.find(({ id }) => id === latest.zoneId)?.name;
      return `${say('temp', latest.surfaceTempC, this.units())} at the last reading${zone ? `, in ${zone}` : ''}; ${count} in ${zones.length} zones.`;
    }
    const trend = trendCPerDay(this.record(), Date.parse(latest.at));
    const way =
      trend === undefined ? 'one reading, so no trend yet' : `${sayTrend(trend, this.units())} over the last ten days`;
    return `${say('temp', latest.surfaceTempC, this.units())} at the last reading, ${way}.`;
  });
  protected readonly name = nameOf;

  constructor() {
    effect(() => this.service.look(this.chosen()?.id ?? null));
  }

  protected look(water: Water): void {
    this.pressed.set(water.id);
    this.making.set(false);
    this.open.set(null);
    this.editing.set(false);
  }

  protected toggle(what: 'zones' | 'import' | 'tide'): void {
    this.open.update((open) => (open === what ? null : what));
  }

  protected season(water: Water): void {
    this.seasons.look(water.id);
    void this.router.navigateByUrl('/season');
  }

  protected made(id: string): void {
    this.making.set(false);
    this.editing.set(false);
    this.pressed.set(id);
  }

  protected plan(water: Water): void {
    this.day.begin(water);
    void this.router.navigateByUrl('/sheet');
  }

  /** Takes a water off the list; its readings, plans and trips stay, and come back with it. */
  protected removeWater(water: Water): void {
    const { id, createdAt: _, updatedAt: __, version: ___, ...draft } = water;
    this.service.remove(id).subscribe({
      next: () => this.notices.say(`${water.name} is removed.`, () => this.service.make(draft, id).subscribe()),
      error: (error: Error) => this.notices.say(`Not removed. ${error.message}`),
    });
  }

  protected retry(): void {
    this.service.reload();
  }
}
