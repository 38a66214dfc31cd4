import { armsOf, type Arms } from './arms.js';
import { channels } from './channels.js';
import { distanceM } from './distance.js';
import { landforms } from './geomorphons.js';
import { depthsM, type Grid } from './grid.js';
import { slopeDeg } from './slope.js';

/** How far landforms look, cells, and the angle under which they see level ground, degrees. */
const SEARCH_CELLS = 10;
const FLAT_DEG = 1;
/** Valleys that hang together over this length are a channel. */
const CHANNEL_LEAST_M = 220;
/** A flat slopes less than this and lies no deeper. */
const FLAT_SLOPE_DEG = 2.2;
const FLAT_DEEPEST_M = 4;
/** Deep water is deeper than this share of the deepest, within these bounds. */
const DEEP_SHARE = 0.4;
const DEEP_BOUNDS_M = [2, 7] as const;
/** Water farther than this from every shore is open; what is farther than this from open water is narrow. */
const NARROW_M = 45;

/** What can be read off a bed at one level, cell by cell. Distances are metres, angles degrees. */
export interface FormReading {
  readonly grid: Grid;
  readonly levelM: number;
  readonly depthM: Float32Array;
  readonly slopeDeg: Float32Array;
  /** Landforms by number, 0 where none can be told. */
  readonly landform: Uint8Array;
  readonly shoreM: Float32Array;
  readonly channelM: Float32Array;
  readonly flatM: Float32Array;
  readonly deepM: Float32Array;
  /** How far it is to water that lies open: large in pockets and creeks. */
  readonly openM: Float32Array;
  readonly arms: Arms;
}

/** The steps of a reading, in their order, for who shows how far it is. */
export const READING_STEPS = ['slope', 'landforms', 'distances', 'arms'] as const;
export type ReadingStep = (typeof READING_STEPS)[number];

/** Reads slope, landforms, distances and arms off a bed. @param begin told of each step as it begins */
export function readForms(grid: Grid, levelM: number, begin?: (step: ReadingStep) => void): FormReading {
  const depthM = depthsM(grid, levelM);
  begin?.('slope');
  const slope = slopeDeg(grid);
  begin?.('landforms');
  const landform = landforms(grid, { searchCells: SEARCH_CELLS, flatDeg: FLAT_DEG }, depthM);
  begin?.('distances');
  const marks = new Uint8Array(depthM.length);
  const mark = (counts: (cell: number) => boolean): Uint8Array => {
    for (let cell = 0; cell < marks.length; cell++) marks[cell] = counts(cell) ? 1 : 0;
    return marks;
  };
  const depth = (cell: number) => depthM[cell] as number;
  let deepest = 0;
  for (let cell = 0; cell < depthM.length; cell++) if (depth(cell) > deepest) deepest = depth(cell);
  const deepFromM = Math.min(DEEP_BOUNDS_M[1], Math.max(DEEP_BOUNDS_M[0], deepest * DEEP_SHARE));
  const shoreM = distanceM(
    grid,
    mark((cell) => depth(cell) <= 0),
  );
  const channelM = distanceM(grid, channels(grid, landform, depthM, CHANNEL_LEAST_M));
  const flatM = distanceM(
    grid,
    mark((cell) => depth(cell) > 0 && depth(cell) < FLAT_DEEPEST_M && (slope[cell] as number) < FLAT_SLOPE_DEG),
  );
  const deepM = distanceM(
    grid,
    mark((cell) => depth(cell) >= deepFromM),
  );
  const openM = distanceM(
    grid,
    mark((cell) => (shoreM[cell] as number) >= NARROW_M && depth(cell) > 0),
  );
  begin?.('arms');
  const arms = armsOf(grid, depthM);
  return { grid, levelM, depthM, slopeDeg: slope, landform, shoreM, channelM, flatM, deepM, openM, arms };
}
