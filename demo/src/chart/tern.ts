import { addHill, cutValley, finish, newBed, relief, warpOf, type At, type Bed } from './bed.js';
import { seeded } from '../random.js';

const COLS = 620;
const ROWS = 460;
const CELL_M = 8;
const SEED = 20270427;

/** The marsh creek from the sound to its head, metres from the north-west corner. */
export const TERN_CREEK: readonly At[] = [
  [2100, 1500],
  [1900, 1100],
  [2200, 850],
  [1950, 600],
  [2250, 350],
  [2150, 150],
];
/** The pass between sound and sea. */
export const TERN_PASS: readonly At[] = [
  [3450, 2300],
  [3600, 2800],
  [3550, 3200],
  [3700, 3680],
];
/** Oyster bars of the sound. */
export const TERN_BARS: readonly At[] = [
  [1500, 1750],
  [2450, 1650],
  [2900, 1900],
  [1150, 2150],
  [3150, 1550],
];

/** Tern Hollow Sound: a shallow sound with grass flats, oyster bars, a trough, a marsh creek and a pass to the sea. */
export function ternBed(): Bed {
  const bed = newBed(COLS, ROWS, CELL_M, 4);
  const warp = warpOf(bed, SEED, 170, 55);
  const random = seeded(SEED);
  cutValley(
    bed,
    {
      line: [
        [4900, 2050],
        [3600, 2150],
        [2400, 2000],
        [1200, 2100],
        [60, 2000],
      ],
      depthM: [1.7, 1.2],
      halfWidthM: [680, 560],
      flatness: 4,
      creekM: [1.3, 45],
    },
    warp,
  );
  cutValley(bed, { line: TERN_PASS, depthM: [3.6, 4.8], halfWidthM: [150, 190], flatness: 1.6, creekM: [1, 40] }, warp);
  cutValley(
    bed,
    {
      line: [
        [0, 3650],
        [4960, 3650],
      ],
      depthM: [4, 4],
      halfWidthM: [260, 260],
      flatness: 2,
      creekM: [0, 20],
    },
    warp,
  );
  cutValley(bed, { line: TERN_CREEK, depthM: [2, 0.9], halfWidthM: [60, 24], flatness: 2, creekM: [0.5, 12] }, warp);
  for (let index = 0; index < 9; index++) {
    const [x, y] = [300 + random() * 4300, 1480 + random() * 60];
    const way = 180 + random() * 420;
    cutValley(
      bed,
      {
        line: [
          [x, y],
          [x + (random() - 0.5) * 160, y - way * 0.6],
          [x + (random() - 0.5) * 260, y - way],
        ],
        depthM: [1.1, 0.4],
        halfWidthM: [34, 12],
        flatness: 2,
        creekM: [0.4, 9],
      },
      warp,
    );
  }
  for (const at of TERN_BARS) addHill(bed, at, 1.3, 55, -0.25);
  for (let index = 0; index < 14; index++) addHill(bed, [400 + random() * 4000, 1750 + random() * 600], -0.6, 22);
  finish(bed, relief(SEED + 1, 90), 0.12, 2.2);
  return bed;
}
