import { AsyncPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { BookService } from '../state/book.service';
import { ConnectionService } from '../state/connection.service';
import { NoticeService } from '../state/notice.service';
import { OutboxService } from '../state/outbox.service';
import { SettingsService } from '../state/settings.service';
import { ShortcutsComponent } from './shortcuts.component';

/** The frame around every view: where one can go, whether the server answers, and short notices. */
@Component({
  selector: 'inky-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AsyncPipe, RouterLink, RouterLinkActive, RouterOutlet, ShortcutsComponent],
  templateUrl: './shell.component.html',
  styleUrl: './shell.component.css',
})
export class ShellComponent {
  protected readonly notices = inject(NoticeService);
  protected readonly online$ = inject(ConnectionService).online$;
  protected readonly waiting$ = inject(OutboxService).waiting$;
  protected readonly book$ = inject(BookService).book$;
  protected readonly views = [
    { path: '/season', name: 'Season' },
    { path: '/water', name: 'Water' },
    { path: '/sheet', name: 'Sheet' },
    { path: '/rig', name: 'Rig' },
    { path: '/plans', name: 'Plans' },
    { path: '/settings', name: 'Settings' },
  ];

  constructor() {
    // Settings put the look on the page as soon as they are made.
    inject(SettingsService);
    inject(OutboxService)
      .refused$.pipe(takeUntilDestroyed())
      .subscribe((why) => this.notices.say(`A change that waited was refused. ${why}`));
  }
}
