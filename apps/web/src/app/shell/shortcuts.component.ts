import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, viewChild } from '@angular/core';
import { Router } from '@angular/router';

/** Keys that go to a view, with its name. */
const GO: readonly (readonly [key: string, name: string])[] = [
  ['n', 'Season'],
  ['s', 'Sheet'],
  ['g', 'Rig'],
  ['u', 'Underway'],
  ['w', 'Waters'],
  ['p', 'Plans'],
  ['r', 'Rules'],
  ['e', 'Settings'],
];

/** Keys that work on every view, and the list of them. */
@Component({
  selector: 'inky-shortcuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="keys" (click)="open()" aria-haspopup="dialog">Keys ?</button>
    <dialog #list aria-labelledby="keys-title">
      <h2 id="keys-title">Keys</h2>
      <dl>
        @for (key of keys; track key[0]) {
          <dt>{{ key[0] }}</dt>
          <dd>{{ key[1] }}</dd>
        }
      </dl>
      <form method="dialog"><button class="act">Close</button></form>
    </dialog>
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
    dialog {
      background: var(--paper);
      color: var(--ink);
      border: var(--stroke) solid var(--ink);
      padding: 1.25rem 1.5rem;
    }
    dialog::backdrop {
      background: var(--water-dark);
      opacity: 0.4;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0.35rem 1.25rem;
    }
    dt {
      font-weight: 700;
    }
    dd {
      margin: 0;
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
  private readonly list = viewChild.required<ElementRef<HTMLDialogElement>>('list');

  protected readonly keys = [
    ...GO,
    ['Left, right', 'the window before, the window after'],
    ['Esc', 'close what is open'],
    ['?', 'this list'],
  ] as const;

  protected open(): void {
    this.list().nativeElement.showModal();
  }

  protected onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    const typing = target.closest(
      'input, textarea, select, [contenteditable], [role=listbox], dialog[open], .p-popover',
    );
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    const view = GO.find(([key]) => key === event.key)?.[1];
    if (view) void this.router.navigateByUrl(`/${view.toLowerCase()}`);
    else if (event.key === '?') this.open();
  }
}
