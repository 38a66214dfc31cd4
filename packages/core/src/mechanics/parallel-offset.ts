import type * as z from 'zod';
import { quantity, record } from '../contract/fields.js';

export const ParallelOffsetInput = record('a bank with the depth at which fish are set', {
  depthM: quantity('a depth in metres', 0.1, 60),
  bankSlopeDeg: quantity('a slope in degrees', 0.5, 89),
  /** How far above and below that depth a fish still takes. */
  bandM: quantity('a band in metres', 0.05, 10).default(0.5),
  castM: quantity('a cast in metres', 3, 120).default(25),
});
export type ParallelOffsetInput = z.output<typeof ParallelOffsetInput>;

export interface ParallelOffset {
  /** From the water's edge to where that depth is. */
  readonly offsetM: number;
  /** How far off the line of that depth one may be and still be within the band. */
  readonly marginM: number;
  /** Share of a cast within the band when cast along the bank: all of it, within the margin. */
  readonly shareAlong: number;
  /** The same when cast straight at the bank from deep water. */
  readonly shareAcross: number;
}

/** Offset from the bank = depth / tan(slope), and what casting along it is worth over casting at it. */
export function parallelOffset({ depthM, bankSlopeDeg, bandM, castM }: ParallelOffsetInput): ParallelOffset {
  const slope = Math.tan((bankSlopeDeg * Math.PI) / 180);
  const within = (Math.min(depthM, bandM) + bandM) / slope;
  return { offsetM: depthM / slope, marginM: bandM / slope, shareAlong: 1, shareAcross: Math.min(1, within / castM) };
}
