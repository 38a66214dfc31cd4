import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { readQuantityIn, readRatio, symbolOf, type Measure } from '@inky-shoal/core';
import { InputText } from 'primeng/inputtext';
import { SettingsService } from '../base/settings.service';
import { plainFigure } from './numbers';
import { FieldComponent } from './field.component';

/** A figure to type: a quantity in the user's units, or a bare number with its own unit. Given and taken in SI. */
@Component({
  selector: 'inky-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldComponent, InputText],
  template: `
    <inky-field [fieldId]="fieldId()" [label]="label()" [unit]="symbol()" [problem]="problem()">
      <input
        pInputText
        #field
        inputmode="decimal"
        autocomplete="off"
        [id]="fieldId()"
        [value]="text()"
        [attr.aria-invalid]="!!problem()"
        [attr.aria-describedby]="fieldId() + '-problem'"
        (input)="typed(field.value)"
      />
    </inky-field>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class FigureComponent {
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  /** What is measured; none for a bare number. */
  readonly measure = input<Measure>();
  /** The unit of a bare number, where it has one. */
  readonly unit = input('');
  readonly value = input<unknown>();
  readonly problem = input<string | null | undefined>(null);
  /** The figure in SI; undefined where nothing stands there, and the text itself where it is no number. */
  readonly valueChange = output<number | string | undefined>();

  private readonly units = toSignal(inject(SettingsService).units$, { requireSync: true });
  protected readonly symbol = computed(() => {
    const measure = this.measure();
    return measure ? symbolOf(measure, this.units()) : this.unit();
  });
  private readonly shown = computed(() => {
    const value = this.value();
    return typeof value === 'number' ? this.plain(value) : typeof value === 'string' ? value : '';
  });
  /** What stands in the field: as typed while it says the same, else the figure itself. */
  protected readonly text = linkedSignal<string, string>({
    source: this.shown,
    computation: (shown, before) => {
      const typed = before?.value ?? '';
      const read = this.read(typed);
      return read !== undefined && this.plain(read) === shown ? typed : shown;
    },
  });

  protected typed(text: string): void {
    this.text.set(text);
    this.valueChange.emit(this.read(text) ?? (text.trim() || undefined));
  }

  private read(text: string): number | undefined {
    const measure = this.measure();
    return measure ? readQuantityIn(text, measure, this.units()) : readRatio(text);
  }

  private plain(value: number): string {
    const measure = this.measure();
    return measure ? plainFigure(measure, value, this.units()) : String(Number(value.toFixed(3)));
  }
}
