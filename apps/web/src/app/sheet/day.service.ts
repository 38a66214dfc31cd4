import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  BOOKS,
  Conditions,
  dayNumber,
  parse,
  type Book,
  type ConditionsInput,
  type PlannedDay,
  type Problem,
  type Reading,
  type RecordVersion,
  type UnitSystem,
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
  type Observable,
  of,
  shareReplay,
  startWith,
  switchMap,
  take,
  takeWhile,
  tap,
  throwError,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { BookService } from '../base/book.service';
import { NoticeService } from '../base/notice.service';
import type { PlanSaved } from '../plans/plans.service';
import { PlannerService } from '../base/planner/planner.service';
import { SeasonService, type WaterSeason } from '../season/season.service';
import { SettingsService } from '../base/settings.service';
import { QuickStore, Store, type RowChanged } from '../base/store';
import { WatersService } from '../waters/waters.service';
import { TideService } from './tide.service';
import { type Draft, draftFor, DraftShape, isChangedSince, estimatedAnew, seasonDraft } from './draft';

/** A planned day, with the record that it was made with where it was. */
export type SheetDay = PlannedDay & { readonly record?: RecordVersion };

/** What is known of the day: its checked conditions and plan, or what is wrong with it. */
export interface Planned {
  readonly conditions: Conditions;
  readonly day: SheetDay;
}

/** Plans a day; null where it has nothing to say of it. */
export type DayPlanner = (conditions: Conditions) => Observable<SheetDay | null>;

/** As drafts were kept before each book's had a row of its own. */
const Former = z.partialRecord(z.enum(BOOKS), DraftShape);

function draftStores(): Readonly<Record<Book, Store<Draft | null>>> {
  const former = new QuickStore('drafts', Former, {}).read();
  const of = (book: Book) => new Store(`draft/${book}`, DraftShape.nullable(), former[book] ?? null);
  return { demo: of('demo'), own: of('own') };
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
  private readonly tide = inject(TideService);
  private readonly stores = draftStores();
  private readonly drafts = new BehaviorSubject(this.kept());
  /** It was said that another window goes on with a day of its own. */
  private toldOfOther = false;

  readonly draft$ = combineLatest([this.drafts, this.books.book$]).pipe(
    map(([drafts, book]) => drafts[book] ?? null),
    distinctUntilChanged(),
  );
  private readonly checked$ = combineLatest([this.draft$, this.settings.schools$]).pipe(
    switchMap(([draft, schools]) =>
      draft
        ? this.tide
            .withTide(draft)
            // Sides taken in Settings hold where the day itself takes none.
            .pipe(map((input) => parse(Conditions, { ...input, schools: { ...schools, ...input.schools } })))
        : of(null),
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
  private readonly leaning = new BehaviorSubject<DayPlanner | null>(null);
  /** The latest plan. It stays while a change is not yet right. */
  readonly planned$ = combineLatest([this.checked$, this.settings.units$, this.leaning]).pipe(
    filter(([checked]) => checked === null || checked.ok),
    switchMap(([checked, units]) =>
      checked?.ok
        ? this.plan(checked.value, units).pipe(
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

  /** Has days planned by what the angler's record adds from now on; null by the planner alone. */
  leanOn(planner: DayPlanner | null): void {
    this.leaning.next(planner);
  }

  /** Plans conditions as the day is planned, by the record where that is leant on. */
  plan(conditions: Conditions, units: UnitSystem): Observable<SheetDay> {
    // The record is a help: where it says nothing, or fails, the plan stands without it.
    return (this.leaning.value?.(conditions) ?? of(null)).pipe(
      catchError(() => of(null)),
      switchMap((day) => (day ? of(day) : this.planner.plan(conditions, units))),
    );
  }

  private get draft(): Draft | null {
    return this.drafts.value[this.books.book] ?? null;
  }

  /**
   * Begins a new day on a water, from where its season stands; from its latest readings where that cannot be had.
   * @param said conditions that were typed already, the date among them
   */
  begin(water: Water, said: Partial<ConditionsInput> = {}): void {
    let begun: Draft | null = null;
    this.season
      .of(water)
      .pipe(
        // Weather that is still on its way is taken, too, while nobody has changed the day meanwhile.
        takeWhile(({ outside: { weather, gauge } }) => weather.asking || gauge.asking, true),
        map((season) => seasonDraft(season, undefined, said.date ? dayNumber(said.date) : undefined)),
        catchError(() =>
          begun
            ? EMPTY
            : combineLatest([
                this.waters.readingsOf(water.id).pipe(catchError(() => of<Reading[]>([]))),
                this.books.clock$,
              ]).pipe(
                take(1),
                map(([readings, clock]) => draftFor(water, readings, clock, said.date)),
              ),
        ),
      )
      .subscribe((draft) => {
        if (begun && this.draft !== begun) return;
        const day = { ...draft, typed: Object.keys(said), input: { ...draft.input, ...said } };
        if (begun) this.keep(day);
        else this.replace(day);
        begun = this.draft;
      });
  }

  /** Begins a day of the season in one of its zones. */
  beginFrom(season: WaterSeason, zoneId: string, day: number): void {
    this.replace(seasonDraft(season, zoneId, day));
  }

  /** Opens a saved plan's conditions. */
  open(draft: Draft): void {
    this.replace(draft);
  }

  /** Puts another day in the place of the one on the sheet, which is one press away. */
  private replace(draft: Draft): void {
    const before = this.draft;
    this.keep(draft);
    const wasWorkedOn = before && (before.savedId === null ? !!before.typed?.length : isChangedSince(before));
    if (wasWorkedOn) {
      this.notices.say(`The sheet begins anew: ${draft.waterName}.`, () => this.keep(before));
    }
  }

  /**
   * Changes conditions as the user types; a value of undefined takes a field back. Another day has its own water and
   * weather: what was estimated is estimated anew.
   */
  change(input: Partial<ConditionsInput>): void {
    const before = this.draft;
    if (!before) return;
    const typed = new Set(before.typed);
    for (const [field, value] of Object.entries(input)) {
      if (value === undefined) typed.delete(field);
      else typed.add(field);
    }
    this.keep({ ...before, typed: [...typed], input: { ...before.input, ...input } });
    if (input.date !== undefined && input.date !== before.input.date) this.estimate(before);
  }

  /** Estimates the water and the weather of the day on the sheet. @param before the day as it was, to go back to */
  private estimate(before: Draft): void {
    const day = this.draft;
    if (!day?.waterId || Number.isNaN(Date.parse(day.input.date))) return;
    this.waters.waters$
      .pipe(
        filter(({ state }) => state !== 'loading'),
        take(1),
        switchMap((loaded) => {
          if (loaded.state !== 'ready') return throwError(() => new Error('The waters cannot be read.'));
          const water = loaded.value.find(({ id }) => id === day.waterId);
          return water ? this.season.of(water).pipe(take(1)) : EMPTY;
        }),
        catchError(() => {
          this.notices.say('The water of that day cannot be estimated now: what stands is of the day before.');
          return EMPTY;
        }),
      )
      .subscribe((season) => {
        const { draft } = this;
        if (draft?.input.date !== day.input.date || draft.waterId !== day.waterId) return;
        this.keep(estimatedAnew(draft, seasonDraft(season, draft.zoneId ?? undefined, dayNumber(day.input.date))));
        this.notices.say('Water and weather are estimated for the new day; what you typed stays.', () => {
          const now = this.draft;
          if (now) this.keep(estimatedAnew({ ...now, input: { ...now.input, date: before.input.date } }, before));
        });
      });
  }

  /**
   * The id and name under which the day is saved from now on: a plan of its own, or in the place of the one it was.
   * @param replaces the plan that it was opened from or saved as
   */
  savedAs(name: string, replaces = false): string {
    const { draft } = this;
    const kept = replaces ? draft?.savedId : null;
    const id = kept ?? uuid();
    if (draft) {
      const savedVersion = kept ? draft.savedVersion : undefined;
      this.keep({ ...draft, savedId: id, savedName: name, savedVersion, savedInput: draft.input });
    }
    return id;
  }

  /** The day is saved as it was before: saving was taken back. */
  savedAsBefore({ savedId, savedName, savedVersion, savedInput }: Draft): void {
    if (this.draft) this.keep({ ...this.draft, savedId, savedName, savedVersion, savedInput });
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
