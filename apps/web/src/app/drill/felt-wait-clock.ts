import { DestroyRef, inject, signal, type Signal } from '@angular/core';

const WERE_AWAY = 'You were away from the page: that wait does not count. Begin it again.';

/** A wait that somebody feels: when it began, and how long it was. */
export interface FeltWaitClock {
  /** Whether one is felt just now. */
  readonly runs: Signal<boolean>;
  /** Why one does not count, in words; empty where none was lost. */
  readonly lost: Signal<string>;
  /** Begins a wait. */
  begin(): void;
  /** Ends it. @returns seconds since it began */
  end(): number;
}

/**
 * Waits by the clock that no one sets: that of the day may be set meanwhile. One during which the page was put away does
 * not count: what was felt then was felt of something else.
 */
export function feltWaitClock(): FeltWaitClock {
  const begunMs = signal<number | null>(null);
  const runs = signal(false);
  const lost = signal('');
  const set = (ms: number | null) => {
    begunMs.set(ms);
    runs.set(ms !== null);
  };
  const looked = () => {
    if (document.visibilityState === 'visible' || !runs()) return;
    set(null);
    lost.set(WERE_AWAY);
  };
  document.addEventListener('visibilitychange', looked);
  inject(DestroyRef).onDestroy(() => document.removeEventListener('visibilitychange', looked));
  return {
    runs,
    lost,
    begin: () => {
      lost.set('');
      set(performance.now());
    },
    end: () => {
      const begun = begunMs() ?? performance.now();
      set(null);
      return (performance.now() - begun) / 1000;
    },
  };
}
