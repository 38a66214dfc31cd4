import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { headline, minutesInOrder, type PlanWindow } from '@inky-shoal/core';
import * as z from 'zod';
import { ButtonDirective } from 'primeng/button';
import { BookService } from '../base/book.service';
import { SettingsService } from '../base/settings.service';
import { FirstDayComponent } from '../waters/first-day.component';
import { WatersService } from '../waters/waters.service';
import { RunOnSheetComponent } from '../water/run-on-sheet.component';
import { RecordOnSheetComponent } from '../record/record-on-sheet.component';
import { RodsOnSheetComponent } from '../rig/rods-on-sheet.component';
import { Store } from '../base/store';
import { FoldComponent } from '../ui/fold.component';
import { DayService } from './day.service';
import { AdviceComponent } from './advice/advice.component';
import { BeforeGoingComponent } from './before-going.component';
import { DayTableComponent } from './day-table.component';
import { DoubtsComponent } from './doubts.component';
import { MovingWaterComponent } from './moving-water.component';
import { SavePlanComponent } from './save-plan.component';
import { SheetChartComponent } from './chart/sheet-chart.component';
import { SentenceComponent } from './sentence/sentence.component';
import { partName, sayHours, TIDE_WORDS } from './words';
import { minuteOnDay, windowColumns } from './minute-on-day';
import { savedWords } from './saved-words';
import { stepBetween } from './step-between';

/** The sheet: the answer, the conditions as a sentence, the day as a picture, and the advice of the chosen window. */
@Component({
  selector: 'inky-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AdviceComponent,
    BeforeGoingComponent,
    ButtonDirective,
    DayTableComponent,
    DoubtsComponent,
    FirstDayComponent,
    FoldComponent,
    MovingWaterComponent,
    RecordOnSheetComponent,
    RodsOnSheetComponent,
    RouterLink,
    RunOnSheetComponent,
    SavePlanComponent,
    SentenceComponent,
    SheetChartComponent,
  ],
  templateUrl: './sheet.view.html',
  styleUrl: './sheet.view.css',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class SheetView {
  private readonly day = inject(DayService);
  private readonly settings = inject(SettingsService);
  private readonly books = inject(BookService);

  /** Of the address: the sheet is to be printed as soon as it stands. */
  readonly print = input<string>();

  /** Tackle has been matched here before, so the sheet shows rods; until then nothing of that is fetched. */
  protected readonly rigged = new Store('rigged', z.boolean(), false).read();
  /** Trips taught something here before: they are asked at once. */
  protected readonly hasRecord = new Store('has-record', z.boolean(), false).read();
  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly book = toSignal(this.books.book$, { requireSync: true });
  protected readonly draft = toSignal(this.day.draft$, { initialValue: null });
  protected readonly problems = toSignal(this.day.problems$, { initialValue: [] });
  protected readonly waters = toSignal(inject(WatersService).waters$, { initialValue: { state: 'loading' } as const });
  protected readonly noWater = computed(() => {
    const waters = this.waters();
    return waters.state === 'ready' && !waters.value.length;
  });
  protected readonly failed = toSignal(this.day.failed$, { initialValue: false });
  protected readonly planned = toSignal(this.day.planned$, { initialValue: null });
  private readonly clock = toSignal(this.books.clock$);

  protected readonly planDay = computed(() => this.planned()?.day ?? null);
  protected readonly plan = computed(() => this.planDay()?.plan ?? null);
  protected readonly conditions = computed(() => this.planned()?.conditions ?? null);
  protected readonly answer = computed(() => {
    const day = this.planDay();
    return day ? headline(day.plan, day.tempTrendCPerDay, this.units()) : '';
  });

  private readonly spans = computed(() => minutesInOrder(this.plan()?.windows ?? []));

  /** The present moment in minutes on the water's clock, where it falls on the planned day and hours. */
  protected readonly nowMin = computed(() => {
    const [clock, draft] = [this.clock(), this.draft()];
    return clock && draft ? minuteOnDay(clock.now, draft, this.spans()) : null;
  });

  private readonly pressed = signal<string | null>(null);
  /** The window being read: the one pressed, else the one of the present moment, else the first. */
  protected readonly window = computed((): PlanWindow | null => {
    const windows = this.plan()?.windows ?? [];
    const now = this.nowMin();
    return (
      windows.find(({ id }) => id === this.pressed()) ??
      windows[this.spans().findIndex(({ fromMin, toMin }) => now !== null && fromMin <= now && now < toMin)] ??
      windows[0] ??
      null
    );
  });

  protected readonly columns = computed(() => windowColumns(this.spans()));
  protected readonly saving = signal(false);
  protected readonly tableOpen = signal(false);
  protected readonly savedWords = computed(() => savedWords(this.draft()));

  protected select(id: string): void {
    this.pressed.set(id);
  }

  protected label(window: PlanWindow): string {
    return partName(window, this.plan()?.windows ?? []);
  }

  protected readonly tideWords = TIDE_WORDS;

  protected readonly hours = ({ from, to }: PlanWindow): string => sayHours(from, to);

  protected onKey(event: KeyboardEvent): void {
    const step = stepBetween(event);
    const windows = this.plan()?.windows;
    const current = this.window();
    if (!step || !windows || !current) return;
    const next = windows[windows.indexOf(current) + step];
    if (!next) return;
    this.select(next.id);
    document.getElementById(`tab-${next.id}`)?.focus();
  }

  protected startOwn(): void {
    this.books.open('own');
  }

  protected startSaving(): void {
    if (this.draft()) this.saving.set(true);
  }
}
