import { inject, Injectable, signal } from '@angular/core';
import type { TackleItem } from '@inky-shoal/core/tackle';
import { NoticeService } from '../../base/notice.service';
import { TackleService } from '../tackle.service';
import { PhotoProblem, smallPhoto } from './photo';

/** Keeps a piece and its photo, and says what came of it. */
@Injectable()
export class ItemKeeping {
  private readonly tackle = inject(TackleService);
  private readonly notices = inject(NoticeService);
  readonly busy = signal(false);
  /** Why something was not kept, in words. */
  readonly problem = signal<string | null>(null);

  /** @param kept once it is, here or on the server @param before as it was owned until now; null for a new piece */
  keep(item: TackleItem, before: TackleItem | null, kept: () => void): void {
    this.tackle.put(item, before ? this.tackle.versionOf(before.id) : undefined).subscribe({
      next: (state) => {
        const undo = before ? this.tackle.put(before) : this.tackle.remove([item.id]);
        this.notices.say(
          state === 'sent' ? `${item.name} is kept.` : `${item.name} is kept here until the server is back.`,
          () => undo.subscribe(),
        );
        kept();
      },
      error: (error: Error) => this.fail(`Not kept. ${error.message}`),
    });
  }

  takePhoto(file: File, kept: (photoId: string) => void): void {
    this.problem.set(null);
    this.busy.set(true);
    smallPhoto(file)
      .then((photo) =>
        this.tackle.keepPhoto(photo).subscribe({
          next: kept,
          error: (error: Error) => this.fail(`The photo is not kept. ${error.message}`),
          complete: () => this.busy.set(false),
        }),
      )
      .catch((error: unknown) =>
        this.fail(error instanceof PhotoProblem ? error.message : 'The photo could not be opened.'),
      );
  }

  private fail(message: string): void {
    this.busy.set(false);
    this.problem.set(message);
  }
}
