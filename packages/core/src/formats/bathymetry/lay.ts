import proj4 from 'proj4';
import type { Crs } from '../../chart/crs.js';
import { knownCrs } from '../../chart/crs.js';
import { naturalNeighbours } from '../../chart/gridding.js';
import type { Grid } from '../../chart/grid.js';
import { utmDefinition, utmOf, type LonLat } from '../../chart/projection.js';
import { MAX_CELLS } from '../ascii-grid.js';
import { checkNear } from '../features/read.js';
import { FileProblem } from '../file-problem.js';
import { FOOT_M, type BedSense, type BedUnit, type BedFile, type Raster, type Soundings } from './found.js';

/** What the angler says of a file's figures, where the file does not. */
export interface BedChoices {
  readonly sense: BedSense;
  readonly unit: BedUnit;
  /** For heights: the figure at which the water stands at the chart's zero, in the file's unit. */
  readonly surface: number;
  /** Soundings up to this far apart are joined, metres. */
  readonly joinM: number;
}

/** A bed on a chart's cells. */
export interface LaidBed {
  readonly epsg: number;
  readonly grid: Grid;
  /** Metres from each cell to the nearest sounding, where the bed was laid through soundings. */
  readonly awayM: Float32Array | null;
}

/** The water it is for. */
export interface WaterAt {
  readonly name: string;
  readonly lonLat: LonLat;
}

const DEGREES = '+proj=longlat +datum=WGS84 +no_defs';
/** Deeper than this is not kept: depths are whole centimetres in two bytes. */
const DEEPEST_M = 327;
/** Cells of a chart that is made of soundings. */
const MAX_SOUNDED_CELLS = 2_000_000;
const SMALLEST_CELL_M = 1;
const LARGEST_CELL_M = 100;
/** Places between which a projection is nearly straight, in cells. */
const KNOT_CELLS = 16;

type Point = readonly [x: number, y: number];

/** How the file's places are read: as it says itself, else as metres of the water's own zone. */
const crsOf = ({ crs }: BedFile, { lonLat }: WaterAt): Crs => crs ?? (knownCrs(utmOf(lonLat)) as Crs);

function nearWater(points: readonly Point[], crs: Crs, { name, lonLat }: WaterAt): void {
  const { inverse } = proj4(DEGREES, crs.definition);
  const places = points.map((point): LonLat => (crs.degrees ? point : (inverse([...point]) as [number, number])));
  if (places.some((place) => !place.every(Number.isFinite))) {
    throw new FileProblem(`Read as ${crs.name}, this file lies nowhere on the earth.`);
  }
  checkNear(places, lonLat, name);
}

/** The file's figure as metres over the chart's zero. */
const bedIn = ({ sense, unit, surface }: BedChoices): ((figure: number) => number) => {
  const scale = unit === 'ft' ? FOOT_M : 1;
  return sense === 'depth' ? (figure) => -figure * scale : (figure) => (figure - surface) * scale;
};

function checkDepths(values: Float32Array): void {
  let [deepest, wet] = [0, 0];
  for (const value of values) {
    if (value < 0) wet++;
    if (value < deepest) deepest = value;
  }
  if (!wet) throw new FileProblem('Read so, all of it lies above the water: choose otherwise what its figures are.');
  if (-deepest > DEEPEST_M) {
    throw new FileProblem(`Read so, it is ${Math.round(-deepest)} m deep: expected at most ${DEEPEST_M} m.`);
  }
}

/** The bed at a place of a raster, from the four cells around it; at its edges from the nearest alone. */
function between({ cols, rows, values }: Raster, x: number, y: number): number {
  const [left, top] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
  const [dx, dy] = [x - 0.5 - left, y - 0.5 - top];
  const at = (col: number, row: number) =>
    col < 0 || row < 0 || col >= cols || row >= rows ? Number.NaN : (values[row * cols + col] as number);
  const mixed =
    (at(left, top) * (1 - dx) + at(left + 1, top) * dx) * (1 - dy) +
    (at(left, top + 1) * (1 - dx) + at(left + 1, top + 1) * dx) * dy;
  return Number.isNaN(mixed) ? at(Math.floor(x), Math.floor(y)) : mixed;
}

const rounded = (cellM: number): number => Math.max(0.1, Math.round(cellM * 10) / 10);

/** Puts a raster of another projection onto square cells of the zone, the four cells around each place mixed. */
function resampled(raster: Raster, crs: Crs, epsg: number): Grid {
  const { cols, rows, west, north, across, down } = raster;
  const { forward, inverse } = proj4(crs.definition, utmDefinition(epsg));
  const edge: Point[] = [];
  for (let part = 0; part <= 16; part++) {
    const [dx, dy] = [(cols * across * part) / 16, (rows * down * part) / 16];
    edge.push(
      [west + dx, north],
      [west + dx, north - rows * down],
      [west, north - dy],
      [west + cols * across, north - dy],
    );
  }
  const corners = edge.map((point) => forward([...point]) as [number, number]);
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const [westM, northM] = [Math.min(...xs), Math.max(...ys)];
  const [widthM, heightM] = [Math.max(...xs) - westM, northM - Math.min(...ys)];
  let cellM = rounded(Math.sqrt((widthM * heightM) / (cols * rows)));
  while (Math.ceil(widthM / cellM) * Math.ceil(heightM / cellM) > MAX_CELLS) cellM = rounded(cellM + 0.1);
  const shape = { cols: Math.max(3, Math.ceil(widthM / cellM)), rows: Math.max(3, Math.ceil(heightM / cellM)) };
  const values = new Float32Array(shape.cols * shape.rows).fill(Number.NaN);
  // The projection is asked at knots only; between them places are mixed.
  const knots = { cols: Math.ceil(shape.cols / KNOT_CELLS) + 1, rows: Math.ceil(shape.rows / KNOT_CELLS) + 1 };
  const knotX = new Float64Array(knots.cols * knots.rows);
  const knotY = new Float64Array(knots.cols * knots.rows);
  for (let row = 0, knot = 0; row < knots.rows; row++) {
    for (let col = 0; col < knots.cols; col++, knot++) {
      const [x, y] = inverse([westM + col * KNOT_CELLS * cellM, northM - row * KNOT_CELLS * cellM]) as [number, number];
      knotX[knot] = (x - west) / across;
      knotY[knot] = (north - y) / down;
    }
  }
  const mix = (of: Float64Array, knot: number, dx: number, dy: number) =>
    ((of[knot] as number) * (1 - dx) + (of[knot + 1] as number) * dx) * (1 - dy) +
    ((of[knot + knots.cols] as number) * (1 - dx) + (of[knot + knots.cols + 1] as number) * dx) * dy;
  for (let row = 0, cell = 0; row < shape.rows; row++) {
    const [knotRow, dy] = [Math.floor((row + 0.5) / KNOT_CELLS), ((row + 0.5) / KNOT_CELLS) % 1];
    for (let col = 0; col < shape.cols; col++, cell++) {
      const knot = knotRow * knots.cols + Math.floor((col + 0.5) / KNOT_CELLS);
      const dx = ((col + 0.5) / KNOT_CELLS) % 1;
      values[cell] = between(raster, mix(knotX, knot, dx, dy), mix(knotY, knot, dx, dy));
    }
  }
  return { ...shape, cellM, westM, northM, values };
}

function layRaster(found: BedFile, raster: Raster, choices: BedChoices, water: WaterAt): LaidBed {
  const crs = crsOf(found, water);
  const { cols, rows, west, north, across, down } = raster;
  const middle: Point = [west + (cols * across) / 2, north - (rows * down) / 2];
  nearWater([middle], crs, water);
  const { inverse } = proj4(DEGREES, crs.definition);
  const epsg = utmOf(crs.degrees ? middle : (inverse([...middle]) as [number, number]));
  const straight = crs.epsg === epsg && Math.abs(across - down) < across * 0.001;
  const grid = straight
    ? { cols, rows, cellM: across, westM: west, northM: north, values: raster.values }
    : resampled(raster, crs, epsg);
  return { epsg, grid: { ...grid, values: grid.values.map(bedIn(choices)) }, awayM: null };
}

/** How large cells are to be, so that about four soundings in five have one of their own and there are not too many. */
function cellOf(count: number, areaM2: number): number {
  const fine = Math.max(SMALLEST_CELL_M, Math.sqrt(areaM2 / count) / 3);
  const least = Math.sqrt(areaM2 / MAX_SOUNDED_CELLS);
  return Math.min(LARGEST_CELL_M, Math.ceil(Math.max(fine, least) * 2) / 2);
}

function laySoundings(
  found: BedFile,
  { x, y, value }: Soundings,
  choices: BedChoices,
  water: WaterAt,
  step?: (share: number) => void,
): LaidBed {
  const crs = crsOf(found, water);
  const every = Math.ceil(x.length / 200);
  const some = Array.from({ length: Math.floor((x.length - 1) / every) + 1 }, (_, at): Point => [
    x[at * every] as number,
    y[at * every] as number,
  ]);
  nearWater(some, crs, water);
  const epsg = utmOf(water.lonLat);
  const { forward } = proj4(crs.definition, utmDefinition(epsg));
  const eastM = new Float64Array(x.length);
  const upM = new Float64Array(x.length);
  let [westM, eastmostM, southM, northM] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let at = 0; at < x.length; at++) {
    const [east, up] = forward([x[at] as number, y[at] as number]) as [number, number];
    eastM[at] = east;
    upM[at] = up;
    westM = Math.min(westM, east);
    eastmostM = Math.max(eastmostM, east);
    southM = Math.min(southM, up);
    northM = Math.max(northM, up);
  }
  const areaM2 = Math.max(1, (eastmostM - westM) * (northM - southM));
  const cellM = cellOf(x.length, areaM2);
  westM -= 2 * cellM;
  northM += 2 * cellM;
  const cols = Math.max(3, Math.ceil((eastmostM - westM) / cellM) + 2);
  const rows = Math.max(3, Math.ceil((northM - southM) / cellM) + 2);
  if (cols * rows > MAX_CELLS) {
    throw new FileProblem('These soundings lie too far from one another for one chart: cut out the water you fish.');
  }
  const shape = { cols, rows, cellM };
  const samples = {
    x: eastM.map((east) => (east - westM) / cellM),
    y: upM.map((up) => (northM - up) / cellM),
    value: value.map(bedIn(choices)),
  };
  const { values, awayM } = naturalNeighbours(shape, samples, Math.max(cellM, choices.joinM / 2), step);
  return { epsg, grid: { ...shape, westM, northM, values }, awayM };
}

/** Lays what was found in a file on a chart. @throws FileProblem where it cannot be this water's bed, and why */
export function layBed(found: BedFile, choices: BedChoices, water: WaterAt, step?: (share: number) => void): LaidBed {
  const { raster, soundings } = found;
  const laid = raster
    ? layRaster(found, raster, choices, water)
    : laySoundings(found, soundings as Soundings, choices, water, step);
  checkDepths(laid.grid.values);
  return laid;
}

/** How far apart soundings and contours are joined, where the angler says nothing, metres. */
const JOIN_M = { soundings: 150, contours: 800 } as const;

/** What the figures of a file seem to be: said by the file, else guessed from how they run. */
export function guessChoices({ from, unit, sense, least, most }: BedFile): BedChoices {
  const negative = least < 0;
  // Called depth and under zero: the zero is the water, and they grow upwards all the same.
  const guessed: BedSense =
    sense === 'depth' && most <= 0 ? 'height' : (sense ?? (negative || least > 30 ? 'height' : 'depth'));
  const surface = guessed === 'height' && !negative ? most : 0;
  return {
    sense: guessed,
    unit: unit ?? 'm',
    surface,
    joinM: from === 'contours' ? JOIN_M.contours : JOIN_M.soundings,
  };
}
