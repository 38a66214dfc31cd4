import { setImmediate as others } from 'node:timers/promises';

/**
 * Puts rows in so many at a time, since the database takes a limited number of values in one statement. Before each
 * batch others get their turn: the database does its work while everything waits.
 */
export async function inBatches<Row>(
  rows: readonly Row[],
  most: number,
  put: (batch: readonly Row[]) => Promise<unknown>,
): Promise<void> {
  for (let from = 0; from < rows.length; from += most) {
    await others();
    await put(rows.slice(from, from + most));
  }
}
