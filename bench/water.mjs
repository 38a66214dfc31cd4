import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Conditions } from '@inky-shoal/core';
import {
  armsOf,
  bedFromBytes,
  bedToBytes,
  depthsM,
  distanceM,
  fetchM,
  landforms,
  naturalNeighbours,
  slopeDeg,
} from '@inky-shoal/core/chart';
import { bestRun, ChartSession } from '@inky-shoal/core/spots';
import { DEMO, demoCharts } from '@inky-shoal/demo';
import { pageRows } from './water-page.mjs';

const timed = (work) => {
  const start = performance.now();
  const result = work();
  return [performance.now() - start, result];
};
const times = (count, work) => Array.from({ length: count }, () => timed(work)[0]);
const runs = (command, args) => spawnSync(command, args, { encoding: 'utf8' });
const installed = (command) => !runs(command, ['--version']).error;

/** The demo reservoir's bed on finer cells, four million of them, by straight lines between middles. */
export function fineBed({ frame, bed }, side = 2000) {
  const coarse = bedFromBytes(frame, bed);
  const values = new Float32Array(side * side);
  for (let row = 0; row < side; row++) {
    for (let col = 0; col < side; col++) {
      const x = (col / side) * (coarse.cols - 1);
      const y = (row / side) * (coarse.rows - 1);
      const [x0, y0] = [Math.floor(x), Math.floor(y)];
      const [u, v] = [x - x0, y - y0];
      const at = (dx, dy) => coarse.values[(y0 + dy) * coarse.cols + x0 + dx];
      values[row * side + col] =
        (at(0, 0) * (1 - u) + at(1, 0) * u) * (1 - v) + (at(0, 1) * (1 - u) + at(1, 1) * u) * v;
    }
  }
  const cellM = (frame.cols * frame.cellM) / side;
  return { ...frame, cols: side, rows: side, cellM, values };
}

/** Times of GDAL's and GRASS's own programs on the same bed, seconds; absent where they are not installed. */
function others(grid) {
  const folder = mkdtempSync(join(tmpdir(), 'inky-bench-'));
  const file = (name) => join(folder, name);
  const { cols, rows, cellM, values } = grid;
  const known = values.map((bed) => (Number.isNaN(bed) ? 30 : bed));
  writeFileSync(file('bed.bil'), Buffer.from(known.buffer));
  const header = { nrows: rows, ncols: cols, nbands: 1, nbits: 32, pixeltype: 'float', byteorder: 'I', layout: 'bil' };
  const place = { ulxmap: cellM / 2, ulymap: rows * cellM, xdim: cellM, ydim: cellM };
  writeFileSync(
    file('bed.hdr'),
    Object.entries({ ...header, ...place })
      .map(([key, value]) => `${key} ${value}\n`)
      .join(''),
  );
  const found = {};
  if (installed('gdaldem')) {
    runs('gdal_translate', ['-q', file('bed.bil'), file('bed.tif')]);
    found.gdalMs = times(5, () => runs('gdaldem', ['slope', '-q', '-alg', 'Horn', file('bed.tif'), file('slope.tif')]));
    if (installed('grass')) {
      runs('grass', ['-c', 'XY', file('place'), '-e']);
      const inGrass = (...args) => runs('grass', [file('place/PERMANENT'), '--exec', ...args]);
      inGrass('r.in.gdal', `input=${file('bed.tif')}`, 'output=bed', '-o');
      inGrass('g.region', 'raster=bed');
      const idleMs = timed(() => inGrass('g.version'))[0];
      const search = ['r.geomorphon', '--q', '--o', 'elevation=bed', 'forms=forms', 'search=10', 'skip=0', 'flat=1'];
      found.grassMs = [timed(() => inGrass(...search))[0] - idleMs];
    }
  }
  rmSync(folder, { recursive: true });
  return { ...found, grid: { ...grid, values: known } };
}

const spring = (water) =>
  Conditions.parse({
    discipline: water.discipline,
    date: '2027-03-13',
    place: water.place,
    waterKind: water.waterKind,
    surfaceTempC: 12.8,
    visibilityM: 2,
    windMps: 5,
    windFromDeg: 200,
    covers: water.covers,
    window: { from: '05:30', to: '18:30' },
  });

/** A run of so many made-up spots over a long day. */
function problem(count, seed) {
  let state = seed;
  const random = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
  const points = Array.from({ length: count + 1 }, () => [random() * 8000, random() * 8000]);
  points.push(points[count]);
  const hours = Array.from({ length: 53 }, (_, at) => 330 + at * 15);
  return {
    startMin: 330,
    endMin: 930,
    travelMin: points.map(([x, y]) => points.map(([u, v]) => Math.ceil(Math.hypot(x - u, y - v) / 660))),
    spots: points.slice(0, count).map(() => {
      const [peak, breadth, top] = [360 + random() * 540, 60 + random() * 200, 0.3 + 0.7 * random()];
      const goodness = hours.map((minute) => ({
        minute,
        goodness: top * Math.exp(-(((minute - peak) / breadth) ** 2)),
      }));
      return { minutes: [20, 30, 45, 60][Math.floor(random() * 4)], goodness };
    }),
  };
}

/** Soundings along lines across a bed, one a cell, for the gridding. */
function soundLines({ cols, rows, values }, apart) {
  const [x, y, value] = [[], [], []];
  for (let col = apart >> 1; col < cols; col += apart) {
    for (let row = 0; row < rows; row++) {
      const bed = values[row * cols + col];
      if (!(bed < 0)) continue;
      x.push(col + 0.5);
      y.push(row + 0.5);
      value.push(bed);
    }
  }
  return { x, y, value };
}

export async function* rows() {
  const [chart] = demoCharts();
  const fine = fineBed(chart);
  const cells = fine.values.length;
  const perSecond = (ms) => Math.round(cells / ms / 1000);
  const compared = others(fine);
  slopeDeg(compared.grid);
  const slopeMs = times(5, () => slopeDeg(compared.grid));
  const landformMs = times(3, () => landforms(compared.grid, { searchCells: 10, flatDeg: 1 }));
  const middle = (samples) => [...samples].sort((a, b) => a - b)[samples.length >> 1];
  yield {
    figure: 'slope4MMs',
    unit: 'ms',
    samples: slopeMs,
    how: `four million cells, ${perSecond(middle(slopeMs))} million a second`,
  };
  yield {
    figure: 'landforms4MMs',
    unit: 'ms',
    samples: landformMs,
    how: `four million cells, ${perSecond(middle(landformMs))} million a second`,
  };
  const depths = depthsM(fine, 0);
  const land = Uint8Array.from(depths, (depth) => (depth > 0 ? 0 : 1));
  const steps = {
    distance4MMs: ['distance of every cell from the shore', () => distanceM(fine, land)],
    arms4MMs: ['arms and how far up each', () => armsOf(fine, depths)],
    exposure4MMs: ['fetch for one wind', () => fetchM(fine, depths, 200)],
    gridding4MMs: [
      'a bed laid through soundings on lines 20 cells apart',
      () => naturalNeighbours(fine, soundLines(fine, 20), 30 * fine.cellM),
    ],
  };
  for (const [figure, [what, work]] of Object.entries(steps)) {
    const samples = times(3, work);
    yield { figure, unit: 'ms', samples, how: `${what}, ${perSecond(middle(samples))} million cells a second` };
  }
  if (compared.gdalMs) {
    yield {
      figure: 'slopeVsGdal',
      unit: "of GDAL's time",
      samples: [middle(slopeMs) / middle(compared.gdalMs)],
      how: 'gdaldem slope -alg Horn with its files; wanted under 1',
    };
  }
  if (compared.grassMs) {
    yield {
      figure: 'landformsVsGrass',
      unit: "of GRASS's time",
      samples: [middle(landformMs) / middle(compared.grassMs)],
      how: 'r.geomorphon search=10 flat=1, its start taken off; wanted under 1',
    };
  }
  const water = DEMO.waters[0];
  const { cols, rows: lines, cellM, epsg, westM, northM, source } = fine;
  const frame = { cols, rows: lines, cellM, epsg, westM, northM, source };
  const desk = new ChartSession(frame, bedToBytes(fine));
  const day = { kind: water.waterKind, features: chart.features, conditions: spring(water), levelM: 0 };
  const [scanMs] = timed(() => {
    desk.prepare(day);
    return desk.scanAt(480, {}, 'us');
  });
  yield {
    figure: 'scan4MSeconds',
    unit: 's',
    samples: [scanMs / 1000],
    how: 'slope, landforms, distances, arms, exposure, score and places, Node, first time; wanted under 8',
  };
  yield {
    figure: 'scan4MPeakMb',
    unit: 'MB',
    samples: [process.resourceUsage().maxRSS / 1000],
    how: 'most memory of the whole bench so far; wanted under 700',
  };
  const rescored = [600, 720, 840, 960, 1020].map((minute) => timed(() => desk.scanAt(minute, {}, 'us'))[0]);
  yield {
    figure: 'rescoreMs',
    unit: 'ms',
    samples: rescored,
    how: `another hour on four million cells, with its places, ${perSecond(middle(rescored))} million a second; wanted under 500`,
  };
  const runsOf = [3, 17, 99, 1234, 4321].map((seed) => problem(15, seed));
  const solved = runsOf.map((each) => timed(() => bestRun(each)));
  yield { figure: 'runMs', unit: 'ms', samples: solved.map(([ms]) => ms), how: '15 spots; wanted under 1000' };
  const gaps = runsOf.map((each, at) => 100 * (1 - solved[at][1].goodMin / bestRun(each, 30_000).goodMin));
  yield {
    figure: 'runGapPercent',
    unit: '%',
    samples: gaps,
    how: 'short of a search twelve times as wide, 15 spots; wanted 2 or less',
  };
  yield* pageRows(fine);
}
