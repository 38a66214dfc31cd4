import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import type { Run } from '@inky-shoal/core';
import { namedApart, type Trip } from '@inky-shoal/core/underway';
import { catchError, firstValueFrom, map, of } from 'rxjs';
import { ButtonDirective } from 'primeng/button';
import { sayDate, sayShortDate } from '../ui/dates';
import { FieldComponent } from '../ui/field.component';
import { PagesComponent } from '../ui/pages.component';
import { seeker } from '../ui/seek';
import { BookService } from '../base/book.service';
import { DayService } from '../sheet/day.service';
import { NoticeService } from '../base/notice.service';
import { pageKept } from '../base/page-kept';
import { PlansService } from '../plans/plans.service';
import { localDay } from '../ui/local-time';
import { KeptRuns } from '../sheet/kept-runs';
import { type Outing, TripService } from './trip.service';

const MAX_PLANS = 5;
const TRIPS_ON_PAGE = 10;
/** A run's last stop has no better end than this after its start. */
const LAST_MIN = 2880;

/** The stops of a run, as a trip has them. */
const stopsOf = (run: Run | null | undefined) =>
  namedApart(
    (run?.stops ?? []).map(({ name, depthM, lonLat, fromMin, toMin, structure, cover, outByMin }) => {
      return { name, depthM, lonLat, fromMin, toMin: Math.min(LAST_MIN, toMin), structure, cover, outByMin };
    }),
  );

/** Before a trip: set out with the day on the sheet, with a saved plan, or with nothing. */
@Component({
  selector: 'inky-trip-start',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FieldComponent, PagesComponent, RouterLink],
  templateUrl: './start.component.html',
  styleUrl: './start.component.css',
})
export class TripStartComponent {
  /** Whether this page would start with no signal; null until that is known. */
  protected readonly keeps = toSignal(pageKept(), { initialValue: null });
  protected readonly secure = globalThis.isSecureContext;
  private readonly trips = inject(TripService);
  private readonly plans = inject(PlansService);
  private readonly notices = inject(NoticeService);
  private readonly day = inject(DayService);
  private readonly router = inject(Router);
  private readonly books = inject(BookService);

  readonly all = input.required<readonly Trip[]>();
  /** A trip before is to be read again. */
  readonly opened = output<string>();

  private readonly draft = toSignal(this.day.draft$, { initialValue: null });
  private readonly planned = toSignal(this.day.planned$, { initialValue: null });
  private readonly run = toSignal(inject(KeptRuns).run$, { initialValue: null });
  protected readonly saved = toSignal(
    this.plans.plans$.pipe(
      map((loaded) => (loaded.state === 'ready' ? loaded.value.slice(0, MAX_PLANS) : [])),
      catchError(() => of([])),
    ),
    { initialValue: [] },
  );

  protected readonly today = computed((): Outing | null => {
    const [draft, planned, run] = [this.draft(), this.planned(), this.run()];
    if (!draft || !planned) return null;
    const { conditions, day } = planned;
    return {
      name: `${draft.waterName}, ${sayDate(conditions.date)}`,
      waterId: draft.waterId ?? undefined,
      zoneId: draft.zoneId ?? undefined,
      place: conditions.place,
      plan: { conditions, plan: day.plan, record: day.record },
      stops: stopsOf(run),
    };
  });
  protected readonly past = computed(() =>
    this.all()
      .filter(({ review }) => review !== null)
      .sort((a, b) => b.startMs - a.startMs || (a.id < b.id ? 1 : -1))
      .map(({ id, begin, startMs }) => ({ id, name: begin.name, when: sayShortDate(startMs, begin.place?.timeZone) })),
  );
  protected shortDate(date: string): string {
    return sayShortDate(`${date}T12:00:00Z`, 'UTC');
  }

  protected readonly search = new FormControl('', { nonNullable: true });
  private readonly sought = toSignal(this.search.valueChanges, { initialValue: '' });
  protected readonly tripsOnPage = TRIPS_ON_PAGE;
  protected readonly foundTrips = computed(() => {
    const words = this.past().map(({ name, when }) => `${name} ${when}`.toLowerCase());
    const isSought = seeker(this.sought(), words);
    return this.past().filter((_, at) => isSought(words[at] ?? ''));
  });
  protected readonly firstTrip = linkedSignal({ source: this.foundTrips, computation: () => 0 });
  protected readonly shownTrips = computed(() =>
    this.foundTrips().slice(this.firstTrip(), this.firstTrip() + TRIPS_ON_PAGE),
  );

  /** Sets out; with the plan of another day only once it is said again. */
  protected async begin(outing: Outing): Promise<void> {
    const planned = outing.plan?.conditions;
    // The book's own clock, which a page that was just opened does not know at once.
    const { now } = await firstValueFrom(this.books.clock$);
    const today = planned && localDay(now, planned.place.timeZone);
    if (!planned || planned.date === today) return this.beginNow(outing);
    this.notices.ask(`This plan is for ${sayDate(planned.date)}, and today is ${sayDate(today ?? '')}.`, [
      { label: 'Set out with it', act: () => this.beginNow(outing) },
      { label: 'Plan today first', act: () => void this.router.navigateByUrl('/sheet') },
    ]);
  }

  private beginNow(outing: Outing): void {
    this.trips.begin(outing).catch((error: Error) => this.notices.say(error.message));
  }

  protected beginSaved(id: string): void {
    this.plans.get(id).subscribe({
      next: ({ name, waterId, conditions, plan, record, run }) =>
        void this.begin({
          name,
          waterId,
          place: conditions.place,
          plan: { conditions, plan, record },
          stops: stopsOf(run),
        }),
      error: () =>
        this.notices.say('This plan cannot be fetched while the server is away; the one on the sheet is here.'),
    });
  }

  protected beginBare(): void {
    const place = this.draft()?.input.place ?? null;
    void this.begin({ name: 'A trip without a plan', waterId: undefined, place, plan: null, stops: [] });
  }
}
