import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { SettingsService } from '../base/settings.service';
import { KeysListComponent } from './keys-list.component';

/** Keys that go to a view, with its name and its address. */
const GO: readonly (readonly [key: string, name: string, path: string])[] = [
  ['n', 'Season', '/season'],
  ['c', 'Water, its chart', '/water'],
  ['s', 'Sheet', '/sheet'],
  ['g', 'Rig', '/rig'],
  ['b', 'Boxes', '/rig/boxes'],
  ['t', 'Bench', '/rig/bench'],
  ['u', 'Underway', '/underway'],
  ['j', 'Practice', '/drill'],
  ['w', 'Waters', '/waters'],
  ['p', 'Plans', '/plans'],
  ['r', 'Rules', '/rules'],
  ['d', 'Removed and changed', '/bin'],
  ['e', 'Settings', '/settings'],
];

/** Keys that work on every view, and the list of them. */
@Component({
  selector: 'inky-shortcuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, KeysListComponent],
  template: `
    <button pButton text type="button" class="keys entry" (click)="listed.set(true)" aria-haspopup="dialog">
      Keys ?
    </button>
    @defer (when listed(); prefetch on timer(5s)) {
      <inky-keys-list [keys]="keys" [(open)]="listed" />
    } @error {
      <!-- The keys work without their list; it is fetched with the next page. -->
    }
  `,
  styles: `
    .keys {
      min-height: var(--touch);
      padding: 0 0 0 1.35rem;
      margin-bottom: 0.75rem;
      background: none;
      border: 0;
      color: var(--ink-2);
      cursor: pointer;
    }
    @media (max-width: 760px) {
      .keys {
        display: none;
      }
    }
  `,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class ShortcutsComponent {
  private readonly router = inject(Router);
  /** They can be turned off in Settings: who speaks to the page, or leans on a key, goes nowhere by them. */
  private readonly areOn = toSignal(inject(SettingsService).keys$, { requireSync: true });
  /** The list of them stands over the page. */
  protected readonly listed = signal(false);

  protected readonly keys = [
    ...GO.map(([key, name]) => [key, name] as const),
    ['Left, right', 'the window before, the window after'],
    ['Esc', 'close what is open'],
    ['?', 'this list'],
  ] as const;

  protected onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    const typing = target.closest('input, textarea, [contenteditable], [role=combobox], [role=listbox], [role=dialog]');
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    if (!this.areOn()) return;
    const path = GO.find(([key]) => key === event.key)?.[2];
    if (path) void this.router.navigateByUrl(path);
    else if (event.key === '?') this.listed.set(true);
  }
}
