import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFrame, ReadingStep } from '@inky-shoal/core/chart';
import { ChartDesk, type ChartDay, type PlacedSpot, type RunAsk, type SpotFilter } from '@inky-shoal/core/spots';
import {
  depthLines,
  heatPixels,
  soundings,
  tintPixels,
  type ChartWindow,
  type Rgb,
  type Tints,
} from '../water/drawing';

/** A picture of a chart, a cell a pixel: as pixels, or ready to be drawn where there is a canvas for that. */
export type ChartPicture = Uint8ClampedArray<ArrayBuffer> | ImageBitmap;

/** What one hour looks like. */
export interface HourPicture {
  readonly minute: number;
  readonly heat: ChartPicture;
  readonly spots: readonly PlacedSpot[];
  /** How far the tide stands over the water's level, metres. */
  readonly tideM: number;
}

/** The desk with the chart that lies on it now, and what is drawn of it. */
export class ChartTable {
  private desk: ChartDesk | undefined;

  /** @param readM a level under which the bed is read at once */
  open(frame: ChartFrame, bed: Uint8Array, readM?: number, begin?: (step: ReadingStep) => void): void {
    this.desk = new ChartDesk(frame, bed);
    if (readM !== undefined) this.desk.read(readM, begin);
  }

  prepare(day: ChartDay, begin?: (step: ReadingStep) => void) {
    this.opened.prepare(day, begin);
    return { minutes: this.opened.minutes(), wet: this.opened.wet() };
  }

  /** Depths are those of a minute: on tidal water they change with it. */
  tint(tints: Tints, minute: number): ChartPicture {
    const { opened } = this;
    return tintPixels(opened.grid, opened.depthsAt(minute), tints, (cell) => opened.isGuess(cell));
  }

  contours(depthsM: readonly number[], minute: number, window: ChartWindow) {
    return depthLines(this.opened.grid, this.opened.depthsAt(minute), depthsM, window);
  }

  soundings(everyCells: number, minute: number, window: ChartWindow) {
    return soundings(this.opened.grid, this.opened.depthsAt(minute), window, everyCells);
  }

  /** An hour's places and its picture in a colour. */
  scanAt(minute: number, filter: SpotFilter, units: UnitSystem, colour: Rgb): HourPicture {
    const { heat, ...found } = this.opened.scanAt(minute, filter, units);
    return { ...found, minute, heat: heatPixels(heat, colour) };
  }

  /** The best places of an hour alone. */
  bestAt(minute: number, units: UnitSystem): PlacedSpot[] {
    return this.opened.scanAt(minute, {}, units).spots;
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

  /** Columns and rows of the chart. */
  get size(): { readonly cols: number; readonly rows: number } {
    return this.opened.grid;
  }

  private get opened(): ChartDesk {
    if (!this.desk) throw new Error('No chart is open');
    return this.desk;
  }
}
