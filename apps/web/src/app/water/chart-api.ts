import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFrame, ReadingStep } from '@inky-shoal/core/chart';
import { gradeSpot, type Graded } from '@inky-shoal/core/drill';
import {
  ChartSession,
  type ChartDay,
  type Homeward,
  type PlacedSpot,
  type RunRequest,
  type SpotFilter,
  type TidalHour,
} from '@inky-shoal/core/spots';
import { transfer } from 'comlink';
import { depthLines, heatPixels, soundings, tintPixels, type ChartWindow, type Rgb, type Tints } from './drawing';

/** A picture of a chart, a cell a pixel: as pixels, or ready to be drawn where there is a canvas for that. */
export type ChartPicture = Uint8ClampedArray<ArrayBuffer> | ImageBitmap;

/** What one hour looks like. */
export interface HourPicture {
  readonly minute: number;
  readonly heat: ChartPicture;
  readonly spots: readonly PlacedSpot[];
}

/** What the tide does at an hour, null where there is none, and the depths that it makes. */
export interface ChartHour {
  readonly tide: TidalHour | null;
  readonly tint: ChartPicture;
}

/**
 * The chart that is open, and what is drawn of it, beside the page: reading four million cells takes seconds and must not
 * hold it up. Pictures are made ready to be drawn here, and all that is large is handed over instead of copied.
 */
export class ChartApi {
  private chart: ChartSession | undefined;

  /** @param readM a level under which the bed is read at once */
  open(frame: ChartFrame, bed: Uint8Array, readM?: number, begin?: (step: ReadingStep) => void): void {
    this.chart = new ChartSession(frame, bed);
    if (readM !== undefined) this.chart.read(readM, begin);
  }

  prepare(day: ChartDay, begin?: (step: ReadingStep) => void) {
    this.opened.prepare(day, begin);
    return { minutes: this.opened.minutes(), wet: this.opened.wet() };
  }

  /** The depths of a minute, and the tide that changes them, before its places are judged. */
  async hourAt(tints: Tints, minute: number): Promise<ChartHour> {
    const { opened } = this;
    const tide = opened.tideAt(minute);
    const pixels = tintPixels(opened.grid, opened.depthsAt(minute), tints, {
      isGuess: (cell) => opened.isGuess(cell),
      tide: tide ? { ...tide, highM: opened.depthsAtHigh() } : undefined,
    });
    const tint = await this.drawn(pixels);
    return transfer({ tide, tint }, handles(tint));
  }

  contours(depthsM: readonly number[], minute: number, window: ChartWindow) {
    const lines = depthLines(this.opened.grid, this.opened.depthsAt(minute), depthsM, window);
    return transfer(
      lines,
      lines.flatMap(({ points, ends }) => [points.buffer as ArrayBuffer, ends.buffer as ArrayBuffer]),
    );
  }

  soundings(everyCells: number, minute: number, window: ChartWindow) {
    return soundings(this.opened.grid, this.opened.depthsAt(minute), window, everyCells);
  }

  /** An hour's places and its picture in a colour. */
  async scanAt(minute: number, filter: SpotFilter, units: UnitSystem, colour: Rgb): Promise<HourPicture> {
    const { heat, spots } = this.opened.scanAt(minute, filter, units);
    const picture = await this.drawn(heatPixels(heat, colour));
    return transfer({ spots, minute, heat: picture }, handles(picture));
  }

  /**
   * What a place is worth that somebody takes for the best of an hour: for practice.
   * @param cell null where none was taken within the time
   */
  gradeSpot(cell: number | null, minute: number, units: UnitSystem): Graded {
    const { heat, spots } = this.opened.scanAt(minute, {}, units);
    const [best] = spots;
    const { cols } = this.opened.grid;
    const isOff = cell !== null && !((this.opened.depthsAt(minute)[cell] ?? 0) > 0);
    return gradeSpot(
      {
        heat,
        cols,
        best: {
          zone: best?.zone ?? '',
          structure: best?.structure ?? null,
          because: (best?.because ?? []).map(({ text }) => text),
        },
      },
      cell,
      isOff,
    );
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

  homes(cells: readonly number[], homeward: Homeward) {
    return this.opened.homes(cells, homeward);
  }

  run(ask: RunRequest) {
    return this.opened.run(ask);
  }

  private drawn(pixels: Uint8ClampedArray<ArrayBuffer>): Promise<ChartPicture> {
    if (typeof createImageBitmap !== 'function') return Promise.resolve(pixels);
    const { cols, rows } = this.opened.grid;
    return createImageBitmap(new ImageData(pixels, cols, rows));
  }

  private get opened(): ChartSession {
    if (!this.chart) throw new Error('No chart is open');
    return this.chart;
  }
}

const handles = (picture: ChartPicture): Transferable[] =>
  picture instanceof Uint8ClampedArray ? [picture.buffer] : [picture];
