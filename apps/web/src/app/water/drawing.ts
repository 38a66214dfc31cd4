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

/** Lines of equal depth, in cells east and south of the chart's corner. */
export interface DepthLines {
  readonly depthM: number;
  readonly lines: readonly (readonly [number, number][])[];
}

/** A depth at a place in the chart's projection. */
export interface Sounded {
  readonly at: readonly [x: number, y: number];
  readonly depthM: number;
}

/** Least depth that is written on the chart, metres. */
const LEAST_SOUNDING_M = 0.3;

/** The chart's ground as pixels, a depth in steps, so that shoals and edges stand out. What is not known is left clear. */
export function tintPixels(
  { values }: Pick<Grid, 'values'>,
  depths: Float32Array,
  { fromM, colours, land }: Tints,
): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(depths.length * 4);
  for (let cell = 0; cell < depths.length; cell++) {
    const depth = depths[cell] as number;
    if (!(depth > 0) && Number.isNaN(values[cell])) continue;
    let band = 0;
    while (band < fromM.length && depth >= (fromM[band] as number)) band++;
    const [red, green, blue] = depth > 0 ? (colours[band] as Rgb) : land;
    pixels[cell * 4] = red;
    pixels[cell * 4 + 1] = green;
    pixels[cell * 4 + 2] = blue;
    pixels[cell * 4 + 3] = 255;
  }
  return pixels;
}

/** Lines of equal depth by marching squares. */
export const depthLines = (
  { cols, rows }: Pick<Grid, 'cols' | 'rows'>,
  depths: Float32Array,
  depthsM: readonly number[],
): DepthLines[] =>
  contours()
    .size([cols, rows])
    .thresholds([...depthsM])(depths as unknown as number[])
    .map(({ value, coordinates }) => ({
      depthM: value,
      lines: coordinates.flat().map((ring) => ring.map(([x = 0, y = 0]): [number, number] => [x, y])),
    }));

/** Depths to write on the chart: the middle of every block of cells that lies in water. */
export function soundings(
  { cols, rows, cellM, westM, northM }: Grid,
  depths: Float32Array,
  everyCells: number,
): Sounded[] {
  const found: Sounded[] = [];
  for (let row = everyCells >> 1; row < rows; row += everyCells) {
    for (let col = everyCells >> 1; col < cols; col += everyCells) {
      const depthM = depths[row * cols + col] as number;
      if (depthM < LEAST_SOUNDING_M) continue;
      found.push({ at: [westM + (col + 0.5) * cellM, northM - (row + 0.5) * cellM], depthM });
    }
  }
  return found;
}
