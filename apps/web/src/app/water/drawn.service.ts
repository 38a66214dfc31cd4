import { inject, Injectable } from '@angular/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import { BehaviorSubject, concat, EMPTY, map, type Observable } from 'rxjs';
import type { ApiError } from '../base/api.service';
import { NoticeService } from '../base/notice.service';
import { OutboxService } from '../base/outbox.service';

/** One change of what is drawn: features as they were, and as they are after it; what is on one side only came or went. */
interface Step {
  readonly before: readonly ChartFeature[];
  readonly after: readonly ChartFeature[];
}

/** Steps that can be taken back. */
const MAX_STEPS = 100;

const idsOf = (features: readonly ChartFeature[]): string[] => features.map(({ id }) => id);

/** What is drawn on the open chart. It changes here at once and goes to the server by itself; steps can be taken back. */
@Injectable({ providedIn: 'root' })
export class DrawnService {
  private readonly outbox = inject(OutboxService);
  private readonly notices = inject(NoticeService);
  private path = '';
  private readonly features = new BehaviorSubject<readonly ChartFeature[]>([]);
  private readonly done = new BehaviorSubject<readonly Step[]>([]);
  private readonly undone = new BehaviorSubject<readonly Step[]>([]);

  readonly features$ = this.features.asObservable();
  readonly canUndo$ = this.done.pipe(map((steps) => steps.length > 0));
  readonly canRedo$ = this.undone.pipe(map((steps) => steps.length > 0));

  /** Takes up what the server has of a chart. @param path of the chart; another one begins with no steps to take back */
  begin(path: string, features: readonly ChartFeature[]): void {
    if (path !== this.path) {
      this.done.next([]);
      this.undone.next([]);
    }
    this.path = path;
    this.features.next(features);
  }

  /** Draws features, or puts changed ones in place of what they were. @returns what takes back this step, whatever came since */
  put(features: readonly ChartFeature[]): () => void {
    return this.take({ before: this.now(idsOf(features)), after: features });
  }

  /** @returns what brings them back, whatever came since */
  remove(features: readonly ChartFeature[]): () => void {
    return this.take({ before: this.now(idsOf(features)), after: [] });
  }

  /** Shows what is kept again, where the chart shows something else. */
  show(): void {
    this.features.next([...this.features.value]);
  }

  undo(): void {
    const step = this.done.value.at(-1);
    if (!step) return;
    this.done.next(this.done.value.slice(0, -1));
    this.undone.next([...this.undone.value, step]);
    this.apply({ before: step.after, after: step.before });
  }

  redo(): void {
    const step = this.undone.value.at(-1);
    if (!step) return;
    this.undone.next(this.undone.value.slice(0, -1));
    this.done.next([...this.done.value, step]);
    this.apply(step);
  }

  private now(ids: readonly string[]): ChartFeature[] {
    const wanted = new Set(ids);
    return this.features.value.filter(({ id }) => wanted.has(id));
  }

  private take(step: Step): () => void {
    const { path } = this;
    if (step.before.length || step.after.length) {
      this.done.next([...this.done.value, step].slice(-MAX_STEPS));
      this.undone.next([]);
      this.apply(step);
    }
    return () => {
      if (path === this.path) this.take({ before: step.after, after: step.before });
    };
  }

  private apply({ before, after }: Step): void {
    const was = this.features.value;
    const gone = new Set([...idsOf(before), ...idsOf(after)]);
    this.features.next([...was.filter(({ id }) => !gone.has(id)), ...after]);
    this.write(before, after).subscribe({
      error: (error: ApiError) => {
        this.features.next(was);
        this.notices.say(`This could not be kept, and is as it was before. ${error.message}`);
      },
    });
  }

  private write(before: readonly ChartFeature[], after: readonly ChartFeature[]): Observable<unknown> {
    const kept = new Set(idsOf(after));
    const gone = idsOf(before).filter((id) => !kept.has(id));
    const { path } = this;
    return concat(
      after.length ? this.outbox.send({ method: 'PUT', path: `${path}/features`, body: after }) : EMPTY,
      gone.length ? this.outbox.send({ method: 'POST', path: `${path}/features/remove`, body: gone }) : EMPTY,
    );
  }
}
