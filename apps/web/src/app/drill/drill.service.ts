import { inject, Injectable } from '@angular/core';
import { DRILL_STEPS, type DrillAnswer, type DrillStep, type Graded } from '@inky-shoal/core/drill';
import { BehaviorSubject, map, type Observable } from 'rxjs';
import * as z from 'zod';
import { Store } from '../base/store';
import { MORNINGS_WORKER } from '../mornings/mornings-worker';
import type { SceneQuestion, ToldBand, ToldScene } from './drill-api';

const Kept = z.array(z.object({ seed: z.number(), step: z.enum(DRILL_STEPS), score: z.number(), at: z.string() }));
type Result = z.infer<typeof Kept>[number];
/** The latest are kept, and of those of one step so many are told. */
const MOST = 600;
const TOLD = 20;

/** How one gets on with a step of the work. */
export interface StepKnown {
  readonly step: DrillStep;
  readonly answers: number;
  /** Marks of the last answers in the mean, 0 to 1. */
  readonly marks: number;
}

/** Days that are judged for practice: asked in a worker, the marks kept on this device. */
@Injectable({ providedIn: 'root' })
export class DrillService {
  private readonly worker = inject(MORNINGS_WORKER);
  private readonly nextSeed = new Store('drill-seed', z.number().int().min(0), 1);
  private readonly store = new Store('drill-results', Kept, []);
  private readonly results = new BehaviorSubject<readonly Result[]>(this.store.read());

  /** How one gets on, step by step, of those that were answered. */
  readonly known$: Observable<readonly StepKnown[]> = this.results.pipe(
    map((results) =>
      DRILL_STEPS.flatMap((step): StepKnown[] => {
        const own = results.filter((each) => each.step === step).slice(-TOLD);
        const marks = own.reduce((sum, { score }) => sum + score, 0) / Math.max(1, own.length);
        return own.length ? [{ step, answers: own.length, marks }] : [];
      }),
    ),
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

  bands(question: SceneQuestion): Observable<ToldBand[]> {
    return this.worker.ask((drill) => drill.bands(question));
  }

  grade(question: SceneQuestion, answer: DrillAnswer): Observable<Graded> {
    return this.worker.ask((drill) => drill.grade(question, answer));
  }

  /** Keeps what an answer was worth. */
  keep(seed: number, step: DrillStep, score: number): void {
    const results = [...this.results.value, { seed, step, score, at: new Date().toISOString() }].slice(-MOST);
    this.store.write(results);
    this.results.next(results);
  }
}
