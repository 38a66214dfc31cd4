import type { LINE_MATERIALS } from '../contract/ids.js';
import type { LineSpec } from './line-spec.js';

export type LineMaterial = (typeof LINE_MATERIALS)[number];

/** Density of the material in kg/m3: polyamide, polyvinylidene fluoride, gel-spun polyethylene. */
export const LINE_DENSITY_KG_M3: Readonly<Record<LineMaterial, number>> = {
  nylon: 1140,
  fluorocarbon: 1780,
  braid: 970,
};

/**
 * By how much a line is thicker to the water than its figure: polyamide takes up some 9 % of water and swells; braid is
 * rough and lies flat. Judgement for braid.
 */
const THICKER: Readonly<Record<LineMaterial, number>> = { nylon: 1.03, fluorocarbon: 1, braid: 1.06 };

/** Usual diameters in mm by test in lb: the middle of what is sold, which differs by a tenth and more. */
const USUAL_DIAMETERS_MM: Readonly<Record<LineMaterial, readonly (readonly [testLb: number, mm: number])[]>> = {
  nylon: [
    [2, 0.15],
    [4, 0.2],
    [6, 0.23],
    [8, 0.27],
    [10, 0.3],
    [12, 0.33],
    [14, 0.36],
    [17, 0.41],
    [20, 0.46],
    [25, 0.51],
    [30, 0.56],
    [40, 0.66],
    [65, 0.84],
    [100, 1.05],
  ],
  fluorocarbon: [
    [2, 0.145],
    [4, 0.185],
    [6, 0.22],
    [8, 0.25],
    [10, 0.28],
    [12, 0.31],
    [14, 0.335],
    [17, 0.37],
    [20, 0.41],
    [25, 0.46],
    [30, 0.51],
    [40, 0.6],
    [65, 0.78],
    [100, 0.98],
  ],
  braid: [
    [2, 0.06],
    [6, 0.11],
    [8, 0.13],
    [10, 0.15],
    [15, 0.19],
    [20, 0.22],
    [30, 0.28],
    [40, 0.32],
    [50, 0.36],
    [65, 0.41],
    [80, 0.46],
    [100, 0.53],
  ],
};

/** The usual diameter in mm of a line by its test, between the table's rows as the square root of the test. */
export function usualDiameterMm(material: LineMaterial, testLb: number): number {
  const rows = USUAL_DIAMETERS_MM[material];
  const at = rows.findIndex(([test]) => test >= testLb);
  const [testB, mmB] = rows[at < 0 ? rows.length - 1 : at] as readonly [number, number];
  const [testA, mmA] = rows[at <= 0 ? 0 : at - 1] as readonly [number, number];
  if (testA === testB || at < 0) return mmB * Math.sqrt(testLb / testB);
  const share = (Math.sqrt(testLb) - Math.sqrt(testA)) / (Math.sqrt(testB) - Math.sqrt(testA));
  return mmA + share * (mmB - mmA);
}

/** The test in lb whose usual diameter comes nearest, of those sold. */
export function usualTestLb(material: LineMaterial, diameterMm: number): number {
  const off = ([, mm]: readonly [number, number]) => Math.abs(mm - diameterMm);
  return USUAL_DIAMETERS_MM[material].reduce((best, row) => (off(row) < off(best) ? row : best))[0];
}

/** A line as the arithmetic wants it. */
export interface Line {
  readonly material: LineMaterial;
  readonly diameterM: number;
  readonly densityKgM3: number;
}

/** A wet line with its diameter known: the one given, else the usual one of its test. */
export function lineOf({ material: kind, diameterMm: mm, testLb: lb }: LineSpec): Line {
  return {
    material: kind,
    diameterM: ((mm ?? usualDiameterMm(kind, lb ?? 10)) / 1000) * THICKER[kind],
    densityKgM3: LINE_DENSITY_KG_M3[kind],
  };
}

/** Weight of a metre of line in water, in N; under 0 where it floats. */
export const lineWeightInWaterNPerM = ({ diameterM, densityKgM3 }: Line, waterKgM3 = 1000): number =>
  (Math.PI / 4) * diameterM ** 2 * (densityKgM3 - waterKgM3) * 9.81;
