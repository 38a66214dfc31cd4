import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Grid } from '../chart/grid.js';
import { readAsciiGrid } from '../formats/ascii-grid.js';

/** A grid of the reference bed: its elevation, its slopes, or its landforms, made by independent programs. */
export const referenceGrid = (name: 'bed-elevation' | 'slope-horn-deg' | 'geomorphon-forms'): Grid =>
  readAsciiGrid(readFileSync(join(__dirname, 'fixtures/bed', `${name}.asc`), 'utf8'));

/** A bed by a formula of metres east and south of its north-west corner, in metres above the water's level. */
export function bedOf(cols: number, rows: number, cellM: number, bedM: (east: number, south: number) => number): Grid {
  const values = new Float32Array(cols * rows);
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let col = 0; col < cols; col++, cell++) values[cell] = bedM((col + 0.5) * cellM, (row + 0.5) * cellM);
  }
  return { cols, rows, cellM, westM: 0, northM: rows * cellM, values };
}
