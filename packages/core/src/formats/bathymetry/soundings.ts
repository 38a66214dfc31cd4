import { knownCrs, type Crs } from '../../chart/crs.js';
import type { LonLat } from '../../chart/projection.js';
import { geoJsonFeatures } from '../features/geojson.js';
import { figureOf, placeOf, type Position } from '../features/found.js';
import { listOf, readXml, textIn, type Element } from '../features/xml.js';
import { FileProblem } from '../file-problem.js';
import { figureIn, readTable, type TextTable } from '../table.js';
import { rangeOf, type BedSense, type BedUnit, type BedFile, type Soundings } from './found.js';

/** Characters of a table of soundings that are taken: about two million soundings. */
const MAX_CHARACTERS = 64e6;
const MIN_SOUNDINGS = 10;

const DEGREES = knownCrs(4326) as Crs;

/** Collects soundings. */
class Sounder {
  left = 0;
  private readonly x: number[] = [];
  private readonly y: number[] = [];
  private readonly value: number[] = [];

  add(x: number, y: number, value: number): void {
    this.x.push(x);
    this.y.push(y);
    this.value.push(value);
  }

  found(
    from: BedFile['from'],
    told: { crs: Crs | null; unit: BedUnit | null; sense: BedSense | null; what: string },
  ): BedFile {
    if (this.value.length < MIN_SOUNDINGS) {
      throw new FileProblem(`${told.what}: expected at least ${MIN_SOUNDINGS} depths, got ${this.value.length}.`);
    }
    const soundings: Soundings = {
      x: Float64Array.from(this.x),
      y: Float64Array.from(this.y),
      value: Float32Array.from(this.value),
    };
    const { crs, unit, sense } = told;
    return { from, soundings, crs, unit, sense, left: this.left, ...rangeOf(soundings.value) };
  }
}

const COLUMN_WORDS = {
  x: /^(lon|lng|long|x|east)/i,
  y: /^(lat|y|north)/i,
  value: /depth|sound|^z|elev|height|alt|bed|bottom/i,
} as const;
type Column = keyof typeof COLUMN_WORDS;

const FEET = /\bft\b|feet|foot|_ft/i;
const METRES = /\bm\b|met(er|re)|_m$/i;
const unitOf = (words: string): BedUnit | null => (FEET.test(words) ? 'ft' : METRES.test(words) ? 'm' : null);
const senseOf = (words: string): BedSense | null =>
  /depth|sound/i.test(words) ? 'depth' : /elev|height|alt|ele\b/i.test(words) ? 'height' : null;

/** Which columns hold what: by their heads, else three columns of which the places lie by the water. */
function columnsOf({ header, lines, decimalComma }: TextTable, [longitude, latitude]: LonLat): Record<Column, number> {
  if (header) {
    const at = (column: Column) => header.findIndex((title) => COLUMN_WORDS[column].test(title.trim()));
    const found = { x: at('x'), y: at('y'), value: at('value') };
    const missing = Object.entries(found).find(([, index]) => index < 0)?.[0] as Column | undefined;
    if (!missing) return found;
    const want = { x: 'a longitude', y: 'a latitude', value: 'a depth' }[missing];
    throw new FileProblem(`line 1: expected a column with ${want}, got ${header.join(', ').slice(0, 80)}.`);
  }
  const first = lines[0]?.cells.map((cell) => figureIn(cell, decimalComma)) ?? [];
  const near = (wanted: number) => first.findIndex((figure) => figure !== undefined && Math.abs(figure - wanted) < 1.5);
  const [x, y] = [near(longitude), near(latitude)];
  const value = first.findIndex((figure, index) => figure !== undefined && index !== x && index !== y);
  if (x < 0 || y < 0 || x === y || value < 0) {
    throw new FileProblem('line 1: expected a head that says which columns hold longitude, latitude and depth.');
  }
  return { x, y, value };
}

/** Soundings from rows of a table with a longitude, a latitude (or metres east and north) and a depth. */
export function soundingsInTable(text: string, water: LonLat): BedFile {
  const table = readTable(text, MAX_CHARACTERS);
  const { header, lines, decimalComma } = table;
  const columns = columnsOf(table, water);
  const width = header?.length ?? lines[0]?.cells.length ?? 0;
  const sounder = new Sounder();
  let degrees: boolean | undefined;
  for (const { line, cells } of lines) {
    if (cells.length < width) throw new FileProblem(`line ${line}: expected ${width} columns, got ${cells.length}.`);
    const figure = (column: Column, what: string): number => {
      const cell = cells[columns[column]] ?? '';
      const found = figureIn(cell, decimalComma);
      if (found === undefined) throw new FileProblem(`line ${line}: expected ${what}, got "${cell.slice(0, 20)}".`);
      return found;
    };
    if (!(cells[columns.value] ?? '').trim()) {
      sounder.left++;
      continue;
    }
    const [x, y] = [figure('x', 'a longitude'), figure('y', 'a latitude')];
    degrees ??= Math.abs(x) <= 180 && Math.abs(y) <= 180;
    if (degrees) placeOf(`line ${line}`, [x, y]);
    sounder.add(x, y, figure('value', 'a depth'));
  }
  const title = header?.[columns.value] ?? '';
  const told = { crs: degrees === false ? null : DEGREES, unit: unitOf(title), sense: senseOf(title) };
  return sounder.found('soundings', { ...told, what: 'These soundings' });
}

/** The depth that a point of a track tells: as depth among its extensions, else as its height. */
function depthOf(point: Element): { value: number; sense: BedSense } | undefined {
  const within = (element: Element): string | undefined => {
    const own = textIn(element, 'depth');
    if (own !== undefined) return own;
    for (const child of Object.values(element)) {
      const children = (Array.isArray(child) ? child : [child]) as unknown[];
      for (const each of children) {
        const found = typeof each === 'object' && each ? within(each as Element) : undefined;
        if (found !== undefined) return found;
      }
    }
    return undefined;
  };
  const depth = figureOf(within(point));
  if (!Number.isNaN(depth)) return { value: depth, sense: 'depth' };
  const height = figureOf(textIn(point, 'ele'));
  return Number.isNaN(height) ? undefined : { value: height, sense: 'height' };
}

/** Soundings from a GPX file: points of tracks and marks that tell a depth, in metres as GPX has it. */
export function soundingsInGpx(text: string): BedFile {
  const { root, lineOf } = readXml(text, ['wpt', 'trk', 'trkseg', 'trkpt', 'extensions']);
  const [gpx] = listOf(root, 'gpx');
  const points = [
    ...listOf(gpx, 'wpt'),
    ...listOf(gpx, 'trk').flatMap((track) => listOf(track, 'trkseg').flatMap((piece) => listOf(piece, 'trkpt'))),
  ];
  if (!points.length) throw new FileProblem('There are no points in this GPX file.');
  const sounder = new Sounder();
  let sense: BedSense | null = null;
  for (const point of points) {
    const found = depthOf(point);
    if (!found || (sense && found.sense !== sense)) {
      sounder.left++;
      continue;
    }
    sense = found.sense;
    const [x, y] = placeOf(lineOf(point), [figureOf(point['@lon']), figureOf(point['@lat'])]);
    sounder.add(x, y, found.value);
  }
  return sounder.found('soundings', { crs: DEGREES, unit: 'm', sense, what: 'The points of this GPX file' });
}

/** Names under which contours tell their depth, the surest first. */
const DEPTH_NAMES = [/depth/i, /contour/i, /elev|height/i, /^(z|value|level)$/i];

function depthIn(properties: Readonly<Record<string, unknown>>): { name: string; value: number } | undefined {
  for (const words of DEPTH_NAMES) {
    for (const [name, value] of Object.entries(properties)) {
      const figure = typeof value === 'number' ? value : figureOf(value);
      if (words.test(name) && Number.isFinite(figure)) return { name, value: figure };
    }
  }
  return undefined;
}

/** Degrees between points that are put along a contour's sides: closer than the cells of any chart made of them. */
const ALONG_DEG = 0.00005;
const MAX_ALONG = 4_000_000;

/** Points along contours, each line of which tells its depth in a property. */
export function soundingsInContours(text: string): BedFile {
  const sounder = new Sounder();
  let title = '';
  let points = 0;
  for (const { where, properties, shapes } of geoJsonFeatures(text)) {
    const told = depthIn(properties);
    if (!told) {
      sounder.left++;
      continue;
    }
    title = told.name;
    for (const { type, coordinates } of shapes) {
      const lines = (
        type === 'Polygon' ? coordinates : type === 'LineString' ? [coordinates] : [[coordinates]]
      ) as Position[][];
      for (const line of lines) {
        line.forEach((to, index) => {
          const [x1 = 0, y1 = 0] = to;
          const [x0 = x1, y0 = y1] = line[index - 1] ?? to;
          const steps = Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / ALONG_DEG));
          points += steps;
          if (points > MAX_ALONG)
            throw new FileProblem(`${where}: these contours are longer than can be taken at once.`);
          for (let step = 1; step <= steps; step++) {
            sounder.add(x0 + ((x1 - x0) * step) / steps, y0 + ((y1 - y0) * step) / steps, told.value);
          }
        });
      }
    }
  }
  const told = { crs: DEGREES, unit: unitOf(title), sense: senseOf(title), what: 'The contours of this GeoJSON' };
  return sounder.found('contours', told);
}
