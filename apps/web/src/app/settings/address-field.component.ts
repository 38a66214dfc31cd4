import { ChangeDetectionStrategy, Component, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';

/** An address that is kept by its button, with what is wrong with it under it. */
@Component({
  selector: 'inky-address-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  template: `
    <form (ngSubmit)="kept.emit(text().trim() || null)">
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
      <p [id]="fieldId() + '-problem'" class="problem" role="alert">{{ problem() }}</p>
    </form>
  `,
  styles: `
    .row {
      display: flex;
      gap: 0.5rem;
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
  /** The address as it is kept. */
  readonly address = input<string | null>(null);
  readonly problem = input<string | null>(null);
  /** The address to keep; null where the field is empty. */
  readonly kept = output<string | null>();

  protected readonly text = linkedSignal(() => this.address() ?? '');
}
