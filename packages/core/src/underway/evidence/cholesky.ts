/** The lower triangle L of a matrix that is L times its own transpose, row after row in one array. */
export interface LowerTriangle {
  readonly size: number;
  readonly values: Float64Array;
}

/** Sum of products of so many numbers of two arrays. Four at a time takes half as long, and all time is spent here. */
function dot(a: Float64Array, aFrom: number, b: Float64Array, bFrom: number, count: number): number {
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
  for (let row = 0; row < size; row++) {
    const own = row * size;
    for (let col = 0; col <= row; col++) {
      const other = col * size;
      const sum = (values[own + col] as number) - dot(values, own, values, other, col);
      if (col < row) values[own + col] = sum / (values[other + col] as number);
      else if (sum > 0) values[own + col] = Math.sqrt(sum);
      else throw new RangeError(`expected a positive definite matrix, got ${sum} in row ${row}`);
    }
  }
  return { size, values };
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
