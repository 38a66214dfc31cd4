import type { Shape } from '../chart/grid.js';

export interface PickOptions {
  readonly most: number;
  /** No two places lie nearer to one another, metres. */
  readonly apartM: number;
  /** Cells that may be chosen at all. */
  readonly allows?: (cell: number) => boolean;
}

/** Blocks into which the raster is cut, cells a side: each offers its best. */
const BLOCK_CELLS = 6;

/**
 * The best cells that lie well apart: the best of each block is a candidate, and candidates are taken from the best
 * down as long as none taken lies near (greedy non-maximum suppression).
 * @param wet the cells to choose from
 */
export function pickApart(
  { cols, rows, cellM }: Shape,
  score: Float32Array,
  wet: Int32Array,
  options: PickOptions,
): number[] {
  const { most, apartM, allows = () => true } = options;
  const blocksAcross = Math.ceil(cols / BLOCK_CELLS);
  const bestOf = new Int32Array(blocksAcross * Math.ceil(rows / BLOCK_CELLS)).fill(-1);
  for (const cell of wet) {
    if (score[cell] === -Infinity) continue;
    const col = cell % cols;
    const block = Math.floor((cell - col) / cols / BLOCK_CELLS) * blocksAcross + Math.floor(col / BLOCK_CELLS);
    const before = bestOf[block] as number;
    if ((before < 0 || (score[cell] as number) > (score[before] as number)) && allows(cell)) bestOf[block] = cell;
  }
  const candidates = bestOf.filter((cell) => cell >= 0);
  candidates.sort((a, b) => (score[b] as number) - (score[a] as number) || a - b);
  const taken: number[] = [];
  const nearest2 = (apartM / cellM) ** 2;
  for (const cell of candidates) {
    if (taken.length >= most) break;
    const [col, row] = [cell % cols, Math.floor(cell / cols)];
    const near = taken.some((other) => {
      const [dx, dy] = [(other % cols) - col, Math.floor(other / cols) - row];
      return dx * dx + dy * dy < nearest2;
    });
    if (!near) taken.push(cell);
  }
  return taken;
}
