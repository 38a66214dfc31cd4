import { UNKNOWN_CM, type ChartFrame } from '../contract/charts.js';
import type { Grid } from './grid.js';

/** The bed as whole centimetres, two bytes a cell, low byte first: how it is kept and sent. */
export function bedToBytes({ values }: Pick<Grid, 'values'>): Uint8Array {
  const bytes = new Uint8Array(values.length * 2);
  const view = new DataView(bytes.buffer);
  for (let cell = 0; cell < values.length; cell++) {
    const cm = Math.round((values[cell] as number) * 100);
    view.setInt16(cell * 2, Number.isNaN(cm) ? UNKNOWN_CM : Math.min(32767, Math.max(-32767, cm)), true);
  }
  return bytes;
}

/** @throws RangeError where the bytes are not as many as the frame has cells */
export function bedFromBytes(frame: ChartFrame, bytes: Uint8Array): Grid {
  const cells = frame.cols * frame.rows;
  if (bytes.byteLength !== cells * 2) {
    throw new RangeError(
      `expected ${cells * 2} bytes for ${frame.cols} by ${frame.rows} cells, got ${bytes.byteLength}`,
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
