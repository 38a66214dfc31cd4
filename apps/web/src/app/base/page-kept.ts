import { from, map, type Observable, of, switchMap, timer } from 'rxjs';

/** The page is put away for later a little after it was first loaded: looked for so often. */
const LOOK_MS = 3000;

/** Whether this browser has the page itself, so that it starts with no signal: asked of what keeps it, not supposed. */
export function pageKept(): Observable<boolean> {
  const workers = (navigator as { serviceWorker?: ServiceWorkerContainer }).serviceWorker;
  if (!workers) return of(false);
  return timer(0, LOOK_MS).pipe(
    switchMap(() => from(workers.getRegistration())),
    map((registration) => !!registration?.active && workers.controller !== null),
  );
}
