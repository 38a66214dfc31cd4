import { createEnvironmentInjector, type EnvironmentInjector } from '@angular/core';
import { provideServiceWorker, SwUpdate } from '@angular/service-worker';
import { filter, type Observable } from 'rxjs';
import { OutboxService } from '../base/outbox.service';
import { beginKeeping } from '../base/store';
import { NoticeService } from '../base/notice.service';
import { readAhead } from './read-ahead';
import { TripLogService } from '../underway/trip-log.service';
import { TripSyncService } from '../underway/trip-sync.service';

const KEEPER = 'ngsw-worker.js';

/** Has the page kept on this device, so that it starts with no signal, and says when a newer one lies ready. */
function keepPage(injector: EnvironmentInjector): void {
  const workers = (navigator as { serviceWorker?: ServiceWorkerContainer }).serviceWorker;
  if (!workers) return;
  // Begun late, it is begun by hand: an injector made now runs nothing at its start.
  const keeping = createEnvironmentInjector([provideServiceWorker(KEEPER)], injector);
  keeping
    .get(SwUpdate)
    .versionUpdates.pipe(filter(({ type }) => type === 'VERSION_READY'))
    .subscribe(() =>
      injector.get(NoticeService).say('A newer Inky Shoal is here; it opens the next time you reload the page.'),
    );
  workers
    .register(KEEPER)
    .catch(() =>
      injector
        .get(NoticeService)
        .say('This browser does not keep the page: with no signal it will not start. All else works.'),
    );
}

/**
 * What the first view does not wait for: the page is kept, and notes of trips are exchanged whichever view is open.
 * @returns how many notes wait for the server
 */
export function startBackground(injector: EnvironmentInjector): Observable<number> {
  keepPage(injector);
  injector.get(TripSyncService);
  void injector.get(OutboxService).begin();
  void beginKeeping();
  readAhead(injector).subscribe();
  return injector.get(TripLogService).waiting$;
}
