import { distanceM } from './distance.js';
import type { Shape } from './grid.js';

/** Values at places of a raster, in cells east and south of its north-west corner. */
export interface Samples {
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
  readonly value: ArrayLike<number>;
}

/** A surface laid through samples, and how far each of its cells lies from the nearest of them. */
export interface Surface {
  /** NaN where no sample is near enough to say anything. */
  readonly values: Float32Array;
  /** Metres to the nearest sample: far from any the surface is a guess. */
  readonly awayM: Float32Array;
}

/** Steps of the gridding, for who shows how far it is. */
export type GriddingStep = (share: number) => void;

/** The mean of the samples in each cell, and which cells have any. */
function binned({ cols, rows }: Shape, { x, y, value }: Samples): { mean: Float64Array; marked: Uint8Array } {
  const mean = new Float64Array(cols * rows);
  const count = new Uint32Array(cols * rows);
  for (let at = 0; at < value.length; at++) {
    const [col, row] = [Math.floor(x[at] as number), Math.floor(y[at] as number)];
    if (col < 0 || row < 0 || col >= cols || row >= rows) continue;
    const cell = row * cols + col;
    const seen = (count[cell] = (count[cell] as number) + 1);
    mean[cell] = (mean[cell] as number) + ((value[at] as number) - (mean[cell] as number)) / seen;
  }
  const marked = new Uint8Array(count.length);
  for (let cell = 0; cell < marked.length; cell++) if (count[cell]) marked[cell] = 1;
  return { mean, marked };
}

/**
 * Where samples say something: the cells that a disc of the reach cannot touch without touching a sample too (the
 * closing of the samples by that disc). It fills what lies between them up to twice the reach apart and goes no farther
 * outwards, so that no water is made up on land.
 */
function between(shape: Shape, marked: Uint8Array, reachM: number): Uint8Array {
  const { cols, rows, cellM } = shape;
  // A frame around the raster is wide enough that no disc at its edge is cut off.
  const pad = Math.ceil(reachM / cellM) + 2;
  const wide = { cols: cols + 2 * pad, rows: rows + 2 * pad, cellM };
  const framed = new Uint8Array(wide.cols * wide.rows);
  for (let row = 0; row < rows; row++) {
    framed.set(marked.subarray(row * cols, (row + 1) * cols), (row + pad) * wide.cols + pad);
  }
  const awayM = distanceM(wide, framed);
  for (let cell = 0; cell < framed.length; cell++) framed[cell] = (awayM[cell] as number) > reachM ? 1 : 0;
  const fromOutside = distanceM(wide, framed);
  const known = new Uint8Array(cols * rows);
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let col = 0; col < cols; col++, cell++) {
      const at = (row + pad) * wide.cols + col + pad;
      if (marked[cell] || (fromOutside[at] as number) > reachM) known[cell] = 1;
    }
  }
  return known;
}

/**
 * Lays a surface through samples by natural neighbours: a cell's value is the mean of what it would take from each
 * sample's own ground if it were a sample itself. Discrete, after Park, Linsen, Kreylos, Owens & Hamann 2006: every
 * cell gives the value of the sample nearest to it to all cells that lie closer to it than that sample. Here it gives
 * whole rows at once, as differences that are summed at the end.
 * @param reachM samples up to twice this apart are joined
 */
export function naturalNeighbours(shape: Shape, samples: Samples, reachM: number, step?: GriddingStep): Surface {
  const { cols, rows } = shape;
  const { mean, marked } = binned(shape, samples);
  const nearest = new Int32Array(cols * rows);
  const awayM = distanceM(shape, marked, nearest);
  const known = between(shape, marked, reachM);
  const width = cols + 1;
  const sum = new Float64Array(width * rows);
  const count = new Int32Array(width * rows);
  const add = (row: number, from: number, to: number, value: number) => {
    const first = row * width + Math.max(0, from);
    const last = row * width + Math.min(cols, to + 1);
    sum[first] = (sum[first] as number) + value;
    sum[last] = (sum[last] as number) - value;
    count[first] = (count[first] as number) + 1;
    count[last] = (count[last] as number) - 1;
  };
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let col = 0; col < cols; col++, cell++) {
      if (!known[cell]) continue;
      const sample = nearest[cell] as number;
      const value = mean[sample] as number;
      const [across, upDown] = [(sample % cols) - col, Math.floor(sample / cols) - row];
      // A cell just as far as the sample takes nothing from it: squares of whole cells are whole.
      const squared = across * across + upDown * upDown - 0.5;
      if (squared < 0) {
        add(row, col, col, value);
        continue;
      }
      const reach = Math.floor(Math.sqrt(squared));
      for (let down = -reach; down <= reach; down++) {
        const at = row + down;
        if (at < 0 || at >= rows) continue;
        const half = Math.floor(Math.sqrt(squared - down * down));
        add(at, col - half, col + half, value);
      }
    }
    if ((row & 31) === 0) step?.(row / rows);
  }
  const values = new Float32Array(cols * rows).fill(Number.NaN);
  for (let row = 0, cell = 0; row < rows; row++) {
    let total = 0;
    let shares = 0;
    for (let col = 0; col < cols; col++, cell++) {
      total += sum[row * width + col] as number;
      shares += count[row * width + col] as number;
      if (known[cell] && shares) values[cell] = total / shares;
    }
  }
  return { values, awayM };
}
