import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Run } from '@inky-shoal/core';
import { BehaviorSubject, combineLatest, map } from 'rxjs';
import * as z from 'zod';
import { QuickStore, StoreSet } from '../base/store';
import { DayService } from './day.service';

/** A run is the only one of its day on a water; the latest days come last. */
const idOf = ({ waterId, date }: Pick<Run, 'waterId' | 'date'>): string => `${date}/${waterId}`;

/** The runs of this browser; those that were kept as one list are rows from now on. */
function keptRuns(): StoreSet<Run> {
  const runs = new StoreSet('run', Run);
  const former = new QuickStore('runs', z.array(Run), []);
  const list = former.read();
  for (const run of list) runs.write(idOf(run), run);
  if (list.length) former.write([]);
  return runs;
}

/** Days whose runs are kept here; with its plan a run is kept in the book. */
const DAYS_KEPT = 8;

/** Runs that were ordered, by water and day: the day on the sheet has one, which is saved with its plan. */
@Injectable({ providedIn: 'root' })
export class KeptRuns {
  private readonly day = inject(DayService);
  private readonly store = keptRuns();
  private readonly runs = new BehaviorSubject(this.store.all());

  /** The run of the day on the sheet. */
  readonly run$ = combineLatest([this.runs, this.day.draft$]).pipe(
    map(
      ([runs, draft]) =>
        runs.find(({ waterId, date }) => waterId === draft?.waterId && date === draft.input.date) ?? null,
    ),
  );
  /** Whether it was ordered for other conditions than the day has now. */
  readonly isStale$ = combineLatest([this.run$, this.day.conditions$]).pipe(
    map(([run, conditions]) => !!run?.madeFor && JSON.stringify(run.madeFor) !== JSON.stringify(conditions)),
  );

  constructor() {
    this.store.changed$.pipe(takeUntilDestroyed()).subscribe(() => this.runs.next(this.store.all()));
  }

  /** The run of a day on a water, where one is kept. */
  of(waterId: string | null, date: string): Run | undefined {
    return waterId === null ? undefined : (this.store.read(idOf({ waterId, date })) ?? undefined);
  }

  keep(run: Run): void {
    this.store.write(idOf(run), run);
    for (const old of this.store.ids().slice(0, -DAYS_KEPT)) if (old !== idOf(run)) this.store.remove(old);
    this.runs.next(this.store.all());
  }

  remove(run: Run): void {
    this.store.remove(idOf(run));
    this.runs.next(this.store.all());
  }
}
