import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { namedApart, type Trip } from '@inky-shoal/core/underway';
import { catchError, map, of } from 'rxjs';
import { sayDate } from '../sheet/words';
import { DayService } from '../sheet/day.service';
import { NoticeService } from '../base/notice.service';
import { pageKept } from '../base/page-kept';
import { PlansService } from '../plans/plans.service';
import { RunService } from '../water/run.service';
import { type Outing, TripService } from './trip.service';

const MAX_PLANS = 5;
/** A run's last stop has no better end than this after its start. */
const LAST_MIN = 2880;

/** Before a trip: set out with the day on the sheet, with a saved plan, or with nothing. */
@Component({
  selector: 'inky-trip-start',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <h1>Set out.</h1>
    @if (today(); as outing) {
      <p>
        <strong>{{ outing.name }}</strong>{{
          outing.stops.length ? ', ' + outing.stops.length + ' stops in order' : ''
        }}.
      </p>
      <p><button type="button" class="act wide" (click)="begin(outing)">Set out with the plan on the sheet</button></p>
    } @else {
      <p class="quiet">The sheet has no plan yet.</p>
    }
    @if (saved().length) {
      <h2>With a saved plan</h2>
      <ul>
        @for (plan of saved(); track plan.id) {
          <li>
            <button type="button" class="plain" (click)="beginSaved(plan.id)">{{ plan.name }}</button>
          </li>
        }
      </ul>
    }
    <h2>With nothing</h2>
    <p>The log works without a plan, and finds what repeats.</p>
    <p><button type="button" class="plain first" (click)="beginBare()">Set out without a plan</button></p>
    @if (past().length) {
      <h2>Trips before</h2>
      <ul>
        @for (trip of past(); track trip.id) {
          <li>
            <button type="button" class="plain" (click)="opened.emit(trip.id)">{{ trip.name }}</button>
          </li>
        }
      </ul>
    }
    <p class="quiet">
      Notes are kept here with no signal, and go to the server by themselves.
      @if (keeps() === true) {
        This page starts with no signal, too.
      } @else if (keeps() === false) {
        Closed, this page would not start with no signal:
        {{
          secure
            ? 'load it once more while the server answers.'
            : 'it does so only over https, or on the computer itself.'
        }}
      }
      <a class="plain" routerLink="/settings">Boat instruments</a>
    </p>
  `,
  styles: `
    :host {
      display: block;
      max-width: 40rem;
    }
    h2 {
      margin-top: 1.5rem;
    }
    p {
      margin: 0.5rem 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li .plain,
    .first {
      padding-left: 0;
      text-align: left;
    }
    .wide {
      min-height: 3.5rem;
      padding: 0.5rem 1.5rem;
    }
    a.plain {
      padding-left: 0;
      display: inline-flex;
      align-items: center;
    }
  `,
})
export class TripStartComponent {
  /** Whether this page would start with no signal; null until that is known. */
  protected readonly keeps = toSignal(pageKept(), { initialValue: null });
  protected readonly secure = globalThis.isSecureContext;
  private readonly trips = inject(TripService);
  private readonly plans = inject(PlansService);
  private readonly notices = inject(NoticeService);
  private readonly day = inject(DayService);

  readonly all = input.required<readonly Trip[]>();
  /** A trip before is to be read again. */
  readonly opened = output<string>();

  private readonly draft = toSignal(this.day.draft$, { initialValue: null });
  private readonly planned = toSignal(this.day.planned$, { initialValue: null });
  private readonly run = toSignal(inject(RunService).run$, { initialValue: null });
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
      place: conditions.place,
      plan: { conditions, plan: day.plan },
      stops: namedApart(
        (run?.stops ?? []).map(({ name, depthM, lonLat, fromMin, toMin, structure, cover }) => {
          return { name, depthM, lonLat, fromMin, toMin: Math.min(LAST_MIN, toMin), structure, cover };
        }),
      ),
    };
  });
  protected readonly past = computed(() =>
    this.all()
      .filter(({ review }) => review !== null)
      .map(({ id, begin }) => ({ id, name: begin.name })),
  );

  protected begin(outing: Outing): void {
    this.trips.begin(outing).catch((error: Error) => this.notices.say(error.message));
  }

  protected beginSaved(id: string): void {
    this.plans.get(id).subscribe({
      next: ({ name, waterId, conditions, plan }) =>
        this.begin({ name, waterId, place: conditions.place, plan: { conditions, plan }, stops: [] }),
      error: () =>
        this.notices.say('This plan cannot be fetched while the server is away; the one on the sheet is here.'),
    });
  }

  protected beginBare(): void {
    const place = this.draft()?.input.place ?? null;
    this.begin({ name: 'A trip without a plan', waterId: undefined, place, plan: null, stops: [] });
  }
}
