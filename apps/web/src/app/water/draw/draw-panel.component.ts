import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { ChartFeature } from '@inky-shoal/core/chart';
import { ButtonDirective } from 'primeng/button';
import type { OpenChart } from '../chart.service';
import { SelectComponent } from '../../ui/select.component';
import { FoldComponent } from '../../ui/fold.component';
import { BedImportComponent } from './bed-import.component';
import { DrawSession } from './draw-session';
import { FeatureFormComponent } from './feature-form.component';
import { FeaturesFileComponent } from './features-file.component';
import { DRAW_GROUPS, sayFeature } from './what-to-draw';

/** Drawing on the chart, what is drawn on it, and files in and out. */
@Component({
  selector: 'inky-draw-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BedImportComponent,
    ButtonDirective,
    FeatureFormComponent,
    FeaturesFileComponent,
    FoldComponent,
    SelectComponent,
  ],
  templateUrl: './draw-panel.component.html',
  styleUrl: './draw-panel.component.css',
})
export class DrawPanelComponent {
  protected readonly session = inject(DrawSession);
  readonly chart = input.required<OpenChart>();
  /** Whether the chart covers a place. */
  readonly covers = input.required<(lonLat: readonly [number, number]) => boolean>();
  /** The line or area under the pen is whole; its last point is to go; a point is to come where the chart's middle is. */
  readonly shapeDone = output();
  readonly pointBack = output();
  readonly likeWanted = output<ChartFeature>();
  readonly inMiddle = output();

  protected readonly groups = DRAW_GROUPS;
  protected readonly hint = computed(() => {
    const pen = this.session.pen();
    if (pen?.lineUpOf) return 'Press what you look at from the mark, on shore.';
    return pen?.as === 'Point' ? 'Press where it is.' : 'Press point after point, the last one twice.';
  });
  protected readonly listed = computed(() =>
    this.session
      .features()
      .map((feature) => ({ id: feature.id, words: sayFeature(feature) }))
      .sort((a, b) => a.words.localeCompare(b.words)),
  );
}
