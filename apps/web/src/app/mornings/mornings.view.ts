import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { combineLatest, map } from 'rxjs';
import { RouterLink } from '@angular/router';
import { capital, nameOf, sayRange } from '@inky-shoal/core';
import { ofMornings, type WindowSureness } from '@inky-shoal/core/mornings';
import { ButtonDirective } from 'primeng/button';
import * as z from 'zod';
import { SettingsService } from '../base/settings.service';
import { RigService } from '../rig/rig.service';
import { Store } from '../base/store';
import { DayService } from '../sheet/day.service';
import { sayHours, windowName } from '../sheet/words';
import { sayDate } from '../ui/dates';
import { CheckComponent } from '../ui/check.component';
import { FoldComponent } from '../ui/fold.component';
import { ProgressComponent } from '../ui/progress.component';
import { SelectComponent } from '../ui/select.component';
import { LackingAheadComponent } from './lacking-ahead.component';
import { LackingComponent } from './lacking.component';
import { decidesWords, spreadWords, surenessWords } from './mornings-words';
import { KeptCard } from './kept-card';
import { MorningsService } from './mornings.service';
import { RampCardComponent } from './ramp-card.component';

/** Lures for which there may be room in the boat. */
const ROOM = [4, 6, 8, 10, 12, 16, 20, 30] as const;
const USUAL_ROOM = 10;
const RODS = Array.from({ length: 12 }, (_, at) => String(at + 1));
/** Days that one packing may be for. */
const DAYS = ['1', '2', '3', '4', '5', '6', '7'] as const;
const named = (counts: readonly (string | number)[]) =>
  counts.map((count) => ({ id: String(count), name: String(count) }));
/** Lures of a window that are told. */
const MOST_FIRSTS = 4;
const MOST_LACKING = 5;

/** The day over all its mornings: how sure the plan is, what to read at the ramp, what to pack. */
@Component({
  selector: 'inky-mornings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    FoldComponent,
    LackingAheadComponent,
    LackingComponent,
    ProgressComponent,
    RampCardComponent,
    RouterLink,
    SelectComponent,
  ],
  templateUrl: './mornings.view.html',
  styleUrl: './mornings.view.css',
})
export class MorningsView {
  private readonly service = inject(MorningsService);
  private readonly room = new Store('lures-aboard', z.number().int().min(1).max(60), USUAL_ROOM);

  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly planned = toSignal(inject(DayService).planned$, { initialValue: null });
  protected readonly draft = toSignal(inject(DayService).draft$, { initialValue: null });
  protected readonly state = toSignal(this.service.mornings$, { initialValue: null });
  private readonly cards = inject(KeptCard);
  protected readonly asks = signal(this.cards.asks);
  protected readonly most = signal(this.room.read());
  protected readonly ramp = toSignal(this.service.rampZones$, { initialValue: null });
  private readonly rig = inject(RigService);
  protected readonly rods = toSignal(this.rig.maxRods$, { initialValue: 5 });
  protected readonly days = signal(1);
  protected readonly packing = toSignal(
    this.service.packing(
      combineLatest([toObservable(this.most), this.rig.maxRods$, toObservable(this.days)]).pipe(
        map(([lures, rods, days]) => ({ lures, rods, days })),
      ),
    ),
    { initialValue: null },
  );
  protected readonly packed = computed(() => {
    const packing = this.packing();
    return packing === 'failed' ? null : packing;
  });
  protected readonly rooms = named(ROOM);
  protected readonly rodCounts = named(RODS);
  protected readonly dayCounts = named(DAYS);

  protected readonly about = computed(() => {
    const [draft, planned] = [this.draft(), this.planned()];
    return draft && planned ? `${draft.waterName}, ${sayDate(planned.conditions.date)}` : '';
  });
  protected readonly share = computed(() => {
    const state = this.state();
    return state?.state === 'working' ? state.share : 0;
  });
  protected readonly found = computed(() => {
    const state = this.state();
    return state?.state === 'found' ? state : null;
  });
  /** The window for which the card is: the one in which a reading is worth most. */
  private readonly main = computed(() => {
    const found = this.found()?.told;
    const windows = found?.sureness.windows ?? [];
    return windows.find((each) => each?.windowId === found?.card?.windowId) ?? windows[0] ?? null;
  });
  protected readonly answer = computed(() => {
    const main = this.main();
    return main ? surenessWords(main, this.units()) : '';
  });
  protected readonly drawn = computed(() => {
    const told = this.found()?.told;
    return told ? `${spreadWords(told, this.units())}: four mornings of five lie between these.` : '';
  });
  protected readonly windows = computed(() => {
    const [told, planned] = [this.found()?.told, this.planned()];
    if (!told || !planned) return [];
    const { windows } = planned.day.plan;
    return windows.flatMap((window, index) => {
      const sure = told.sureness.windows[index];
      return sure
        ? [{ id: window.id, name: windowName(window, windows), hours: sayHours(window.from, window.to), sure }]
        : [];
    });
  });
  protected readonly cardWindow = computed(() => {
    const id = this.found()?.told.card?.windowId;
    const window = this.windows().find((each) => each.id === id);
    return window ? `${window.name}, ${window.hours}` : '';
  });

  protected readonly aheadOpen = signal(false);
  protected readonly capital = capital;
  protected readonly name = nameOf;
  protected readonly ofMornings = ofMornings;

  protected firsts({ firsts }: WindowSureness): WindowSureness['firsts'] {
    return firsts.slice(0, MOST_FIRSTS);
  }

  protected percent(share: number): number {
    return Math.round(100 * share);
  }

  protected depth({ depthM: [low, , high] }: WindowSureness): string {
    return sayRange('depth', [low, high], this.units());
  }

  protected decides(sure: WindowSureness): string | null {
    const words = decidesWords(sure, this.units());
    return words && capital(words);
  }

  protected lacking = computed(() => (this.packed()?.lacks ?? []).slice(0, MOST_LACKING));

  protected setMost(most: string): void {
    this.room.write(Number(most));
    this.most.set(Number(most));
  }

  protected stop(): void {
    this.service.stop();
  }

  protected again(): void {
    this.service.again();
  }

  protected setRamp(zoneId: string): void {
    const ramp = this.ramp();
    if (ramp) this.service.setRamp(ramp.waterId, zoneId);
  }

  protected setRods(count: string): void {
    this.rig.setRods(Number(count));
  }

  protected setDays(count: string): void {
    this.days.set(Number(count));
  }

  protected setAsks(asks: boolean): void {
    this.cards.asks = asks;
    this.asks.set(asks);
  }

  protected print(): void {
    window.print();
  }
}
