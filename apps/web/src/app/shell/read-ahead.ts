import type { EnvironmentInjector } from '@angular/core';
import {
  catchError,
  concat,
  concatMap,
  defer,
  delay,
  EMPTY,
  filter,
  from,
  type Observable,
  switchMap,
  take,
} from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import { pageKept } from '../base/page-kept';
import { PlansService } from '../plans/plans.service';

/** So long after a change of the list, what is new in it is read ahead. */
const AFTER_CHANGE_MS = 2000;
/** Plans that are read ahead: those made last. */
const MAX_PLANS = 100;

/**
 * Reads saved plans and owned tackle ahead, so that they open with no signal whether or not they were opened before: what
 * keeps the page keeps what it reads.
 */
export function readAhead(injector: EnvironmentInjector): Observable<unknown> {
  const [api, books, plans] = [injector.get(ApiService), injector.get(BookService), injector.get(PlansService)];
  const read = new Set<string>();
  const once = (path: string, version = '') =>
    defer(() => {
      const key = `${path} ${version}`;
      if (read.has(key)) return EMPTY;
      read.add(key);
      return api.bytes(path).pipe(
        catchError(() => {
          // Not to be had now: the next change, or the server's coming back, has it read.
          read.delete(key);
          return EMPTY;
        }),
      );
    });
  return pageKept().pipe(
    filter(Boolean),
    take(1),
    switchMap(() => plans.plans$),
    filter(({ state }) => state === 'ready'),
    delay(AFTER_CHANGE_MS),
    concatMap((loaded) => {
      const list = loaded.state === 'ready' ? loaded.value.slice(0, MAX_PLANS) : [];
      const path = `/books/${books.book}`;
      return concat(
        once(`${path}/tackle`),
        from(list).pipe(concatMap(({ id, version }) => once(`${path}/plans/${id}`, String(version)))),
      );
    }),
  );
}
