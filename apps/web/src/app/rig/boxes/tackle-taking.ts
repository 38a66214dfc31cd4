import { inject, Injectable, signal } from '@angular/core';
import type { TackleItem } from '@inky-shoal/core/tackle';
import { Subject } from 'rxjs';
import { NoticeService } from '../../base/notice.service';
import { TackleService } from '../tackle.service';

/** Pieces on their way into the boxes: many at once, to be stopped on the way and taken back after. */
@Injectable()
export class TackleTaking {
  private readonly tackle = inject(TackleService);
  private readonly notices = inject(NoticeService);
  private readonly stopping = new Subject<void>();
  /** How far it has come, 0 to 1; null while nothing is taken in. */
  readonly share = signal<number | null>(null);

  stop(): void {
    this.stopping.next();
  }

  /** @param owned as they stand before @param done once nothing more goes in, whatever has */
  take(items: readonly TackleItem[], owned: readonly TackleItem[], done: () => void): void {
    const before = new Map(owned.map((item) => [item.id, item]));
    let taken = 0;
    this.share.set(0);
    const finish = (why: string) => {
      this.share.set(null);
      const gone = items.slice(0, taken);
      const replaced = gone.flatMap(({ id }) => before.get(id) ?? []);
      const fresh = gone.filter(({ id }) => !before.has(id)).map(({ id }) => id);
      this.notices.say(why, () => {
        if (fresh.length) this.tackle.takeOut(fresh).subscribe();
        if (replaced.length) this.tackle.putAll(replaced).subscribe();
      });
      done();
    };
    this.tackle.addAll(items, this.stopping).subscribe({
      next: (total) => {
        taken = total;
        this.share.set(total / items.length);
      },
      complete: () => finish(taken < items.length ? `Stopped: ${taken} of ${items.length} are in.` : `${taken} added.`),
      error: (error: Error) => finish(`${taken} of ${items.length} are in. ${error.message}`),
    });
  }
}
