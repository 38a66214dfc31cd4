import { COVERS, STRUCTURES, type Cover, type Structure, type WaterKind } from '../contract/ids.js';
import { LANDFORM } from '../chart/geomorphons.js';
import type { FormReading } from '../chart/reading.js';

/** A degree that rises from 0 at `from` to 1 at `to`, or falls where `to` is the smaller. */
const ramp = (value: number, from: number, to: number): number => {
  const part = (value - from) / (to - from);
  return part < 0 ? 0 : part > 1 ? 1 : part;
};

/** How clearly a landform stands out, and how clearly it is cut in. */
const CONVEX: Readonly<Record<number, number>> = { [LANDFORM.peak]: 0.85, [LANDFORM.ridge]: 1, [LANDFORM.spur]: 0.7 };
const CONCAVE: Readonly<Record<number, number>> = {
  [LANDFORM.valley]: 1,
  [LANDFORM.pit]: 0.8,
  [LANDFORM.hollow]: 0.55,
};

/** The structure of every cell as its place in `STRUCTURES` plus one, 0 on land, and how sure that is, 0 to 100. */
export interface NamedForms {
  readonly structure: Uint8Array;
  readonly confidence: Uint8Array;
}

/** Number of each structure, and the structure of a number. */
export const STRUCTURE_NUMBER = Object.fromEntries(
  STRUCTURES.map((structure, index) => [structure, index + 1]),
) as Record<Structure, number>;
export const structureOf = (number: number): Structure | undefined => STRUCTURES[number - 1];

/** What was drawn on the chart, cell by cell; it is believed before what is read off the bed. */
export interface Drawn {
  /** Cover as its place in `COVERS` plus one, 0 where none was drawn. */
  readonly cover: Uint8Array;
  /** Structure drawn or marked, as its place in `STRUCTURES` plus one, 0 where none was. */
  readonly structure: Uint8Array;
}

/** How sure one is of what somebody drew. */
const DRAWN_CONFIDENCE = 0.95;
/** Under this an unclear form is open water, or a slope without a name. */
const MIN_CONFIDENCE = 0.2;
/** Cells over which the lie of the ground is compared, either way. */
const STEP_CELLS = 4;

const isTidal = (kind: WaterKind) => kind === 'estuary' || kind === 'tidal-river';

/** What is known of a cell when its form is named. Lengths are metres. */
interface Cell {
  readonly at: number;
  readonly depthM: number;
  readonly slopeDeg: number;
  readonly landform: number;
  readonly shoreM: number;
  readonly channelM: number;
  readonly flatM: number;
  readonly deepM: number;
  readonly openM: number;
  readonly inArm: boolean;
  /** How far up its arm, 0 to 1, and how long that is. */
  readonly upShare: number;
  readonly armM: number;
}

/** Speaks for a structure, 0 to 1. */
type Claim = (structure: Structure, degree: number) => void;

/** What stands out: points where the bank is near, humps where it is not. */
function claimConvex(cell: Cell, tidal: boolean, claim: Claim): void {
  const convex = CONVEX[cell.landform];
  if (!convex) return;
  const { depthM, shoreM, landform } = cell;
  const point = convex * ramp(shoreM, 220, 70) * ramp(depthM, 15, 11) * ramp(cell.deepM, 500, 250);
  if (tidal) claim('marsh-point', point * ramp(depthM, 2.5, 1.8));
  else claim(cell.inArm ? 'secondary-point' : 'main-lake-point', point);
  const alone = landform === LANDFORM.peak ? 1 : landform === LANDFORM.ridge ? 0.65 : 0;
  claim('hump', alone * ramp(shoreM, 90, 190) * ramp(depthM, 13, 10));
}

/** What is cut in: ditches, and in tidal water drains, troughs and passes. */
function claimConcave(cell: Cell, tidal: boolean, claim: Claim): void {
  const concave = CONCAVE[cell.landform];
  if (!concave) return;
  const { depthM, shoreM, flatM } = cell;
  if (!tidal) return claim('ditch', concave * ramp(depthM, 8, 5.5) * ramp(flatM, 120, 50));
  claim('drain-mouth', concave * ramp(shoreM, 70, 25) * ramp(depthM, 2.5, 1.6) * ramp(cell.openM, 0, 30));
  claim('trough', 0.9 * concave * ramp(flatM, 90, 30) * ramp(depthM, 3.5, 2.5));
  claim('pass', 0.95 * concave * ramp(depthM, 2.2, 3) * ramp(shoreM, 260, 120));
}

/** Steep banks, bluffs, and where the old channel runs against the bank. */
function claimBank({ depthM, slopeDeg, shoreM, channelM }: Cell, claim: Claim): void {
  const swing = ramp(channelM, 45, 15) * ramp(shoreM, 95, 50) * ramp(slopeDeg, 5, 10) * ramp(depthM, 1.2, 2.2);
  claim('channel-swing', 0.95 * swing);
  claim('steep-bank', 0.8 * Math.min(ramp(slopeDeg, 18, 27), ramp(slopeDeg, 66, 56)) * ramp(shoreM, 90, 45));
  claim('bluff', 0.9 * ramp(slopeDeg, 42, 58) * ramp(shoreM, 45, 20) * ramp(depthM, 1, 3));
}

/** Flats, and narrow water: pockets, and the backs of long arms. */
function claimShallow({ depthM, slopeDeg, landform, openM, inArm, upShare, armM }: Cell, claim: Claim): void {
  const level = landform === LANDFORM.flat ? 1 : 0.85;
  claim('flat', 0.75 * level * ramp(slopeDeg, 3, 1.4) * ramp(depthM, 4.5, 3));
  const narrow = ramp(openM, 15, 60) * ramp(depthM, 4, 2.5);
  if (inArm && upShare > 0.75 && armM > 350) claim('creek-back', 0.9 * narrow * ramp(upShare, 0.75, 0.9));
  else claim('pocket', 0.7 * narrow);
}

/** What shows only against the ground about: ledges, saddles, changes of slope. Not asked at the chart's edge. */
function claimAround(reading: FormReading, cell: Cell, claim: Claim): void {
  const { cols, values } = reading.grid;
  const { at, depthM, shoreM, landform } = cell;
  const bed = values[at] as number;
  const beside = (dx: number, dy: number) => values[at + STEP_CELLS * (dy * cols + dx)] as number;
  if (landform === LANDFORM.shoulder || landform === LANDFORM.spur || landform === LANDFORM.ridge) {
    const drop = bed - Math.min(beside(1, 0), beside(-1, 0), beside(0, 1), beside(0, -1));
    const holds = Math.min(ramp(depthM, 1.2, 2), ramp(depthM, 13, 10));
    claim('ledge', (landform === LANDFORM.shoulder ? 0.9 : 0.6) * ramp(shoreM, 60, 120) * ramp(drop, 0.7, 2.2) * holds);
  }
  if (shoreM > 60) claim('saddle', 0.9 * saddleness(bed, beside) * ramp(depthM, 12, 9));
  if (shoreM < 70 && depthM > 0.5 && depthM < 9) claim('transition', 0.8 * slopeChange(reading, at));
}

/**
 * Names the structure of every cell from its landform, slope, depth, nearness to shore, channel, flat and deep water,
 * and the arm it lies in; the surest name is kept. What the names mean is the anglers'; the figures are judgement.
 */
export function nameForms(reading: FormReading, kind: WaterKind, drawn?: Drawn): NamedForms {
  const { grid, depthM, arms } = reading;
  const { cols, rows } = grid;
  const structure = new Uint8Array(depthM.length);
  const confidence = new Uint8Array(depthM.length);
  const tidal = isTidal(kind);
  let best = 0;
  let named: Structure = 'open-water';
  const claim: Claim = (each, degree) => {
    if (degree > best) [best, named] = [degree, each];
  };
  for (let at = 0; at < depthM.length; at++) {
    if (!((depthM[at] as number) > 0)) continue;
    const given = drawn?.structure[at];
    if (given) {
      structure[at] = given;
      confidence[at] = DRAWN_CONFIDENCE * 100;
      continue;
    }
    const arm = arms.arm[at] as number;
    const cell: Cell = {
      at,
      depthM: depthM[at] as number,
      slopeDeg: reading.slopeDeg[at] as number,
      landform: reading.landform[at] as number,
      shoreM: reading.shoreM[at] as number,
      channelM: reading.channelM[at] as number,
      flatM: reading.flatM[at] as number,
      deepM: reading.deepM[at] as number,
      openM: reading.openM[at] as number,
      inArm: arm > 0,
      upShare: arms.upShare[at] as number,
      armM: arms.lengthM[arm] ?? 0,
    };
    [best, named] = [MIN_CONFIDENCE, 'open-water'];
    claimConvex(cell, tidal, claim);
    claimConcave(cell, tidal, claim);
    if (!tidal) claimBank(cell, claim);
    claimShallow(cell, claim);
    const col = at % cols;
    const row = (at - col) / cols;
    const inside = Math.min(row, col, rows - 1 - row, cols - 1 - col) >= STEP_CELLS;
    if (inside) claimAround(reading, cell, claim);
    structure[at] = STRUCTURE_NUMBER[named];
    confidence[at] = Math.round(Math.min(1, best) * 100);
  }
  if (drawn) nameGrassEdges(reading, drawn.cover, { structure, confidence });
  endBluffs(reading, { structure, confidence });
  return { structure, confidence };
}

/** Slopes that differ along the bank at much the same depth: 0 where all are alike. */
function slopeChange({ grid: { cols }, depthM, slopeDeg }: FormReading, at: number): number {
  let least = Infinity;
  let most = -Infinity;
  const depth = depthM[at] as number;
  for (const stride of [-STEP_CELLS, STEP_CELLS, -STEP_CELLS * cols, STEP_CELLS * cols]) {
    const other = at + stride;
    if (Math.abs((depthM[other] as number) - depth) > 0.35 * depth + 0.3) continue;
    const slope = slopeDeg[other] as number;
    least = Math.min(least, slope);
    most = Math.max(most, slope);
  }
  return most > least ? ramp(most - least, 6, 14) : 0;
}

/** A saddle rises both ways along one axis and falls both ways across it; by how much, metres made a degree. */
function saddleness(own: number, at: (dx: number, dy: number) => number): number {
  const bend = (dx: number, dy: number): number => {
    const [a, b] = [at(dx, dy) - own, at(-dx, -dy) - own];
    return a > 0 && b > 0 ? Math.min(a, b) : a < 0 && b < 0 ? Math.max(a, b) : 0;
  };
  const along = (a: number, b: number) => (a * b < 0 ? ramp(Math.min(Math.abs(a), Math.abs(b)), 0.3, 1) : 0);
  return Math.max(along(bend(1, 0), bend(0, 1)), along(bend(1, 1), bend(1, -1)));
}

/** Covers whose edge is a place of its own, as numbers. */
const GRASS: ReadonlySet<number> = new Set(
  (['submerged-grass', 'emergent-grass', 'pads', 'reeds'] satisfies Cover[]).map((cover) => COVERS.indexOf(cover) + 1),
);
/** How sure an edge of drawn grass is. */
const GRASS_EDGE_CONFIDENCE = 80;

/** Where grass ends and clear bottom begins. */
function nameGrassEdges({ grid: { cols, rows }, depthM }: FormReading, cover: Uint8Array, named: NamedForms): void {
  const open = (cell: number) => (depthM[cell] as number) > 0 && !GRASS.has(cover[cell] as number);
  for (let row = 1; row < rows - 1; row++) {
    for (let col = 1; col < cols - 1; col++) {
      const cell = row * cols + col;
      if (!GRASS.has(cover[cell] as number) || !((depthM[cell] as number) > 0)) continue;
      if (!(open(cell - 1) || open(cell + 1) || open(cell - cols) || open(cell + cols))) continue;
      if ((named.confidence[cell] as number) >= GRASS_EDGE_CONFIDENCE) continue;
      named.structure[cell] = STRUCTURE_NUMBER['grass-edge'];
      named.confidence[cell] = GRASS_EDGE_CONFIDENCE;
    }
  }
}

/** Cells of bluff about one, itself among them, under which the bluff ends there: a run of bank has some twice as many. */
const BLUFF_END_CELLS = 2 * STEP_CELLS;

/** A bluff ends where little of the bank about it is bluff too. */
function endBluffs({ grid: { cols, rows } }: FormReading, { structure }: NamedForms): void {
  const { bluff, 'bluff-end': end } = STRUCTURE_NUMBER;
  const ends: number[] = [];
  for (let row = STEP_CELLS; row < rows - STEP_CELLS; row++) {
    for (let col = STEP_CELLS; col < cols - STEP_CELLS; col++) {
      if (structure[row * cols + col] !== bluff) continue;
      let around = 0;
      for (let y = row - STEP_CELLS; y <= row + STEP_CELLS; y++) {
        for (let x = col - STEP_CELLS; x <= col + STEP_CELLS; x++) if (structure[y * cols + x] === bluff) around++;
      }
      if (around < BLUFF_END_CELLS) ends.push(row * cols + col);
    }
  }
  for (const cell of ends) structure[cell] = end;
}
