import { AsyncPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, EnvironmentInjector, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import type { BookNotice } from '@inky-shoal/core';
import { ButtonDirective } from 'primeng/button';
import { catchError, concat, EMPTY, firstValueFrom, from, shareReplay, startWith, switchMap, timer } from 'rxjs';
import { BookService } from '../base/book.service';
import { ConnectionService } from '../base/connection.service';
import { NoticeService } from '../base/notice.service';
import type { Write } from '../base/api.service';
import { OutboxService, type Copied } from '../base/outbox.service';
import { SettingsService } from '../base/settings.service';
import { keeping$ } from '../base/store';
import { AFTER_MS } from './ahead';
import { ShortcutsComponent } from './shortcuts.component';
import { sayShortDate } from '../ui/dates';

/** The frame around every view: where one can go, whether the server answers, and short notices. */
@Component({
  selector: 'inky-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AsyncPipe, ButtonDirective, RouterLink, RouterLinkActive, RouterOutlet, ShortcutsComponent],
  templateUrl: './shell.component.html',
  styleUrl: './shell.component.css',
})
export class ShellComponent {
  protected readonly notices = inject(NoticeService);
  protected readonly online$ = inject(ConnectionService).online$;
  private readonly outbox = inject(OutboxService);
  protected readonly waiting$ = this.outbox.waiting$;
  private readonly books = inject(BookService);
  protected readonly book$ = this.books.book$;
  protected readonly bookNotices$ = this.books.notices$;
  protected readonly keeping$ = keeping$;
  protected readonly views = [
    { path: '/season', name: 'Season', on: 'wide' },
    { path: '/water', name: 'Water', on: 'both' },
    { path: '/sheet', name: 'Sheet', on: 'both' },
    { path: '/rig', name: 'Rig', on: 'both' },
    { path: '/underway', name: 'Underway', on: 'both' },
    { path: '/log', name: 'Log', on: 'wide' },
    { path: '/drill', name: 'Practice', on: 'wide' },
    { path: '/plans', name: 'Plans', on: 'wide' },
    { path: '/settings', name: 'Settings', on: 'wide' },
    { path: '/more', name: 'More', on: 'phone' },
  ];
  private readonly injector = inject(EnvironmentInjector);
  /** Notes of trips that wait for the server: known a little after the first view stands. */
  protected readonly notes$ = timer(AFTER_MS).pipe(
    switchMap(() => from(import('./background'))),
    switchMap(({ startBackground: beginLater }) => beginLater(this.injector)),
    // Fetched while the server is away it fails: the next start does it.
    catchError(() => EMPTY),
    startWith(0),
    shareReplay(1),
  );

  constructor() {
    // Settings put the look on the page as soon as they are made.
    inject(SettingsService);
    this.outbox.copied$.pipe(takeUntilDestroyed()).subscribe((copied) => this.tellCopied(copied));
    this.outbox.refused$
      .pipe(takeUntilDestroyed())
      .subscribe((why) => this.notices.say(`A change that waited was refused; it is kept in Settings. ${why}`));
  }

  /** Something was changed on another device meanwhile: both stand until one of them is chosen. */
  private tellCopied({ write, copy }: Copied): void {
    const copyPath = write.path.replace(/[^/]+$/, copy.id);
    const removal = copyPath.includes('/tackle/')
      ? ({ method: 'POST', path: copyPath.replace(/[^/]+$/, 'remove'), body: [copy.id] } as const)
      : ({ method: 'DELETE', path: copyPath } as const);
    const send = (writes: readonly Write[]) =>
      concat(...writes.map((each) => this.outbox.send(each))).subscribe({
        error: (error: Error) => this.notices.say(`Not done. ${error.message}`),
      });
    this.notices.ask(`This was changed on another device meanwhile. Yours is kept beside it as "${copy.name}".`, [
      { label: 'Only mine', act: () => send([{ ...write, from: copy.version }, removal]) },
      { label: 'Only theirs', act: () => send([removal]) },
    ]);
  }

  protected dayOf(at: string): string {
    return sayShortDate(at);
  }

  /** What the book holds is backed up first, so one press is enough. */
  protected async goBack({ name, at }: NonNullable<BookNotice['backup']>): Promise<void> {
    this.notices.say('Going back…');
    try {
      const { BackupsService } = await import('../settings/backups.service');
      await firstValueFrom(this.injector.get(BackupsService).restore(name), { defaultValue: null });
      this.notices.say(`The book is as it was on ${this.dayOf(at)}. What it held since is a backup, too.`);
    } catch (error) {
      this.notices.say(`Not gone back. ${(error as Error).message}`);
    }
  }

  protected takeDown({ id }: BookNotice): void {
    this.books.takeDown(id);
  }
}
