import type { Grid } from './grid.js';

const DEG = 180 / Math.PI;

/**
 * Steepness of every cell in degrees by Horn (1981): weighted differences over the eight neighbours. A neighbour that
 * is not known or not there counts as high as the cell itself; a cell that is not known has NaN.
 */
export function slopeDeg({ cols, rows, cellM, values }: Grid): Float32Array {
  const slope = new Float32Array(values.length);
  const scale = 1 / (8 * cellM);
  const last = cols - 1;
  for (let row = 0; row < rows; row++) {
    const here = row * cols;
    const above = row ? here - cols : here;
    const below = row < rows - 1 ? here + cols : here;
    for (let col = 0; col < cols; col++) {
      const west = col ? col - 1 : 0;
      const east = col < last ? col + 1 : last;
      const centre = values[here + col] as number;
      let nw = values[above + west] as number;
      let n = values[above + col] as number;
      let ne = values[above + east] as number;
      let w = values[here + west] as number;
      let e = values[here + east] as number;
      let sw = values[below + west] as number;
      let s = values[below + col] as number;
      let se = values[below + east] as number;
      const all = nw + n + ne + w + e + sw + s + se;
      // A sum with a NaN in it is not itself: then each is looked at, else none needs to be.
      if (all !== all) {
        nw = nw === nw ? nw : centre;
        n = n === n ? n : centre;
        ne = ne === ne ? ne : centre;
        w = w === w ? w : centre;
        e = e === e ? e : centre;
        sw = sw === sw ? sw : centre;
        s = s === s ? s : centre;
        se = se === se ? se : centre;
      }
      const dx = (ne + e + e + se - (nw + w + w + sw)) * scale;
      const dy = (sw + s + s + se - (nw + n + n + ne)) * scale;
      slope[here + col] = centre === centre ? Math.atan(Math.sqrt(dx * dx + dy * dy)) * DEG : Number.NaN;
    }
  }
  return slope;
}
