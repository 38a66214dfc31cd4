/** Rows of the lower triangle L of a matrix that is L times its own transpose. */
export type LowerTriangle = readonly Float64Array[];

/** Rows of a square matrix that lies row after row in one array. */
export const rowsOf = (values: Float64Array, size: number): Float64Array[] =>
  Array.from({ length: size }, (_, row) => values.subarray(row * size, (row + 1) * size));

/** Sum of products of the first so many numbers of two arrays. Four at a time takes half as long, and all time is spent here. */
export function dot(a: Float64Array, b: Float64Array, count: number): number {
  let sum = 0;
  let at = 0;
  for (; at + 3 < count; at += 4) {
    sum +=
      (a[at] as number) * (b[at] as number) +
      (a[at + 1] as number) * (b[at + 1] as number) +
      (a[at + 2] as number) * (b[at + 2] as number) +
      (a[at + 3] as number) * (b[at + 3] as number);
  }
  for (; at < count; at++) sum += (a[at] as number) * (b[at] as number);
  return sum;
}

type Four = [Float64Array, Float64Array, Float64Array, Float64Array];

/**
 * Cholesky's decomposition of a symmetric positive definite matrix, in place. Written out, since the figures of a day are
 * worked through at every cast, hundreds of rows in a few milliseconds.
 * @param rows of its lower triangle, each up to the diagonal at least; what lies beyond that is not looked at
 * @param from how many of the first rows are decomposed already
 * @throws RangeError where the matrix is not positive definite
 */
export function cholesky(rows: readonly Float64Array[], from = 0): LowerTriangle {
  const size = rows.length;
  let row = from;
  for (; row % 4 && row < size; row++) ends(rows, row, 0);
  for (; row + 3 < size; row += 4) {
    const [r0, r1, r2, r3] = [rows[row], rows[row + 1], rows[row + 2], rows[row + 3]] as Four;
    for (let col = 0; col < row; col += 2)
      block(r0, r1, r2, r3, rows[col] as Float64Array, rows[col + 1] as Float64Array, col);
    for (let each = row; each < row + 4; each++) ends(rows, each, row);
  }
  for (; row < size; row++) ends(rows, row, 0);
  return rows;
}

/** A block of four rows and two columns left of the diagonal: what is read serves several of its figures, which is where the time goes. */
function block(
  r0: Float64Array,
  r1: Float64Array,
  r2: Float64Array,
  r3: Float64Array,
  c0: Float64Array,
  c1: Float64Array,
  col: number,
): void {
  let [a0, a1, a2, a3, b0, b1, b2, b3] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let at = 0; at < col; at++) {
    const u = c0[at] as number;
    const v = c1[at] as number;
    const w = r0[at] as number;
    const x = r1[at] as number;
    const y = r2[at] as number;
    const z = r3[at] as number;
    a0 += w * u;
    b0 += w * v;
    a1 += x * u;
    b1 += x * v;
    a2 += y * u;
    b2 += y * v;
    a3 += z * u;
    b3 += z * v;
  }
  const first = c0[col] as number;
  const corner = c1[col] as number;
  const second = c1[col + 1] as number;
  const finish = (row: Float64Array, a: number, b: number): void => {
    const left = ((row[col] as number) - a) / first;
    row[col] = left;
    row[col + 1] = ((row[col + 1] as number) - b - left * corner) / second;
  };
  finish(r0, a0, b0);
  finish(r1, a1, b1);
  finish(r2, a2, b2);
  finish(r3, a3, b3);
}

/** What is left of a row, from a column to the diagonal. */
function ends(rows: readonly Float64Array[], row: number, fromCol: number): void {
  const own = rows[row] as Float64Array;
  for (let col = fromCol; col <= row; col++) {
    const other = rows[col] as Float64Array;
    const sum = (own[col] as number) - dot(own, other, col);
    if (col < row) own[col] = sum / (other[col] as number);
    else if (sum > 0) own[col] = Math.sqrt(sum);
    else throw new RangeError(`expected a positive definite matrix, got ${sum} in row ${row}`);
  }
}

/** Solves L x = b, in place. */
export function forward(lower: LowerTriangle, b: Float64Array): Float64Array {
  lower.forEach((own, row) => {
    b[row] = ((b[row] as number) - dot(own, b, row)) / (own[row] as number);
  });
  return b;
}

/** Solves L's transpose times x = b, in place. */
export function backward(lower: LowerTriangle, b: Float64Array): Float64Array {
  for (let row = lower.length - 1; row >= 0; row--) {
    const own = lower[row] as Float64Array;
    const solved = (b[row] as number) / (own[row] as number);
    b[row] = solved;
    for (let at = 0; at < row; at++) b[at] = (b[at] as number) - (own[at] as number) * solved;
  }
  return b;
}

/** Length of a vector, squared. */
export const squared = (vector: Float64Array): number => {
  let sum = 0;
  for (const value of vector) sum += value * value;
  return sum;
};
