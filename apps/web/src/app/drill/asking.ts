import { signal } from '@angular/core';
import { firstValueFrom, type Observable } from 'rxjs';

/** Asks one thing after the other, and says where one could not be answered. */
export class Asking {
  readonly busy = signal(false);
  readonly problem = signal('');

  /** @param failed what is said where something cannot be answered */
  constructor(private readonly failed: string) {}

  async ask<T>(asked: Observable<T>, then: (told: T) => void): Promise<void> {
    try {
      this.busy.set(true);
      this.problem.set('');
      then(await firstValueFrom(asked));
    } catch {
      this.problem.set(this.failed);
    } finally {
      this.busy.set(false);
    }
  }
}
