import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, contentChild, input, TemplateRef, viewChild } from '@angular/core';
import { Popover } from 'primeng/popover';

/** A word of a sentence that can be changed in place: pressing it opens its control beside it. */
@Component({
  selector: 'inky-word',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgTemplateOutlet, Popover],
  template: `
    <button
      type="button"
      class="word"
      aria-haspopup="dialog"
      [class.wrong]="problem()"
      [attr.aria-label]="label() + ': ' + text() + (problem() ? '. ' + problem() : '')"
      (click)="popover.toggle($event)"
    >
      {{ text() }}
    </button>
    <p-popover #popover [ariaLabel]="label()" [focusOnShow]="true">
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
    :host {
      display: inline;
    }
    .word {
      display: inline;
      background: none;
      border: 0;
      padding: 0.35rem 0.05rem;
      margin: -0.35rem 0;
      font-weight: 700;
      line-height: inherit;
      text-align: left;
      cursor: pointer;
      text-decoration: underline;
      text-decoration-color: var(--edge);
      text-underline-offset: 0.25em;
    }
    .word:hover,
    .word[aria-expanded='true'] {
      text-decoration-color: var(--act);
      text-decoration-thickness: 2px;
    }
    .wrong {
      color: var(--act);
      text-decoration-style: wavy;
      text-decoration-color: var(--act);
    }
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
export class WordComponent {
  /** What the word stands for, for those who do not see the sentence around it. */
  readonly label = input.required<string>();
  readonly text = input.required<string>();
  /** What is wrong with it, in a sentence. */
  readonly problem = input<string | null>(null);
  protected readonly control = contentChild.required(TemplateRef);
  private readonly popover = viewChild.required(Popover);

  close(): void {
    this.popover().hide();
  }
}
