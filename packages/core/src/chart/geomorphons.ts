import type { Grid } from './grid.js';

/** Landforms in the order of their numbers, 1 to 10; 0 where none can be told. */
export const LANDFORMS = [
  'flat',
  'peak',
  'ridge',
  'shoulder',
  'spur',
  'slope',
  'hollow',
  'footslope',
  'valley',
  'pit',
] as const;
export type Landform = (typeof LANDFORMS)[number];
/** Number of each landform. */
export const LANDFORM = Object.fromEntries(LANDFORMS.map((name, index) => [name, index + 1])) as Record<
  Landform,
  number
>;

const [FL, PK, RI, SH, SP, SL, HL, FS, VL, PT] = LANDFORMS.map((name) => LANDFORM[name]) as [
  number,
  number,
  number,
  number,
  number,
  number,
  number,
  number,
  number,
  number,
];

/** Landform by how many of the eight directions look down (row) and up (column); the rest are level. */
const FORM_OF: readonly (readonly number[])[] = [
  [FL, FL, FL, FS, FS, VL, VL, VL, PT],
  [FL, FL, FS, FS, FS, VL, VL, VL],
  [FL, SH, SL, SL, HL, HL, VL],
  [SH, SH, SL, SL, SL, HL],
  [SH, SH, SP, SL, SL],
  [RI, RI, SP, SP],
  [RI, RI, RI],
  [RI, RI],
  [PK],
];
const FORMS = new Uint8Array(9 * 9);
FORM_OF.forEach((forms, down) => forms.forEach((form, up) => (FORMS[down * 9 + up] = form)));

export interface GeomorphonOptions {
  /** How far to look, cells; farther than this less a hair is not looked at. */
  readonly searchCells: number;
  /** Under this angle a direction counts as level, degrees. */
  readonly flatDeg: number;
}

/**
 * Landform of every cell by geomorphons (Jasiewicz & Stepinski 2013): along each of eight directions the highest and
 * the lowest angle of sight are compared; the pattern of up, down and level names the form. The outer ring and cells
 * that are not known have 0.
 *
 * @param wanted only cells with more than 0 here are told; all where it is not given
 *
 * Angles are compared by their tangents, which rise with them, so that none has to be worked out.
 */
export function landforms(
  { cols, rows, cellM, values }: Grid,
  { searchCells, flatDeg }: GeomorphonOptions,
  wanted?: Float32Array,
): Uint8Array {
  const forms = new Uint8Array(values.length);
  const flat = Math.tan((flatDeg * Math.PI) / 180);
  const reach = (stepCells: number) => Math.ceil(searchCells / stepCells) - 1;
  const straight = reach(1);
  const diagonal = reach(Math.SQRT2);
  const perStraight = Float64Array.from({ length: straight + 1 }, (_, step) => 1 / (step * cellM));
  const perDiagonal = Float64Array.from({ length: diagonal + 1 }, (_, step) => 1 / (step * cellM * Math.SQRT2));

  for (let row = 1; row < rows - 1; row++) {
    for (let col = 1; col < cols - 1; col++) {
      const cell = row * cols + col;
      const centre = values[cell] as number;
      if (centre !== centre || (wanted && !((wanted[cell] as number) > 0))) continue;
      let ups = 0;
      let downs = 0;
      const south = rows - 1 - row;
      const east = cols - 1 - col;
      for (let direction = 0; direction < 8; direction++) {
        // Steps to the edge of the raster, and the way in cells, for N, NE, E, SE, S, SW, W, NW.
        let steps: number;
        let stride: number;
        switch (direction) {
          case 0:
            steps = row;
            stride = -cols;
            break;
          case 1:
            steps = row < east ? row : east;
            stride = 1 - cols;
            break;
          case 2:
            steps = east;
            stride = 1;
            break;
          case 3:
            steps = south < east ? south : east;
            stride = cols + 1;
            break;
          case 4:
            steps = south;
            stride = cols;
            break;
          case 5:
            steps = south < col ? south : col;
            stride = cols - 1;
            break;
          case 6:
            steps = col;
            stride = -1;
            break;
          default:
            steps = row < col ? row : col;
            stride = -cols - 1;
        }
        const per = direction & 1 ? perDiagonal : perStraight;
        const most = direction & 1 ? diagonal : straight;
        if (steps > most) steps = most;
        let highest = -Infinity;
        let lowest = Infinity;
        for (let step = 1, at = cell + stride; step <= steps; step++, at += stride) {
          const tangent = ((values[at] as number) - centre) * (per[step] as number);
          if (tangent > highest) highest = tangent;
          if (tangent < lowest) lowest = tangent;
        }
        // A single look is no line of sight: at the edge it says nothing.
        if (lowest === Infinity || steps < 2) continue;
        if (highest <= flat && highest >= -flat && lowest >= -flat) continue;
        // The greater of both angles decides, and where both are alike, as on an even slope, the way they point.
        const both = highest + lowest;
        if (both > 0) ups++;
        else if (both < 0) downs++;
      }
      forms[cell] = FORMS[downs * 9 + ups] as number;
    }
  }
  return forms;
}
