import type { Crs } from '../../chart/crs.js';

/** What the figures of a file count: metres or feet. */
export const BED_UNITS = ['m', 'ft'] as const;
export type BedUnit = (typeof BED_UNITS)[number];
/** Whether they grow upwards from some zero, or downwards from the water. */
export const BED_SENSES = ['height', 'depth'] as const;
export type BedSense = (typeof BED_SENSES)[number];

/** Metres in a foot. */
export const FOOT_M = 0.3048;

/** A raster as its file has it, rows from north to south; NaN where it has no data. */
export interface Raster {
  readonly cols: number;
  readonly rows: number;
  readonly values: Float32Array;
  /** Outer corner in the north-west, and the sides of a cell, in the figures of its projection. */
  readonly west: number;
  readonly north: number;
  readonly across: number;
  readonly down: number;
}

/** Single soundings, or points along contours, as their file has them. */
export interface Soundings {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly value: Float32Array;
}

/** A bed found in a file, not yet laid on a chart. */
export interface BedFile {
  readonly from: 'grid' | 'geotiff' | 'contours' | 'soundings';
  readonly raster?: Raster;
  readonly soundings?: Soundings;
  /** How places are given; null where the file does not say. */
  readonly crs: Crs | null;
  /** What the file says of its figures; null where it does not. */
  readonly unit: BedUnit | null;
  readonly sense: BedSense | null;
  /** Cells with data, or soundings. */
  readonly count: number;
  readonly least: number;
  readonly most: number;
  /** Rows or features that held no depth and were left out. */
  readonly left: number;
}

/** How many figures there are, and the least and the most of them. */
export function rangeOf(values: Float32Array): Pick<BedFile, 'count' | 'least' | 'most'> {
  let [count, least, most] = [0, Infinity, -Infinity];
  for (const value of values) {
    if (Number.isNaN(value)) continue;
    count++;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  return { count, least, most };
}
