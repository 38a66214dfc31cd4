import {
  ChangeDetectionStrategy,
  Component,
  contentChild,
  effect,
  input,
  signal,
  TemplateRef,
  viewChild,
} from '@angular/core';
import { ButtonDirective } from 'primeng/button';
import { WordPopoverComponent } from './word-popover.component';

/** A word of a sentence that can be changed in place: pressing it opens its control beside it. */
@Component({
  selector: 'inky-word',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, WordPopoverComponent],
  template: `
    <button
      pButton
      text
      type="button"
      class="word entry"
      aria-haspopup="dialog"
      [class.wrong]="problem()"
      [class.estimated]="estimated()"
      [attr.aria-label]="label() + ': ' + text() + (problem() ? '. ' + problem() : estimated() ? ', estimated' : '')"
      #word
      (click)="press($event, word)"
    >
      {{ text() }}
    </button>
    @defer (when pressed(); prefetch on timer(5s)) {
      <inky-word-popover
        #opened
        [label]="label()"
        [control]="control()"
        [problem]="problem()"
        (closed)="backTo(word)"
      />
    } @error {
      <span class="problem" role="alert"> (cannot be changed while the server is away)</span>
    }
  `,
  styles: `
    :host {
      display: inline;
    }
    .word {
      display: inline;
      min-width: 0;
      min-height: 0;
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
    .estimated {
      font-weight: 400;
      text-decoration-style: dotted;
      text-decoration-thickness: 2px;
    }
    .wrong {
      color: var(--act);
      text-decoration-style: wavy;
      text-decoration-color: var(--act);
    }
  `,
})
export class WordComponent {
  /** What the word stands for, for those who do not see the sentence around it. */
  readonly label = input.required<string>();
  readonly text = input.required<string>();
  /** What is wrong with it, in a sentence. */
  readonly problem = input<string | null>(null);
  /** Nobody said it: it is an estimate. */
  readonly estimated = input(false);
  protected readonly control = contentChild.required(TemplateRef);
  private readonly opened = viewChild<WordPopoverComponent>('opened');
  /** It was pressed: until then the first page does without what opens. */
  protected readonly pressed = signal(false);
  /** The press that waits for it. */
  private waiting: { readonly event: Event; readonly word: HTMLElement } | undefined;

  constructor() {
    effect(() => {
      const [popover, { waiting }] = [this.opened()?.popover(), this];
      this.waiting = undefined;
      if (popover && waiting) popover.show(waiting.event, waiting.word);
    });
  }

  protected press(event: Event, word: HTMLElement): void {
    const popover = this.opened()?.popover();
    if (popover) {
      popover.toggle(event, word);
      return;
    }
    this.waiting = { event, word };
    this.pressed.set(true);
  }

  /** Whoever closes what was open is back at the word, unless they went elsewhere. */
  protected backTo(word: HTMLElement): void {
    const { activeElement } = document;
    if (!activeElement || activeElement === document.body || activeElement.closest('.p-popover')) word.focus();
  }

  close(): void {
    this.opened()?.popover().hide();
  }
}
