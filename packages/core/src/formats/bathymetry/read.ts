import { readAsciiGrid } from '../ascii-grid.js';
import { featureFormatOf } from '../features/read.js';
import { FileProblem } from '../file-problem.js';
import type { LonLat } from '../../chart/projection.js';
import { knownCrs } from '../../chart/crs.js';
import { rangeOf, type BedFile } from './found.js';
import { readGeoTiff } from './geotiff.js';
import { soundingsInContours, soundingsInGpx, soundingsInTable } from './soundings.js';

/** Files larger than this are refused before they are read. */
export const MAX_BED_FILE_BYTES = 250e6;

/** @throws FileProblem where a file is too large or holds nothing */
export function checkSize(name: string, bytes: number): void {
  if (!bytes) throw new FileProblem(`${name} is empty.`);
  if (bytes <= MAX_BED_FILE_BYTES) return;
  const [own, most] = [bytes, MAX_BED_FILE_BYTES].map((size) => Math.round(size / 1e6));
  throw new FileProblem(
    `${name} is ${own} MB: expected at most ${most}. Cut out the water you fish, or make the cells larger.`,
  );
}

/** The two signs with which every TIFF begins, by its order of bytes, and its number. */
function isTiff(bytes: ArrayBuffer): boolean {
  const [a, b, c, d] = new Uint8Array(bytes, 0, Math.min(4, bytes.byteLength));
  const little = a === 0x49 && b === 0x49 && (c === 42 || c === 43) && d === 0;
  return little || (a === 0x4d && b === 0x4d && c === 0 && (d === 42 || d === 43));
}

/** Figures of a grid that are degrees: no projected grid lies so near its zero, none has cells so small. */
const looksLikeDegrees = (west: number, north: number, cell: number): boolean =>
  Math.abs(west) <= 180 && Math.abs(north) <= 90 && cell < 0.2;

function gridIn(text: string, step?: (share: number) => void): BedFile {
  const { cols, rows, cellM, westM, northM, values } = readAsciiGrid(text, step);
  const raster = { cols, rows, values, west: westM, north: northM, across: cellM, down: cellM };
  const crs = looksLikeDegrees(westM, northM, cellM) ? (knownCrs(4326) ?? null) : null;
  return { from: 'grid', raster, crs, unit: null, sense: null, left: 0, ...rangeOf(values) };
}

/**
 * Reads depths from a file: an ESRI ASCII grid, a GeoTIFF, contours in GeoJSON, or soundings in GPX or in rows of a
 * table. What it is, its first signs tell.
 * @param textOf gives the bytes as text
 * @param water where the water lies, for tables without a head
 * @throws FileProblem in a sentence with line, byte or feature
 */
export async function readBathymetry(
  bytes: ArrayBuffer,
  textOf: (bytes: ArrayBuffer) => string,
  water: LonLat,
  step?: (share: number) => void,
): Promise<BedFile> {
  if (isTiff(bytes)) return readGeoTiff(bytes, step);
  const text = textOf(bytes);
  if (/^\s*n(cols|rows)\s/i.test(text)) return gridIn(text, step);
  const format = featureFormatOf(text);
  if (format === 'gpx') return soundingsInGpx(text);
  if (format === 'geojson') return soundingsInContours(text);
  if (format === 'kml')
    throw new FileProblem('KML holds no depths that can be read here: bring it in as marks and areas.');
  if (text.startsWith('PK')) throw new FileProblem('This file is packed: unpack it first.');
  if (text.slice(0, 2000).includes('\u0000')) {
    throw new FileProblem(
      'This is none of the files that can be read here: expected a grid, a GeoTIFF, contours or soundings.',
    );
  }
  return soundingsInTable(text, water);
}
