import type { ProfilePoint } from '../contract/records.js';

export interface Thermocline {
  /** Depth of the steepest fall of temperature, metres. */
  readonly depthM: number;
  /** The fall there, degrees Celsius a metre. */
  readonly gradientCPerM: number;
  /** Mean temperature above and below. */
  readonly aboveC: number;
  readonly belowC: number;
}

/** A thermocline falls by a degree a metre or more (Birge 1897). */
const MIN_GRADIENT_C_PER_M = 1;

const mean = (points: readonly ProfilePoint[]): number =>
  points.reduce((sum, { tempC }) => sum + tempC, 0) / points.length;

/**
 * The thermocline of a profile: the middle of its steepest fall, where that is a degree a metre or more.
 * @param profile temperatures from the surface down
 * @returns undefined where the water is mixed
 */
export function thermoclineOf(profile: readonly ProfilePoint[]): Thermocline | undefined {
  let steepest = -1;
  let gradientCPerM = 0;
  for (let at = 1; at < profile.length; at++) {
    const [upper, lower] = [profile[at - 1] as ProfilePoint, profile[at] as ProfilePoint];
    const gradient = (upper.tempC - lower.tempC) / (lower.depthM - upper.depthM);
    if (gradient > gradientCPerM) [steepest, gradientCPerM] = [at, gradient];
  }
  if (steepest < 0 || gradientCPerM < MIN_GRADIENT_C_PER_M) return undefined;
  const [above, below] = [profile.slice(0, steepest), profile.slice(steepest)];
  return {
    depthM: ((above.at(-1) as ProfilePoint).depthM + (below[0] as ProfilePoint).depthM) / 2,
    gradientCPerM,
    aboveC: mean(above),
    belowC: mean(below),
  };
}
