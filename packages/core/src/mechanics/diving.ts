import { castPath, maxDepthOf, type Cast, type PathPoint } from './cast-path.js';
import type { Line } from './lines.js';
import { newtonsOfGrams, lurePull, type LureForces } from './lure-forces.js';

/** The rig and cast that a lure's stated depth stands for. */
export interface StatedFor extends Cast {
  readonly line: Line;
}

/** What a small diver draws at 1 m/s, in N, and how steeply the force of the steepest lip points down. Judgement. */
const MIN_FORCE = 0.6;
const STEEPEST_RAD = (80 * Math.PI) / 180;
/** Most divers float a little. */
const FLOATS_G = 1;

/**
 * Divers in one row from the shallowest to the deepest: a longer lip first points its force more steeply down, then
 * draws more strongly. 1 is the least strong of the steepest.
 */
const diverOf = (lip: number): LureForces => ({
  forceNS2M2: MIN_FORCE * Math.max(1, lip),
  divesRad: STEEPEST_RAD * Math.min(1, lip),
  weightN: -newtonsOfGrams(FLOATS_G),
});

/** The way of a diver through the water. */
export const divePath = (diver: LureForces, line: Line, cast: Cast): PathPoint[] =>
  castPath(cast, line, lurePull(diver, cast.speedMps));

/** A stated depth that no lip reaches on the cast it is stated for. */
export class StatedDepthProblem extends Error {
  constructor(readonly mostM: number) {
    super(`expected a depth that its cast and line allow, at most ${mostM.toFixed(1)} m`);
  }
}

const LONGEST_LIP = 200;
const SHORTEST_LIP = 0.01;
const NEAR_M = 0.003;

/**
 * The lure whose greatest depth on the reference rig is the stated one. Depth grows with the lip, so it is found by
 * halving on its logarithm, with false position where that comes nearer.
 * @throws StatedDepthProblem where no lip brings it so deep
 */
export function calibratedDiver(statedDepthM: number, { line, ...cast }: StatedFor): LureForces {
  const off = (log: number) => {
    const pull = lurePull(diverOf(Math.exp(log)), cast.speedMps);
    return maxDepthOf(castPath(cast, line, pull, 'to-deepest')) - statedDepthM;
  };
  let [low, high] = [Math.log(SHORTEST_LIP), Math.log(Math.max(0.1, 0.25 * statedDepthM))];
  let highOff = off(high);
  while (highOff < 0 && high < Math.log(LONGEST_LIP)) [low, high, highOff] = [high, high + 1, off(high + 1)];
  if (highOff < 0) throw new StatedDepthProblem(highOff + statedDepthM);
  let lowOff = off(low);
  for (let round = 0; round < 40 && high - low > 1e-5; round++) {
    const falsePosition = low - (lowOff * (high - low)) / (highOff - lowOff);
    const at = round % 3 === 2 || !(falsePosition > low && falsePosition < high) ? (low + high) / 2 : falsePosition;
    const miss = off(at);
    if (Math.abs(miss) < NEAR_M) return diverOf(Math.exp(at));
    if (miss < 0) [low, lowOff] = [at, miss];
    else [high, highOff] = [at, miss];
  }
  return diverOf(Math.exp(high));
}
