import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { logbookRow } from '@inky-shoal/core/logbook';
import { dayClock } from '@inky-shoal/core/underway';
import { ButtonDirective } from 'primeng/button';
import { catchError, distinctUntilChanged, map, of, switchMap } from 'rxjs';
import { NoticeService } from '../base/notice.service';
import { PlannerService } from '../base/planner/planner.service';
import { SettingsService } from '../base/settings.service';
import { SheetChartComponent } from '../sheet/chart/sheet-chart.component';
import { answersOf } from '../underway/answers-on-sheet';
import { FishFormComponent } from '../underway/fish-form.component';
import { TripReviewComponent } from '../underway/review.component';
import { TripLogService } from '../underway/trip-log.service';
import { TripSyncService } from '../underway/trip-sync.service';
import { TripService } from '../underway/trip.service';
import { doneOnSheet } from './done-on-sheet';
import { broughtWords, dayWords } from './log-words';

/** A trip of the log: planned and done on one picture, what it showed, and its notes, which can be put right. */
@Component({
  selector: 'inky-logged-trip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FishFormComponent, RouterLink, SheetChartComponent, TripReviewComponent],
  templateUrl: './logged-trip.view.html',
  styleUrl: './logged-trip.view.css',
})
export class LoggedTripView {
  private readonly service = inject(TripService);
  private readonly planner = inject(PlannerService);
  private readonly notices = inject(NoticeService);
  private readonly router = inject(Router);
  private readonly settings = inject(SettingsService);

  /** Id of the trip, from the address. */
  readonly id = input.required<string>();
  protected readonly units = toSignal(this.settings.units$, { requireSync: true });
  protected readonly look = toSignal(this.settings.look$, { requireSync: true });
  protected readonly trips = toSignal(this.service.trips$, { initialValue: [] });
  /** The log has been read. */
  protected readonly read = toSignal(inject(TripLogService).log$.pipe(map(() => true)), { initialValue: false });
  protected readonly trip = computed(() => this.trips().find(({ id }) => id === this.id()) ?? null);
  protected readonly edited = signal(false);
  protected readonly fishNote = signal<string | null>(null);
  protected readonly told = computed(() => {
    const trip = this.trip();
    if (!trip) return { brought: '', water: '' };
    const row = logbookRow(trip);
    return { brought: broughtWords(row), water: dayWords(row, this.units()) };
  });

  /** The day as it was planned then, drawn as days are drawn now. */
  protected readonly day = toSignal(
    toObservable(computed(() => ({ plan: this.trip()?.plan ?? null, units: this.units() }))).pipe(
      distinctUntilChanged((one, other) => one.plan === other.plan && one.units === other.units),
      switchMap(({ plan, units }) =>
        plan
          ? this.planner.plan(plan.conditions, units).pipe(
              map((day) => ({ ...day, plan: plan.plan })),
              catchError(() => of(null)),
            )
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly done = computed(() => {
    const trip = this.trip();
    if (!trip) return null;
    const answers = answersOf(trip, dayClock(trip).minuteAt);
    return doneOnSheet(logbookRow(trip).strokes, answers, this.units());
  });

  constructor() {
    inject(TripSyncService);
  }

  /** Into the bin: it can be taken back here, and for ninety days there. */
  protected remove(): void {
    const trip = this.trip();
    if (!trip) return;
    void this.service.remove(trip).then((removal) => {
      if (!removal) return;
      this.notices.say(`${trip.begin.name} is in the bin.`, () => void this.service.putBack(trip));
      void this.router.navigateByUrl('/log');
    });
  }
}
