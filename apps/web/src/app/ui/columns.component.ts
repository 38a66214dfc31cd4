import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Choice } from './choices';
import { SelectComponent } from './select.component';
import { TableComponent } from './table.component';

/** A column of a table that is brought in: its title and what it holds. */
export interface TableColumn {
  readonly title: string;
  readonly role: string;
}

/** The columns of a table with what each holds, each to be changed, over the first of its rows as they came. */
@Component({
  selector: 'inky-columns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SelectComponent, TableComponent],
  template: `
    <inky-table label="Columns" [rows]="sample()">
      <ng-template #head>
        <tr>
          @for (column of columns(); track $index) {
            <th scope="col">
              {{ column.title }}
              <inky-select
                [fieldId]="fieldId() + '-' + $index"
                [label]="column.title + ' holds'"
                [labelled]="false"
                [choices]="roles()"
                [value]="column.role"
                (valueChange)="roleSet.emit(withRole($index, $event))"
              />
            </th>
          }
        </tr>
      </ng-template>
      <ng-template #row let-line>
        <tr>
          @for (column of columns(); track $index) {
            <td>{{ line.cells[$index] }}</td>
          }
        </tr>
      </ng-template>
    </inky-table>
  `,
  styles: `
    th,
    td {
      vertical-align: bottom;
      padding: 0.25rem 0.75rem 0.25rem 0;
      white-space: nowrap;
    }
    th inky-select {
      min-width: 10.5rem;
      font-weight: 400;
    }
  `,
})
export class ColumnsComponent {
  readonly fieldId = input.required<string>();
  readonly columns = input.required<readonly TableColumn[]>();
  readonly sample = input.required<readonly { readonly cells: readonly string[] }[]>();
  readonly roles = input.required<readonly Choice[]>();
  /** What the columns hold from now on: a role is held by one column only. */
  readonly roleSet = output<string[]>();

  protected withRole(column: number, role: string): string[] {
    return this.columns().map((own, at) => (at === column ? role : own.role === role ? 'ignore' : own.role));
  }
}

/** The columns of a table as they are read. */
export const columnsOf = (header: readonly string[] | null, roles: readonly string[]): TableColumn[] =>
  roles.map((role, at) => ({ role, title: header?.[at] ?? `Column ${at + 1}` }));
