import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Line } from './plan-lines';

/** Two plans beside one another, line by line; where they differ stands out. */
@Component({
  selector: 'inky-plan-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll" tabindex="0" role="region" aria-label="Two plans side by side">
      <table>
        <thead>
          <tr>
            <td></td>
            @for (name of names(); track $index) {
              <th scope="col">{{ name }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (line of lines(); track line.label) {
            <tr [class.differs]="line.differs">
              <th scope="row">{{ line.label }}</th>
              <td>{{ line.left }}</td>
              <td>{{ line.right }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    table {
      width: 100%;
      max-width: 60rem;
      table-layout: fixed;
    }
    th,
    td {
      padding: 0.5rem 1rem 0.5rem 0;
      overflow-wrap: break-word;
    }
    thead th {
      font-family: var(--display);
      border-bottom-color: var(--ink);
    }
    tbody th {
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
