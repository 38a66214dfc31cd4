import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, input, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import type { Choice, ChoiceGroup } from './choices';
import { FieldComponent } from './field.component';
import { addFormTheme } from './theme-forms';

/** One of a list by its id, with its label over it: of a form by its control, elsewhere by a value. */
@Component({
  selector: 'inky-select',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldComponent, NgTemplateOutlet, ReactiveFormsModule, Select],
  template: `
    @if (labelled()) {
      <inky-field [fieldId]="fieldId()" [label]="label()" [problem]="problem()">
        <ng-container [ngTemplateOutlet]="list" />
      </inky-field>
    } @else {
      <ng-container [ngTemplateOutlet]="list" />
    }
    <ng-template #list>
      <p-select
        fluid
        optionLabel="name"
        optionValue="id"
        scrollHeight="min(22rem, 60vh)"
        [inputId]="fieldId()"
        [ariaLabel]="labelled() ? undefined : label()"
        [ariaLabelledBy]="labelled() ? fieldId() + '-label' : undefined"
        [options]="options()"
        [group]="!!groups()"
        optionGroupLabel="name"
        optionGroupChildren="choices"
        [placeholder]="none()"
        [formControl]="control() ?? own"
      />
    </ng-template>
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
})
export class SelectComponent<Id extends string> {
  /** Id of the list in the page. */
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  /** The label stands over it; else only a screen reader says it. */
  readonly labelled = input(true);
  readonly choices = input<readonly Choice[]>([]);
  /** What can be chosen under headings, in place of one list. */
  readonly groups = input<readonly ChoiceGroup[]>();
  /** What it says where none is chosen, which then can be chosen, as the empty id. */
  readonly none = input<string>();
  readonly control = input<FormControl<Id>>();
  /** The id chosen, where it is not the control of a form. */
  readonly value = input<string | null | undefined>('');
  readonly disabled = input(false);
  readonly problem = input<string | null | undefined>(null);
  readonly valueChange = output<string>();

  protected readonly own = new FormControl('', { nonNullable: true });
  protected readonly options = computed((): object[] => {
    const [none, groups] = [this.none(), this.groups()];
    if (groups) return [...groups];
    return none === undefined ? [...this.choices()] : [{ id: '', name: none }, ...this.choices()];
  });

  constructor() {
    addFormTheme();
    effect(() => this.own.setValue(this.value() ?? '', { emitEvent: false }));
    effect(() => (this.disabled() ? this.own.disable({ emitEvent: false }) : this.own.enable({ emitEvent: false })));
    this.own.valueChanges.pipe(takeUntilDestroyed()).subscribe((id) => this.valueChange.emit(id));
  }
}
