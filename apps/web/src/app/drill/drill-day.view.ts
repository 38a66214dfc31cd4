import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { SettingsService } from '../base/settings.service';
import type { SceneQuestion } from './drill-api';
import type { DayDone } from './day-done';
import { DrillDayComponent } from './drill-day.component';
import { DrillService } from './drill.service';
import { OwnDaysService } from './own-days.service';

/** A day to be judged from the first step to the last: drawn, one that is coming, or a trip of the past. */
@Component({
  selector: 'inky-drill-day-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, DrillDayComponent, RouterLink],
  template: `
    <div class="view">
      <p class="no-print"><a class="plain" routerLink="/drill">Practice</a></p>
      <h1>{{ title() }}</h1>
      @if (problem(); as why) {
        <p class="problem" role="alert">{{ why }}</p>
      }
      @if (question(); as asked) {
        <inky-drill-day [question]="asked" [bit]="found()?.bit ?? null" (done)="done.set($event)" />
      } @else if (!problem()) {
        <p class="quiet" role="status">Looking for the day.</p>
      }
      @if (done() || problem()) {
        <p>
          <button pButton type="button" class="wide" routerLink="/drill/day" [queryParams]="{}" (click)="another()">
            Another day
          </button>
        </p>
      }
    </div>
  `,
})
export class DrillDayView {
  private readonly service = inject(DrillService);
  private readonly days = inject(OwnDaysService);

  /** Of the address: a day that is coming, or a trip. Without either a day is drawn. */
  readonly own = input<string>();
  readonly trip = input<string>();

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly discipline = toSignal(this.service.discipline$);
  private readonly coming = toSignal(this.days.coming$);
  private readonly trips = toSignal(this.days.trips$);
  private readonly seed = signal(this.service.seed);
  protected readonly done = signal<DayDone | null>(null);

  private readonly offered = computed(() => this.trips()?.find(({ id }) => id === this.trip()));
  protected readonly found = computed(() => {
    if (this.trip()) return this.offered()?.scene ?? null;
    return this.coming()?.find(({ id }) => id === this.own()) ?? null;
  });
  protected readonly problem = computed(() => {
    if (this.trip() && this.trips() && !this.found()) {
      return this.offered()
        ? 'That trip was made without a plan, so there is nothing to judge it by. Take another day.'
        : 'That trip is not on this device. Take another day.';
    }
    return this.own() && this.coming() && !this.found() ? 'That day is not coming any more. Take another.' : '';
  });
  protected readonly question = computed((): SceneQuestion | null => {
    const found = this.found();
    const units = this.units();
    if (found) {
      const { conditions, minute } = found;
      return { seed: this.seed(), discipline: conditions.discipline, units, own: { conditions, minute } };
    }
    const discipline = this.discipline();
    return this.own() || this.trip() || !discipline ? null : { seed: this.seed(), discipline, units };
  });
  protected readonly title = computed(() => {
    const done = this.done();
    if (done) return `${Number(done.marks.toFixed(1))} of ${done.answers}`;
    return this.found()?.name ?? 'Judge a day';
  });

  protected another(): void {
    this.done.set(null);
    this.seed.set(this.service.goOn());
  }
}
