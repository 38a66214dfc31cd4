import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { CheckComponent } from './check.component';

const SHOWN = 8;

/** Lines of a file that cannot be read, and the leave to take the others without them. */
@Component({
  selector: 'inky-unread-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CheckComponent],
  template: `
    @if (lines().length) {
      <ul>
        @for (each of shown(); track $index) {
          <li>Line {{ each.line }}: {{ each.message }}</li>
        }
        @if (lines().length > shown().length) {
          <li>and {{ lines().length - shown().length }} more</li>
        }
      </ul>
      @if (others()) {
        <inky-check [checked]="agreed()" (checkedChange)="agreed.set($event)">
          Leave {{ lines().length === 1 ? 'this line' : 'these ' + lines().length + ' lines' }} out
        </inky-check>
      }
    }
  `,
  styles: `
    ul {
      margin: 0.25rem 0;
      padding-left: 1.1rem;
    }
  `,
})
export class UnreadLinesComponent {
  readonly lines = input.required<readonly { readonly line: number; readonly message: string }[]>();
  /** There are others that can be read. */
  readonly others = input(false);
  readonly agreed = model(false);
  protected readonly shown = computed(() => this.lines().slice(0, SHOWN));
}
