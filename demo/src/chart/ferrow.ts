import { addHill, cutValley, finish, newBed, relief, warpOf, type At, type Bed, type Valley } from './bed.js';
import { seeded } from '../random.js';

const COLS = 760;
const ROWS = 900;
const CELL_M = 10;
const SEED = 20270313;

/** The main valley from the dam in the south to the inflow in the north, and the arms, metres from the north-west corner. */
export const FERROW_LINES = {
  main: [
    [4150, 8350],
    [3950, 7400],
    [4350, 6400],
    [3900, 5400],
    [4200, 4300],
    [4500, 3200],
    [4350, 2300],
  ],
  sallow: [
    [3950, 5200],
    [3250, 4700],
    [2700, 3900],
    [2250, 3250],
    [1800, 2300],
    [1450, 1500],
    [1250, 800],
  ],
  brindle: [
    [4300, 4500],
    [5000, 4250],
    [5600, 4500],
    [6250, 4150],
    [6750, 3500],
    [6950, 2900],
  ],
  marina: [
    [3900, 6100],
    [3300, 6250],
    [2900, 6500],
  ],
} as const satisfies Record<string, readonly At[]>;

const VALLEYS: readonly Valley[] = [
  { line: FERROW_LINES.main, depthM: [24, 11], halfWidthM: [720, 360], flatness: 4.5, creekM: [3, 30] },
  { line: FERROW_LINES.sallow, depthM: [7, 1.6], halfWidthM: [430, 240], flatness: 3.2, creekM: [1.9, 20] },
  { line: FERROW_LINES.brindle, depthM: [15, 5], halfWidthM: [150, 80], flatness: 5.5, creekM: [1.5, 14] },
  { line: FERROW_LINES.marina, depthM: [6, 2.2], halfWidthM: [230, 130], flatness: 2.8, creekM: [0.8, 14] },
];

/** Side valleys, most of them short: between two of them stands a point. */
function pockets(random: () => number): Valley[] {
  const made: Valley[] = [];
  for (const { line, halfWidthM, depthM, flatness } of VALLEYS) {
    for (let index = 1; index < line.length; index++) {
      const [a, b] = [line[index - 1] as At, line[index] as At];
      const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
      for (let at = 120 + random() * 180; at < long; at += 240 + random() * 330) {
        const share = (index - 1 + at / long) / (line.length - 1);
        const half = halfWidthM[0] + (halfWidthM[1] - halfWidthM[0]) * share;
        const deep = depthM[0] + (depthM[1] - depthM[0]) * share;
        const side = random() < 0.5 ? -1 : 1;
        const turn = side * (Math.PI / 2 + (random() - 0.5) * 0.9);
        const heading = Math.atan2(b[1] - a[1], b[0] - a[0]) + turn;
        const from: At = [a[0] + ((b[0] - a[0]) * at) / long, a[1] + ((b[1] - a[1]) * at) / long];
        const reach = half + 60 + random() ** 2 * 420;
        const bend = (random() - 0.5) * 160;
        const to = (way: number, off: number): At => [
          from[0] + Math.cos(heading) * way - Math.sin(heading) * off,
          from[1] + Math.sin(heading) * way + Math.cos(heading) * off,
        ];
        made.push({
          line: [to(half * 0.35, 0), to(half * 0.8, bend * 0.5), to(reach, bend)],
          depthM: [Math.min(9, deep * 0.62), 0.7],
          halfWidthM: [90 + random() * 90, 45 + random() * 45],
          flatness: Math.min(3.5, flatness),

          creekM: [0.8 + random() * 0.7, 11],
        });
      }
    }
  }
  return made;
}

/** Offshore humps, and a long bar that comes near the old river: metres from the corner, height, radius. */
const HILLS: readonly (readonly [At, number, number])[] = [
  [[4420, 7150], 11, 120],
  [[3700, 6950], 8, 95],
  [[4050, 5950], 7.5, 105],
  [[4560, 5700], 6.5, 85],
  [[4080, 3900], 6, 90],
  [[4650, 3650], 5, 75],
  [[3050, 4450], 2.4, 80],
  [[2350, 3600], 1.9, 70],
  [[1900, 2600], 1.2, 65],
];

/** Lake Ferrow's bed: a drowned hill valley with a long flat arm, a steep rocky one, a marina pocket and side pockets. */
export function ferrowBed(): Bed {
  const bed = newBed(COLS, ROWS, CELL_M, 30);
  const random = seeded(SEED);
  const warp = warpOf(bed, SEED + 1, 230, 50);
  for (const valley of [...VALLEYS, ...pockets(random)]) cutValley(bed, valley, warp);
  for (const [at, height, radius] of HILLS) addHill(bed, at, height, radius);
  // The dam closes the valley in the south.
  const damRow = Math.round(8330 / CELL_M);
  bed.values.fill(30, damRow * COLS);
  finish(bed, relief(SEED + 2, 130), 0.55, 9);
  return bed;
}
