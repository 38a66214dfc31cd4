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
  for (; row + 3 < size; row += 4) {
    for (let col = 0; col < row; col += 2) block(values, size, row, col);
    for (let each = row; each < row + 4; each++) ends(values, size, each, row);
  }
  for (; row < size; row++) ends(values, size, row, 0);
  return { size, values };
}

/** A block of four rows and two columns left of the diagonal: what is read serves several of its figures, which is where the time goes. */
function block(values: Float64Array, size: number, row: number, col: number): void {
  const [r0, r1, r2, r3] = [row * size, (row + 1) * size, (row + 2) * size, (row + 3) * size];
  const c0 = col * size;
  const c1 = c0 + size;
  let [a0, a1, a2, a3, b0, b1, b2, b3] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let at = 0; at < col; at++) {
    const u = values[c0 + at] as number;
    const v = values[c1 + at] as number;
    const w = values[r0 + at] as number;
    const x = values[r1 + at] as number;
    const y = values[r2 + at] as number;
    const z = values[r3 + at] as number;
    a0 += w * u;
    b0 += w * v;
    a1 += x * u;
    b1 += x * v;
    a2 += y * u;
    b2 += y * v;
    a3 += z * u;
    b3 += z * v;
  }
  const first = values[c0 + col] as number;
  const corner = values[c1 + col] as number;
  const second = values[c1 + col + 1] as number;
  const finish = (at: number, a: number, b: number): void => {
    const left = ((values[at] as number) - a) / first;
    values[at] = left;
    values[at + 1] = ((values[at + 1] as number) - b - left * corner) / second;
  };
  finish(r0 + col, a0, b0);
  finish(r1 + col, a1, b1);
  finish(r2 + col, a2, b2);
  finish(r3 + col, a3, b3);
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
