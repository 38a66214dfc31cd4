import { COOL_WATER_M2S } from './drag.js';
import { lineWeightInWaterNPerM, type Line } from './lines.js';

const DENSITY_KG_M3 = 999.5;
/** A taut line in a flow strums, which as much as triples its drag across (Vandiver 1983). */
const STRUMMING = 3;
/** Drag along a thin cylinder, on its whole wetted surface (Choo & Casarella 1971). */
const ALONG = 0.01;
/**
 * How much of the sag that a line's weight would make in the end comes about on a cast: a line sinks but a few
 * centimetres a second. Judgement.
 */
const SAG = 0.6;
/** Pieces into which a line is cut, where nobody asks for fewer. */
const PIECES = 20;

/** What the lure does at an angle of the line at its nose. */
export interface LurePull {
  /** How strongly it draws at the line, in N. */
  readonly tensionN: number;
  /** How steeply it goes down through the water, in radians; under 0 where it rises. */
  readonly descentRad: number;
}

/** Figures of a line in motion that do not change along a cast. */
export interface MovingLine {
  readonly speedMps: number;
  readonly acrossA: number;
  readonly acrossB: number;
  readonly along: number;
  readonly weightNPerM: number;
  readonly pieces: number;
}

/**
 * A line reeled in at a speed. Drag across a piece of line is density / 2 x drag coefficient x diameter x speed across
 * squared; with White's coefficient it is a sum of two powers of that speed, kept ready here.
 */
export function movingLine(line: Line, speedMps: number, pieces = PIECES): MovingLine {
  const half = (DENSITY_KG_M3 / 2) * line.diameterM;
  return {
    speedMps,
    acrossA: STRUMMING * half,
    acrossB: STRUMMING * half * 10 * (COOL_WATER_M2S / line.diameterM) ** (2 / 3),
    along: half * Math.PI * ALONG * speedMps ** 2,
    weightNPerM: SAG * lineWeightInWaterNPerM(line, DENSITY_KG_M3),
    pieces,
  };
}

/**
 * By how much a piece of line is bent, in radians. Drag goes with the square of the sine of the angle, which integrates
 * to a straight growth of the cotangent: so no piece is bent beyond lying flat, however weakly it is drawn.
 * @param share of the lure's speed with which the piece is moved across
 */
function bentBy(
  { speedMps, acrossA, acrossB, weightNPerM }: MovingLine,
  angle: number,
  share: number,
  stepPerTension: number,
): number {
  const sine = Math.max(1e-6, Math.abs(Math.sin(angle)));
  const full = speedMps * share;
  const drag = acrossA * full * full + (acrossB * Math.cbrt(full) ** 4) / Math.cbrt(sine) ** 2;
  const flatter = Math.atan2(1, Math.cos(angle) / sine + drag * stepPerTension);
  return (angle < 0 ? -flatter : flatter) - angle + weightNPerM * Math.cos(angle) * stepPerTension;
}

/**
 * How far beside the rod tip the line passes, in m and over it where positive, if it leaves the lure at an angle. From
 * the lure on, tension and angle follow from what drag and weight do to each piece. A piece is moved across as if the
 * line turned about the rod tip: in full at the lure, not at all at the tip. In the air the line is straight.
 */
function missM(
  line: MovingLine,
  pull: (angleRad: number) => LurePull,
  angleRad: number,
  distanceM: number,
  depthM: number,
  tipM: number,
): number {
  const length = Math.hypot(distanceM, depthM + tipM);
  const chord = Math.atan2(depthM + tipM, distanceM);
  const step = length / line.pieces;
  let angle = angleRad;
  let tension = pull(angleRad).tensionN;
  let [along, across, y] = [0, 0, 0];
  for (let piece = 0; piece < 3 * line.pieces; piece++) {
    const bend = bentBy(line, angle, Math.max(0, 1 - piece / line.pieces), step / tension);
    const middle = angle + bend / 2;
    const [onward, up] = [step * Math.cos(middle - chord), step * Math.sin(middle)];
    // The piece that comes out of the water, or past the tip, is cut there.
    const cut = Math.min(
      tipM > 0 && y + up > depthM ? (depthM - y) / up : 1,
      along + onward > length ? (length - along) / onward : 1,
    );
    along += cut * onward;
    across += cut * step * Math.sin(middle - chord);
    y += cut * up;
    angle += cut * bend;
    if (cut < 1 || Math.abs(across) > length) break;
    tension += step * (line.along + line.weightNPerM * Math.sin(middle));
  }
  return across + (length - along) * Math.tan(Math.max(-1.4, Math.min(1.4, angle - chord)));
}

/** Near enough to the tip, in m. */
const NEAR_M = 4e-3;

/**
 * The angle of the line at the lure's nose over the horizontal, in radians, for a lure so far off and so deep. Found by
 * secants from an angle nearby, else by halving.
 * @param guessRad an angle from which to look, as that of a moment ago
 * @param tipM height of the rod tip over the water, under 0 where it is held under
 */
export function angleAtLure(
  line: MovingLine,
  pull: (angleRad: number) => LurePull,
  distanceM: number,
  depthM: number,
  tipM: number,
  guessRad: number,
): number {
  const miss = (angle: number) => missM(line, pull, angle, distanceM, depthM, tipM);
  let [before, beforeMiss] = [guessRad, miss(guessRad)];
  if (Math.abs(beforeMiss) < NEAR_M) return before;
  let at = clampAngle(before - beforeMiss / Math.hypot(distanceM, depthM + tipM));
  for (let round = 0; round < 8; round++) {
    const atMiss = miss(at);
    if (Math.abs(atMiss) < NEAR_M) return at;
    const next = at - (atMiss * (at - before)) / (atMiss - beforeMiss);
    if (!Number.isFinite(next) || Math.abs(next - at) > 0.4) break;
    [before, beforeMiss, at] = [at, atMiss, clampAngle(next)];
  }
  return halved(miss);
}

const STEEPEST_RAD = 2.2;
const clampAngle = (angle: number): number => Math.max(-STEEPEST_RAD, Math.min(STEEPEST_RAD, angle));

/** A steeper line passes higher over the tip, so halving always finds it. */
function halved(miss: (angle: number) => number): number {
  let [low, high] = [-STEEPEST_RAD, STEEPEST_RAD];
  while (high - low > 2e-4) {
    const middle = (low + high) / 2;
    const over = miss(middle);
    if (Math.abs(over) < NEAR_M) return middle;
    if (over < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
