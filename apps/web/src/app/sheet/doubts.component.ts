import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Conditions } from '@inky-shoal/core';
import { HowSureComponent } from '../mornings/how-sure.component';
import { DecidingComponent } from './deciding.component';
import type { Draft } from './draft';

/** What is not sure of a plan: the one thing that would decide most, and in how many mornings it stands. */
@Component({
  selector: 'inky-doubts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DecidingComponent, HowSureComponent],
  template: `
    <inky-deciding [draft]="draft()" [conditions]="conditions()" [windowId]="windowId()" />
    <!-- The mornings take long to work out: they are where one comes to read it. -->
    @defer (on viewport({ rootMargin: '200px' }); prefetch on immediate) {
      <inky-how-sure [windowId]="windowId()" />
    } @placeholder {
      <div></div>
    } @error {
      <!-- A help; the sheet goes on without it. -->
    }
  `,
})
export class DoubtsComponent {
  readonly draft = input.required<Draft>();
  readonly conditions = input.required<Conditions>();
  readonly windowId = input.required<string>();
}
