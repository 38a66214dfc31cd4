import { angleAtLure, movingLine, type LurePull } from './line-curve.js';
import type { Line } from './lines.js';

/** A point of a path or of a bottom: how far from the angler, how deep, both in m. */
export type PathPoint = readonly [distanceM: number, depthM: number];

export interface Cast {
  readonly castM: number;
  /** Height of the rod tip over the water in m, under 0 where it is held under. */
  readonly rodTipM: number;
  readonly speedMps: number;
  /** The bottom by distance from the angler; none where the water is deep enough. */
  readonly bottom?: readonly PathPoint[];
  /** Depth to which the lure is let sink before it is reeled. */
  readonly startDepthM?: number;
  /** Fewer steps, for where many casts are compared: within a few hundredths of the depth. */
  readonly rough?: boolean;
}

const STEPS = 70;
const ROUGH_STEPS = 40;
const ROUGH_PIECES = 14;
/** Shallower than this share of the deepest it is past it. */
const PAST_DEEPEST = 0.96;
/** Nearer than this it is lifted out. */
const AT_HAND_M = 0.6;

/** Depth of a bottom at a distance, straight between its points and level beyond its ends. */
export function bottomAtM(bottom: readonly PathPoint[] | undefined, distanceM: number): number {
  if (!bottom?.length) return Infinity;
  const at = bottom.findIndex(([distance]) => distance >= distanceM);
  if (at === 0) return (bottom[0] as PathPoint)[1];
  if (at < 0) return (bottom.at(-1) as PathPoint)[1];
  const [[x0, z0], [x1, z1]] = [bottom[at - 1] as PathPoint, bottom[at] as PathPoint];
  return x1 === x0 ? z1 : z0 + ((distanceM - x0) / (x1 - x0)) * (z1 - z0);
}

/**
 * The way of a lure from where it came down to the rod: at each step the line's curve gives its angle at the nose, and
 * the lure goes down or up as steeply as its forces at that angle are in balance. It follows the bottom where it meets it.
 * @param part how much of the way is wanted: past the deepest point a lure on one line only comes up
 * @returns points from the cast's end towards the angler
 */
export function castPath(
  cast: Cast,
  line: Line,
  pull: (angleRad: number) => LurePull,
  part: 'whole' | 'to-deepest' = 'whole',
): PathPoint[] {
  const { castM, rodTipM, speedMps, bottom } = cast;
  const steps = cast.rough ? ROUGH_STEPS : STEPS;
  const moving = movingLine(line, speedMps, cast.rough ? ROUGH_PIECES : undefined);
  const points: PathPoint[] = [];
  let x = castM;
  let z = Math.min(cast.startDepthM ?? 0, bottomAtM(bottom, castM));
  let angle = Math.atan2(z + rodTipM, x);
  let deepest = z;
  points.push([x, z]);
  while (x > AT_HAND_M && points.length < 4 * steps) {
    angle = angleAtLure(moving, pull, x, z, rodTipM, angle);
    const { descentRad } = pull(angle);
    const step = Math.max(0.04, Math.min(castM / steps, x / 8));
    x = Math.max(0, x - step * Math.max(0.15, Math.cos(descentRad)));
    z = Math.min(Math.max(0, z + step * Math.sin(descentRad)), bottomAtM(bottom, x));
    points.push([x, z]);
    deepest = Math.max(deepest, z);
    if (part === 'to-deepest' && z < PAST_DEEPEST * deepest) break;
  }
  return points;
}

export const maxDepthOf = (path: readonly PathPoint[]): number => Math.max(...path.map(([, depth]) => depth));

/** Share of the cast's length, 0 to 1, over which the lure is between two depths. */
export function shareBetween(path: readonly PathPoint[], [from, to]: readonly [number, number]): number {
  let within = 0;
  for (let at = 1; at < path.length; at++) {
    const [[x0, z0], [x1, z1]] = [path[at - 1] as PathPoint, path[at] as PathPoint];
    within += Math.abs(x0 - x1) * shareOfPiece(z0, z1, from, to);
  }
  return within / Math.max(1e-9, path[0]?.[0] ?? 1);
}

function shareOfPiece(z0: number, z1: number, from: number, to: number): number {
  const [top, bottom] = z0 < z1 ? [z0, z1] : [z1, z0];
  if (bottom - top < 1e-9) return top >= from && top <= to ? 1 : 0;
  return Math.max(0, Math.min(bottom, to) - Math.max(top, from)) / (bottom - top);
}
