import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { addFormTheme } from './theme-forms';

/** A box to tick, with its words between its tags: of a form by its control, elsewhere by a value. */
@Component({
  selector: 'inky-check',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Checkbox, ReactiveFormsModule],
  template: `<label
    ><p-checkbox binary [formControl]="control() ?? own" /><span><ng-content /></span
  ></label>`,
  styles: `
    :host {
      display: inline-flex;
      vertical-align: middle;
    }
    label {
      display: inline-flex;
      align-items: center;
      gap: 0.5rem;
      min-height: var(--touch);
      cursor: pointer;
    }
    p-checkbox {
      flex: none;
    }
  `,
})
export class CheckComponent {
  readonly control = input<FormControl<boolean>>();
  /** Ticked or not, where it is not the control of a form. */
  readonly checked = input(false);
  readonly checkedChange = output<boolean>();

  protected readonly own = new FormControl(false, { nonNullable: true });

  constructor() {
    addFormTheme();
    effect(() => this.own.setValue(this.checked(), { emitEvent: false }));
    this.own.valueChanges.pipe(takeUntilDestroyed()).subscribe((checked) => this.checkedChange.emit(checked));
  }
}
