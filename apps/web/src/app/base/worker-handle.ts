import { InjectionToken } from '@angular/core';
import { releaseProxy, type Remote, wrap } from 'comlink';
import { defer, finalize, from, type Observable, race, Subject } from 'rxjs';

/** A worker of the page, of which things are asked. */
export interface WorkerHandle<Api> {
  /**
   * Asks the worker, which is started when it is first asked. Fails where the worker fails or dies; the next question
   * then starts another.
   */
  ask<Answer>(question: (api: Remote<Api>) => Answer): Observable<Awaited<Answer>>;
  /** Ends it with all that it is doing. */
  stop(): void;
  /** Ends it as soon as nobody waits for an answer: what it holds is not wanted any more. */
  rest(): void;
}

/** A token under which a worker is handed to whoever asks it. */
export const workerToken = <Api>(name: string): InjectionToken<WorkerHandle<Api>> => new InjectionToken(name);

/** The worker that somebody waits for is gone, in words; its cause is what the worker said. */
export class WorkerGone extends Error {
  constructor(why: string) {
    super('This could not be worked out, and the fault is ours. Try it again.', { cause: why });
  }
}

/** A worker of the browser behind a handle. */
export class StartedWorker<Api> implements WorkerHandle<Api> {
  private running: { readonly worker: Worker; readonly api: Remote<Api>; readonly gone: Subject<never> } | undefined;
  /** Questions without an answer yet. */
  private open = 0;
  private resting = false;

  constructor(private readonly start: () => Worker) {}

  ask<Answer>(question: (api: Remote<Api>) => Answer): Observable<Awaited<Answer>> {
    return defer(() => {
      const { api, gone } = (this.running ??= this.begin());
      this.resting = false;
      this.open++;
      return race(gone, from(Promise.resolve(question(api)))).pipe(finalize(() => this.answered()));
    });
  }

  rest(): void {
    this.resting = true;
    if (!this.open) this.stop();
  }

  private answered(): void {
    this.open--;
    if (this.resting && !this.open) this.stop();
  }

  stop(): void {
    this.end(new WorkerGone('The work was stopped'));
  }

  private begin() {
    const worker = this.start();
    // What it cannot even load or read comes as an event, and no answer ever follows.
    worker.addEventListener('error', ({ message }) => this.end(new WorkerGone(message)));
    worker.addEventListener('messageerror', () => this.end(new WorkerGone('The worker said what cannot be read')));
    return { worker, api: wrap<Api>(worker), gone: new Subject<never>() };
  }

  private end(why: WorkerGone): void {
    const { running } = this;
    this.running = undefined;
    if (!running) return;
    running.api[releaseProxy]();
    running.worker.terminate();
    running.gone.error(why);
  }
}
