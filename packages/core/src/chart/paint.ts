import { cellAt, type Grid } from './grid.js';

type Point = readonly [x: number, y: number];

/**
 * Cells whose middles lie inside rings by the even-odd rule, so that inner rings are holes. Points are in the chart's
 * projection.
 */
export function cellsInside(grid: Grid, rings: readonly (readonly Point[])[]): number[] {
  const { cols, rows, cellM, westM, northM } = grid;
  const cells: number[] = [];
  let [south, north] = [Infinity, -Infinity];
  for (const [, y] of rings.flat()) {
    south = Math.min(south, y);
    north = Math.max(north, y);
  }
  const first = Math.max(0, Math.floor((northM - north) / cellM));
  const last = Math.min(rows - 1, Math.ceil((northM - south) / cellM));
  for (let row = first; row <= last; row++) {
    const y = northM - (row + 0.5) * cellM;
    const crossings: number[] = [];
    for (const ring of rings) {
      for (let index = 1; index < ring.length; index++) {
        const [x0, y0] = ring[index - 1] as Point;
        const [x1, y1] = ring[index] as Point;
        if (y0 <= y !== y1 <= y) crossings.push(x0 + ((y - y0) * (x1 - x0)) / (y1 - y0));
      }
    }
    crossings.sort((a, b) => a - b);
    for (let pair = 0; pair + 1 < crossings.length; pair += 2) {
      const from = Math.max(0, Math.ceil(((crossings[pair] as number) - westM) / cellM - 0.5));
      const to = Math.min(cols - 1, Math.floor(((crossings[pair + 1] as number) - westM) / cellM - 0.5));
      for (let col = from; col <= to; col++) cells.push(row * cols + col);
    }
  }
  return cells;
}

/** Cells within a reach of a line, or of a point given as a line of one. */
export function cellsAlong(grid: Grid, line: readonly Point[], reachM: number): number[] {
  const { cols, rows, cellM, westM, northM } = grid;
  const cells = new Set<number>();
  const reach = Math.ceil(reachM / cellM);
  const about = ([x, y]: Point) => {
    const col = Math.floor((x - westM) / cellM);
    const row = Math.floor((northM - y) / cellM);
    for (let r = Math.max(0, row - reach); r <= Math.min(rows - 1, row + reach); r++) {
      for (let c = Math.max(0, col - reach); c <= Math.min(cols - 1, col + reach); c++) {
        const [dx, dy] = [westM + (c + 0.5) * cellM - x, northM - (r + 0.5) * cellM - y];
        if (dx * dx + dy * dy <= reachM * reachM) cells.add(r * cols + c);
      }
    }
    const own = cellAt(grid, [x, y]);
    if (own >= 0) cells.add(own);
  };
  line.forEach((to, index) => {
    const from = line[index - 1] ?? to;
    const steps = Math.max(1, Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]) / (cellM / 2)));
    for (let step = 0; step <= steps; step++) {
      about([from[0] + ((to[0] - from[0]) * step) / steps, from[1] + ((to[1] - from[1]) * step) / steps]);
    }
  });
  return [...cells];
}
