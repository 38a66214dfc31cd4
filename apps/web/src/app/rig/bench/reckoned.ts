import { inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Calculated, CalculationName } from '@inky-shoal/core/mechanics';
import { catchError, map, of, switchMap } from 'rxjs';
import { RigEngineService } from '../rig-engine.service';
import { capital } from '../../sheet/words';

/** What came of an input: its answer, or what is wrong with it by field. */
export interface Reckoned<T> {
  readonly answer: T | null;
  readonly problems: Readonly<Record<string, string>>;
}

const ours: Calculated = {
  ok: false,
  problems: [{ path: '', message: 'this could not be reckoned, and the fault is ours' }],
};

/** The last part of a path, which is the field's key on the bench. */
const keyOf = (path: string): string => path.split('.').at(-1) ?? path;

/** An answer that follows its input. Made in a component's constructor. */
export function reckoned<T>(name: CalculationName, input: Signal<unknown>): Signal<Reckoned<T>> {
  const engine = inject(RigEngineService);
  return toSignal(
    toObservable(input).pipe(
      switchMap((value) => engine.calc(name, value).pipe(catchError(() => of(ours)))),
      map((told): Reckoned<T> => {
        if (told.ok) return { answer: told.value as T, problems: {} };
        const problems = told.problems.map(({ path, message }) => [keyOf(path), `${capital(message)}.`] as const);
        return { answer: null, problems: Object.fromEntries(problems) };
      }),
    ),
    { initialValue: { answer: null, problems: {} } },
  );
}
