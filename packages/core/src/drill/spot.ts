import { capital, nameOf } from '../contract/names.js';
import type { Structure } from '../contract/ids.js';
import type { Graded } from './answer.js';
import { marks } from './grading/marks.js';

/** How good each cell of a chart is in an hour beside the best, 0 to 255, row by row. */
export interface SpotHeat {
  readonly heat: Uint8Array;
  readonly cols: number;
  /** Best place of the hour, the zone that it lies in where it has a name, and why. */
  readonly best: { readonly zone: string; readonly structure: Structure | null; readonly because: readonly string[] };
}

/** A thumb covers so many cells to each side. */
const THUMB_CELLS = 2;
const FULL = 255;

/** The best cell under a thumb. */
export function underThumb(heat: Uint8Array, cols: number, cell: number, cells = THUMB_CELLS): number {
  const [row, col] = [Math.floor(cell / cols), cell % cols];
  let best = cell;
  for (let y = Math.max(0, row - cells); y <= row + cells; y++) {
    for (let x = Math.max(0, col - cells); x <= Math.min(cols - 1, col + cells); x++) {
      const each = y * cols + x;
      if ((heat[each] ?? 0) > (heat[best] ?? 0)) best = each;
    }
  }
  return best;
}

/**
 * A place on a chart by what the scan gives it beside the best of the hour.
 * @param cell the cell that was touched; null where nothing was within the time
 * @param off it lies on land, or outside of the chart
 */
export function gradeSpot({ heat, cols, best }: SpotHeat, cell: number | null, off = false): Graded {
  const name = capital(nameOf(best.structure ?? 'open-water')) + (best.zone ? `, ${best.zone}` : '');
  const missed = (text: string): Graded => ({
    score: 0,
    best: name,
    because: best.because,
    against: [text],
    school: null,
    unsure: false,
  });
  if (cell === null) return missed('The minute was over');
  if (off) return missed('There is no water');
  const share = (heat[underThumb(heat, cols, cell)] ?? 0) / FULL;
  const words = marks(share, 1);
  return {
    ...words,
    best: name,
    because: best.because,
    against: share === 0 ? ['No better than the usual water of this chart'] : [],
    school: null,
  };
}
