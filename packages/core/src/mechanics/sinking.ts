import { castPath, type Cast, type PathPoint } from './cast-path.js';
import { angleAtLure, movingLine, type LurePull } from './line-curve.js';
import type { Line } from './lines.js';
import { newtonsOfGrams, lurePull, type LureForces } from './lure-forces.js';

/** Kinds of lure that sink by themselves, as the water sees them. */
export const SINKING_FORMS = [
  'jig',
  'swim-jig',
  'spinnerbait',
  'bladed-jig',
  'underspin',
  'paddle-tail',
  'lipless',
  'blade-bait',
  'spoon',
  'bullet-rig',
  'drop-shot',
  'soft-weightless',
] as const;
export type SinkingForm = (typeof SINKING_FORMS)[number];

interface Form {
  /** Density in g/cm3 of what the stated mass is made of: a lead head, a weighted shell, a soft body. */
  readonly densityGCm3: number;
  /** Drag and lift at 1 m/s for 10 g, in N. */
  readonly forceN: number;
  /** How far blades, skirts and line tie lift it, in degrees. */
  readonly liftsDeg: number;
  /** How fast 10 g of it fall on a slack line, in m/s. */
  readonly fallMps: number;
}

/** Judgement, from how fast each falls and how deep each is said to run at a walking pace. */
const FORMS: Readonly<Record<SinkingForm, Form>> = {
  jig: { densityGCm3: 6, forceN: 0.4, liftsDeg: 2, fallMps: 0.62 },
  'swim-jig': { densityGCm3: 6, forceN: 0.5, liftsDeg: 3, fallMps: 0.5 },
  spinnerbait: { densityGCm3: 5, forceN: 0.8, liftsDeg: 2, fallMps: 0.45 },
  'bladed-jig': { densityGCm3: 6, forceN: 0.75, liftsDeg: 3, fallMps: 0.58 },
  underspin: { densityGCm3: 6, forceN: 0.55, liftsDeg: 5, fallMps: 0.5 },
  'paddle-tail': { densityGCm3: 6, forceN: 0.5, liftsDeg: 4, fallMps: 0.52 },
  lipless: { densityGCm3: 1.7, forceN: 0.4, liftsDeg: 2, fallMps: 0.48 },
  'blade-bait': { densityGCm3: 7, forceN: 0.6, liftsDeg: 4, fallMps: 0.85 },
  spoon: { densityGCm3: 9, forceN: 0.5, liftsDeg: 8, fallMps: 0.7 },
  'bullet-rig': { densityGCm3: 9, forceN: 0.3, liftsDeg: 0, fallMps: 0.7 },
  'drop-shot': { densityGCm3: 10, forceN: 0.25, liftsDeg: 0, fallMps: 0.95 },
  'soft-weightless': { densityGCm3: 1.15, forceN: 0.15, liftsDeg: 0, fallMps: 0.25 },
};

/** Weight in water of a sinking lure, in N. */
export const sinkingWeightN = (form: SinkingForm, massG: number, waterGCm3 = 1): number =>
  newtonsOfGrams(massG) * (1 - waterGCm3 / FORMS[form].densityGCm3);

/** How fast it falls on a slack line, in m/s: weight goes with the mass, drag with its two-thirds power. */
export const fallMps = (form: SinkingForm, massG: number): number => FORMS[form].fallMps * (massG / 10) ** (1 / 6);

/** What a sinking lure of a form and mass does in the water. */
export function sinkingLure(form: SinkingForm, massG: number): LureForces {
  const { forceN, liftsDeg } = FORMS[form];
  return {
    forceNS2M2: forceN * (massG / 10) ** (2 / 3),
    divesRad: (-liftsDeg * Math.PI) / 180,
    weightN: sinkingWeightN(form, massG),
  };
}

/** The way of a sinking lure through the water, from the depth to which it was let down. */
export const sinkPath = (lure: LureForces, line: Line, cast: Cast): PathPoint[] =>
  castPath(cast, line, lurePull(lure, cast.speedMps));

const DEEPEST_M = 40;

/** The angle of the line at the nose of a lure that is drawn level, in radians. */
function levelAngle(pull: (angleRad: number) => LurePull): number {
  let [low, high] = [-Math.PI / 2, Math.PI / 2];
  while (high - low > 1e-5) {
    const middle = (low + high) / 2;
    if (pull(middle).descentRad > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The depth in m at which a lure neither rises nor sinks while it is reeled at a speed, half way back of a cast: where
 * the line, drawn as strongly as a lure that goes level draws it, comes to its nose at just that lure's angle. The deeper
 * the steeper it comes, so it is found by halving.
 */
export function depthHeldM(lure: LureForces, line: Line, { castM, rodTipM, speedMps }: Cast): number {
  const moving = movingLine(line, speedMps);
  const pull = lurePull(lure, speedMps);
  const level = levelAngle(pull);
  const drawn = pull(level);
  const angleAt = (depthM: number) =>
    angleAtLure(moving, () => drawn, castM / 2, depthM, rodTipM, Math.atan2(depthM + rodTipM, castM / 2));
  let [low, high] = [0, DEEPEST_M];
  while (high - low > 0.01) {
    const depthM = (low + high) / 2;
    if (angleAt(depthM) < level) low = depthM;
    else high = depthM;
  }
  return low === 0 ? 0 : (low + high) / 2;
}
