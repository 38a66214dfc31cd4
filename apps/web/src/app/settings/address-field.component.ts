import { ChangeDetectionStrategy, Component, effect, inject, input, output } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { ButtonDirective } from 'primeng/button';
import type { KeptAddress } from '../base/loaded';
import { CheckComponent } from '../ui/check.component';
import { FieldComponent } from '../ui/field.component';

/** An address that is kept by its button, with what is wrong with it under it. */
@Component({
  selector: 'inky-address-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CheckComponent, FieldComponent, ReactiveFormsModule],
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()">
      <div class="row">
        <inky-field
          type="url"
          [fieldId]="fieldId()"
          [label]="label()"
          [placeholder]="placeholder()"
          [control]="form.controls.address"
          [problem]="problem()"
        />
        <button pButton type="submit">Keep</button>
      </div>
      <inky-check [control]="form.controls.privateNetwork">In my own network, or on this machine</inky-check>
    </form>
  `,
  styles: `
    .row {
      display: flex;
      align-items: flex-start;
      gap: 0.5rem;
    }
    inky-field {
      flex: 1;
    }
    button {
      margin-top: 1.65rem;
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

  protected readonly form = inject(NonNullableFormBuilder).group({ address: '', privateNetwork: false });

  constructor() {
    effect(() => {
      const { address, privateNetwork } = this.address();
      this.form.setValue({ address: address ?? '', privateNetwork });
    });
  }

  protected keep(): void {
    const { address, privateNetwork } = this.form.getRawValue();
    this.kept.emit({ address: address.trim() || null, privateNetwork });
  }
}
