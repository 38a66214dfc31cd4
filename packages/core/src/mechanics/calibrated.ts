import { calibratedDiver, StatedDepthProblem, type StatedFor } from './diving.js';
import type { LureForces } from './lure-forces.js';

/** A field's value that cannot be worked with beside the others, told by its place and in one sentence. */
export class CalcProblem extends Error {
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
  }
}

const known = new Map<string, LureForces>();
const MAX_KNOWN = 300;

/** Calibrates a diver once: lures come back again and again. @throws CalcProblem where the depth cannot be had */
export function calibrated(statedDepthM: number, statedFor: StatedFor): LureForces {
  const { line, castM: cast, rodTipM: tip, speedMps: speed } = statedFor;
  const key = [statedDepthM, line.material, line.diameterM, cast, tip, speed, statedFor.rough].join();
  let lure = known.get(key);
  if (!lure) {
    try {
      lure = calibratedDiver(statedDepthM, statedFor);
    } catch (error) {
      if (error instanceof StatedDepthProblem) throw new CalcProblem('lure.statedDepthM', error.message);
      throw error;
    }
    if (known.size >= MAX_KNOWN) known.clear();
    known.set(key, lure);
  }
  return lure;
}
