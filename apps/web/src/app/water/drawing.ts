import type { Grid } from '@inky-shoal/core/chart';
import { contours } from 'd3-contour';

/** A colour as red, green and blue, 0 to 255. */
export type Rgb = readonly [red: number, green: number, blue: number];

/** Colours of depths: each holds from its depth to the next; land that the chart knows has its own. */
export interface Tints {
  /** Depths at which the next colour begins, ascending, metres: one fewer than there are colours. */
  readonly fromM: readonly number[];
  readonly colours: readonly Rgb[];
  readonly land: Rgb;
}

/** The part of a chart that is in view: rows and columns, the last ones not included, and one in how many is looked at. */
export interface ChartWindow {
  readonly west: number;
  readonly east: number;
  readonly north: number;
  readonly south: number;
  readonly step: number;
}

/** Lines of equal depth in the chart's projection: x and y in turn, and where in them each line ends. */
export interface DepthLines {
  readonly depthM: number;
  readonly points: Float64Array;
  readonly ends: Uint32Array;
}

/** A depth at a place in the chart's projection. */
export interface Sounded {
  readonly at: readonly [x: number, y: number];
  readonly depthM: number;
}

/** Least depth that is written on the chart, metres. */
const MIN_SOUNDING_M = 0.3;

/** Where a bed is guessed, every so many cells a slanting line is left lighter. */
const HATCH_CELLS = 5;
const HATCH_SHARE = 0.45;

/**
 * The chart's ground as pixels, a depth in steps, so that shoals and edges stand out. What is not known is left clear,
 * what is guessed is hatched.
 */
export function tintPixels(
  { values, cols }: Pick<Grid, 'values' | 'cols'>,
  depths: Float32Array,
  { fromM, colours, land }: Tints,
  isGuess: (cell: number) => boolean = () => false,
): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(depths.length * 4);
  for (let cell = 0; cell < depths.length; cell++) {
    const depth = depths[cell] as number;
    if (!(depth > 0) && Number.isNaN(values[cell])) continue;
    let band = 0;
    while (band < fromM.length && depth >= (fromM[band] as number)) band++;
    const [red, green, blue] = depth > 0 ? (colours[band] as Rgb) : land;
    const hatched = ((cell % cols) + Math.floor(cell / cols)) % HATCH_CELLS === 0 && isGuess(cell);
    const lighter = (part: number) => (hatched ? part + (255 - part) * HATCH_SHARE : part);
    pixels[cell * 4] = lighter(red);
    pixels[cell * 4 + 1] = lighter(green);
    pixels[cell * 4 + 2] = lighter(blue);
    pixels[cell * 4 + 3] = 255;
  }
  return pixels;
}

/** Weaker heat is not shown, of 255, and the least and most that what is shown covers. */
const SHOWN_HEAT = 20;
const MIN_COVER = 40;
const MAX_COVER = 215;

/** How good each cell is, 0 to 255, as pixels of one colour that cover more the better it is. */
export function heatPixels(heat: Uint8Array, [red, green, blue]: Rgb): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(heat.length * 4);
  const words = new Uint32Array(pixels.buffer);
  const colour = (blue << 16) | (green << 8) | red;
  for (let cell = 0; cell < heat.length; cell++) {
    const shown = heat[cell] as number;
    if (shown > SHOWN_HEAT) words[cell] = (Math.min(MAX_COVER, MIN_COVER + shown) << 24) | colour;
  }
  return pixels;
}

/** Depths of a window, one cell in each step. */
function sampled(cols: number, depths: Float32Array, { west, east, north, south, step }: ChartWindow) {
  const [width, height] = [Math.ceil((east - west) / step), Math.ceil((south - north) / step)];
  const values = new Float32Array(width * height);
  for (let row = 0, at = 0; row < height; row++) {
    const start = (north + row * step) * cols + west;
    for (let col = 0; col < width; col++, at++) values[at] = depths[start + col * step] as number;
  }
  return { width, height, values };
}

/** Rings taken apart where they run along the edge of what was looked at: there the depth goes on, the line does not. */
function* open(rings: readonly (readonly number[][])[], width: number, height: number): Generator<number[][]> {
  const onEdge = ([x = 0, y = 0]: readonly number[]) => x <= 0.5 || y <= 0.5 || x >= width - 0.5 || y >= height - 0.5;
  for (const ring of rings) {
    let line: number[][] = [];
    for (const [index, point] of ring.entries()) {
      if (index > 0 && onEdge(point) && onEdge(ring[index - 1] as number[])) {
        if (line.length > 1) yield line;
        line = [];
      }
      line.push(point);
    }
    if (line.length > 1) yield line;
  }
}

/** Lines of equal depth in a window, by marching squares. */
export function depthLines(
  { cols, cellM, westM, northM }: Pick<Grid, 'cols' | 'cellM' | 'westM' | 'northM'>,
  depths: Float32Array,
  depthsM: readonly number[],
  window: ChartWindow,
): DepthLines[] {
  const { width, height, values } = sampled(cols, depths, window);
  if (width < 2 || height < 2) return [];
  // A sample stands for the middle of its cell, and the lines count from half a sample before the first.
  const { west, north, step } = window;
  const east = (x: number) => westM + (west + 0.5 + (x - 0.5) * step) * cellM;
  const down = (y: number) => northM - (north + 0.5 + (y - 0.5) * step) * cellM;
  return contours()
    .size([width, height])
    .thresholds([...depthsM])(values as unknown as number[])
    .map(({ value, coordinates }) => {
      const points: number[] = [];
      const ends: number[] = [];
      for (const line of open(coordinates.flat(), width, height)) {
        for (const [x = 0, y = 0] of line) points.push(east(x), down(y));
        ends.push(points.length);
      }
      return { depthM: value, points: Float64Array.from(points), ends: Uint32Array.from(ends) };
    });
}

/** Depths to write on the chart: the middle of every block of cells in a window that lies in water. */
export function soundings(
  { cols, cellM, westM, northM }: Pick<Grid, 'cols' | 'cellM' | 'westM' | 'northM'>,
  depths: Float32Array,
  { west, east, north, south }: ChartWindow,
  everyCells: number,
): Sounded[] {
  const found: Sounded[] = [];
  // Blocks begin at the chart's corner, so that the figures stand still while one moves about.
  const first = (from: number) => Math.floor(from / everyCells) * everyCells + (everyCells >> 1);
  for (let row = first(north); row < south; row += everyCells) {
    for (let col = first(west); col < east; col += everyCells) {
      if (row < north || col < west) continue;
      const depthM = depths[row * cols + col] as number;
      if (depthM < MIN_SOUNDING_M) continue;
      found.push({ at: [westM + (col + 0.5) * cellM, northM - (row + 0.5) * cellM], depthM });
    }
  }
  return found;
}
