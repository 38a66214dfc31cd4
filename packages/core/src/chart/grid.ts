/**
 * A raster of a water's bed in a metric projection. Rows run from north to south, columns from west to east; cell
 * (row, col) is `values[row * cols + col]`, NaN where nothing is known.
 */
export interface Grid {
  readonly cols: number;
  readonly rows: number;
  /** Side of a cell, metres. */
  readonly cellM: number;
  /** West edge and north edge of the raster in the chart's projection, metres. */
  readonly westM: number;
  readonly northM: number;
  /** Bed above the chart's zero level in metres: water is deeper the more it is under it. */
  readonly values: Float32Array;
}

/** A raster of the same shape as another, of any kind of cell. */
export type Shape = Pick<Grid, 'cols' | 'rows' | 'cellM'>;

/** Middle of a cell in the chart's projection, metres. */
export const middleOf = ({ cols, cellM, westM, northM }: Grid, cell: number): [x: number, y: number] => [
  westM + ((cell % cols) + 0.5) * cellM,
  northM - (Math.floor(cell / cols) + 0.5) * cellM,
];

/** The cell under a point of the chart's projection; -1 outside. */
export function cellAt({ cols, rows, cellM, westM, northM }: Grid, [x, y]: readonly [number, number]): number {
  const col = Math.floor((x - westM) / cellM);
  const row = Math.floor((northM - y) / cellM);
  return col < 0 || row < 0 || col >= cols || row >= rows ? -1 : row * cols + col;
}

/** Depth of every cell under a level, metres; 0 on land and where nothing is known. @param levelM above the zero level */
export function depthsM({ values }: Pick<Grid, 'values'>, levelM: number): Float32Array {
  const depths = new Float32Array(values.length);
  for (let cell = 0; cell < values.length; cell++) {
    const depth = levelM - (values[cell] as number);
    depths[cell] = depth > 0 ? depth : 0;
  }
  return depths;
}
