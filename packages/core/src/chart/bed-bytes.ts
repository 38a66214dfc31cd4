import { bedBytes, UNKNOWN_CM, type ChartFrame } from '../contract/charts.js';
import type { Grid } from './grid.js';

/** A sounding farther off than this many cells is not told from one still farther. */
const MAX_AWAY_CELLS = 255;

/**
 * The bed as whole centimetres, two bytes a cell, low byte first: how it is kept and sent.
 * @param awayM to the nearest sounding from each cell, where it was laid through soundings: whole cells go behind the bed
 */
export function bedToBytes(
  { values, cellM = 1 }: Pick<Grid, 'values'> & Partial<Pick<Grid, 'cellM'>>,
  awayM?: Float32Array | null,
): Uint8Array {
  const bytes = new Uint8Array(values.length * (awayM ? 3 : 2));
  const view = new DataView(bytes.buffer);
  for (let cell = 0; cell < values.length; cell++) {
    const cm = Math.round((values[cell] as number) * 100);
    view.setInt16(cell * 2, Number.isNaN(cm) ? UNKNOWN_CM : Math.min(32767, Math.max(-32767, cm)), true);
  }
  if (!awayM) return bytes;
  const behind = bytes.subarray(values.length * 2);
  for (let cell = 0; cell < behind.length; cell++) {
    behind[cell] = Math.min(MAX_AWAY_CELLS, Math.round((awayM[cell] as number) / cellM));
  }
  return bytes;
}

/**
 * @throws RangeError where the bytes are not as many as the frame has cells
 * @example
 * const frame = { epsg: 32616, cols: 2, rows: 1, cellM: 10, westM: 0, northM: 0, source: 'by hand' };
 * const grid = { ...frame, values: Float32Array.of(-3.5, 1) };
 * [...bedFromBytes(frame, bedToBytes(grid)).values] // => [-3.5, 1]
 */
export function bedFromBytes(frame: ChartFrame, bytes: Uint8Array): Grid {
  const cells = frame.cols * frame.rows;
  if (bytes.byteLength !== bedBytes(frame)) {
    throw new RangeError(
      `expected ${bedBytes(frame)} bytes for ${frame.cols} by ${frame.rows} cells, got ${bytes.byteLength}`,
    );
  }
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const values = new Float32Array(cells);
  for (let cell = 0; cell < cells; cell++) {
    const cm = view.getInt16(cell * 2, true);
    values[cell] = cm === UNKNOWN_CM ? Number.NaN : cm / 100;
  }
  const { cols, rows, cellM, westM, northM } = frame;
  return { cols, rows, cellM, westM, northM, values };
}

/** How many cells each lies from the nearest sounding; null for a bed that was measured everywhere. */
export const awayFromBytes = (frame: ChartFrame, bytes: Uint8Array): Uint8Array | null =>
  frame.sounded ? bytes.subarray(frame.cols * frame.rows * 2, bedBytes(frame)) : null;
