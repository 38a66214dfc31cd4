import { ChangeDetectionStrategy, Component, effect, input, model, signal } from '@angular/core';
import { ButtonDirective } from 'primeng/button';
import { FoldPanelComponent } from './fold-panel.component';

/**
 * What is folded away under a line that says what it is. Until it is first opened the line stands alone: the first page
 * does without what unfolds it.
 */
@Component({
  selector: 'inky-fold',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FoldPanelComponent],
  template: `
    @defer (when wanted(); prefetch on timer(5s)) {
      <inky-fold-panel [label]="label()" [(open)]="open" [focused]="pressed()"><ng-content /></inky-fold-panel>
    } @placeholder {
      <button pButton text type="button" class="entry" aria-expanded="false" (click)="unfold()">
        <span>{{ label() }}</span><span aria-hidden="true">▸</span>
      </button>
    } @error {
      <p class="quiet">{{ label() }}: it cannot be fetched while the server is away.</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    button {
      gap: 0.5rem;
      padding-left: 0;
      text-decoration: underline;
      text-decoration-color: var(--edge);
    }
  `,
})
export class FoldComponent {
  readonly label = input.required<string>();
  readonly open = model(false);

  /** It was opened once. */
  protected readonly wanted = signal(false);
  /** It was opened by its line. */
  protected readonly pressed = signal(false);

  constructor() {
    effect(() => this.open() && this.wanted.set(true));
  }

  protected unfold(): void {
    this.pressed.set(true);
    this.open.set(true);
  }
}
