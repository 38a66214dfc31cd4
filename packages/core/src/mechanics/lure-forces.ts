import { GRAVITY_MPS2 } from './drag.js';
import type { LurePull } from './line-curve.js';

/** What the water and its own weight do to a lure that moves. */
export interface LureForces {
  /** Drag and lift together, in N at a speed of 1 m/s; they grow with the square of the speed. */
  readonly forceNS2M2: number;
  /** How far that force points below straight back, in radians: the lift of a lip. Under 0 where it lifts up. */
  readonly divesRad: number;
  /** Weight in water in N, under 0 where it floats. */
  readonly weightN: number;
}

/** The weight in N of grams. */
export const newtonsOfGrams = (grams: number): number => (grams / 1000) * GRAVITY_MPS2;

/**
 * The balance of a lure on a line: for the angle of the line at its nose, how steeply it must move for weight, drag and
 * lift to point straight along the line, and how strongly it then draws.
 */
export function lurePull(
  { forceNS2M2, divesRad, weightN }: LureForces,
  speedMps: number,
): (angleRad: number) => LurePull {
  const forceN = forceNS2M2 * speedMps ** 2;
  return (angleRad) => {
    // Across the line: weight x cos(angle) = force x sin(what the descent makes of it).
    const across = Math.max(-1, Math.min(1, (weightN * Math.cos(angleRad)) / forceN));
    const tilt = Math.asin(across);
    return {
      // One that sinks faster than it is reeled leaves the line slack, but never without any strain.
      tensionN: Math.max(0.2 * forceN, forceN * Math.cos(tilt) + weightN * Math.sin(angleRad)),
      descentRad: divesRad - angleRad + tilt,
    };
  };
}
