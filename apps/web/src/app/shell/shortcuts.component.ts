import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, viewChild } from '@angular/core';
import { Router } from '@angular/router';

const GO: Readonly<Record<string, string>> = {
  n: '/season',
  s: '/sheet',
  g: '/rig',
  u: '/underway',
  w: '/waters',
  p: '/plans',
  e: '/settings',
  r: '/rules',
};

/** Keys that work on every view, and the list of them. */
@Component({
  selector: 'inky-shortcuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="keys" (click)="open()" aria-haspopup="dialog">Keys ?</button>
    <dialog #list aria-labelledby="keys-title">
      <h2 id="keys-title">Keys</h2>
      <dl>
        <dt>n</dt>
        <dd>Season</dd>
        <dt>s</dt>
        <dd>Sheet</dd>
        <dt>g</dt>
        <dd>Rig</dd>
        <dt>u</dt>
        <dd>Underway</dd>
        <dt>w</dt>
        <dd>Waters</dd>
        <dt>p</dt>
        <dd>Plans</dd>
        <dt>r</dt>
        <dd>Rules</dd>
        <dt>e</dt>
        <dd>Settings</dd>
        <dt>Left, right</dt>
        <dd>the window before, the window after</dd>
        <dt>Esc</dt>
        <dd>close what is open</dd>
        <dt>?</dt>
        <dd>this list</dd>
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

  protected open(): void {
    this.list().nativeElement.showModal();
  }

  protected onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    const typing = target.closest(
      'input, textarea, select, [contenteditable], [role=listbox], dialog[open], .p-popover',
    );
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    const path = GO[event.key];
    if (path) void this.router.navigateByUrl(path);
    else if (event.key === '?') this.open();
  }
}
