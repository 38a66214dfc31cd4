import { seeded } from '../random.js';

/** A bed in the making: rows from north to south, metres above the water's level. */
export interface Bed {
  readonly cols: number;
  readonly rows: number;
  readonly cellM: number;
  readonly values: Float32Array;
}

/** A point of the bed, metres east and south of its north-west corner. */
export type At = readonly [eastM: number, southM: number];

export const newBed = (cols: number, rows: number, cellM: number, bedM: number): Bed => ({
  cols,
  rows,
  cellM,
  values: new Float32Array(cols * rows).fill(bedM),
});

/** Smooth made-up relief between -1 and 1: gradient-free value noise in a few octaves, bent by a cubic. */
export function relief(seed: number, scaleM: number, octaves = 3): (eastM: number, southM: number) => number {
  const random = seeded(seed);
  const side = 256;
  const table = Float32Array.from({ length: side * side }, () => random() * 2 - 1);
  const bend = (t: number) => t * t * (3 - 2 * t);
  const mask = side - 1;
  const layer = (x: number, y: number): number => {
    const x0 = Math.floor(x);
    const y0 = Math.floor(y);
    const u = bend(x - x0);
    const v = bend(y - y0);
    const above = (y0 & mask) * side;
    const below = ((y0 + 1) & mask) * side;
    const west = x0 & mask;
    const east = (x0 + 1) & mask;
    const top = (table[above + west] as number) * (1 - u) + (table[above + east] as number) * u;
    const bottom = (table[below + west] as number) * (1 - u) + (table[below + east] as number) * u;
    return top * (1 - v) + bottom * v;
  };
  return (east, south) => {
    let sum = 0;
    let weight = 0.55;
    let scale = scaleM;
    for (let octave = 0; octave < octaves; octave++, weight /= 2, scale /= 2.1) {
      sum += weight * layer(east / scale + 17 * octave, south / scale + 31 * octave);
    }
    return sum;
  };
}

/** Land beside a valley is made over this breadth; a warp shifts a point by no more than about so much. */
const LAND_M = 60;
const WARP_REACH_M = 150;

/** A valley drowned by the water, from its mouth to its head. */
export interface Valley {
  readonly line: readonly At[];
  /** Depth and half width at mouth and head, metres. */
  readonly depthM: readonly [mouth: number, head: number];
  readonly halfWidthM: readonly [mouth: number, head: number];
  /** How flat its floor is: 1 a V, 4 a broad floor with steep sides. */
  readonly flatness: number;
  /** Old creek in its floor: how deep it is cut and how wide, metres. */
  readonly creekM: readonly [cut: number, halfWidth: number];
}

/** Points along a line, rounded at its turns (Chaikin's corner cutting, twice). */
export function rounded(line: readonly At[]): At[] {
  let points = [...line];
  for (let pass = 0; pass < 2; pass++) {
    const cut: At[] = [points[0] as At];
    for (let index = 1; index < points.length; index++) {
      const [a, b] = [points[index - 1] as At, points[index] as At];
      cut.push(
        [a[0] * 0.75 + b[0] * 0.25, a[1] * 0.75 + b[1] * 0.25],
        [a[0] * 0.25 + b[0] * 0.75, a[1] * 0.25 + b[1] * 0.75],
      );
    }
    cut.push(points.at(-1) as At);
    points = cut;
  }
  return points;
}

/** How points are shifted before a valley is cut, so that no shore runs straight: metres for every cell. */
export interface Warp {
  readonly eastM: Float32Array;
  readonly southM: Float32Array;
}

/** A warp of broad bends and small ones. */
export function warpOf({ cols, rows, cellM }: Bed, seed: number, broadM: number, smallM: number): Warp {
  const fields = [0, 1, 2, 3].map((field) => relief(seed + field, field < 2 ? 620 : 150, 2));
  const warp = { eastM: new Float32Array(cols * rows), southM: new Float32Array(cols * rows) };
  const [broadEast, broadSouth, smallEast, smallSouth] = fields as [Field, Field, Field, Field];
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let col = 0; col < cols; col++, cell++) {
      const [x, y] = [col * cellM, row * cellM];
      warp.eastM[cell] = broadM * broadEast(x, y) + smallM * smallEast(x, y);
      warp.southM[cell] = broadM * broadSouth(x, y) + smallM * smallSouth(x, y);
    }
  }
  return warp;
}
type Field = (eastM: number, southM: number) => number;

/** Of cells near a line: how far off it (negative on one side), and at which share of its length. Used over and over. */
interface Scratch {
  readonly off: Float32Array;
  readonly share: Float32Array;
  readonly cells: number[];
}
let scratch: Scratch = { off: new Float32Array(0), share: new Float32Array(0), cells: [] };

function scratchOf(count: number): Scratch {
  if (scratch.off.length !== count) {
    scratch = { off: new Float32Array(count).fill(Infinity), share: new Float32Array(count), cells: [] };
  }
  scratch.cells.length = 0;
  return scratch;
}

/** Cuts a valley into a bed: never fills what is deeper already. */
export function cutValley(bed: Bed, valley: Valley, warp: Warp): void {
  const { cols, rows, cellM, values } = bed;
  const line = rounded(valley.line);
  const lengths = [0];
  for (let index = 1; index < line.length; index++) {
    const [a, b] = [line[index - 1] as At, line[index] as At];
    lengths.push((lengths[index - 1] as number) + Math.hypot(b[0] - a[0], b[1] - a[1]));
  }
  const total = lengths.at(-1) as number;
  const between = ([from, to]: readonly [number, number], share: number) => from + (to - from) * share;
  const reach = Math.max(...valley.halfWidthM) + LAND_M + WARP_REACH_M;
  const { off: offOf, share: shareOf, cells } = scratchOf(values.length);
  for (let index = 1; index < line.length; index++) {
    const [a, b] = [line[index - 1] as At, line[index] as At];
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const long2 = dx * dx + dy * dy;
    const own = Math.min(
      reach,
      between(valley.halfWidthM, (lengths[index] as number) / total) + LAND_M + WARP_REACH_M + 80,
    );
    const range = (one: number, other: number, most: number): [number, number] => [
      Math.max(0, Math.floor((Math.min(one, other) - own) / cellM)),
      Math.min(most - 1, Math.ceil((Math.max(one, other) + own) / cellM)),
    ];
    const [west, east] = range(a[0], b[0], cols);
    const [north, south] = range(a[1], b[1], rows);
    for (let row = north; row <= south; row++) {
      for (let col = west; col <= east; col++) {
        const cell = row * cols + col;
        const x = (col + 0.5) * cellM + (warp.eastM[cell] as number) - a[0];
        const y = (row + 0.5) * cellM + (warp.southM[cell] as number) - a[1];
        const t = Math.min(1, Math.max(0, (x * dx + y * dy) / long2));
        const off = Math.sqrt((x - t * dx) ** 2 + (y - t * dy) ** 2);
        const before = Math.abs(offOf[cell] as number);
        if (before <= off) continue;
        if (before === Infinity) cells.push(cell);
        offOf[cell] = dx * y - dy * x < 0 ? -off : off;
        shareOf[cell] = ((lengths[index - 1] as number) + t * Math.sqrt(long2)) / total;
      }
    }
  }
  const [cut, creekHalf] = valley.creekM;
  for (const cell of cells) {
    const [off, share] = [offOf[cell] as number, shareOf[cell] as number];
    offOf[cell] = Infinity;
    const half = between(valley.halfWidthM, share);
    const across = Math.abs(off) / half;
    if (Math.abs(off) > half + LAND_M) continue;
    const depth = between(valley.depthM, share);
    // Beyond the shore the land rises at the slope at which the bank went under.
    let bedM = across <= 1 ? -depth * (1 - across ** valley.flatness) : (depth * valley.flatness * (across - 1)) / 1.4;
    const creekOff = off + 0.3 * half * Math.sin((share * total) / (half * 1.4));
    if (across < 0.97) bedM -= cut * Math.exp(-((creekOff / creekHalf) ** 2)) * Math.min(1, (1 - across) * 4);
    if (bedM < (values[cell] as number)) values[cell] = bedM;
  }
}

/** Raises (or digs, where negative) a round hill on the bed. */
export function addHill(bed: Bed, [east, south]: At, heightM: number, radiusM: number, topM = -0.3): void {
  const reach = Math.ceil((radiusM * 2.5) / bed.cellM);
  const [col, row] = [Math.floor(east / bed.cellM), Math.floor(south / bed.cellM)];
  for (let r = Math.max(0, row - reach); r <= Math.min(bed.rows - 1, row + reach); r++) {
    for (let c = Math.max(0, col - reach); c <= Math.min(bed.cols - 1, col + reach); c++) {
      const off = Math.hypot((c + 0.5) * bed.cellM - east, (r + 0.5) * bed.cellM - south);
      const cell = r * bed.cols + c;
      const before = bed.values[cell] as number;
      if (before >= 0) continue;
      const raised = before + heightM * Math.exp(-((off / radiusM) ** 2));
      bed.values[cell] = heightM > 0 ? Math.min(Math.max(before, topM), raised) : raised;
    }
  }
}

/** Roughens the bed under water by up to so much; land far from the water is not known to a chart. */
export function finish(bed: Bed, rough: (eastM: number, southM: number) => number, byM: number, landM: number): void {
  for (let row = 0, cell = 0; row < bed.rows; row++) {
    for (let col = 0; col < bed.cols; col++, cell++) {
      const bedM = bed.values[cell] as number;
      if (bedM > landM) bed.values[cell] = Number.NaN;
      else if (bedM < 0) {
        const deep = Math.min(1, -bedM / 2);
        bed.values[cell] = Math.min(-0.05, bedM + byM * deep * rough((col + 0.5) * bed.cellM, (row + 0.5) * bed.cellM));
      }
    }
  }
}
