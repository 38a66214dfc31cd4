import { distanceM, FAR_M } from './distance.js';
import type { Shape } from './grid.js';
import { coarser, neighbours, waysFrom } from './ways.js';

/** The most arms a water is told apart into; smaller ones count as part of what they open to. */
const MAX_ARMS = 60;
/** Arms are told on at most this many cells. */
const MAX_CELLS = 250_000;
/** The open body of a water is where a disc of this share of the widest one fits. */
const OPEN_SHARE = 0.55;
/** An arm is at least this many times as long as the disc that no longer fits it is wide. */
const MIN_LENGTH = 1.5;

/** Arms of a water: 0 the open body or land, else the number of an arm, and how far up it a cell lies. */
export interface Arms {
  readonly count: number;
  /** Number of the arm of every cell, 0 in the open body and on land. */
  readonly arm: Uint8Array;
  /** Way through the water from the arm's mouth, as a share of its longest, 0 to 1. */
  readonly upShare: Float32Array;
  /** Longest way up each arm, metres; index 0 is not used. */
  readonly lengthM: readonly number[];
}

/** Cells of a component, found from one of them. */
function component(shape: Shape, inside: (cell: number) => boolean, seen: Uint8Array, first: number): number[] {
  const cells = [first];
  seen[first] = 1;
  for (const cell of cells) {
    neighbours(shape, cell, (other) => {
      if (seen[other] || !inside(other)) return;
      seen[other] = 1;
      cells.push(other);
    });
  }
  return cells;
}

/**
 * Tells the arms of a water from its open body: what a disc of over half the widest water's size does not reach
 * (a morphological opening by that disc) falls into arms; how far up one lies is the way through the water from the
 * open body. Worked out on cells of at most a quarter million.
 */
export function armsOf(grid: Shape, depths: Float32Array): Arms {
  const { shape, water, coarse } = coarser(grid, depths, MAX_CELLS);
  const land = water.map((wet) => (wet ? 0 : 1));
  const toLand = distanceM(shape, land);
  let widest = 0;
  for (let cell = 0; cell < water.length; cell++) {
    if (water[cell] && toLand[cell] !== FAR_M) widest = Math.max(widest, toLand[cell] as number);
  }
  const radius = widest * OPEN_SHARE;
  const cores = toLand.map((distance) => (distance !== FAR_M && distance >= radius ? 1 : 0));
  const toCore = distanceM(shape, Uint8Array.from(cores));
  const isOpen = (cell: number) => water[cell] === 1 && (toCore[cell] as number) <= radius;
  const way = waysFrom(shape, water, isOpen);

  const arm = new Uint8Array(water.length);
  const upShare = new Float32Array(water.length);
  const lengthM: number[] = [0];
  const seen = new Uint8Array(water.length);
  const inArm = (cell: number) => water[cell] === 1 && !isOpen(cell);
  const parts: { cells: number[]; longest: number }[] = [];
  for (let cell = 0; cell < water.length; cell++) {
    if (seen[cell] || !inArm(cell)) continue;
    const cells = component(shape, inArm, seen, cell);
    let longest = 0;
    for (const each of cells) if (way[each] !== Infinity) longest = Math.max(longest, way[each] as number);
    if (longest * shape.cellM >= MIN_LENGTH * radius && longest > 2) parts.push({ cells, longest });
  }
  parts.sort((a, b) => b.cells.length - a.cells.length);
  for (const { cells, longest } of parts.slice(0, MAX_ARMS)) {
    const number = lengthM.length;
    for (const each of cells) {
      arm[each] = number;
      upShare[each] = Math.min(1, (way[each] as number) / longest);
    }
    lengthM.push(longest * shape.cellM);
  }

  const full: Uint8Array = new Uint8Array(grid.cols * grid.rows);
  const fullShare = new Float32Array(full.length);
  for (let cell = 0; cell < full.length; cell++) {
    if (!((depths[cell] as number) > 0)) continue;
    const from = coarse(cell);
    full[cell] = arm[from] as number;
    fullShare[cell] = upShare[from] as number;
  }
  return { count: lengthM.length - 1, arm: full, upShare: fullShare, lengthM };
}
