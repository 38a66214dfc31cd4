import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { UnitSystem } from '@inky-shoal/core';
import { ChartService } from './chart.service';
import { KeptRuns } from '../sheet/kept-runs';
import { RunStopsComponent } from './run-stops.component';

/** The run of the day, on its sheet and printed with it. The chart is read ahead meanwhile. */
@Component({
  selector: 'inky-run-on-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RunStopsComponent],
  template: `
    @if (run(); as run) {
      <section aria-labelledby="run">
        <h2 id="run">Run</h2>
        @if (isStale()) {
          <p class="problem">The day was changed since this run was ordered: order it anew on the chart.</p>
        }
        <inky-run-stops [run]="run" [units]="units()" />
      </section>
    }
    <p class="no-print">
      <a class="plain" routerLink="/water">{{ run() ? 'On the chart' : 'Where on the chart' }}</a>
      <a class="plain" routerLink="/sheet/species">Two kinds of fish side by side</a>
    </p>
  `,
  styles: `
    h2 {
      font-size: 1.1rem;
    }
    .plain {
      display: inline-flex;
      align-items: center;
      padding-left: 0;
      margin-right: 1rem;
    }
  `,
})
export class RunOnSheetComponent {
  private readonly kept = inject(KeptRuns);

  readonly units = input.required<UnitSystem>();
  protected readonly run = toSignal(this.kept.run$, { initialValue: null });
  protected readonly isStale = toSignal(this.kept.isStale$, { initialValue: false });

  constructor() {
    inject(ChartService).warm().pipe(takeUntilDestroyed()).subscribe();
  }
}
