import { ChangeDetectionStrategy, Component, computed, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { nameOf } from '@inky-shoal/core';
import { Listbox } from 'primeng/listbox';
import { addFormTheme } from './theme-forms';

/** One of a list of ids, or some of them, shown in words. */
@Component({
  selector: 'inky-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Listbox, ReactiveFormsModule],
  template: `
    <p-listbox
      [options]="options()"
      optionLabel="name"
      optionValue="id"
      [multiple]="many()"
      [metaKeySelection]="false"
      [showToggleAll]="false"
      [formControl]="own"
      (onChange)="chose($event.value)"
      [ariaLabel]="label()"
      scrollHeight="17rem"
    />
  `,
})
export class ChoiceComponent<Id extends string> {
  readonly label = input.required<string>();
  readonly ids = input.required<readonly Id[]>();
  /** Words for ids that do not say themselves. */
  readonly names = input<Partial<Record<Id, string>>>({});
  readonly many = input(false);
  readonly chosen = input<Id | readonly Id[] | null | undefined>();
  /** The id chosen; undefined where the choice is taken back. */
  readonly chosenChange = output<Id | undefined>();
  /** The ids chosen, where many may be. */
  readonly listChange = output<Id[]>();

  protected readonly options = computed(() => this.ids().map((id) => ({ id, name: this.names()[id] ?? nameOf(id) })));

  protected readonly own = new FormControl<unknown>(null);

  constructor() {
    addFormTheme();
    effect(() => this.own.setValue(this.chosen() ?? null, { emitEvent: false }));
  }

  protected chose(value: Id | Id[] | null): void {
    if (Array.isArray(value)) this.listChange.emit(value);
    else this.chosenChange.emit(value ?? undefined);
  }
}
