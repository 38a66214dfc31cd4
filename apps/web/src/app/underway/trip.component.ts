import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { capital, nameOf } from '@inky-shoal/core';
import {
  advisedAt,
  dayClock,
  type DayReading,
  type Fishing,
  type TripFindings,
  type OffPlan,
  sayStretch,
  type Trip,
  windowAt,
} from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { SheetChartComponent } from '../sheet/chart/sheet-chart.component';
import type { ShortPlan } from '@inky-shoal/core/mornings';
import { FiveBestComponent } from '../competition/five-best.component';
import { KeptCard } from '../mornings/kept-card';
import { RampCardComponent } from '../mornings/ramp-card.component';
import { SettingsService } from '../base/settings.service';
import { FoldComponent } from '../ui/fold.component';
import { AwakeService } from './awake.service';
import { InstrumentsService, sensedOf } from './instruments.service';
import { type OtherPlan, TripService } from './trip.service';
import { answersOf, answersOnSheet } from './answers-on-sheet';
import { ChangeFormComponent } from './change-form.component';
import { FishFormComponent } from './fish-form.component';
import { sayInstruments } from './instrument-words';
import { NextMoveComponent } from './next-move.component';
import { OffPlanComponent } from './off-plan.component';
import { OrderComponent } from './order.component';
import { TripReadingComponent } from './reading-form.component';
import { CASTS_A_TAP, type Tap, TapsComponent } from './taps.component';
import { carriedTiedOn, TiedOnService } from './tied-on.service';
import { TripLogComponent } from './trip-log.component';
import { TripNowComponent } from './trip-now.component';
import { eventWords, sayTime, SEEN_NAMES } from './underway-words';

/** What may stand in the middle instead of the advice. */
type Panel = 'change' | 'reading' | 'fish';

const AWAKE_WORDS = {
  awake: 'The screen stays on.',
  off: '',
  cannot: 'This browser may let the screen go dark.',
} as const;

const BAIT_ANSWERS = ['flicking', 'chased', 'schooled-deep', 'following-the-lure', 'at-the-surface'] as const;
const BIRD_NAMES = { 'birds-diving': 'dive', 'birds-on-bank': 'stand' } as const;

/** A trip under way: the present advice, the next move, nine targets; the rest below. */
@Component({
  selector: 'inky-trip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    ChangeFormComponent,
    FishFormComponent,
    FiveBestComponent,
    FoldComponent,
    NextMoveComponent,
    OffPlanComponent,
    OrderComponent,
    RampCardComponent,
    SheetChartComponent,
    TapsComponent,
    TripLogComponent,
    TripNowComponent,
    TripReadingComponent,
  ],
  templateUrl: './trip.component.html',
  styleUrl: './trip.component.css',
})
export class TripComponent {
  private readonly trips = inject(TripService);
  private readonly settings = inject(SettingsService);

  readonly trip = input.required<Trip>();
  readonly all = input.required<readonly Trip[]>();
  readonly nowMs = input.required<number>();

  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly found = toSignal(this.trips.found$, { initialValue: null });
  protected readonly day = toSignal(this.trips.day$, { initialValue: null });
  protected readonly other = toSignal(this.trips.other$, { initialValue: null });
  private readonly lastNote = toSignal(this.trips.last$, { initialValue: null });
  private readonly instruments = toSignal(inject(InstrumentsService).now$, { initialValue: null });
  private readonly owned = toSignal(inject(TiedOnService).owned$, { requireSync: true });
  private readonly awake = toSignal(inject(AwakeService).state$, { initialValue: 'off' as const });

  private readonly cards = inject(KeptCard);
  protected readonly cardDone = signal(false);
  /** The ramp card of the evening before, until something is noted or an answer is taken. */
  protected readonly card = computed(() => {
    const { begin, plan, notes, fishing } = this.trip();
    // Another plan than the one it began with was taken already.
    if (!plan || plan !== begin.plan || notes.length || fishing || this.cardDone() || !this.cards.asks) return null;
    const card = this.cards.of(begin.waterId, plan.conditions.date);
    return card?.root.kind === 'question' ? card : null;
  });

  private readonly box = viewChild<ElementRef<HTMLElement>>('box');
  protected readonly panel = signal<Panel | null>(null);
  protected readonly fishNote = signal('');
  protected readonly stretches = [10, 20, 30] as const;

  private readonly clock = computed(() => dayClock(this.trip()));
  /** Minutes past midnight on the water's clock. */
  protected readonly minute = computed(() => this.clock().minuteAt(this.nowMs()) % 1440);
  protected readonly nowMin = computed(() => {
    const moments = this.day()?.moments;
    const minute = this.minute();
    return moments && minute >= (moments[0]?.minute ?? 0) && minute <= (moments.at(-1)?.minute ?? 0) ? minute : null;
  });
  protected readonly window = computed(() => windowAt(this.trip().plan?.plan.windows ?? [], this.minute()));
  private readonly cautions = computed(() => this.trip().plan?.plan.cautions ?? []);
  protected readonly severe = computed(() => this.cautions().filter(({ severity }) => severity === 'severe'));
  protected readonly serious = computed(() => this.cautions().filter(({ severity }) => severity === 'serious'));
  protected readonly mindWords = computed(() =>
    this.serious()
      .map(({ id }) => nameOf(id))
      .join(', '),
  );

  /** What was said to be fished last, else what the plan has for this hour. */
  protected readonly fishing = computed(() => this.trip().fishing ?? advisedAt(this.trip(), this.nowMs()));
  /** Bites on the sheet, at their hour and depth. */
  protected readonly answers = computed(() =>
    answersOnSheet(answersOf(this.trip(), this.clock().minuteAt), this.units()),
  );
  protected readonly last = computed(() => {
    const event = this.lastNote();
    if (!event) return null;
    const bite = event.kind === 'contact' && event.what !== 'follow';
    const note = this.trip().notes.find((each) => each.event.id === event.id);
    const standing = note?.event.kind === 'contact' ? note.event : null;
    return {
      id: event.id,
      words: `${capital(eventWords(event, this.units()))}, ${sayTime(note?.atMs ?? Date.parse(event.at), this.trip().begin.place?.timeZone)}`,
      bite,
      atBoat: standing?.atBoat ?? false,
    };
  });

  /** What the last note leaves open, asked after it and as well left: what the bait did, what the birds did. */
  protected readonly asks = computed(() => {
    const event = this.lastNote();
    const note = event && this.trip().notes.find((each) => each.event.id === event.id)?.event;
    if (note?.kind === 'bait' && !note.seen) {
      return {
        id: note.id,
        words: 'It was',
        answers: BAIT_ANSWERS.map((seen) => ({ name: SEEN_NAMES[seen], said: { seen } })),
      };
    }
    if (note?.kind === 'birds') {
      const other = note.sign === 'birds-diving' ? ('birds-on-bank' as const) : ('birds-diving' as const);
      return { id: note.id, words: 'Or they', answers: [{ name: BIRD_NAMES[other], said: { sign: other } }] };
    }
    return null;
  });

  /** Where one is, as far as it was told just now: a way from where one was would lead astray. */
  protected readonly here = computed(() => {
    const known = this.instruments();
    return (known && sensedOf(known, known.nowMs)?.lonLat) ?? null;
  });
  protected readonly positionWhy = computed(() => this.instruments()?.browserWhy ?? null);
  protected readonly instrumentWords = computed(() => {
    const known = this.instruments();
    return known && sayInstruments(known, this.units());
  });
  /** What stands in the reading's fields to begin with: the water's temperature, where instruments tell it. */
  protected readonly readBegin = signal<DayReading>({});
  protected readonly awakeWords = computed(() => AWAKE_WORDS[this.awake()]);

  constructor() {
    // What opens in the middle is read from its top, wherever one had come to.
    effect(() => {
      const panel = this.box()?.nativeElement;
      panel?.focus({ preventScroll: true });
      // Opened from farther down it is read from its top.
      if (panel && panel.getBoundingClientRect().top < 0) panel.scrollIntoView();
    });
  }

  protected effortWords({ hours, bites }: TripFindings): string {
    return `${bites} ${bites === 1 ? 'bite' : 'bites'} in ${sayStretch(hours * 3_600_000)} of fishing.`;
  }

  protected tap(tap: Tap): void {
    switch (tap) {
      case 'casts':
        return void this.trips.casts(CASTS_A_TAP);
      case 'bait':
        return void this.trips.bait();
      case 'birds':
        return void this.trips.birds();
      case 'mark':
        return void this.trips.mark();
      case 'landed':
        return void this.landed();
      default:
        return void this.trips.contact(tap);
    }
  }

  protected answer(id: string, said: Parameters<TripService['describeSign']>[1]): void {
    void this.trips.describeSign(id, said);
  }

  protected fish(fishing: Fishing): void {
    void this.trips.fish(fishing);
  }

  protected fished(minutes: number): void {
    void this.trips.minutes(minutes);
  }

  protected undo(): void {
    this.close();
    void this.trips.undo();
  }

  protected atBoat(id: string, atBoat: boolean): void {
    void this.trips.atBoat(id, atBoat);
  }

  protected take(off: OtherPlan): void {
    void this.trips.takePlan(off);
  }

  protected leaveCard(): void {
    this.cardDone.set(true);
    this.cards.forget();
  }

  protected takeMorning({ change }: ShortPlan): void {
    this.cardDone.set(true);
    void this.trips.takeMorning(change);
  }

  protected stay(off: OffPlan): void {
    this.trips.keepPlan(off);
  }

  protected pause(): void {
    void this.trips.pause();
  }

  protected resume(): void {
    void this.trips.resume();
  }

  protected finish(): void {
    void this.trips.finish();
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

  private async landed(): Promise<void> {
    const category = this.fishing()?.category;
    const tiedOn = category && carriedTiedOn(this.trip(), category, this.owned());
    const note = await this.trips.contact('landed', tiedOn);
    if (note) this.tellOf(note.id);
  }
}
