import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFrame, ReadingStep } from '@inky-shoal/core/chart';
import { ChartDesk, type ChartDay, type RunAsk, type SpotFilter } from '@inky-shoal/core/spots';
import { depthLines, soundings, tintPixels, type Tints } from '../water/drawing';

/** The desk with the chart that lies on it now, and what is drawn of it. */
export class ChartTable {
  private desk: ChartDesk | undefined;

  open(frame: ChartFrame, bed: Uint8Array): void {
    this.desk = new ChartDesk(frame, bed);
  }

  prepare(day: ChartDay, begin?: (step: ReadingStep) => void) {
    this.opened.prepare(day, begin);
    return { minutes: this.opened.minutes(), wet: this.opened.wet() };
  }

  /** Depths are those of a minute: on tidal water they change with it. */
  tint(tints: Tints, minute: number) {
    return tintPixels(this.opened.grid, this.opened.depthsAt(minute), tints);
  }

  contours(depthsM: readonly number[], minute: number) {
    return depthLines(this.opened.grid, this.opened.depthsAt(minute), depthsM);
  }

  soundings(everyCells: number, minute: number) {
    return soundings(this.opened.grid, this.opened.depthsAt(minute), everyCells);
  }

  scanAt(minute: number, filter: SpotFilter, units: UnitSystem) {
    return this.opened.scanAt(minute, filter, units);
  }

  spotAt(lonLat: readonly [number, number], minute: number, units: UnitSystem) {
    return this.opened.spotAt(lonLat, minute, units);
  }

  alike(cell: number, minute: number, units: UnitSystem) {
    return this.opened.alike(cell, minute, units);
  }

  run(ask: RunAsk) {
    return this.opened.run(ask);
  }

  private get opened(): ChartDesk {
    if (!this.desk) throw new Error('No chart is open');
    return this.desk;
  }
}
