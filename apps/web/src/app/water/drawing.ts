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
  /** Ground that the tide has left dry. */
  readonly dry: Rgb;
}

/** A tide as it is drawn: water that has just come, or that is about to go, is hatched. */
export interface DrawnTide {
  readonly way: 'flooding' | 'draining' | 'slack';
  /** How deep that water is at most, metres. */
  readonly edgeM: number;
  /** Depths at the day's highest water. */
  readonly highM: Float32Array;
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
/** What the tide brings or takes is hatched closer: one way as it comes, the other as it goes. */
const TIDE_HATCH_CELLS = 3;

/**
 * The chart's ground as pixels, a depth in steps, so that shoals and edges stand out. What is not known is left clear,
 * what is guessed is hatched. Ground that the tide leaves is as dry as paper, and its edge is hatched as it moves.
 */
export function tintPixels(
  { values, cols }: Pick<Grid, 'values' | 'cols'>,
  depths: Float32Array,
  { fromM, colours, land, dry }: Tints,
  { isGuess, tide }: { isGuess?: (cell: number) => boolean; tide?: DrawnTide | undefined } = {},
): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(depths.length * 4);
  const words = new Int32Array(pixels.buffer);
  // Every colour by its place in one list: those of the bands, land, and what the tide has left dry.
  const tones = Int32Array.from([...colours, land, dry], wordOf);
  const lighter = Int32Array.from([...colours, land, dry], (colour) => wordOf(colour.map(halfLight) as unknown as Rgb));
  const fromDepths = Float32Array.from(fromM);
  const [deepest, landTone, dryTone] = [colours.length - 1, colours.length, colours.length + 1];
  // It comes as a wash that darkens, and goes as ground that shows through.
  const comes = tide?.way === 'flooding';
  const edgeM = tide?.edgeM ?? 0;
  const slant = comes ? 1 : TIDE_HATCH_CELLS - 1;
  // Beside a cell lies water of about its depth: the band is looked for from the last one on.
  let band = 0;
  for (let row = 0, cell = 0; cell < depths.length; row++) {
    for (let col = 0, hatch = row % HATCH_CELLS; col < cols; col++, cell++, hatch++) {
      if (hatch === HATCH_CELLS) hatch = 0;
      const depth = depths[cell] as number;
      let tone = landTone;
      if (depth > 0) {
        while (band < deepest && depth >= (fromDepths[band] as number)) band++;
        while (band > 0 && depth < (fromDepths[band - 1] as number)) band--;
        tone = band;
        if (depth < edgeM && (col + slant * row) % TIDE_HATCH_CELLS === 0)
          tone = comes ? Math.min(band + 2, deepest) : dryTone;
      } else if (Number.isNaN(values[cell])) continue;
      else if (tide && (tide.highM[cell] as number) > 0) tone = dryTone;
      words[cell] = (isGuess && hatch === 0 && isGuess(cell) ? lighter[tone] : tones[tone]) as number;
    }
  }
  return pixels;
}

/** A colour as one pixel that covers all: red first, as a canvas has it. */
const wordOf = ([red, green, blue]: Rgb): number =>
  (0xff << 24) | (Math.round(blue) << 16) | (Math.round(green) << 8) | Math.round(red);
const halfLight = (part: number): number => part + (255 - part) * HATCH_SHARE;

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
