import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { type FormControl, ReactiveFormsModule } from '@angular/forms';

/** A line to type in, with its label over it and, under it, what is wrong with what was typed. */
@Component({
  selector: 'inky-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule],
  template: `
    <label class="label" [for]="fieldId()">{{ label() }}</label>
    <input
      class="field"
      [id]="fieldId()"
      [type]="type()"
      [attr.inputmode]="figure() ? 'decimal' : null"
      autocomplete="off"
      [formControl]="control()"
      [attr.aria-invalid]="!!problem()"
      [attr.aria-describedby]="fieldId() + '-problem'"
    />
    <p [id]="fieldId() + '-problem'" class="problem" role="alert">{{ problem() }}</p>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class FieldComponent {
  /** Id of the input in the page. */
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  readonly problem = input<string | null | undefined>(null);
  readonly type = input<'text' | 'datetime-local'>('text');
  /** A number is typed, so the keys of numbers come up. */
  readonly figure = input(false);
}
