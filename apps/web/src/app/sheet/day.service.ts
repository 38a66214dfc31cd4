import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  BOOKS,
  Conditions,
  conditionsOn,
  dayNumber,
  parse,
  usualVisibilityM,
  type Book,
  type ConditionsInput,
  type PlannedDay,
  type Problem,
  type Reading,
  type SeasonZone,
  type Water,
} from '@inky-shoal/core';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  distinctUntilChanged,
  EMPTY,
  filter,
  map,
  merge,
  of,
  shareReplay,
  startWith,
  switchMap,
  take,
  tap,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { BookService, type Clock } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import type { PlanSaved } from '../plans/plans.service';
import { PlannerService } from '../base/planner/planner.service';
import { SeasonService, type WaterSeason } from '../season/season.service';
import { SettingsService } from '../base/settings.service';
import { QuickStore, Store, type RowChanged } from '../base/store';
import { WatersService } from '../waters/waters.service';

/** The day being planned: the conditions as said so far, where they came from, and under what name they are saved. */
export interface Draft {
  readonly waterId: string | null;
  readonly waterName: string;
  /** The saved plan it was opened from or saved as. */
  readonly savedId: string | null;
  readonly savedName: string | null;
  /** The version it has there, where that is known. */
  readonly savedVersion?: number | undefined;
  readonly input: ConditionsInput;
}

/** What is known of the day: its checked conditions and plan, or what is wrong with it. */
export interface Planned {
  readonly conditions: Conditions;
  readonly day: PlannedDay;
}

const DraftShape = z.object({
  waterId: z.string().nullable(),
  waterName: z.string(),
  savedId: z.string().nullable(),
  savedName: z.string().nullable(),
  savedVersion: z.number().optional(),
  input: z.looseObject({}),
}) as unknown as z.ZodType<Draft>;
/** As drafts were kept before each book's had a row of its own. */
const Former = z.partialRecord(z.enum(BOOKS), DraftShape);

function draftStores(): Readonly<Record<Book, Store<Draft | null>>> {
  const former = new QuickStore('drafts', Former, {}).read();
  const of = (book: Book) => new Store(`draft/${book}`, DraftShape.nullable(), former[book] ?? null);
  return { demo: of('demo'), own: of('own') };
}

const DAY_MS = 86_400_000;
/** From this hour on an angler plans tomorrow, not today. */
const TOMORROW_FROM_HOUR = 14;

/** The calendar day to plan: today in the morning, tomorrow from the afternoon on, on the water's own clock. */
export function dayToPlan(clock: Clock, timeZone: string): string {
  const now = new Date(clock.now);
  const hour = Number(new Intl.DateTimeFormat('en-GB', { hour: '2-digit', hourCycle: 'h23', timeZone }).format(now));
  const day = new Date(now.getTime() + (hour >= TOMORROW_FROM_HOUR ? DAY_MS : 0));
  return new Intl.DateTimeFormat('en-CA', { dateStyle: 'short', timeZone }).format(day);
}

/** A first draft for a water: its own figures, its latest reading, and the readings that make the trend. */
export function draftFor(water: Water, readings: readonly Reading[], clock: Clock): Draft {
  const { name, discipline, waterKind, place, normalVisibilityM, yearLowC, maxDepthM, structures, covers } = water;
  const date = dayToPlan(clock, place.timeZone);
  const since = Date.parse(date) - 14 * DAY_MS;
  const recent = readings.filter(({ at }) => Date.parse(at) >= since);
  const seen = recent.find(({ visibilityM }) => visibilityM !== undefined)?.visibilityM;
  return {
    waterId: water.id,
    waterName: name,
    savedId: null,
    savedName: null,
    input: {
      discipline,
      date,
      place,
      waterKind,
      surfaceTempC: recent[0]?.surfaceTempC ?? (undefined as unknown as number),
      readings: recent.map(({ at, surfaceTempC }) => ({ at, surfaceTempC })),
      normalVisibilityM: normalVisibilityM ?? usualVisibilityM(readings.flatMap((each) => each.visibilityM ?? [])),
      visibilityM: seen,
      yearLowC,
      maxDepthM,
      structures,
      covers,
    },
  };
}

/** A first draft for a day in a zone, from where the season stands there. */
export function seasonDraft(
  { water, year, readings, outside, clock }: WaterSeason,
  zoneId?: string,
  day?: number,
): Draft {
  const [first] = year.zones;
  const wanted = zoneId ?? latestReadZone(readings, clock);
  const zone = year.zones.find(({ id }) => id === wanted) ?? (first as SeasonZone);
  const told = water.zones?.find(({ id }) => id === zone.id);
  const base = draftFor(water, readings, clock);
  const date = day ?? dayNumber(dayToPlan(clock, water.place.timeZone));
  return {
    ...base,
    waterName: told ? `${water.name}, ${told.name}` : water.name,
    input: {
      ...base.input,
      ...conditionsOn(year, zone, date, outside.weatherDays),
      readings: undefined,
      maxDepthM: told?.maxDepthM ?? water.maxDepthM,
    },
  };
}

const LATELY_MS = 45 * DAY_MS;

/** The zone that was read most often lately. */
function latestReadZone(readings: readonly Reading[], clock: Clock): string | undefined {
  const since = Date.parse(clock.now) - LATELY_MS;
  const counts = new Map<string, number>();
  for (const { at, zoneId } of readings) {
    if (zoneId && Date.parse(at) >= since) counts.set(zoneId, (counts.get(zoneId) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** The day on the sheet. Every change plans anew; what was typed is kept in this browser, book by book. */
@Injectable({ providedIn: 'root' })
export class DayService {
  private readonly books = inject(BookService);
  private readonly waters = inject(WatersService);
  private readonly season = inject(SeasonService);
  private readonly planner = inject(PlannerService);
  private readonly settings = inject(SettingsService);
  private readonly notices = inject(NoticeService);
  private readonly stores = draftStores();
  private readonly drafts = new BehaviorSubject(this.kept());
  /** It was said that another window goes on with a day of its own. */
  private toldOfOther = false;

  readonly draft$ = combineLatest([this.drafts, this.books.book$]).pipe(
    map(([drafts, book]) => drafts[book] ?? null),
    distinctUntilChanged(),
  );
  private readonly checked$ = combineLatest([this.draft$, this.settings.schools$]).pipe(
    // Sides taken in Settings hold where the day itself takes none.
    map(([draft, schools]) =>
      draft ? parse(Conditions, { ...draft.input, schools: { ...schools, ...draft.input.schools } }) : null,
    ),
    shareReplay(1),
  );
  /** The day's conditions, as they were last right. */
  readonly conditions$ = this.checked$.pipe(
    filter((checked) => checked?.ok === true),
    map(({ value }) => value),
  );
  private readonly failed = new BehaviorSubject(false);
  /** The engine gave up on this day: the fault is ours, and the last plan stands. */
  readonly failed$ = this.failed.pipe(distinctUntilChanged());
  /** What is wrong with the draft, field by field. */
  readonly problems$ = this.checked$.pipe(
    map((checked): readonly Problem[] => (checked && !checked.ok ? checked.problems : [])),
  );
  /** The latest plan. It stays while a change is not yet right. */
  readonly planned$ = combineLatest([this.checked$, this.settings.units$]).pipe(
    filter(([checked]) => checked === null || checked.ok),
    switchMap(([checked, units]) =>
      checked?.ok
        ? this.planner.plan(checked.value, units).pipe(
            map((day): Planned | null => ({ conditions: checked.value, day })),
            tap(() => this.failed.next(false)),
            catchError(() => {
              this.failed.next(true);
              return EMPTY;
            }),
          )
        : of(null),
    ),
    startWith(null),
    shareReplay(1),
  );

  constructor() {
    merge(this.stores.demo.changed$, this.stores.own.changed$)
      .pipe(takeUntilDestroyed())
      .subscribe((changed) => this.heard(changed));
    // A book opened for the first time begins on its first water.
    combineLatest([this.draft$, this.books.book$])
      .pipe(
        filter(([draft]) => draft === null),
        switchMap(() =>
          this.waters.waters$.pipe(
            filter((loaded) => loaded.state === 'ready'),
            take(1),
          ),
        ),
      )
      .subscribe(({ value: [first] }) => {
        if (first && !this.draft) this.begin(first);
      });
  }

  private get draft(): Draft | null {
    return this.drafts.value[this.books.book] ?? null;
  }

  /** Begins a new day on a water, from where its season stands; from its latest readings where that cannot be had. */
  begin(water: Water): void {
    this.season
      .of(water)
      .pipe(
        take(1),
        map((season) => seasonDraft(season)),
        catchError(() =>
          combineLatest([
            this.waters.readingsOf(water.id).pipe(catchError(() => of<Reading[]>([]))),
            this.books.clock$,
          ]).pipe(
            take(1),
            map(([readings, clock]) => draftFor(water, readings, clock)),
          ),
        ),
      )
      .subscribe((draft) => this.keep(draft));
  }

  /** Begins a day of the season in one of its zones. */
  beginFrom(season: WaterSeason, zoneId: string, day: number): void {
    this.keep(seasonDraft(season, zoneId, day));
  }

  /** Opens a saved plan's conditions. */
  open(draft: Draft): void {
    this.keep(draft);
  }

  /** Changes conditions as the user types; a value of undefined takes a field back. */
  change(input: Partial<ConditionsInput>): void {
    if (this.draft) this.keep({ ...this.draft, input: { ...this.draft.input, ...input } });
  }

  /** The id and name under which the day is saved from now on. */
  savedAs(name: string): string {
    const id = this.draft?.savedId ?? uuid();
    if (this.draft) this.keep({ ...this.draft, savedId: id, savedName: name });
    return id;
  }

  /** How the day is saved now: a change made elsewhere meanwhile stands, and this day goes on as its second copy. */
  savedIn({ version, copy }: PlanSaved): void {
    const asCopy = copy ? { savedId: copy.id, savedName: copy.name } : {};
    if (this.draft) this.keep({ ...this.draft, ...asCopy, savedVersion: copy ? 1 : version });
  }

  private keep(draft: Draft): void {
    this.toldOfOther = false;
    this.stores[this.books.book].write(draft);
    this.drafts.next({ ...this.drafts.value, [this.books.book]: draft });
  }

  private kept(): Readonly<Record<Book, Draft | null>> {
    return { demo: this.stores.demo.read(), own: this.stores.own.read() };
  }

  /** The day as another window changed it: this one goes on with its own, which is said, and may take the other. */
  private heard({ by }: RowChanged): void {
    const { book } = this.books;
    const there = this.kept();
    // The day that is not on the screen, or that was found on the disk, is simply taken.
    const shown = by === 'disk' ? there : { ...there, [book]: this.draft ?? there[book] };
    this.drafts.next(shown);
    if (by === 'disk' || this.toldOfOther || JSON.stringify(there[book]) === JSON.stringify(shown[book])) return;
    this.toldOfOther = true;
    this.notices.ask('The day was changed in another window. This one still shows the day as you had it here.', [
      { label: 'Show the other', act: () => this.drafts.next(this.kept()) },
      { label: 'Keep this one', act: () => this.draft && this.keep(this.draft) },
    ]);
  }
}
