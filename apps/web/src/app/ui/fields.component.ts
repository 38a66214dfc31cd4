import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Measure } from '@inky-shoal/core';
import { InputText } from 'primeng/inputtext';
import type { Choice } from './choices';
import { FigureComponent } from './figure.component';
import { SelectComponent } from './select.component';
import { CheckComponent } from './check.component';
import { FieldComponent } from './field.component';

/** A field of a form that is laid out from a list. */
export type FieldSpec = { readonly key: string; readonly label: string } & (
  | {
      readonly kind: 'figure';
      readonly measure?: Measure;
      readonly unit?: string;
      /** In SI: what lies beyond them is no such figure. */
      readonly bounds?: readonly [number, number];
    }
  | { readonly kind: 'text' | 'date' | 'long' }
  | { readonly kind: 'one'; readonly choices: readonly Choice[]; readonly none?: string }
  | { readonly kind: 'some'; readonly choices: readonly Choice[] }
);

export type Values = Readonly<Record<string, unknown>>;
export interface FieldChange {
  readonly key: string;
  readonly value: unknown;
}

/** Fields laid out from a list: figures, texts, one of a few, some of a few. Values are SI. */
@Component({
  selector: 'inky-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CheckComponent, FieldComponent, FigureComponent, InputText, SelectComponent],
  templateUrl: './fields.component.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
      gap: 0.5rem 0.9rem;
      align-items: start;
    }
    .wide {
      grid-column: 1 / -1;
    }
    fieldset {
      border: 0;
      padding: 0;
      margin: 0;
      min-width: 0;
    }
    inky-check {
      margin-right: 0.9rem;
    }
  `,
})
export class FieldsComponent {
  /** Begins the ids of its inputs, so that two of these can stand on one page. */
  readonly prefix = input.required<string>();
  readonly specs = input.required<readonly FieldSpec[]>();
  readonly values = input.required<Values>();
  /** What is wrong, by key. */
  readonly problems = input<Readonly<Record<string, string>>>({});
  readonly changed = output<FieldChange>();

  protected set(key: string, value: unknown): void {
    this.changed.emit({ key, value });
  }

  protected text(key: string): string {
    const value = this.values()[key];
    return typeof value === 'string' ? value : '';
  }

  protected has(key: string, id: string): boolean {
    const value = this.values()[key];
    return Array.isArray(value) && value.includes(id);
  }

  protected toggle(key: string, id: string, all: readonly Choice[]): void {
    const chosen = all.filter((choice) => (choice.id === id) !== this.has(key, choice.id)).map((choice) => choice.id);
    this.set(key, chosen);
  }
}
