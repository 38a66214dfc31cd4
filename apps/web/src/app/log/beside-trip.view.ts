import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { map } from 'rxjs';
import { SettingsService } from '../base/settings.service';
import { linesOf } from '../plans/plan-lines';
import { PlanLinesComponent } from '../plans/plan-lines.component';
import { DayService } from '../sheet/day.service';
import { TripLogService } from '../underway/trip-log.service';
import { TripService } from '../underway/trip.service';
import { sayDate } from '../ui/dates';

/** The plan of the sheet beside the one that a trip of the log was fished by. */
@Component({
  selector: 'inky-beside-trip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlanLinesComponent, RouterLink],
  template: `<div class="view">
    <h1>Two days</h1>
    <p>
      <a class="back" routerLink="/sheet">To the sheet</a>
      <a class="back" [routerLink]="['/log', id()]">That trip</a>
    </p>
    @if (lines(); as lines) {
      <inky-plan-lines [names]="names()" [lines]="lines" />
    } @else if (known()) {
      <p class="quiet" role="status">Planning the day.</p>
    } @else if (read()) {
      <p>No trip with a plan stands under this address.</p>
    } @else {
      <p class="quiet" role="status">Reading the trips.</p>
    }
  </div>`,
  styles: `
    .back {
      display: inline-flex;
      align-items: center;
      min-height: var(--touch);
      margin-right: 1.25rem;
    }
  `,
})
export class BesideTripView {
  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  private readonly planned = toSignal(inject(DayService).planned$, { initialValue: null });
  private readonly trips = toSignal(inject(TripService).trips$, { initialValue: [] });
  protected readonly read = toSignal(inject(TripLogService).log$.pipe(map(() => true)), { initialValue: false });

  /** Id of the trip, from the address. */
  readonly id = input.required<string>();
  protected readonly known = computed(() => this.trips().find(({ id }) => id === this.id())?.plan ?? null);
  protected readonly names = computed((): [string, string] => {
    const [planned, then] = [this.planned(), this.known()];
    const named = (date: string | undefined) => (date ? sayDate(date) : '');
    return [`The sheet, ${named(planned?.conditions.date)}`, `That trip, ${named(then?.conditions.date)}`];
  });
  protected readonly lines = computed(() => {
    const [planned, then] = [this.planned(), this.known()];
    if (!planned || !then) return null;
    const { conditions, day } = planned;
    const now = { conditions, plan: day.plan, record: day.record ?? null };
    return linesOf(now, { ...then, record: then.record ?? null }, this.units());
  });
}
