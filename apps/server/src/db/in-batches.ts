/** Puts rows in so many at a time, since the database takes a limited number of values in one statement. */
export async function inBatches<Row>(
  rows: readonly Row[],
  most: number,
  put: (batch: readonly Row[]) => Promise<unknown>,
): Promise<void> {
  for (let from = 0; from < rows.length; from += most) await put(rows.slice(from, from + most));
}
