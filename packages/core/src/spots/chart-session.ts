import type { ChartFeature, ChartFrame } from '../contract/charts.js';
import type { Conditions } from '../contract/conditions.js';
import type { WaterKind } from '../contract/ids.js';
import { awayFromBytes, bedFromBytes } from '../chart/bed-bytes.js';
import { cellAt, middleOf, type Grid } from '../chart/grid.js';
import { cellsInside } from '../chart/paint.js';
import { chartProjection } from '../chart/projection.js';
import { readForms, type FormReading, type ReadingStep } from '../chart/reading.js';
import { waysOut, type WaysOut } from '../chart/ways-out.js';
import { sunAzimuthDeg } from '../day/sun.js';
import type { UnitSystem } from '../units/units.js';
import { moreLike } from './alike.js';
import type { Ground } from './ground.js';
import { momentAt, type HoldingModel } from './holding-model.js';
import { readGround } from './read-ground.js';
import { placeRun, type PlacedRun, type RunRequest } from './placed-run.js';
import { heat, scan, type Scan } from './scan.js';
import { judgeSpots } from './spot-day.js';
import { bestCells, describeSpots, type Spot, type SpotDay, type SpotFilter } from './spots.js';
import { tidalGround, tidalHour, type TidalGround, type TidalHour } from './tidal-hour.js';
import { lieOf, UNDER_KEEL_M, wayHome, type Drop, type WayHome } from './way-home.js';

/** Places that a list holds. */
const MAX_SPOTS = 20;
const MAX_ALIKE = 12;

/** A spot with where it lies in degrees, and the zone in which it lies. */
export interface PlacedSpot extends Spot {
  readonly lonLat: readonly [longitude: number, latitude: number];
  readonly zone: string | null;
  /** Metres to the nearest sounding, where the bed was laid through soundings and none is near: its depth is a guess. */
  readonly guessM: number | null;
}

/** What a day needs to be judged on a chart. */
export interface ChartDay {
  readonly kind: WaterKind;
  readonly features: readonly ChartFeature[];
  readonly conditions: Conditions;
  /** Water's level above the chart's zero, metres. */
  readonly levelM: number;
}

/** A boat that has to get back to a ramp. */
export interface Homeward {
  /** Where the ramp is, in degrees. */
  readonly ramp: readonly [longitude: number, latitude: number];
  readonly draughtM: number;
  readonly speedMps: number;
}

/** What an hour looks like: how good each cell is, 0 to 255, and the best places. */
export interface HourSpots {
  readonly heat: Uint8Array;
  readonly spots: PlacedSpot[];
}

/** One chart on the desk: what was read off it stays until the level or the day changes. */
export class ChartSession {
  readonly grid: Grid;
  private readonly projection;
  private readonly awayCells: Uint8Array | null;
  private reading: FormReading | undefined;
  private ground: Ground | undefined;
  private day: SpotDay | undefined;
  private zones: { names: readonly string[]; of: Uint8Array } | undefined;
  private tidal: TidalGround | undefined;
  private lastWays: { key: string; ways: WaysOut } | undefined;
  private lastScan: { scan: Scan; model: HoldingModel } | undefined;

  constructor(
    private readonly frame: ChartFrame,
    bed: Uint8Array,
  ) {
    this.grid = bedFromBytes(frame, bed);
    this.awayCells = awayFromBytes(frame, bed);
    this.projection = chartProjection(frame.epsg);
  }

  /** Reads the bed under a level, where that was not the last one. */
  read(levelM: number, begin?: (step: ReadingStep) => void): FormReading {
    if (this.reading?.levelM !== levelM) this.reading = readForms(this.grid, levelM, begin);
    return this.reading;
  }

  /** Reads the chart for a level, where that changed, and makes a day ready. */
  prepare({ kind, features, conditions, levelM }: ChartDay, begin?: (step: ReadingStep) => void): void {
    this.day = judgeSpots(conditions, this.grid.cellM);
    // Read under the highest tide, so that no water is missed; each hour's depths lie under that by so much.
    const readM = Math.round((levelM + this.day.highM) * 100) / 100;
    this.ground = readGround(this.read(readM, begin), {
      epsg: this.frame.epsg,
      kind,
      features,
      windFromDeg: conditions.windFromDeg ?? undefined,
    });
    this.zones = this.paintZones(features);
    this.lastScan = undefined;
    this.lastWays = undefined;
    this.tidal = undefined;
  }

  /** The rows and columns between which all water lies, the last ones included. */
  wet(): { west: number; east: number; north: number; south: number } {
    const { cols } = this.grid;
    const box = { west: cols - 1, east: 0, north: this.grid.rows - 1, south: 0 };
    for (const cell of this.prepared().ground.wet) {
      const col = cell % cols;
      const row = (cell - col) / cols;
      if (col < box.west) box.west = col;
      if (col > box.east) box.east = col;
      if (row < box.north) box.north = row;
      if (row > box.south) box.south = row;
    }
    return box;
  }

  /** Minutes past midnight for which the day has a model, in steps of a quarter hour. */
  minutes(): number[] {
    return this.prepared().day.models.map(({ moment }) => moment.minute);
  }

  /** What the tide does at a minute; null where there is none. */
  tideAt(minute: number): TidalHour | null {
    const { ground, day } = this.prepared();
    if (!this.isTidal()) return null;
    this.tidal ??= tidalGround(ground);
    return tidalHour(this.tidal, this.drops(), day.models.indexOf(modelAt(day, minute)), day.highM);
  }

  /** Depth of every cell at the day's highest water, metres. */
  depthsAtHigh(): Float32Array {
    return this.prepared().ground.reading.depthM;
  }

  /** Depth of every cell at a minute, metres. */
  depthsAt(minute: number): Float32Array {
    const { ground, day } = this.prepared();
    const { depthM } = ground.reading;
    const { dropM } = modelAt(day, minute);
    if (!dropM) return depthM;
    const depths = new Float32Array(depthM.length);
    for (let cell = 0; cell < depths.length; cell++) depths[cell] = Math.max(0, (depthM[cell] as number) - dropM);
    return depths;
  }

  /** The hour's picture and its best places. */
  scanAt(minute: number, filter: SpotFilter, units: UnitSystem): HourSpots {
    const { ground } = this.prepared();
    const { scan: scanned } = this.look(minute);
    const spots = this.describe(bestCells(ground, scanned, MAX_SPOTS, filter), units);
    return { heat: heat(ground, scanned), spots };
  }

  /** What the chart knows of a place; null on land and off the chart. */
  spotAt(lonLat: readonly [number, number], minute: number, units: UnitSystem): PlacedSpot | null {
    this.look(minute);
    const cell = this.waterNear(lonLat, 0);
    return cell < 0 ? null : (this.describe([cell], units)[0] ?? null);
  }

  /** Places like one, most alike first. */
  alike(cell: number, minute: number, units: UnitSystem): { spot: PlacedSpot; like: number }[] {
    this.look(minute);
    const found = moreLike(this.prepared().ground, cell, MAX_ALIKE);
    const spots = this.describe(
      found.map((each) => each.cell),
      units,
    );
    return spots.map((spot, index) => ({ spot, like: found[index]?.like ?? 0 }));
  }

  /** Orders a day over chosen spots, by water; null where a ramp lies far from any water. */
  run(ask: RunRequest): PlacedRun | null {
    const { ground } = this.prepared();
    const { ramp, endRamp = ramp, draughtM, speedMps } = ask;
    const start = this.waterNear(ramp, this.rampReach);
    const end = this.waterNear(endRamp, this.rampReach);
    if (start < 0 || end < 0) return null;
    const cells = ask.spots.map(({ cell }) => cell);
    const described = this.describe(cells, 'metric');
    const homes =
      draughtM && this.isTidal() ? this.homesTo(cells, this.landing(endRamp, draughtM), draughtM, speedMps) : undefined;
    return placeRun(ask, {
      shape: this.grid,
      depthM: ground.reading.depthM,
      start,
      end,
      goodness: described.map(({ byQuarter }) => byQuarter),
      homes,
      lonLat: (cell) => this.lonLat(cell),
    });
  }

  /**
   * When a boat gets back to the ramp from places, over the day's tide; null where no tide moves the water, or where the
   * ramp lies far from any.
   */
  homes(cells: readonly number[], { ramp, draughtM, speedMps }: Homeward): WayHome[] | null {
    const to = this.landing(ramp, draughtM);
    return to < 0 || !this.isTidal() ? null : this.homesTo(cells, to, draughtM, speedMps);
  }

  /** Whether a cell's depth is a guess, no sounding being near. */
  isGuess(cell: number): boolean {
    const away = this.awayCells?.[cell];
    return away !== undefined && away > Math.max(GUESS_CELLS, GUESS_M / this.grid.cellM);
  }

  private get rampReach(): number {
    return Math.ceil(RAMP_REACH_M / this.grid.cellM);
  }

  /**
   * Where a boat that draws so much lies at a ramp: at the nearest water that floats it at all hours, else at the deepest
   * about. A ramp is there to be launched from; its own shallow edge is no bar.
   */
  private landing(ramp: readonly [number, number], draughtM: number): number {
    const needM = this.enoughM(draughtM);
    const near = this.waterNear(ramp, this.rampReach, needM);
    return near >= 0 ? near : this.waterNear(ramp, this.rampReach);
  }

  /** Deep enough at the day's lowest water. */
  private enoughM(draughtM: number): number {
    return draughtM + UNDER_KEEL_M + Math.max(...this.drops().map(({ dropM }) => dropM));
  }

  private isTidal(): boolean {
    return this.prepared().day.models.some(({ dropM }) => dropM > 0);
  }

  private drops(): Drop[] {
    return this.prepared().day.models.map(({ moment, dropM }) => ({ minute: moment.minute, dropM }));
  }

  private homesTo(cells: readonly number[], to: number, draughtM: number, speedMps: number): WayHome[] {
    const { ground } = this.prepared();
    const drops = this.drops();
    // What the lowest water of the day lets the boat over is deep enough for short ways.
    const enoughM = this.enoughM(draughtM);
    const key = `${to} ${enoughM}`;
    if (this.lastWays?.key !== key) {
      this.lastWays = { key, ways: waysOut(this.grid, ground.reading.depthM, to, enoughM) };
    }
    const { ways } = this.lastWays;
    const boat = { drops, draughtM, speedMps };
    return cells.map((cell) => ({ ...wayHome(ways, lieOf(this.grid, ways, cell), boat), cell }));
  }

  private prepared(): { ground: Ground; day: SpotDay } {
    if (!this.ground || !this.day) throw new Error('The chart is not prepared');
    return { ground: this.ground, day: this.day };
  }

  private look(minute: number): { scan: Scan; model: HoldingModel } {
    const { ground, day } = this.prepared();
    const model = modelAt(day, minute);
    if (this.lastScan?.model === model) return this.lastScan;
    const azimuth = sunAzimuthDeg(day.sun, day.latitude, model.moment.minute);
    return (this.lastScan = { scan: scan(ground, model, azimuth), model });
  }

  private describe(cells: readonly number[], units: UnitSystem): PlacedSpot[] {
    const { ground, day } = this.prepared();
    const { scan: scanned, model } = this.lastScan ?? this.look(day.models[0]?.moment.minute ?? 0);
    return describeSpots(ground, cells, day, model, scanned, units).map((spot) => ({
      ...spot,
      lonLat: this.lonLat(spot.cell),
      zone: this.zones?.names[(this.zones.of[spot.cell] as number) - 1] ?? null,
      guessM: this.isGuess(spot.cell) ? (this.awayCells?.[spot.cell] as number) * this.grid.cellM : null,
    }));
  }

  private lonLat(cell: number): [number, number] {
    return this.projection.toLonLat(middleOf(this.grid, cell));
  }

  /** The cell with water deeper than so much nearest to a point, within so many cells; -1 where there is none. */
  private waterNear(lonLat: readonly [number, number], reach: number, overM = 0): number {
    const { cols, rows } = this.grid;
    const { depthM } = this.prepared().ground.reading;
    const own = cellAt(this.grid, this.projection.toChart(lonLat));
    if (own < 0) return -1;
    const [col, row] = [own % cols, Math.floor(own / cols)];
    let best = -1;
    let nearest = Infinity;
    for (let y = Math.max(0, row - reach); y <= Math.min(rows - 1, row + reach); y++) {
      for (let x = Math.max(0, col - reach); x <= Math.min(cols - 1, col + reach); x++) {
        const away = (x - col) ** 2 + (y - row) ** 2;
        if (away < nearest && (depthM[y * cols + x] as number) > overM) {
          best = y * cols + x;
          nearest = away;
        }
      }
    }
    return best;
  }

  private paintZones(features: readonly ChartFeature[]): { names: readonly string[]; of: Uint8Array } {
    const zones = features.filter(({ kind, name }) => kind === 'zone' && name);
    const of = new Uint8Array(this.grid.cols * this.grid.rows);
    for (const [index, { shape }] of zones.entries()) {
      if (shape.type !== 'Polygon') continue;
      const rings = shape.coordinates.map((ring) => ring.map(this.projection.toChart));
      for (const cell of cellsInside(this.grid, rings)) of[cell] = index + 1;
    }
    return { names: zones.map(({ name }) => name as string), of };
  }
}

/** Farther than this from any sounding the bed is a guess: in cells, and at least so many metres. */
const GUESS_CELLS = 4;
const GUESS_M = 15;

/** The model of the quarter hour that is nearest to a minute. */
function modelAt({ day, models }: SpotDay, minute: number): HoldingModel {
  const { minute: nearest } = momentAt(day, minute);
  return models.find(({ moment }) => moment.minute === nearest) as HoldingModel;
}

/** A ramp drawn on land belongs to the water within so many metres. */
const RAMP_REACH_M = 400;
