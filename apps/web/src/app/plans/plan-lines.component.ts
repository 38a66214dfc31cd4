import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { TableComponent } from '../ui/table.component';
import type { Line } from './plan-lines';

/** Two plans beside one another, line by line; where they differ stands out. */
@Component({
  selector: 'inky-plan-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TableComponent],
  template: `
    <inky-table label="Two plans side by side" wide [rows]="lines()">
      <ng-template #head>
        <tr>
          <td></td>
          @for (name of names(); track $index) {
            <th scope="col">{{ name }}</th>
          }
        </tr>
      </ng-template>
      <ng-template #row let-line>
        <tr [class.differs]="line.differs">
          <th scope="row">{{ line.label }}</th>
          <td>{{ line.left }}</td>
          <td>{{ line.right }}</td>
        </tr>
      </ng-template>
    </inky-table>
  `,
  styles: `
    :host {
      display: block;
      max-width: 60rem;
    }
    th,
    td {
      padding: 0.5rem 1rem 0.5rem 0;
      overflow-wrap: break-word;
    }
    th[scope='col'] {
      font-family: var(--display);
      border-bottom-color: var(--ink);
      width: 50%;
    }
    th[scope='row'] {
      font-weight: 400;
      font-style: italic;
      font-family: var(--display);
      color: var(--ink-2);
    }
    tr > :first-child {
      width: 8.5rem;
    }
    .differs td {
      font-weight: 700;
    }
    @media (max-width: 760px) {
      tr > :first-child {
        width: 5.2rem;
      }
      th,
      td {
        padding-right: 0.6rem;
        font-size: 0.95rem;
      }
    }
  `,
})
export class PlanLinesComponent {
  readonly names = input.required<readonly string[]>();
  readonly lines = input.required<readonly Line[]>();
}
