import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, input, output, type TemplateRef, viewChild } from '@angular/core';
import { Popover } from 'primeng/popover';
import { addFormTheme } from './theme-forms';

/** So many frames after it begins to open, it stands. */
const MAX_FRAMES = 30;

/** What opens beside a word: its control under its name, and what is wrong with it. */
@Component({
  selector: 'inky-word-popover',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgTemplateOutlet, Popover],
  template: `
    <p-popover [ariaLabel]="label()" [focusOnShow]="false" (onShow)="shownNow()" (onHide)="closed.emit()">
      <ng-template #content>
        <div class="control">
          <p class="title">{{ label() }}</p>
          <ng-container [ngTemplateOutlet]="control()" />
          @if (problem()) {
            <p class="problem" role="alert">{{ problem() }}</p>
          }
        </div>
      </ng-template>
    </p-popover>
  `,
  styles: `
    .control {
      width: min(17rem, calc(100vw - 4.5rem));
    }
    .title {
      font-family: var(--display);
      font-weight: 600;
      margin-bottom: 0.5rem;
    }
    .problem {
      margin-top: 0.5rem;
    }
  `,
})
export class WordPopoverComponent {
  readonly label = input.required<string>();
  readonly control = input.required<TemplateRef<unknown>>();
  readonly problem = input<string | null>(null);
  readonly popover = viewChild.required(Popover);
  /** It was closed, by whatever means. */
  readonly closed = output();

  constructor() {
    addFormTheme();
  }

  /** It is told that it opens before what is in it stands there and may have the focus. */
  protected shownNow(frames = MAX_FRAMES): void {
    requestAnimationFrame(() => {
      if (!this.focusControl() && frames > 0) this.shownNow(frames - 1);
    });
  }

  /**
   * To the field or the list itself, whose figure is typed over, not to the buttons around it; a thumb comes to the
   * first of the buttons, since a field would bring up the keys over half of the page.
   * @returns whether it has the focus
   */
  private focusControl(): boolean {
    const box = this.popover().container;
    const isThumb = typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches;
    const field = isThumb ? null : box?.querySelector<HTMLElement>('input, textarea, [role=listbox], [role=combobox]');
    const control = field ?? box?.querySelector<HTMLElement>('button, a, input, [role=listbox]');
    control?.focus();
    if (control instanceof HTMLInputElement && control.type === 'text') control.select();
    return !!box?.contains(document.activeElement);
  }
}
