/** A pair so bad that it is left out rather than made. */
export const NEVER = -Infinity;

/**
 * The assignment of rows to columns with the greatest sum of values, each at most once: the Hungarian method in the form
 * of shortest augmenting paths with potentials (Kuhn 1955; Jonker & Volgenant 1987). Rows may stay without a column;
 * values under 0 are never taken.
 * @param values rows by columns; NEVER where a pair may not be
 * @param most pairs at most
 * @returns for each row its column, or null
 */
export function bestAssignment(values: readonly (readonly number[])[], most = Infinity): (number | null)[] {
  const rows = values.length;
  const columns = values[0]?.length ?? 0;
  if (!rows || !columns) return values.map(() => null);
  const pairs = Math.min(most, rows, columns);
  // Rows beyond those that get a column go to columns of no worth, and so do columns: exactly so many as to leave `pairs`
  // places, so that the limit is part of the problem and not a cut afterwards.
  const size = rows + columns - pairs;
  // Dear beyond any sum of values, and no dearer, so that small values are not lost beside it.
  const greatest = values.reduce((most, row) => Math.max(most, ...row), 0);
  const forbidden = 1 + 2 * pairs * greatest;
  const cost = (row: number, column: number): number => {
    if (row >= rows) return column >= columns ? forbidden : 0;
    if (column >= columns) return 0;
    // A pair that may not be, or is worth nothing, is as good as none: it is taken out again below.
    return -Math.max(values[row]?.[column] ?? NEVER, 0);
  };
  const columnOf = hungarian(size, cost);
  return values.map((row, at) => {
    const column = columnOf[at] as number;
    return column < columns && (row[column] ?? NEVER) > 0 ? column : null;
  });
}

/** The cheapest full assignment of a square table: for each row its column. */
function hungarian(size: number, cost: (row: number, column: number) => number): number[] {
  const rowPotential = new Float64Array(size + 1);
  const columnPotential = new Float64Array(size + 1);
  const rowAt = new Int32Array(size + 1);
  for (let row = 1; row <= size; row++) {
    rowAt[0] = row;
    const least = new Float64Array(size + 1).fill(Infinity);
    const from = new Int32Array(size + 1);
    const done = new Uint8Array(size + 1);
    let column = 0;
    do {
      done[column] = 1;
      const here = rowAt[column] as number;
      let [step, next] = [Infinity, 0];
      for (let other = 1; other <= size; other++) {
        if (done[other]) continue;
        const reduced = cost(here - 1, other - 1) - (rowPotential[here] as number) - (columnPotential[other] as number);
        if (reduced < (least[other] as number)) [least[other], from[other]] = [reduced, column];
        if ((least[other] as number) < step) [step, next] = [least[other] as number, other];
      }
      for (let other = 0; other <= size; other++) {
        if (done[other]) {
          rowPotential[rowAt[other] as number] = (rowPotential[rowAt[other] as number] as number) + step;
          columnPotential[other] = (columnPotential[other] as number) - step;
        } else least[other] = (least[other] as number) - step;
      }
      column = next;
    } while (rowAt[column] !== 0);
    while (column) {
      const before = from[column] as number;
      rowAt[column] = rowAt[before] as number;
      column = before;
    }
  }
  const columnOf = new Array<number>(size).fill(-1);
  for (let column = 1; column <= size; column++) columnOf[(rowAt[column] as number) - 1] = column - 1;
  return columnOf;
}
