import { booleanAttribute, ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type FormControl, ReactiveFormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { addFormTheme } from './theme-forms';

/**
 * A field of a form: its label with the unit over it and, under it, what is wrong with what stands there. Without a
 * control of its own between its tags it is a line to type in.
 */
@Component({
  selector: 'inky-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, ReactiveFormsModule],
  template: `
    <label class="label" [id]="fieldId() + '-label'" [for]="fieldId()">{{ words() }}</label>
    <ng-content>
      @if (control(); as control) {
        <input
          pInputText
          [id]="fieldId()"
          [type]="type() === 'url' ? 'text' : type()"
          [attr.inputmode]="figure() ? 'decimal' : type() === 'url' ? 'url' : null"
          [attr.autocomplete]="type() === 'password' ? 'new-password' : 'off'"
          autocapitalize="off"
          [formControl]="control"
          [attr.maxlength]="maxLength()"
          [attr.placeholder]="placeholder()"
          [attr.aria-invalid]="!!problem()"
          [attr.aria-describedby]="fieldId() + '-problem'"
        />
      }
    </ng-content>
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
  /** The unit that its figure is in. */
  readonly unit = input('');
  readonly control = input<FormControl<string>>();
  readonly problem = input<string | null | undefined>(null);
  /** PrimeNG's picker of times has buttons that say no hour to a screen reader; the browser's own does. */
  readonly type = input<'text' | 'search' | 'password' | 'date' | 'time' | 'datetime-local' | 'url'>('text');
  /** A number is typed, so the keys of numbers come up. */
  readonly figure = input(false, { transform: booleanAttribute });
  readonly placeholder = input<string>();
  /** The most characters that it takes. */
  readonly maxLength = input<number>();

  protected readonly words = computed(() => this.label() + (this.unit() ? `, ${this.unit()}` : ''));

  constructor() {
    addFormTheme();
  }
}
