import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { advisedAt, dayClock, type DayReading, type Trip, windowAt } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { SheetChartComponent } from '../sheet/chart/sheet-chart.component';
import type { ShortPlan } from '@inky-shoal/core/mornings';
import { FiveBestComponent } from '../competition/five-best.component';
import { KeptCard } from '../mornings/kept-card';
import { RampCardComponent } from '../mornings/ramp-card.component';
import { SettingsService } from '../base/settings.service';
import { InstrumentsService, sensedOf } from './instruments.service';
import { TripService } from './trip.service';
import { answersOf, answersOnSheet } from './answers-on-sheet';
import { ChangeFormComponent } from './change-form.component';
import { FishFormComponent } from './fish-form.component';
import { LastNoteComponent } from './last-note.component';
import { NextMoveComponent } from './next-move.component';
import { OffPlanComponent } from './off-plan.component';
import { TripReadingComponent } from './reading-form.component';
import { TapNotesService } from './tap-notes.service';
import { type Tap, TapsComponent } from './taps.component';
import { TripCautionsComponent } from './trip-cautions.component';
import { TripMoreComponent } from './trip-more.component';
import { TripNowComponent } from './trip-now.component';

/** What may stand in the middle instead of the advice. */
type Panel = 'change' | 'reading' | 'fish';

/** A trip under way: the present advice, the next move, nine targets; the rest below. */
@Component({
  selector: 'inky-trip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    ChangeFormComponent,
    FishFormComponent,
    FiveBestComponent,
    LastNoteComponent,
    NextMoveComponent,
    OffPlanComponent,
    RampCardComponent,
    SheetChartComponent,
    TapsComponent,
    TripCautionsComponent,
    TripMoreComponent,
    TripNowComponent,
    TripReadingComponent,
  ],
  templateUrl: './trip.component.html',
  styleUrl: './trip.component.css',
})
export class TripComponent {
  protected readonly trips = inject(TripService);
  private readonly taps = inject(TapNotesService);
  private readonly settings = inject(SettingsService);

  readonly trip = input.required<Trip>();
  readonly all = input.required<readonly Trip[]>();
  readonly nowMs = input.required<number>();

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly found = toSignal(this.trips.found$, { initialValue: null });
  protected readonly day = toSignal(this.trips.day$, { initialValue: null });
  protected readonly other = toSignal(this.trips.other$, { initialValue: null });
  private readonly instruments = toSignal(inject(InstrumentsService).now$, { initialValue: null });

  private readonly cards = inject(KeptCard);
  protected readonly cardDone = signal(false);
  /** The ramp card of the evening before, until something is noted or an answer is taken. */
  protected readonly card = computed(() => (this.cardDone() ? null : this.cards.askedOn(this.trip())));

  private readonly box = viewChild<ElementRef<HTMLElement>>('box');
  protected readonly panel = signal<Panel | null>(null);
  protected readonly fishNote = signal('');

  private readonly clock = computed(() => dayClock(this.trip()));
  /** Minutes past midnight on the water's clock. */
  protected readonly minute = computed(() => this.clock().minuteAt(this.nowMs()) % 1440);
  protected readonly nowMin = computed(() => {
    const moments = this.day()?.moments;
    const minute = this.minute();
    return moments && minute >= (moments[0]?.minute ?? 0) && minute <= (moments.at(-1)?.minute ?? 0) ? minute : null;
  });
  protected readonly window = computed(() => windowAt(this.trip().plan?.plan.windows ?? [], this.minute()));
  protected readonly cautions = computed(() => this.trip().plan?.plan.cautions ?? []);
  /** What was said to be fished last, else what the plan has for this hour. */
  protected readonly fishing = computed(() => this.trip().fishing ?? advisedAt(this.trip(), this.nowMs()));
  /** Bites on the sheet, at their hour and depth. */
  protected readonly answers = computed(() =>
    answersOnSheet(answersOf(this.trip(), this.clock().minuteAt), this.units()),
  );
  /** What stands in the reading's fields to begin with: the water's temperature, where instruments tell it. */
  protected readonly readBegin = signal<DayReading>({});

  constructor() {
    // What opens in the middle is read from its top, wherever one had come to.
    effect(() => {
      const panel = this.box()?.nativeElement;
      panel?.focus({ preventScroll: true });
      // Opened from farther down it is read from its top.
      if (panel && panel.getBoundingClientRect().top < 0) panel.scrollIntoView();
    });
  }

  protected async tap(tap: Tap): Promise<void> {
    const note = await this.taps.note(tap, this.trip(), this.fishing()?.category);
    if (note && tap === 'landed') this.tellOf(note.id);
  }

  protected leaveCard(): void {
    this.cardDone.set(true);
    this.cards.forget();
  }

  protected takeMorning({ change }: ShortPlan): void {
    this.cardDone.set(true);
    void this.trips.takeMorning(change);
  }

  /** Opens the reading with what instruments tell now; what is typed then is not overtaken by what they tell later. */
  protected read(): void {
    const known = this.instruments();
    const surfaceTempC = known ? sensedOf(known, known.nowMs)?.surfaceTempC : undefined;
    this.readBegin.set({ surfaceTempC });
    this.panel.set('reading');
  }

  protected close(): void {
    this.panel.set(null);
  }

  /** Opens what may be said of a fish. */
  protected tellOf(note: string): void {
    this.fishNote.set(note);
    this.panel.set('fish');
  }
}
