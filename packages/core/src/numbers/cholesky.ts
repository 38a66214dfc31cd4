/** The lower triangle L of a matrix that is L times its own transpose, row after row in one array. */
export interface LowerTriangle {
  readonly size: number;
  readonly values: Float64Array;
}

/** Sum of products of so many numbers of two arrays. Four at a time takes half as long, and all time is spent here. */
export function dot(a: Float64Array, aFrom: number, b: Float64Array, bFrom: number, count: number): number {
  let sum = 0;
  let at = 0;
  for (; at + 3 < count; at += 4) {
    sum +=
      (a[aFrom + at] as number) * (b[bFrom + at] as number) +
      (a[aFrom + at + 1] as number) * (b[bFrom + at + 1] as number) +
      (a[aFrom + at + 2] as number) * (b[bFrom + at + 2] as number) +
      (a[aFrom + at + 3] as number) * (b[bFrom + at + 3] as number);
  }
  for (; at < count; at++) sum += (a[aFrom + at] as number) * (b[bFrom + at] as number);
  return sum;
}

/**
 * Cholesky's decomposition of a symmetric positive definite matrix, in place: its upper triangle is not looked at.
 * Written out, since the figures of a day are worked through at every cast, hundreds of rows in a few milliseconds.
 * @param values row after row, `size` times `size`
 * @throws RangeError where the matrix is not positive definite
 */
export function cholesky(values: Float64Array, size: number): LowerTriangle {
  let row = 0;
  for (; row + 1 < size; row += 2) {
    for (let col = 0; col < row; col += 2) square(values, size, row, col);
    ends(values, size, row, row);
    ends(values, size, row + 1, row);
  }
  if (row < size) ends(values, size, row, 0);
  return { size, values };
}

/** A square of four figures left of the diagonal: each that is read serves two of them, which halves the time. */
function square(values: Float64Array, size: number, row: number, col: number): void {
  const r0 = row * size;
  const r1 = r0 + size;
  const c0 = col * size;
  const c1 = c0 + size;
  let a = 0;
  let b = 0;
  let c = 0;
  let d = 0;
  for (let at = 0; at < col; at++) {
    const x = values[r0 + at] as number;
    const y = values[r1 + at] as number;
    const u = values[c0 + at] as number;
    const v = values[c1 + at] as number;
    a += x * u;
    b += x * v;
    c += y * u;
    d += y * v;
  }
  const first = values[c0 + col] as number;
  const corner = values[c1 + col] as number;
  const second = values[c1 + col + 1] as number;
  const left = ((values[r0 + col] as number) - a) / first;
  const low = ((values[r1 + col] as number) - c) / first;
  values[r0 + col] = left;
  values[r1 + col] = low;
  values[r0 + col + 1] = ((values[r0 + col + 1] as number) - b - left * corner) / second;
  values[r1 + col + 1] = ((values[r1 + col + 1] as number) - d - low * corner) / second;
}

/** What is left of a row, from a column to the diagonal. */
function ends(values: Float64Array, size: number, row: number, fromCol: number): void {
  const own = row * size;
  for (let col = fromCol; col <= row; col++) {
    const other = col * size;
    const sum = (values[own + col] as number) - dot(values, own, values, other, col);
    if (col < row) values[own + col] = sum / (values[other + col] as number);
    else if (sum > 0) values[own + col] = Math.sqrt(sum);
    else throw new RangeError(`expected a positive definite matrix, got ${sum} in row ${row}`);
  }
}

/** Solves L x = b, in place. */
export function forward({ size, values }: LowerTriangle, b: Float64Array): Float64Array {
  for (let row = 0; row < size; row++) {
    const own = row * size;
    const sum = (b[row] as number) - dot(values, own, b, 0, row);
    b[row] = sum / (values[own + row] as number);
  }
  return b;
}

/** Solves L's transpose times x = b, in place. */
export function backward({ size, values }: LowerTriangle, b: Float64Array): Float64Array {
  for (let row = size - 1; row >= 0; row--) {
    const solved = (b[row] as number) / (values[row * size + row] as number);
    b[row] = solved;
    for (let at = 0; at < row; at++) b[at] = (b[at] as number) - (values[row * size + at] as number) * solved;
  }
  return b;
}

/** Length of a vector, squared. */
export const squared = (vector: Float64Array): number => {
  let sum = 0;
  for (const value of vector) sum += value * value;
  return sum;
};
