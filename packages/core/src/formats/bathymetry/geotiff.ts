import { fromArrayBuffer, type GeoTIFFImage } from 'geotiff';
import { knownCrs, type Crs } from '../../chart/crs.js';
import { MAX_CELLS } from '../ascii-grid.js';
import { FileProblem } from '../file-problem.js';
import { boundUnpacking, READABLE_PACKINGS } from './tiff-unpacking.js';
import { rangeOf, type BedUnit, type BedFile, type Raster } from './found.js';

/** Numbers of the GeoTIFF standard (OGC 19-008r4): model types, raster types, units, and "its own". */
const MODEL_GEOGRAPHIC = 2;
const RASTER_PIXEL_IS_POINT = 2;
const UNITS: Readonly<Record<number, BedUnit>> = { 9001: 'm', 9002: 'ft', 9003: 'ft' };
const OWN_DEFINITION = 32767;
/** Rows are read in this many parts, to tell how far it is. */
const PARTS = 24;

const KNOWN = 'expected degrees, Web Mercator, or UTM on WGS 84, NAD83 or ETRS89';

type GeoKeys = NonNullable<ReturnType<GeoTIFFImage['getGeoKeys']>>;

function crsIn(keys: GeoKeys): Crs {
  const projected = keys.ProjectedCSTypeGeoKey as number | undefined;
  const linear = keys.ProjLinearUnitsGeoKey as number | undefined;
  if (keys.GTModelTypeGeoKey === MODEL_GEOGRAPHIC || projected === undefined) {
    const epsg = (keys.GeographicTypeGeoKey as number | undefined) ?? 4326;
    const crs = knownCrs(epsg);
    if (crs?.degrees) return crs;
    throw new FileProblem(`The places of this TIFF are given in EPSG ${epsg}, which is not known here: ${KNOWN}.`);
  }
  const inFeet = linear !== undefined && UNITS[linear] === 'ft';
  const crs = projected === OWN_DEFINITION || inFeet ? undefined : knownCrs(projected);
  if (crs) return crs;
  const what = projected === OWN_DEFINITION ? 'a projection of its own' : `EPSG ${projected}`;
  throw new FileProblem(
    `The places of this TIFF are given in ${what}${inFeet ? ', in feet' : ''}, which is not known here: ${KNOWN}.`,
  );
}

/** Refuses a file of which the end is missing, before its rows are asked for. */
async function checkWhole(image: GeoTIFFImage, bytes: number): Promise<void> {
  const tiled = image.fileDirectory.hasTag('TileOffsets');
  const offsets = (await image.fileDirectory.loadValue(tiled ? 'TileOffsets' : 'StripOffsets')) as ArrayLike<number>;
  const counts = (await image.fileDirectory.loadValue(
    tiled ? 'TileByteCounts' : 'StripByteCounts',
  )) as ArrayLike<number>;
  let end = 0;
  for (let at = 0; at < offsets.length; at++) end = Math.max(end, Number(offsets[at]) + Number(counts[at]));
  if (end > bytes) throw new FileProblem(`This TIFF breaks off at byte ${bytes}: its rows go on to byte ${end}.`);
}

/** Refuses blocks that are packed in an unknown way, or are so large that one of them fills the memory. */
function checkBlocks(image: GeoTIFFImage): void {
  const packing = (image.fileDirectory.getValue('Compression') as number | undefined) ?? 1;
  if (!READABLE_PACKINGS.has(packing)) {
    throw new FileProblem(
      `This TIFF is packed in way ${packing}, which is not read here: expected none, LZW, deflate or PackBits.`,
    );
  }
  const cells = image.getTileWidth() * image.getTileHeight();
  if (cells * image.getSamplesPerPixel() > MAX_CELLS) {
    throw new FileProblem(
      `The blocks of this TIFF have ${Math.round(cells / 1e6)} million cells: expected at most ${MAX_CELLS / 1e6}.`,
    );
  }
}

async function unitIn(image: GeoTIFFImage, keys: GeoKeys): Promise<BedUnit | null> {
  const vertical = keys.VerticalUnitsGeoKey as number | undefined;
  if (vertical !== undefined && UNITS[vertical]) return UNITS[vertical];
  const told = (await image.getGDALMetadata(0)) as Record<string, unknown> | null;
  const unit = String(told?.['UNITTYPE'] ?? '').toLowerCase();
  if (/^(ft|foot|feet|us survey foot)/.test(unit)) return 'ft';
  return /^(m|metre|meter)s?$/.test(unit) ? 'm' : null;
}

function placing(image: GeoTIFFImage, keys: GeoKeys): Omit<Raster, 'values'> {
  const [cols, rows] = [image.getWidth(), image.getHeight()];
  if (cols < 3 || rows < 3) throw new FileProblem(`This TIFF has ${cols} by ${rows} cells: expected at least 3 by 3.`);
  if (cols * rows > MAX_CELLS) {
    throw new FileProblem(
      `This TIFF has ${Math.round((cols * rows) / 1e6)} million cells: expected at most ${MAX_CELLS / 1e6}. Cut out the water you fish.`,
    );
  }
  if (image.fileDirectory.hasTag('ModelTransformation')) {
    const turned = image.fileDirectory.getValue('ModelTransformation') as ArrayLike<number>;
    if (turned[1] || turned[4])
      throw new FileProblem('This TIFF lies turned on the map: expected its rows to run east.');
  }
  let corner: number[];
  let step: number[];
  try {
    corner = image.getOrigin();
    step = image.getResolution();
  } catch {
    throw new FileProblem('This TIFF does not say where it lies: expected a GeoTIFF.');
  }
  const [across = 0, up = 0] = step;
  const [west = 0, north = 0] = corner;
  if (!(across > 0) || !(up < 0))
    throw new FileProblem('This TIFF does not run east and south: expected north at its top.');
  // Where the figures stand for points, the corner is the middle of the first cell.
  const half = keys.GTRasterTypeGeoKey === RASTER_PIXEL_IS_POINT ? 0.5 : 0;
  return { cols, rows, west: west - half * across, north: north - half * up, across, down: -up };
}

async function valuesOf(image: GeoTIFFImage, step?: (share: number) => void): Promise<Float32Array> {
  const [cols, rows] = [image.getWidth(), image.getHeight()];
  const values = new Float32Array(cols * rows);
  // In whole blocks, so that none is unpacked twice.
  const block = Math.max(1, image.getTileHeight());
  const band = block * Math.max(1, Math.round(rows / PARTS / block));
  for (let from = 0; from < rows; from += band) {
    const to = Math.min(rows, from + band);
    const [part] = (await image.readRasters({
      samples: [0],
      window: [0, from, cols, to],
    })) as unknown as ArrayLike<number>[];
    values.set(part ?? [], from * cols);
    step?.(to / rows);
  }
  const nodata = image.getGDALNoData();
  if (nodata === null || Number.isNaN(nodata)) return values;
  const none = Math.fround(nodata);
  for (let cell = 0; cell < values.length; cell++) if (values[cell] === none) values[cell] = Number.NaN;
  return values;
}

/** Reads the first band of a GeoTIFF. @throws FileProblem with the byte where it breaks off */
export async function readGeoTiff(bytes: ArrayBuffer, step?: (share: number) => void): Promise<BedFile> {
  const image = await fromArrayBuffer(bytes)
    .then((tiff) => tiff.getImage())
    .catch(() => {
      throw new FileProblem(`This TIFF cannot be read: it is damaged, or breaks off at byte ${bytes.byteLength}.`);
    });
  if (image.getSamplesPerPixel() >= 3 && image.getBitsPerSample() === 8) {
    throw new FileProblem('This TIFF is a picture in colours: expected one with a depth or a height in each cell.');
  }
  const keys = image.getGeoKeys() ?? ({} as GeoKeys);
  const placed = placing(image, keys);
  const crs = crsIn(keys);
  const unit = await unitIn(image, keys);
  await checkWhole(image, bytes.byteLength);
  checkBlocks(image);
  await boundUnpacking();
  let values: Float32Array;
  try {
    values = await valuesOf(image, step);
  } catch (error) {
    throw new FileProblem(`The rows of this TIFF cannot be read: ${(error as Error).message}`);
  }
  const range = rangeOf(values);
  if (!range.count) throw new FileProblem('expected depths, got no data in every cell');
  return { from: 'geotiff', raster: { ...placed, values }, crs, unit, sense: null, left: 0, ...range };
}
