import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { nameOf, type PlanWindow, type UnitSystem } from '@inky-shoal/core';
import { TableComponent } from '../ui/table.component';
import { sayDepths, sayHours, windowName } from './words';

/** The windows of a day, a row each: on the screen for who would rather read, and on paper. */
@Component({
  selector: 'inky-day-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TableComponent],
  template: `
    <inky-table label="The day as a table" wide [rows]="rows()">
      <ng-template #head>
        <tr>
          <th scope="col">Window</th>
          <th scope="col">Fish at</th>
          <th scope="col">Place</th>
          <th scope="col">First</th>
          <th scope="col">Run at</th>
        </tr>
      </ng-template>
      <ng-template #row let-row>
        <tr>
          <th scope="row">{{ row.window }}</th>
          <td>{{ row.fishAt }}</td>
          <td>{{ row.place }}</td>
          <td>{{ row.first }}</td>
          <td>{{ row.runAt }}</td>
        </tr>
      </ng-template>
    </inky-table>
  `,
})
export class DayTableComponent {
  readonly windows = input.required<readonly PlanWindow[]>();
  readonly units = input.required<UnitSystem>();

  protected readonly rows = computed(() =>
    this.windows().map((window, _, all) => {
      const [place] = window.holding;
      const [first] = window.presentations;
      return {
        window: `${windowName(window, all)}, ${sayHours(window.from, window.to)}`,
        fishAt: place ? sayDepths(place.depthM, this.units()) : '',
        place: place ? `${nameOf(place.structure)}, ${nameOf(place.cover)}` : '',
        first: first ? nameOf(first.category) : '',
        runAt: first ? sayDepths(first.runDepthM, this.units()) : '',
      };
    }),
  );
}
