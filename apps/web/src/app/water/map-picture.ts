import type { FeatureShape } from '@inky-shoal/core/chart';
import type { ChartWindow, DepthLines } from './drawing';

/** Lines of equal depth as they are drawn: every second or so heavier, with its figure. */
export interface Contour extends DepthLines {
  readonly label: string;
  readonly strong: boolean;
}

/** A depth written on the chart. */
export interface Sounding {
  readonly at: readonly [x: number, y: number];
  readonly text: string;
}

/** What is in view: a window that reaches a little beyond it, and how many cells lie on a pixel. */
export interface ChartView {
  readonly window: ChartWindow;
  readonly cellsAPixel: number;
}

/** How the chart answers to presses: places are chosen, or what is drawn is, and a pen may be on it. */
export interface MapMode {
  readonly drawing: boolean;
  readonly pen: FeatureShape['type'] | null;
  readonly chosenId: string | null;
}
