import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { capital, nameOf, sayRange } from '@inky-shoal/core';
import { ofMornings, type WindowSureness } from '@inky-shoal/core/mornings';
import { ButtonDirective } from 'primeng/button';
import { SettingsService } from '../base/settings.service';
import { DayService } from '../sheet/day.service';
import { sayHours, windowName } from '../sheet/words';
import { sayDate } from '../ui/dates';
import { CheckComponent } from '../ui/check.component';
import { ProgressComponent } from '../ui/progress.component';
import { SelectComponent } from '../ui/select.component';
import { decidesWords, spreadWords, surenessWords } from './mornings-words';
import { KeptCard } from './kept-card';
import { MorningsService } from './mornings.service';
import { PackingComponent } from './packing.component';
import { RampCardComponent } from './ramp-card.component';

/** Lures of a window that are told. */
const MOST_FIRSTS = 4;

/** The day over all its mornings: how sure the plan is, what to read at the ramp, what to pack. */
@Component({
  selector: 'inky-mornings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonDirective,
    CheckComponent,
    PackingComponent,
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

  protected readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly planned = toSignal(inject(DayService).planned$, { initialValue: null });
  protected readonly draft = toSignal(inject(DayService).draft$, { initialValue: null });
  protected readonly state = toSignal(this.service.mornings$, { initialValue: null });
  private readonly cards = inject(KeptCard);
  protected readonly asks = signal(this.cards.asks);
  protected readonly ramp = toSignal(this.service.rampZones$, { initialValue: null });
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

  protected setAsks(asks: boolean): void {
    this.cards.asks = asks;
    this.asks.set(asks);
  }

  protected print(): void {
    window.print();
  }
}
