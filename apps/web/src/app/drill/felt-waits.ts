import { inject, Injectable } from '@angular/core';
import type { FeltWait } from '@inky-shoal/core/drill';
import { BehaviorSubject } from 'rxjs';
import * as z from 'zod';
import { NoticeService } from '../base/notice.service';
import { Store } from '../base/store';

const Kept = z.array(z.object({ at: z.string(), wantedS: z.number(), feltS: z.number() }));
/** The latest are kept: they show how the hands got on. */
const MOST = 200;

/** Waits that were felt without a sound, kept on this device. */
@Injectable({ providedIn: 'root' })
export class FeltWaits {
  private readonly store = new Store('felt-waits', Kept, []);
  private readonly notices = inject(NoticeService);
  private readonly kept = new BehaviorSubject<readonly FeltWait[]>(this.store.read());
  readonly waits$ = this.kept.asObservable();

  add(wait: FeltWait): void {
    this.keep([...this.kept.value, wait].slice(-MOST));
  }

  /** Forgets all of them, which can be taken back. */
  clear(): void {
    const before = this.kept.value;
    this.keep([]);
    this.notices.say('The waits are forgotten.', () => this.keep(before));
  }

  private keep(waits: readonly FeltWait[]): void {
    this.store.write([...waits]);
    this.kept.next(waits);
  }
}
