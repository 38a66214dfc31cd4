import type { Shape } from './grid.js';

/** The way by water from every cell to one, over the deepest ground there is. */
export interface WaysOut {
  /** Depth of the shallowest ground that the way cannot avoid, metres, told up to `enoughM`; 0 where no water leads there. */
  readonly barM: Float32Array;
  /** The cell in which that ground lies: of several alike the one nearest to the end of the way. */
  readonly barCell: Int32Array;
  /** How long the way is, metres. */
  readonly lengthM: Float32Array;
}

const CM = 100;
/** Depths come in single precision: 0.7 m is no less than 70 cm. */
const FLOAT_CM = 1e-3;

/**
 * Widest ways (bottleneck shortest paths, Pollack 1960) from all cells to one, over eight neighbours: a flood that always
 * goes on where it is deepest, by whole centimetres in buckets, and broadly where all is deep enough.
 * @param depthM depth of every cell, 0 on land
 * @param enoughM deeper ground is as good as this, so that ways there are short ones
 */
export function waysOut({ cols, rows, cellM }: Shape, depthM: Float32Array, to: number, enoughM: number): WaysOut {
  const size = cols * rows;
  const barM = new Float32Array(size);
  const barCell = new Int32Array(size).fill(-1);
  const lengthM = new Float32Array(size).fill(Infinity);
  const done = new Uint8Array(size);
  const most = Math.max(1, Math.ceil(enoughM * CM));
  const depthCm = (cell: number) => Math.min(most, Math.floor((depthM[cell] as number) * CM + FLOAT_CM));
  const buckets: number[][] = Array.from({ length: most + 1 }, () => []);
  const barCm = new Int16Array(size).fill(-1);
  const start = depthCm(to);
  barCm[to] = start;
  barCell[to] = to;
  lengthM[to] = 0;
  buckets[start]?.push(to);
  for (let level = most; level > 0; level--) {
    const bucket = buckets[level] as number[];
    // The bucket grows while it is worked through.
    for (const cell of bucket) {
      if (done[cell] || barCm[cell] !== level) continue;
      done[cell] = 1;
      const col = cell % cols;
      const row = (cell - col) / cols;
      for (let y = Math.max(0, row - 1); y <= Math.min(rows - 1, row + 1); y++) {
        for (let x = Math.max(0, col - 1); x <= Math.min(cols - 1, col + 1); x++) {
          const other = y * cols + x;
          const own = depthCm(other);
          if (done[other] || own <= 0) continue;
          const bar = Math.min(level, own);
          const length = (lengthM[cell] as number) + (x !== col && y !== row ? Math.SQRT2 : 1) * cellM;
          const known = barCm[other] as number;
          if (bar < known || (bar === known && length >= (lengthM[other] as number))) continue;
          barCm[other] = bar;
          lengthM[other] = length;
          barCell[other] = own < level ? other : (barCell[cell] as number);
          if (bar > known) buckets[bar]?.push(other);
        }
      }
    }
    bucket.length = 0;
  }
  for (let cell = 0; cell < size; cell++) if (done[cell]) barM[cell] = (barCm[cell] as number) / CM;
  return { barM, barCell, lengthM };
}
