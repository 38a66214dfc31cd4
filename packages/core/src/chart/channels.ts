import { LANDFORM } from './geomorphons.js';
import type { Shape } from './grid.js';

/**
 * Marks the old channels of a bed: valleys and pits that hang together over at least this length. Runs of cells are
 * joined by their eight neighbours; a run's length is the diagonal of the box around it.
 * @param forms landforms by number
 */
export function channels(
  { cols, rows, cellM }: Shape,
  forms: Uint8Array,
  depths: Float32Array,
  leastM: number,
): Uint8Array {
  const channel = new Uint8Array(forms.length);
  const stack: number[] = [];
  const isDeepest = (cell: number) =>
    (forms[cell] === LANDFORM.valley || forms[cell] === LANDFORM.pit) && (depths[cell] as number) > 0;
  const seen = new Uint8Array(forms.length);
  for (let first = 0; first < forms.length; first++) {
    if (seen[first] || !isDeepest(first)) continue;
    seen[first] = 1;
    stack.length = 0;
    stack.push(first);
    let [west, east] = [cols, 0];
    let [north, south] = [rows, 0];
    for (const cell of stack) {
      const col = cell % cols;
      const row = (cell - col) / cols;
      west = Math.min(west, col);
      east = Math.max(east, col);
      north = Math.min(north, row);
      south = Math.max(south, row);
      for (let y = Math.max(0, row - 1); y <= Math.min(rows - 1, row + 1); y++) {
        for (let x = Math.max(0, col - 1); x <= Math.min(cols - 1, col + 1); x++) {
          const other = y * cols + x;
          if (seen[other] || !isDeepest(other)) continue;
          seen[other] = 1;
          stack.push(other);
        }
      }
    }
    if (Math.hypot(east - west, south - north) * cellM >= leastM) for (const cell of stack) channel[cell] = 1;
  }
  return channel;
}
