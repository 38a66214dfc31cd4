import type { EnvironmentInjector } from '@angular/core';
import {
  catchError,
  concat,
  concatMap,
  defer,
  delay,
  EMPTY,
  filter,
  first,
  from,
  type Observable,
  switchMap,
  take,
} from 'rxjs';
import { ApiService } from '../base/api.service';
import { BookService } from '../base/book.service';
import type { Loaded } from '../base/loaded';
import { pageKept } from '../base/page-kept';
import { PlansService } from '../plans/plans.service';
import { TackleService } from '../rig/tackle.service';
import { WatersService } from '../waters/waters.service';

/** So long after a change of the list, what is new in it is read ahead. */
const AFTER_CHANGE_MS = 2000;
/** Plans that are read ahead: those made last. */
const MAX_PLANS = 100;
/** Waters whose readings are read ahead. */
const MAX_WATERS = 12;

/** What was read, once it is there; nothing where it cannot be had. */
const ready = <T>(source: Observable<Loaded<T>>): Observable<T> =>
  source.pipe(
    first(({ state }) => state !== 'loading'),
    concatMap((loaded) => (loaded.state === 'ready' ? [loaded.value] : [])),
  );

/**
 * Reads saved plans, readings and owned tackle ahead, so that they open at once, and with no signal whether or not they
 * were opened before: what keeps the page keeps what it reads.
 */
export function readAhead(injector: EnvironmentInjector): Observable<unknown> {
  const [api, books, plans] = [injector.get(ApiService), injector.get(BookService), injector.get(PlansService)];
  const waters = injector.get(WatersService);
  const read = new Set<string>();
  const once = <T>(key: string, what: Observable<T>): Observable<T> =>
    defer(() => {
      if (read.has(key)) return EMPTY;
      read.add(key);
      return what.pipe(
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
        ready(injector.get(TackleService).tackle$),
        ready(waters.waters$).pipe(
          concatMap((all) => from(all.slice(0, MAX_WATERS))),
          concatMap(({ id }) => once(`readings ${books.book} ${id}`, waters.readingsOf(id))),
        ),
        from(list).pipe(
          concatMap(({ id, version }) => once(`plan ${id} ${version}`, api.bytes(`${path}/plans/${id}`))),
        ),
      );
    }),
  );
}
