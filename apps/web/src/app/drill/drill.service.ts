import { inject, Injectable } from '@angular/core';
import type { CategoryId, Discipline, UnitSystem } from '@inky-shoal/core';
import type { DrillAnswer, Graded, PooledScene, TurnAnswer } from '@inky-shoal/core/drill';
import { concatMap, filter, from, last, map, type Observable, of, scan, shareReplay, take, timeout } from 'rxjs';
import * as z from 'zod';
import { Store } from '../base/store';
import { MORNINGS_WORKER } from '../mornings/mornings-worker';
import { DayService } from '../sheet/day.service';
import type { Band } from './band-picture.component';
import type { DayKey, GradedAnswer, SceneQuestion, ToldPicture, ToldScene, ToldTurn } from './drill-api';

/** The day on the sheet is waited for so long: then days on fresh water are drawn. */
const SHEET_WITHIN_MS = 2000;
/** Days that questions are chosen from, and how many are judged at a time. */
const POOL = 40;
const POOLED_AT_ONCE = 8;

/** Days that are judged for practice, asked in a worker. */
@Injectable({ providedIn: 'root' })
export class DrillService {
  private readonly worker = inject(MORNINGS_WORKER);
  private readonly nextSeed = new Store('drill-seed', z.number().int().min(0), 1);

  /** What the angler fishes, by the day on the sheet: told once, so that a day that is being judged stays. */
  readonly discipline$: Observable<Discipline> = inject(DayService).planned$.pipe(
    filter((planned) => planned !== null),
    map(({ conditions }): Discipline => conditions.discipline),
    timeout({ first: SHEET_WITHIN_MS, with: () => of<Discipline>('bass') }),
    take(1),
    shareReplay(1),
  );

  /** The day that is asked next. */
  get seed(): number {
    return this.nextSeed.read();
  }

  /** Goes on to another day. */
  goOn(): number {
    const seed = this.seed + 1;
    this.nextSeed.write(seed);
    return seed;
  }

  scene(question: SceneQuestion): Observable<ToldScene> {
    return this.worker.ask((drill) => drill.scene(question));
  }

  dayKey(question: SceneQuestion): Observable<DayKey> {
    return this.worker.ask((drill) => drill.dayKey(question));
  }

  picture(question: SceneQuestion, category: CategoryId | null, bandsM: readonly Band[]): Observable<ToldPicture> {
    return this.worker.ask((drill) => drill.picture(question, category, bandsM));
  }

  grade(question: SceneQuestion, answer: DrillAnswer): Observable<GradedAnswer> {
    return this.worker.ask((drill) => drill.grade(question, answer));
  }

  turn(question: SceneQuestion): Observable<ToldTurn | null> {
    return this.worker.ask((drill) => drill.turn(question));
  }

  gradeTurn(question: SceneQuestion, answer: TurnAnswer): Observable<Graded> {
    return this.worker.ask((drill) => drill.gradeTurn(question, answer));
  }

  /** Days to choose questions from, the next to be asked first; judged in portions, so that others are not kept waiting. */
  pool(discipline: Discipline, units: UnitSystem): Observable<readonly PooledScene[]> {
    const seeds = Array.from({ length: POOL }, (_, at) => this.seed + at);
    const portions = Array.from({ length: POOL / POOLED_AT_ONCE }, (_, at) =>
      seeds.slice(at * POOLED_AT_ONCE, (at + 1) * POOLED_AT_ONCE),
    );
    return from(portions).pipe(
      concatMap((portion) => this.worker.ask((drill) => drill.pool(portion, discipline, units))),
      scan((all: readonly PooledScene[], scenes) => [...all, ...scenes], []),
      last(),
    );
  }
}
