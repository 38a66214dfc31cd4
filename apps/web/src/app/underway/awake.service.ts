import { Injectable } from '@angular/core';
import { BehaviorSubject } from 'rxjs';

/** Whether the screen is kept awake: it is, it is not wanted, or this browser does not. */
export type Awake = 'awake' | 'off' | 'cannot';

/** Keeps the screen awake while a trip goes on, as far as the browser lets it. */
@Injectable({ providedIn: 'root' })
export class AwakeService {
  private readonly state = new BehaviorSubject<Awake>('off');
  private lock: WakeLockSentinel | null = null;
  private wanted = false;

  readonly state$ = this.state.asObservable();

  constructor() {
    // A page that was away has lost its lock.
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible' && this.wanted) void this.ask();
    });
  }

  keep(wanted: boolean): void {
    if (wanted === this.wanted) return;
    this.wanted = wanted;
    if (wanted) void this.ask();
    else {
      void this.lock?.release();
      this.lock = null;
      this.state.next('off');
    }
  }

  private async ask(): Promise<void> {
    const locks = (navigator as { wakeLock?: WakeLock }).wakeLock;
    try {
      if (!locks) throw new Error('no locks');
      const lock = await locks.request('screen');
      if (!this.wanted) {
        await lock.release();
        return;
      }
      this.lock = lock;
      this.state.next('awake');
    } catch {
      // A low battery, a page in the background, a browser without: the trip goes on, and says that it may go dark.
      if (this.wanted) this.state.next('cannot');
    }
  }
}
