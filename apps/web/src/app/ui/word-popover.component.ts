import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, input, type TemplateRef, viewChild } from '@angular/core';
import { Popover } from 'primeng/popover';
import { addFormTheme } from './theme-forms';

/** What opens beside a word: its control under its name, and what is wrong with it. */
@Component({
  selector: 'inky-word-popover',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgTemplateOutlet, Popover],
  template: `
    <p-popover [ariaLabel]="label()" [focusOnShow]="true">
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

  constructor() {
    addFormTheme();
  }
}
