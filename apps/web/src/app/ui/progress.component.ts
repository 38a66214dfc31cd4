import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ProgressBar } from 'primeng/progressbar';

/** How far something has come. What a screen reader hears stands on this element: the bar's own says a level that no bar has. */
@Component({
  selector: 'inky-progress',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ProgressBar],
  host: {
    role: 'progressbar',
    'aria-valuemin': '0',
    'aria-valuemax': '100',
    '[attr.aria-valuenow]': 'percent()',
    '[attr.aria-label]': 'label()',
  },
  template: `<p-progressbar aria-hidden="true" [value]="percent()" [showValue]="false" />`,
  styles: `
    :host {
      display: block;
      flex: 1 1 8rem;
      max-width: 16rem;
    }
  `,
})
export class ProgressComponent {
  /** From 0 to 1. */
  readonly share = input.required<number>();
  readonly label = input.required<string>();

  protected readonly percent = computed(() => Math.round(100 * this.share()));
}
