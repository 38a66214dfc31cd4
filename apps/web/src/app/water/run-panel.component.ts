import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { say, type UnitSystem } from '@inky-shoal/core';
import { routeToGpx } from '@inky-shoal/core/formats';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import type { OpenChart } from '../state/chart.service';
import { NoticeService } from '../state/notice.service';
import { RunService, type KeptRun } from '../state/run.service';
import { saveFile } from '../ui/save-file';
import { RunStopsComponent } from './run-stops.component';
import { sayMinute } from './spot-words';

/** The run of the day: ordered over what was picked, kept, taken off, saved as a route. */
@Component({
  selector: 'inky-run-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RunStopsComponent],
  template: `
    <h2>Run</h2>
    @if (run(); as run) {
      <inky-run-stops [run]="run" [units]="units()" />
      <p class="quiet">It stands on the sheet.</p>
      <p class="acts">
        <button type="button" class="plain" (click)="saveGpx(run)">As a GPX route</button>
        <button type="button" class="plain" (click)="drop(run)">Take it off</button>
      </p>
    }
    @if (picked().length) {
      <p>{{ picked().length }} {{ picked().length === 1 ? 'spot' : 'spots' }} picked.</p>
      <button type="button" class="act" (click)="order()">Order the run</button>
    } @else if (!run()) {
      <p class="quiet">Add spots, or begin with the best six.</p>
      <button type="button" class="plain" (click)="bestWanted.emit()">Take the best six</button>
    }
  `,
  styles: `
    h2 {
      font-size: 1.1rem;
      margin: 0.9rem 0 0.2rem;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.75rem;
    }
  `,
})
export class RunPanelComponent {
  private readonly service = inject(RunService);
  private readonly notices = inject(NoticeService);

  readonly chart = input.required<OpenChart>();
  readonly picked = input.required<readonly PlacedSpot[]>();
  readonly units = input.required<UnitSystem>();
  /** The best spots are to be picked. */
  readonly bestWanted = output();
  protected readonly run = toSignal(this.service.run$, { initialValue: null });

  protected order(): void {
    this.service.order(this.chart(), this.picked()).subscribe({
      next: (ordered) => {
        if ('why' in ordered) this.notices.say(ordered.why);
        else if (ordered.left) {
          this.notices.say(`${ordered.left} ${ordered.left === 1 ? 'spot does' : 'spots do'} not fit into the day.`);
        }
      },
      error: () => this.notices.say('The run could not be ordered, and the fault is ours.'),
    });
  }

  protected drop(run: KeptRun): void {
    this.service.remove(run);
    this.notices.say('The run is taken off the sheet.', () => this.service.keep(run));
  }

  protected saveGpx({ date, stops }: KeptRun): void {
    const points = stops.map(({ lonLat, name, fromMin, toMin, depthM }, index) => ({
      lonLat,
      name: `${index + 1} ${name}`,
      note: `${sayMinute(fromMin)} to ${sayMinute(toMin)}, ${say('depth', depthM, this.units())}`,
    }));
    saveFile(`run-${date}.gpx`, routeToGpx(`Run of ${date}`, points), 'application/gpx+xml');
  }
}
