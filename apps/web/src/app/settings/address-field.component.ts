import { ChangeDetectionStrategy, Component, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { KeptAddress } from '../base/loaded';

/** An address that is kept by its button, with what is wrong with it under it. */
@Component({
  selector: 'inky-address-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  template: `
    <form (ngSubmit)="kept.emit({ address: text().trim() || null, privateNetwork: ownNetwork() })">
      <label class="label" [for]="fieldId()">{{ label() }}</label>
      <div class="row">
        <input
          class="field"
          name="address"
          autocomplete="off"
          autocapitalize="off"
          inputmode="url"
          [id]="fieldId()"
          [placeholder]="placeholder()"
          [ngModel]="text()"
          (ngModelChange)="text.set($event)"
          [attr.aria-invalid]="!!problem()"
          [attr.aria-describedby]="fieldId() + '-problem'"
        />
        <button type="submit" class="act">Keep</button>
      </div>
      <label class="tick">
        <input type="checkbox" name="private" [ngModel]="ownNetwork()" (ngModelChange)="ownNetwork.set($event)" />
        In my own network, or on this machine
      </label>
      <p [id]="fieldId() + '-problem'" class="problem" role="alert">{{ problem() }}</p>
    </form>
  `,
  styles: `
    .row {
      display: flex;
      gap: 0.5rem;
    }
    .tick {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      min-height: var(--touch);
    }
    .problem {
      margin: 0.5rem 0 0.75rem;
    }
  `,
})
export class AddressFieldComponent {
  /** Id of the input in the page. */
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  readonly placeholder = input('');
  /** The address as it is kept, and whether it may be in a network of one's own. */
  readonly address = input<KeptAddress>({ address: null, privateNetwork: false });
  readonly problem = input<string | null>(null);
  /** What to keep; no address where the field is empty. */
  readonly kept = output<KeptAddress>();

  protected readonly text = linkedSignal(() => this.address().address ?? '');
  protected readonly ownNetwork = linkedSignal(() => this.address().privateNetwork);
}
