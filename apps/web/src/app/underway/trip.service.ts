import { inject, Injectable } from '@angular/core';
import type { PlannedDay } from '@inky-shoal/core';
import {
  advisedAt,
  type Catch,
  type KnownTrips,
  type Contact,
  type DayReading,
  type Fishing,
  type TripFindings,
  lastTap,
  latestReading,
  offPlan,
  type NewTripEvent,
  type NoteChange,
  type OffPlan,
  reviewOf,
  type Trip,
  type TripEvent,
  type TripEventOf,
  type TiedOn,
  tideOfNote,
  tripOf,
  type TripPlan,
  tripsOf,
  type TripStop,
} from '@inky-shoal/core/underway';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  distinctUntilChanged,
  EMPTY,
  firstValueFrom,
  map,
  merge,
  type Observable,
  of,
  shareReplay,
  startWith,
  Subject,
  switchMap,
  timer,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import { AwakeService } from './awake.service';
import { BookService } from '../base/book.service';
import { TripFinderService } from './trip-finder.service';
import { InstrumentsService } from './instruments.service';
import { NoticeService } from '../base/notice.service';
import { PlannerService } from '../base/planner/planner.service';
import { RunService } from '../water/run.service';
import { SettingsService } from '../base/settings.service';
import { type OpenLog, TripLogService } from './trip-log.service';

/** A trip about to begin. */
export interface Outing {
  readonly name: string;
  readonly waterId: string | undefined;
  readonly zoneId?: string | undefined;
  readonly place: Trip['begin']['place'];
  readonly plan: TripPlan | null;
  readonly stops: readonly TripStop[];
}

/** The clock is looked at so often; what the notes say is asked again with it. */
const TICK_MS = 15_000;

/** A new plan beside the old: where the day is other than planned, and what would be fished instead. */
export interface OtherPlan extends OffPlan {
  readonly day: PlannedDay;
}

/** Notes that say something of fish, bait or a place carry the tide with them. */
const CARRY_TIDE: ReadonlySet<TripEvent['kind']> = new Set(['contact', 'bait', 'birds', 'mark']);

const isCurrent = (trip: Trip): boolean => trip.state !== 'over' || trip.review === null;

/** The trip that is under way: what it is, what its notes say, and every tap that adds to it. */
@Injectable({ providedIn: 'root' })
export class TripService {
  private readonly log = inject(TripLogService);
  private readonly books = inject(BookService);
  private readonly finder = inject(TripFinderService);
  private readonly planner = inject(PlannerService);
  private readonly instruments = inject(InstrumentsService);
  private readonly settings = inject(SettingsService);
  private readonly notices = inject(NoticeService);
  private readonly tapped = new Subject<TripEvent>();
  private known: { readonly book: string; readonly trips: KnownTrips } = { book: '', trips: new Map() };
  private readonly keptOld = new BehaviorSubject('');

  /** All trips of the book on this device, the latest first. */
  readonly trips$: Observable<readonly Trip[]> = this.log.log$.pipe(
    map(({ events }) => events),
    distinctUntilChanged(),
    map((events) => this.tellTrips(events)),
    shareReplay(1),
  );
  /** The latest trip that is not over and reviewed; null where there is none. */
  readonly trip$: Observable<Trip | null> = this.trips$.pipe(
    map((trips) => trips.find(isCurrent) ?? null),
    shareReplay(1),
  );
  /** Time on the trip's clock, in milliseconds: the demo's day goes on from its own hour. */
  readonly nowMs$ = combineLatest([this.trip$, merge(timer(0, TICK_MS), this.tapped)]).pipe(
    map(([trip]) => this.nowOf(trip)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  /** What the notes say so far and what is to be done next. The last answer stands until the next has come. */
  readonly found$: Observable<TripFindings | null> = combineLatest([
    this.trip$,
    this.settings.units$,
    inject(RunService).wish$,
    timer(0, TICK_MS),
  ]).pipe(
    switchMap(([trip, units, { speedMps }]) =>
      trip && trip.state !== 'over'
        ? this.finder
            .found({
              trip,
              nowMs: this.nowOf(trip),
              units,
              lonLat: this.instruments.sensed()?.lonLat ?? null,
              speedMps,
            })
            .pipe(
              catchError(() => {
                this.notices.say('The next move could not be worked out, and the fault is ours. The log goes on.');
                return EMPTY;
              }),
            )
        : of(null),
    ),
    startWith(null),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  /** The plan that is followed, as it is drawn. */
  readonly day$: Observable<PlannedDay | null> = combineLatest([
    this.trip$.pipe(
      map((trip) => trip?.plan?.conditions ?? null),
      distinctUntilChanged((a, b) => JSON.stringify(a) === JSON.stringify(b)),
    ),
    this.settings.units$,
  ]).pipe(
    switchMap(([conditions, units]) =>
      conditions ? this.planner.plan(conditions, units).pipe(catchError(() => of(null))) : of(null),
    ),
    startWith(null),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  /** Where the day is off the plan, with the plan that it wants instead; null while the plan holds. */
  readonly other$: Observable<OtherPlan | null> = combineLatest([
    this.trip$.pipe(
      map((trip) => (trip?.plan && trip.state !== 'over' ? { plan: trip.plan, reading: latestReading(trip) } : null)),
      distinctUntilChanged((a, b) => JSON.stringify(a) === JSON.stringify(b)),
    ),
    this.settings.units$,
    this.keptOld,
  ]).pipe(
    switchMap(([asked, units, keptOld]) => {
      const off = asked && offPlan(asked.plan, asked.reading, units);
      if (!off || off.words.join() === keptOld) return of(null);
      return this.planner.plan(off.conditions, units).pipe(
        map((day): OtherPlan => ({ ...off, day })),
        catchError(() => of(null)),
      );
    }),
    startWith(null),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  constructor() {
    const awake = inject(AwakeService);
    this.trip$.subscribe((trip) => awake.keep(trip?.state === 'going'));
  }

  /** The trip of the log as it stands. */
  private get trip(): Trip | null {
    const events = this.log.now?.events;
    return (events && this.tellTrips(events).find(isCurrent)) ?? null;
  }

  /** Trips of these events; those to which nothing was added are not told anew. */
  private tellTrips(events: readonly TripEvent[]): Trip[] {
    const { book } = this.books;
    if (this.known.book !== book) this.known = { book, trips: new Map() };
    return tripsOf(events, this.known.trips);
  }

  /** Time on the clock of a trip, or of the book where there is none. */
  nowOf(trip: Trip | null): number {
    return Date.now() + (trip?.begin.aheadMs ?? 0);
  }

  /** Sets out. Fails with a sentence where the device can keep nothing. */
  async begin({ name, waterId, zoneId, place, plan, stops }: Outing): Promise<void> {
    const clock = await firstValueFrom(this.books.clock$);
    const aheadMs = clock.fixed ? Date.parse(clock.now) - Date.now() : 0;
    // Asked for once: so the browser does not clear what waits when its room runs short.
    void (navigator.storage as StorageManager | undefined)?.persist?.();
    const said: NewTripEvent = { kind: 'begin', name, waterId, zoneId, place, plan, stops: [...stops], aheadMs };
    await this.add(uuid(), said, Date.now() + aheadMs);
  }

  pause(): Promise<TripEvent | null> {
    return this.tap({ kind: 'pause' });
  }

  resume(): Promise<TripEvent | null> {
    return this.tap({ kind: 'resume' });
  }

  finish(): Promise<TripEvent | null> {
    return this.tap({ kind: 'finish' });
  }

  /** From now on this is fished. */
  fish(fishing: Fishing): Promise<TripEvent | null> {
    return this.tap({ kind: 'fishing', fishing });
  }

  casts(casts: number): Promise<TripEvent | null> {
    return this.tap({ kind: 'effort', casts, fishing: this.fishingNow() });
  }

  minutes(minutes: number): Promise<TripEvent | null> {
    return this.tap({ kind: 'effort', minutes, fishing: this.fishingNow() });
  }

  /** @param tiedOn what a landed fish took, as far as that is known without asking */
  contact(what: Contact, tiedOn?: TiedOn): Promise<TripEvent | null> {
    return this.tap({ kind: 'contact', what, fishing: this.fishingNow(), ...(tiedOn && { fish: { tiedOn } }) });
  }

  bait(): Promise<TripEvent | null> {
    return this.tap({ kind: 'bait' });
  }

  /** Birds as they show fish there: on the bank of a lake, diving in a bay. */
  birds(): Promise<TripEvent | null> {
    const inshore = this.trip?.plan?.conditions.discipline === 'inshore';
    return this.tap({ kind: 'birds', sign: inshore ? 'birds-diving' : 'birds-on-bank' });
  }

  mark(): Promise<TripEvent | null> {
    return this.tap({ kind: 'mark' });
  }

  reading(reading: DayReading): Promise<TripEvent | null> {
    return this.tap({ kind: 'reading', reading });
  }

  /** Says more of a fish that was landed. */
  describeCatch(of: string, fish: Catch): Promise<TripEvent | null> {
    return this.tap({ kind: 'correct', of, fish }, this.tripHolding(of));
  }

  /** Says of bait what it was and what it did, of birds what they did. */
  describeSign(of: string, said: Pick<TripEventOf<'correct'>, 'forage' | 'seen' | 'sign'>): Promise<TripEvent | null> {
    return this.tap({ kind: 'correct', of, ...said }, this.tripHolding(of));
  }

  /** Says of a bite that it came at the boat. */
  atBoat(of: string, atBoat: boolean): Promise<TripEvent | null> {
    return this.tap({ kind: 'correct', of, atBoat });
  }

  takeBack(of: string): Promise<TripEvent | null> {
    return this.tap({ kind: 'take-back', of }, this.tripHolding(of));
  }

  /** Puts a trip into the bin, from which it can be taken for ninety days. */
  remove(trip: Trip): Promise<TripEvent | null> {
    return this.tap({ kind: 'remove' }, trip);
  }

  putBack(trip: Trip): Promise<TripEvent | null> {
    return this.tap({ kind: 'put-back' }, trip);
  }

  /** What a note was made to be stands no more: it is again as it was before. */
  undoChange({ event, note }: NoteChange): Promise<TripEvent | null> {
    const trip = this.log.now && tripOf(this.log.now.events, note.tripId);
    return trip ? this.tap({ kind: 'take-back', of: event.id }, trip) : Promise.resolve(null);
  }

  /** Follows another plan from now on. */
  takePlan({ conditions, day }: OtherPlan): Promise<TripEvent | null> {
    return this.tap({ kind: 'plan', plan: { conditions, plan: day.plan } });
  }

  /** Follows the plan of such a morning as was found at the ramp. */
  async takeMorning(change: Partial<TripPlan['conditions']>): Promise<TripEvent | null> {
    const { trip } = this;
    if (!trip?.plan) return null;
    const conditions = { ...trip.plan.conditions, ...change };
    try {
      const { plan } = await firstValueFrom(this.planner.plan(conditions, this.settings.units));
      return await this.tap({ kind: 'plan', plan: { conditions, plan } });
    } catch {
      this.notices.say('This morning could not be planned, and the fault is ours. The plan stands as it was.');
      return null;
    }
  }

  /** Stays with the plan as it is, until the day is off it in another way. */
  keepPlan({ words }: OffPlan): void {
    this.keptOld.next(words.join());
  }

  /** What this device noted last and an undo takes back. */
  readonly last$: Observable<TripEvent | null> = combineLatest([this.log.log$, this.trip$]).pipe(
    map(([log, trip]) => (trip ? lastOf(log, trip) : null)),
    distinctUntilChanged(),
  );

  async undo(): Promise<void> {
    const [log, trip] = [this.log.now, this.trip];
    const last = log && trip && lastOf(log, trip);
    if (last) await this.takeBack(last.id);
  }

  /** Saves the review with the trip: the trip is done. */
  saveReview(trip: Trip, note: string): Promise<TripEvent | null> {
    const review = reviewOf(trip, this.nowOf(trip), this.settings.units);
    return this.tap({ kind: 'review', review, note: note.trim() || undefined }, trip);
  }

  /** Keeps a photo of a fish on the device, until the server has it. */
  addPhoto(photo: Blob): Promise<string> {
    return this.log.addPhoto(photo);
  }

  /** The trip that a note belongs to, whether it is over or not. */
  private tripHolding(note: string): Trip | null {
    const events = this.log.now?.events ?? [];
    const tripId = events.find(({ id }) => id === note)?.tripId;
    return tripId === undefined ? null : tripOf(events, tripId);
  }

  /** What is fished now: what was said last, else what the plan has for this hour. */
  private fishingNow(): Fishing | null {
    const { trip } = this;
    return trip && (trip.fishing ?? advisedAt(trip, this.nowOf(trip)));
  }

  /** Keeps a tap on the device; null where it could not be kept, which is said in words. */
  private async tap(said: NewTripEvent, trip = this.trip): Promise<TripEvent | null> {
    if (!trip) return null;
    try {
      return await this.add(trip.id, said, this.nowOf(trip), trip);
    } catch (error) {
      this.notices.say((error as Error).message);
      return null;
    }
  }

  private async add(tripId: string, said: NewTripEvent, atMs: number, trip?: Trip): Promise<TripEvent> {
    const sensed = this.instruments.sensed();
    const tide = CARRY_TIDE.has(said.kind) && trip ? tideOfNote(trip, atMs) : undefined;
    const event = await this.log.add(tripId, { ...said, ...(sensed && { sensed }), ...(tide && { tide }) }, atMs);
    this.tapped.next(event);
    return event;
  }
}

const lastOf = ({ events, deviceId }: OpenLog, { id }: Trip): TripEvent | null => lastTap(events, id, deviceId);
