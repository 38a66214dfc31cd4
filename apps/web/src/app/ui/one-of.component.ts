import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { addFormTheme } from './theme-forms';

/** One of a few that stand side by side. */
@Component({
  selector: 'inky-one-of',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, SelectButton],
  template: `
    <p-selectbutton
      optionLabel="name"
      optionValue="id"
      [ariaLabelledBy]="labelledBy()"
      [allowEmpty]="false"
      [options]="$any(choices())"
      [formControl]="own"
    />
  `,
})
export class OneOfComponent<Id extends string> {
  /** Id of what names it in the page. */
  readonly labelledBy = input.required<string>();
  readonly choices = input.required<readonly { readonly id: Id; readonly name: string }[]>();
  readonly value = input.required<Id>();
  readonly valueChange = output<Id>();

  protected readonly own = new FormControl<Id | null>(null);

  constructor() {
    addFormTheme();
    effect(() => this.own.setValue(this.value(), { emitEvent: false }));
    this.own.valueChanges.pipe(takeUntilDestroyed()).subscribe((id) => id && this.valueChange.emit(id));
  }
}
