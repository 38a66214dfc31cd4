import type { Shape } from './grid.js';

/** Where nothing is to be near to. */
export const FAR_M = 1e6;

/**
 * Distance of every cell from the nearest one that is marked, metres, between middles of cells: the exact Euclidean
 * distance by lower envelopes of parabolas, columns first, then rows (Felzenszwalb & Huttenlocher 2012).
 * @param marked 1 where a cell counts; with none at all every distance is `FAR_M`
 * @param nearest told the nearest marked cell of every cell, where it is given
 */
export function distanceM({ cols, rows, cellM }: Shape, marked: Uint8Array, nearest?: Int32Array): Float32Array {
  const distance = new Float32Array(cols * rows);
  const far = cols + rows;
  let any = false;
  // Down and up each column at once, row by row: how many cells to the nearest marked one.
  for (let col = 0; col < cols; col++) distance[col] = marked[col] ? 0 : far;
  for (let cell = cols; cell < distance.length; cell++) {
    distance[cell] = marked[cell] ? 0 : (distance[cell - cols] as number) + 1;
  }
  for (let cell = distance.length - cols - 1; cell >= 0; cell--) {
    const below = (distance[cell + cols] as number) + 1;
    if (below < (distance[cell] as number)) distance[cell] = below;
  }
  const height = new Float64Array(cols);
  const apex = new Int32Array(cols);
  const from = new Float64Array(cols + 1);
  for (let row = 0; row < rows; row++) {
    const start = row * cols;
    let count = -1;
    for (let col = 0; col < cols; col++) {
      const down = distance[start + col] as number;
      if (down >= far) continue;
      const own = down * down + col * col;
      height[col] = down * down;
      let crossing = -Infinity;
      while (count >= 0) {
        const before = apex[count] as number;
        crossing = (own - (height[before] as number) - before * before) / (2 * (col - before));
        if (crossing > (from[count] as number)) break;
        count--;
      }
      count++;
      apex[count] = col;
      from[count] = count ? crossing : -Infinity;
    }
    if (count < 0) {
      distance.fill(FAR_M, start, start + cols);
      continue;
    }
    any = true;
    from[count + 1] = Infinity;
    for (let col = 0, at = 0; col < cols; col++) {
      while ((from[at + 1] as number) < col) at++;
      const foot = apex[at] as number;
      const across = col - foot;
      const height2 = height[foot] as number;
      distance[start + col] = Math.sqrt(across * across + height2) * cellM;
      if (!nearest) continue;
      const down = Math.round(Math.sqrt(height2)) * cols;
      const above = start + foot - down;
      nearest[start + col] = above >= 0 && marked[above] ? above : start + foot + down;
    }
  }
  return any ? distance : distance.fill(FAR_M);
}
