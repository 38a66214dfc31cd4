import type { Shape } from '../chart/grid.js';
import { openWaterM } from '../chart/rays.js';

/** Height of bank and trees that shade the water, metres. Judgement. */
const BANK_HEIGHT_M = 7;

/** How far the shade of a bank reaches over the water, metres; none under a sun that is down. */
export const shadeReachM = (sunAltitudeDeg: number): number =>
  sunAltitudeDeg <= 0.5 ? 0 : BANK_HEIGHT_M / Math.tan((sunAltitudeDeg * Math.PI) / 180);

/** Marks the cells that lie in the shade of a bank: those with land towards the sun within the reach of its shade. */
export function shadedCells(
  shape: Shape,
  depths: Float32Array,
  sunAltitudeDeg: number,
  sunAzimuthDeg: number,
): Uint8Array {
  const shaded = new Uint8Array(depths.length);
  const reach = shadeReachM(sunAltitudeDeg);
  // Under a high sun the shade ends within the first cell.
  if (reach <= shape.cellM) return shaded;
  const open = openWaterM(shape, depths, sunAzimuthDeg);
  for (let cell = 0; cell < shaded.length; cell++) {
    const toLand = open[cell] as number;
    if (toLand > 0 && toLand < reach) shaded[cell] = 1;
  }
  return shaded;
}

/** The same for one cell. */
export function isShaded(
  { cols, rows, cellM }: Shape,
  depths: Float32Array,
  cell: number,
  sunAltitudeDeg: number,
  sunAzimuthDeg: number,
): boolean {
  const reach = shadeReachM(sunAltitudeDeg);
  const angle = (sunAzimuthDeg * Math.PI) / 180;
  const col = cell % cols;
  const row = (cell - col) / cols;
  for (let way = cellM; way < reach; way += cellM) {
    const x = Math.round(col + (Math.sin(angle) * way) / cellM);
    const y = Math.round(row - (Math.cos(angle) * way) / cellM);
    if (x < 0 || y < 0 || x >= cols || y >= rows || !((depths[y * cols + x] as number) > 0)) return true;
  }
  return false;
}
