import type { Shape } from './grid.js';

/** A raster of larger cells, for what needs no finer ones. */
export interface Coarser {
  readonly shape: Shape;
  /** 1 wherever there is water in the block that a cell stands for. */
  readonly water: Uint8Array;
  /** The coarse cell in which a cell lies. */
  readonly coarse: (cell: number) => number;
  /** The cell in the middle of a coarse one. */
  readonly fine: (cell: number) => number;
}

/** The raster with cells as many times as large as it takes for no more than `most`. */
export function coarser({ cols, rows, cellM }: Shape, depths: Float32Array, most: number): Coarser {
  const factor = Math.max(1, Math.ceil(Math.sqrt((cols * rows) / most)));
  const shape = { cols: Math.ceil(cols / factor), rows: Math.ceil(rows / factor), cellM: cellM * factor };
  const coarse = (cell: number) =>
    Math.floor(Math.floor(cell / cols) / factor) * shape.cols + Math.floor((cell % cols) / factor);
  const fine = (cell: number) => {
    const row = Math.min(rows - 1, Math.floor(cell / shape.cols) * factor + (factor >> 1));
    return row * cols + Math.min(cols - 1, (cell % shape.cols) * factor + (factor >> 1));
  };
  const water = new Uint8Array(shape.cols * shape.rows);
  for (let cell = 0; cell < depths.length; cell++) if ((depths[cell] as number) > 0) water[coarse(cell)] = 1;
  return { shape, water, coarse, fine };
}

/** Calls for the eight neighbours inside the raster, with the step to each in cells. */
export function neighbours({ cols, rows }: Shape, cell: number, visit: (other: number, step: number) => void): void {
  const col = cell % cols;
  const row = (cell - col) / cols;
  for (let dy = -1; dy <= 1; dy++) {
    for (let dx = -1; dx <= 1; dx++) {
      if (!dx && !dy) continue;
      const x = col + dx;
      const y = row + dy;
      if (x >= 0 && y >= 0 && x < cols && y < rows) visit(y * cols + x, dx && dy ? Math.SQRT2 : 1);
    }
  }
}

/** Ways through the water from marked cells, in cells (Dijkstra over eight neighbours, in buckets of half a cell). */
export function waysFrom(shape: Shape, water: Uint8Array, marked: (cell: number) => boolean): Float32Array {
  const way = new Float32Array(water.length).fill(Infinity);
  const buckets: number[][] = [[]];
  for (let cell = 0; cell < water.length; cell++) {
    if (water[cell] && marked(cell)) {
      way[cell] = 0;
      buckets[0]?.push(cell);
    }
  }
  for (let at = 0; at < buckets.length; at++) {
    for (const cell of buckets[at] ?? []) {
      const own = way[cell] as number;
      if (Math.floor(own * 2) < at) continue;
      neighbours(shape, cell, (other, step) => {
        if (!water[other] || own + step >= (way[other] as number) - 1e-4) return;
        way[other] = own + step;
        (buckets[Math.floor((own + step) * 2)] ??= []).push(other);
      });
    }
    buckets[at] = [];
  }
  return way;
}

/** How far apart stops are by boat, and the ways between them. */
export interface WaterWays {
  /** Metres from stop to stop through the water; Infinity where no water joins them. */
  readonly metres: readonly (readonly number[])[];
  /** Cells of the full raster from one stop to another, turns only. */
  readonly path: (from: number, to: number) => number[];
}

/** Ways are looked for on at most this many cells. */
const MAX_CELLS = 120_000;

/**
 * Ways by water between cells: shortest ways over eight neighbours on a coarser raster, then pulled straight where the
 * water lets one see from turn to turn.
 * @param depths of the full raster, metres, 0 on land
 */
export function waterWays(grid: Shape, depths: Float32Array, stops: readonly number[]): WaterWays {
  const { shape, water, coarse, fine } = coarser(grid, depths, MAX_CELLS);
  const nodes = stops.map(coarse);
  const ways = nodes.map((node) => waysFrom(shape, water, (cell) => cell === node));
  const sees = (from: number, to: number): boolean => {
    const [x0, y0] = [from % shape.cols, Math.floor(from / shape.cols)];
    const [x1, y1] = [to % shape.cols, Math.floor(to / shape.cols)];
    const steps = 2 * Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0));
    for (let step = 1; step < steps; step++) {
      const x = Math.round(x0 + ((x1 - x0) * step) / steps);
      const y = Math.round(y0 + ((y1 - y0) * step) / steps);
      if (!water[y * shape.cols + x]) return false;
    }
    return true;
  };
  /** From `to` back down the ways of `from`, then pulled straight; coarse cells in the order of travel. */
  const turns = (from: number, to: number): number[] => {
    const way = ways[from] as Float32Array;
    let at = nodes[to] as number;
    if (way[at] === Infinity) return [];
    const back = [at];
    while ((way[at] as number) > 0) {
      let next = at;
      neighbours(shape, at, (other, step) => {
        if (
          water[other] &&
          (way[other] as number) + step <= (way[at] as number) + 1e-3 &&
          (way[other] as number) < (way[next] as number)
        )
          next = other;
      });
      if (next === at) break;
      back.push((at = next));
    }
    back.reverse();
    const pulled = [back[0] as number];
    for (let index = 1; index < back.length; index++) {
      if (!sees(pulled.at(-1) as number, back[index] as number)) pulled.push(back[index - 1] as number);
    }
    pulled.push(back.at(-1) as number);
    return pulled;
  };
  const long = (cells: readonly number[]): number =>
    cells.slice(1).reduce((sum, cell, index) => {
      const before = cells[index] as number;
      const dx = (cell % shape.cols) - (before % shape.cols);
      const dy = Math.floor(cell / shape.cols) - Math.floor(before / shape.cols);
      return sum + Math.hypot(dx, dy) * shape.cellM;
    }, 0);
  const between = stops.map((_, from) => stops.map((_each, to) => (from === to ? [] : turns(from, to))));
  return {
    metres: between.map((row, from) =>
      row.map((cells, to) => (from === to ? 0 : cells.length ? long(cells) : Infinity)),
    ),
    path: (from, to) => {
      const cells = between[from]?.[to] ?? [];
      return cells.length < 2 ? [] : [stops[from] as number, ...cells.slice(1, -1).map(fine), stops[to] as number];
    },
  };
}
