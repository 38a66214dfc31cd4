import { linkedSignal, type Signal } from '@angular/core';
import type { ChartState, OpenChart } from '../water/chart.service';

/** The chart of the day. While it is worked out anew it stands as it was: nobody who looks for a place has it taken away. */
export const standingChart = (state: Signal<ChartState>): Signal<OpenChart | null> =>
  linkedSignal<ChartState, OpenChart | null>({
    source: state,
    computation: (now, before) =>
      now.state === 'ready' ? now.chart : now.state === 'reading' ? (before?.value ?? null) : null,
  });
