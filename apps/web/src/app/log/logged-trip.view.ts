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
  template: `
    <div class="view">
      <p class="no-print"><a routerLink="/log">Log</a></p>
      @if (trip(); as trip) {
        <h1>{{ trip.begin.name }}</h1>
        <p>{{ told().brought }}{{ told().water ? '; ' + told().water : '' }}.</p>
        @if (day(); as planned) {
          <div class="picture">
            <inky-sheet-chart
              [small]="true"
              [day]="planned"
              [units]="units()"
              [look]="look()"
              [selectedId]="null"
              [nowMin]="null"
              [over]="done()"
            />
          </div>
          <p class="quiet">
            Dotted: what was fished. Rings are bites, dots are fish; beneath them the plan of the day.
          </p>
        } @else if (!trip.plan) {
          <p class="quiet">Fished without a plan, so nothing stands beside it.</p>
        }
        @if (fishNote(); as note) {
          <section class="fish" aria-label="More of this fish">
            @for (each of [note]; track each) {
              <inky-fish-form [of]="each" [units]="units()" [among]="trips()" (done)="fishNote.set(null)" />
            }
          </section>
        }
        <inky-trip-review [trip]="trip" [units]="units()" [edited]="edited()" (fishWanted)="fishNote.set($event)" />
        <p class="acts no-print">
          <button pButton text type="button" [attr.aria-pressed]="edited()" (click)="edited.set(!edited())">
            {{ edited() ? 'Done putting right' : 'Put notes right' }}
          </button>
          <button pButton text type="button" (click)="remove()">Remove this trip</button>
        </p>
      } @else if (read()) {
        <h1>Not here</h1>
        <p>No such trip stands in this log. It may lie in the <a routerLink="/bin">bin</a>.</p>
      } @else {
        <p class="quiet" role="status">Reading the trip.</p>
      }
    </div>
  `,
  styles: `
    h1 {
      margin-bottom: 0.4rem;
    }
    .picture {
      height: 15rem;
      max-width: 52rem;
    }
    .fish {
      max-width: 30rem;
      margin: 1rem 0;
      padding: 0.75rem 1rem;
      background: var(--paper-2);
    }
    .acts {
      display: flex;
      gap: 1.25rem;
    }
    .acts button:first-child {
      padding-left: 0;
    }
  `,
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
