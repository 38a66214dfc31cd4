import { BehaviorSubject, distinctUntilChanged } from 'rxjs';
import type * as z from 'zod';

const keeping = new BehaviorSubject(true);
/** Whether this browser could keep what it was last given: where not, that is said for as long as it lasts. */
export const keeping$ = keeping.pipe(distinctUntilChanged());

/** A value kept in this browser under a name, checked when it is read: what does not fit gives way to the fallback. */
export class Store<T> {
  constructor(
    private readonly name: string,
    private readonly schema: z.ZodType<T>,
    private readonly fallback: T,
  ) {}

  /** Under what it is kept. */
  get key(): string {
    return `inky.${this.name}`;
  }

  read(): T {
    try {
      const text = localStorage.getItem(this.key);
      return text === null ? this.fallback : this.schema.parse(JSON.parse(text));
    } catch {
      // Storage that is switched off or holds something else is no reason to stop: the fallback stands.
      return this.fallback;
    }
  }

  /** @returns whether it could be kept */
  write(value: T): boolean {
    try {
      localStorage.setItem(this.key, JSON.stringify(value));
      keeping.next(true);
      return true;
    } catch {
      keeping.next(false);
      return false;
    }
  }
}
