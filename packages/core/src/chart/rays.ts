import type { Shape } from './grid.js';

/**
 * How much open water lies before every cell in one direction, metres: lines a cell apart are run over the raster and
 * the way since the last land is counted, so each cell is looked at once, whatever the distance. The edge of the
 * raster counts as land; land has 0.
 * @param towardsDeg the way one looks, degrees from north over east
 */
export function openWaterM({ cols, rows, cellM }: Shape, depths: Float32Array, towardsDeg: number): Float32Array {
  const open = new Float32Array(depths.length);
  const angle = (towardsDeg * Math.PI) / 180;
  const east = Math.sin(angle);
  const south = -Math.cos(angle);
  if (Math.abs(south) >= Math.abs(east)) {
    // A line moves one row a step and drifts sideways; lines are told apart by where they would cross row 0.
    const drift = east / south;
    const step = cellM * Math.hypot(1, drift);
    const slack = Math.ceil(Math.abs(drift) * rows) + 1;
    const run = new Float32Array(cols + 2 * slack);
    for (let done = 0; done < rows; done++) {
      const row = south > 0 ? rows - 1 - done : done;
      const offset = slack - Math.round(drift * row);
      const start = row * cols;
      // Lines whose cell in this row lies beyond the edge begin anew.
      run.fill(0, 0, Math.max(0, offset));
      run.fill(0, Math.min(run.length, offset + cols));
      for (let col = 0; col < cols; col++) {
        if ((depths[start + col] as number) > 0) {
          open[start + col] = run[col + offset] = (run[col + offset] as number) + step;
        } else run[col + offset] = 0;
      }
    }
    return open;
  }
  const drift = south / east;
  const step = cellM * Math.hypot(1, drift);
  const slack = Math.ceil(Math.abs(drift) * cols) + 1;
  const run = new Float32Array(rows + 2 * slack);
  for (let done = 0; done < cols; done++) {
    const col = east > 0 ? cols - 1 - done : done;
    const offset = slack - Math.round(drift * col);
    run.fill(0, 0, Math.max(0, offset));
    run.fill(0, Math.min(run.length, offset + rows));
    for (let row = 0, cell = col; row < rows; row++, cell += cols) {
      if ((depths[cell] as number) > 0) open[cell] = run[row + offset] = (run[row + offset] as number) + step;
      else run[row + offset] = 0;
    }
  }
  return open;
}
