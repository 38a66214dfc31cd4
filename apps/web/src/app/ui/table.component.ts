import { NgTemplateOutlet } from '@angular/common';
import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  contentChild,
  input,
  type TemplateRef,
} from '@angular/core';
import { TableModule } from 'primeng/table';
import { addTableTheme } from './theme-table';

/**
 * Rows side by side. Its head, where it has one, and its rows are templates of table rows; where it is wider than the
 * page it moves by itself.
 *
 * @example
 * ```html
 * <inky-table label="Zones side by side" [rows]="rows()">
 *   <ng-template #head><tr><th scope="col">Zone</th></tr></ng-template>
 *   <ng-template #row let-row><tr><td>{{ row.zone }}</td></tr></ng-template>
 * </inky-table>
 * ```
 */
@Component({
  selector: 'inky-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgTemplateOutlet, TableModule],
  template: `
    <p-table
      [value]="$any(rows())"
      [tableStyle]="style()"
      [pt]="parts()"
      [paginator]="rows().length > pageRows()"
      [rows]="pageRows()"
      [showCurrentPageReport]="true"
      [showFirstLastIcon]="false"
      currentPageReportTemplate="{first} to {last} of {totalRecords}"
    >
      @if (head(); as head) {
        <ng-template #header><ng-container [ngTemplateOutlet]="head" /></ng-template>
      }
      <ng-template #body let-each let-at="rowIndex">
        <ng-container [ngTemplateOutlet]="row()" [ngTemplateOutletContext]="{ $implicit: each, index: at }" />
      </ng-template>
    </p-table>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class TableComponent {
  /** What it shows, for a screen reader. */
  readonly label = input.required<string>();
  readonly rows = input.required<readonly unknown[]>();
  /** It takes all the room there is. */
  readonly wide = input(false, { transform: booleanAttribute });
  /** More rows than these are turned over in pages. */
  readonly pageRows = input(Infinity);
  protected readonly head = contentChild<TemplateRef<unknown>>('head');
  protected readonly row = contentChild.required<TemplateRef<unknown>>('row');

  protected readonly style = computed(() => ({ width: this.wide() ? '100%' : 'auto', minWidth: '0' }));
  /** What moves by itself can be reached by keys, and says what it is. */
  protected readonly parts = computed(() => ({
    tableContainer: { tabindex: '0', role: 'region', 'aria-label': this.label() },
  }));

  constructor() {
    addTableTheme();
  }
}
