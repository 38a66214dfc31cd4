import { pickApart } from './pick.js';
import type { Ground } from './ground.js';

/** By how much two places may differ before they are no longer alike: one of each costs as much. Judgement. */
const DEPTH_LOG = 0.25;
const SLOPE_DEG = 7;
const DEEP_LOG = 0.6;
const FETCH_LOG = 0.8;
const UP_SHARE = 0.25;
/** What another structure, another cover, or another side of an arm's mouth costs. */
const OTHER_STRUCTURE = 2;
const OTHER_COVER = 1.2;
const OTHER_ARM = 1;
/** Added under a logarithm, metres: below this, differences do not matter. */
const SOFT_DEPTH_M = 0.3;
const SOFT_DEEP_M = 40;
const SOFT_FETCH_M = 80;

/**
 * How like one cell every other is, 0 to 1: a bell over the differences of depth, slope, structure, cover, distance to
 * deep water, exposure and place in the arm, each measured by what it may differ.
 */
export function likeness(ground: Ground, to: number): Float32Array {
  const { reading, named, cover, fetchM, wet } = ground;
  const { depthM, slopeDeg, deepM, arms } = reading;
  const like = new Float32Array(depthM.length);
  const log = (value: number, soft: number) => Math.log(value + soft);
  const depth = log(depthM[to] as number, SOFT_DEPTH_M);
  const deep = log(deepM[to] as number, SOFT_DEEP_M);
  const fetch = log(fetchM[to] as number, SOFT_FETCH_M);
  const slope = slopeDeg[to] as number;
  const up = arms.upShare[to] as number;
  const inArm = (arms.arm[to] as number) > 0;
  for (const cell of wet) {
    let apart = ((log(depthM[cell] as number, SOFT_DEPTH_M) - depth) / DEPTH_LOG) ** 2;
    if (apart > 30) continue;
    apart += (((slopeDeg[cell] as number) - slope) / SLOPE_DEG) ** 2;
    apart += ((log(deepM[cell] as number, SOFT_DEEP_M) - deep) / DEEP_LOG) ** 2;
    apart += ((log(fetchM[cell] as number, SOFT_FETCH_M) - fetch) / FETCH_LOG) ** 2;
    apart += (((arms.upShare[cell] as number) - up) / UP_SHARE) ** 2;
    if ((arms.arm[cell] as number) > 0 !== inArm) apart += OTHER_ARM ** 2;
    if (named.structure[cell] !== named.structure[to]) apart += OTHER_STRUCTURE ** 2;
    if (cover[cell] !== cover[to]) apart += OTHER_COVER ** 2;
    like[cell] = Math.exp(-apart / 2);
  }
  return like;
}

/** Places most like one, well apart from it and from one another, with how like they are. */
export function moreLike(ground: Ground, to: number, most: number, apartM = 200): { cell: number; like: number }[] {
  const like = likeness(ground, to);
  const { grid } = ground.reading;
  const own = { col: to % grid.cols, row: Math.floor(to / grid.cols) };
  const allows = (cell: number) =>
    Math.hypot((cell % grid.cols) - own.col, Math.floor(cell / grid.cols) - own.row) * grid.cellM >= apartM &&
    (like[cell] as number) > 0.01;
  return pickApart(grid, like, ground.wet, { most, apartM, allows }).map((cell) => ({
    cell,
    like: like[cell] as number,
  }));
}
