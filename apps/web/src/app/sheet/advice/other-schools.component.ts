import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { OtherSide } from '@inky-shoal/core';
import { saySide } from '../school-words';

/** What anglers of other schools would do, each with a way to both plans side by side. */
@Component({
  selector: 'inky-other-schools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <ul>
      @for (other of others(); track other.school + other.side) {
        <li>
          <strong>{{ saySide(other.school, other.side) }}:</strong> others would {{ other.would }}.
          <a class="beside no-print" [routerLink]="['/sheet/beside', other.school, other.side]">Beside this plan</a>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      margin: 0;
      padding-left: 1.1rem;
    }
    li {
      margin-bottom: 0.35rem;
    }
    strong {
      color: var(--act);
    }
    .beside {
      display: flex;
      align-items: center;
      min-height: var(--touch);
      width: max-content;
    }
  `,
})
export class OtherSchoolsComponent {
  readonly others = input.required<readonly OtherSide[]>();
  protected readonly saySide = saySide;
}
