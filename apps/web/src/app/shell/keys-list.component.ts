import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { addFormTheme } from '../ui/theme-forms';

/** Keys with what they do, over the page. */
@Component({
  selector: 'inky-keys-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog],
  template: `
    <p-dialog header="Keys" [modal]="true" [dismissableMask]="true" closeAriaLabel="Close" [(visible)]="open">
      <dl>
        @for (key of keys(); track key[0]) {
          <dt>{{ key[0] }}</dt>
          <dd>{{ key[1] }}</dd>
        }
      </dl>
    </p-dialog>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0.35rem 1.25rem;
      margin: 0;
    }
    dt {
      font-weight: 700;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeysListComponent {
  readonly keys = input.required<readonly (readonly [key: string, does: string])[]>();
  readonly open = model.required<boolean>();

  constructor() {
    addFormTheme();
  }
}
