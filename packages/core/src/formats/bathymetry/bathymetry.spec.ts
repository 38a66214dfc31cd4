import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeArrayBuffer } from 'geotiff';
import { cellAt, chartProjection, type Grid } from '../../chart';
import { seededNumbers } from '../../numbers/seeded';
import { checkSize, guessChoices, layBed, readBathymetry, type BedChoices, type BedFile, type LaidBed } from '.';

const WATER = { name: 'the lake', lonLat: [-88.4, 35.9] as [number, number] };
const EPSG = 32616;
const { toChart, toLonLat } = chartProjection(EPSG);
const [X, Y] = toChart(WATER.lonLat).map((metres) => Math.round(metres)) as [number, number];
/** A bowl with a hump in it, in metres above the water, by metres east and north of the water's middle. */
const bowl = (east: number, north: number) =>
  -12 + (east * east + north * north) / 40_000 + 5 * Math.exp(-((east - 150) ** 2 + (north - 60) ** 2) / 4000);

const utf8 = (bytes: ArrayBuffer) => new TextDecoder().decode(bytes);
const bytesOf = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
const read = (file: string | ArrayBuffer) =>
  readBathymetry(typeof file === 'string' ? bytesOf(file) : file, utf8, WATER.lonLat);
const lay = (found: BedFile, change: Partial<BedChoices> = {}) =>
  layBed(found, { ...guessChoices(found), ...change }, WATER);
/** The bed of a laid chart at metres from the water's middle. */
const bedAt = ({ grid }: Pick<LaidBed, 'grid'>, east: number, north: number): number =>
  grid.values[cellAt(grid, [X + east, Y + north])] as number;

/** How far a laid bed is from the bowl, at places inside it. */
function errors(laid: LaidBed): number[] {
  const found: number[] = [];
  for (let east = -300; east <= 300; east += 37) {
    for (let north = -300; north <= 300; north += 41) {
      const [longitude, latitude] = toLonLat([X + east, Y + north]);
      const at = chartProjection(laid.epsg).toChart([longitude, latitude]);
      found.push(Math.abs((laid.grid.values[cellAt(laid.grid, at)] as number) - bowl(east, north)));
    }
  }
  return found;
}

const CELL = 10;
const SIDE = 80;
const bowlValues = (scale = 1): Float32Array =>
  Float32Array.from({ length: SIDE * SIDE }, (_, cell) => {
    const [col, row] = [cell % SIDE, Math.floor(cell / SIDE)];
    return scale * bowl((col + 0.5 - SIDE / 2) * CELL, (SIDE / 2 - row - 0.5) * CELL);
  });
function tiff(values: ArrayLike<number>, more: Record<string, unknown> = {}): ArrayBuffer {
  return writeArrayBuffer(values as never, {
    width: SIDE,
    height: SIDE,
    ModelPixelScale: [CELL, CELL, 0],
    ModelTiepoint: [0, 0, 0, X - (SIDE / 2) * CELL, Y + (SIDE / 2) * CELL, 0],
    GTModelTypeGeoKey: 1,
    GTRasterTypeGeoKey: 1,
    ProjectedCSTypeGeoKey: EPSG,
    BitsPerSample: [32],
    SampleFormat: [3],
    ...more,
  }) as unknown as ArrayBuffer;
}
function asciiGrid(head: Record<string, number>, values: ArrayLike<number>, cols = SIDE): string {
  const rows = Array.from(
    { length: values.length / cols },
    (_, row) =>
    Array.from(values).slice(row * cols, (row + 1) * cols).join(' '), // prettier-ignore
  );
  return `${Object.entries(head).map(([key, value]) => `${key} ${value}`).join('\n')}\n${rows.join('\n')}\n`; // prettier-ignore
}

describe('a grid', () => {
  const HEAD = { ncols: SIDE, nrows: SIDE, xllcorner: X - 400, yllcorner: Y - 400, cellsize: CELL };

  it('in metres goes on the chart as it is', async () => {
    const found = await read(asciiGrid(HEAD, bowlValues()));
    expect(found).toMatchObject({ from: 'grid', crs: null, count: SIDE * SIDE });
    const laid = lay(found);
    expect(laid).toMatchObject({ epsg: EPSG, awayM: null, grid: { cols: SIDE, rows: SIDE, cellM: CELL } });
    expect(Math.max(...errors(laid))).toBeLessThan(0.6);
    expect(bedAt(laid, 5, 5)).toBeCloseTo(bowl(5, 5), 3);
  });

  it('in feet, or as depths, or as heights over the sea, is the same bed once that is said', async () => {
    const metres = bedAt(lay(await read(asciiGrid(HEAD, bowlValues()))), 5, 5);
    const feet = bowlValues(1 / 0.3048).map((value) => value + 400);
    const high = await read(asciiGrid(HEAD, feet));
    expect(guessChoices(high).sense).toBe('height');
    expect(bedAt(lay(high, { unit: 'ft', surface: 400 }), 5, 5)).toBeCloseTo(metres, 3);
    const deep = await read(asciiGrid(HEAD, bowlValues().map((value) => Math.max(0, -value)))); // prettier-ignore
    expect(guessChoices(deep).sense).toBe('depth');
    expect(bedAt(lay(deep), 5, 5)).toBeCloseTo(metres, 3);
  });

  it('in degrees is put into metres', async () => {
    const [west, south] = toLonLat([X - 400, Y - 400]);
    const cellsize = 0.0001;
    const cols = 90;
    const values = Float32Array.from({ length: cols * 80 }, (_, cell) => {
      const at = toChart([
        west + ((cell % cols) + 0.5) * cellsize,
        south + (79.5 - Math.floor(cell / cols)) * cellsize,
      ]);
      return bowl(at[0] - X, at[1] - Y);
    });
    const found = await read(
      asciiGrid({ ncols: cols, nrows: 80, xllcorner: west, yllcorner: south, cellsize }, values, cols),
    );
    expect(found.crs?.degrees).toBe(true);
    const laid = lay(found);
    expect(laid.epsg).toBe(EPSG);
    expect(laid.grid.cellM).toBeCloseTo(10, 0);
    // A cell's slope at most: the bed changes by half a metre in ten.
    expect(Math.max(...errors(laid))).toBeLessThan(0.6);
  });

  it.each([
    ['lies on no water of ours', { xllcorner: 0, yllcorner: 0 }, {}, /lies \d+ km from the lake/],
    ['is all land as it is read', {}, { sense: 'height', surface: -20 }, 'all of it lies above the water'],
    ['is too deep as it is read', {}, { sense: 'height', surface: 400 }, 'it is 412 m deep: expected at most 327 m'],
  ] as const)('that %s is refused', async (_, head, choices, words) => {
    const found = await read(asciiGrid({ ...HEAD, ...head }, bowlValues()));
    expect(() => lay(found, choices)).toThrow(words);
  });
});

describe('a GeoTIFF', () => {
  it('goes on the chart as it is; a figure for a point stands for its middle', async () => {
    const area = lay(await read(tiff(bowlValues())));
    expect(bedAt(area, 5, 5)).toBeCloseTo(bowl(5, 5), 3);
    const tiepoint = [0, 0, 0, X - (SIDE / 2 - 0.5) * CELL, Y + (SIDE / 2 - 0.5) * CELL, 0];
    const point = lay(await read(tiff(bowlValues(), { GTRasterTypeGeoKey: 2, ModelTiepoint: tiepoint })));
    expect(bedAt(point, 5, 5)).toBeCloseTo(bowl(5, 5), 3);
    expect(point.grid.westM).toBeCloseTo(area.grid.westM, 6);
  });

  it('says of itself that it is in feet; what has no data is not known', async () => {
    const values = bowlValues(1 / 0.3048);
    values[0] = -9999;
    const found = await read(tiff(values, { VerticalUnitsGeoKey: 9002, GDAL_NODATA: '-9999' }));
    expect(found).toMatchObject({ unit: 'ft', count: SIDE * SIDE - 1 });
    const laid = lay(found);
    expect(bedAt(laid, 5, 5)).toBeCloseTo(bowl(5, 5), 3);
    expect(laid.grid.values[0]).toBeNaN();
  });

  it.each([
    ['in a projection that is not known', { ProjectedCSTypeGeoKey: 2274 }, 'EPSG 2274, which is not known here'],
    ['with places in feet', { ProjLinearUnitsGeoKey: 9003 }, 'in feet, which is not known here'],
    ['in a projection of its own', { ProjectedCSTypeGeoKey: 32767 }, 'a projection of its own'],
  ])('%s is refused', async (_, more, words) => {
    await expect(read(tiff(bowlValues(), more))).rejects.toThrow(words);
  });

  it('that breaks off is refused with the byte', async () => {
    const whole = tiff(bowlValues());
    const cut = whole.byteLength - 5000;
    await expect(read(whole.slice(0, cut))).rejects.toThrow(`breaks off at byte ${cut}`);
    await expect(read(whole.slice(0, 12))).rejects.toThrow('byte 12');
  });

  it('without any data, or that is a picture, is refused', async () => {
    await expect(read(tiff(bowlValues().fill(-9999), { GDAL_NODATA: '-9999' }))).rejects.toThrow(
      'no data in every cell',
    );
    const picture = writeArrayBuffer(new Uint8Array(SIDE * SIDE * 3) as never, {
      width: SIDE,
      height: SIDE,
      SamplesPerPixel: [3],
      BitsPerSample: [8, 8, 8],
    }) as unknown as ArrayBuffer;
    await expect(read(picture)).rejects.toThrow('a picture in colours');
  });

  // Without the other programs it is skipped, and counted as that.
  const withPrograms = spawnSync('gdalwarp', ['--version']).error ? it.skip : it;
  withPrograms('of other programs, packed and in degrees, comes out as they would put it', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'inky-tiff-'));
    const at = (name: string) => join(folder, name);
    const run = (command: string, ...args: string[]) =>
      expect(spawnSync(command, args, { cwd: folder, encoding: 'utf8' }).stderr).toBe('');
    const grid = (name: string): ArrayBuffer => new Uint8Array(readFileSync(at(name))).buffer;
    try {
      writeFileSync(at('bowl.tif'), new Uint8Array(tiff(bowlValues())));
      for (const packing of ['DEFLATE', 'LZW', 'ZSTD']) {
        run('gdal_translate', '-q', '-co', `COMPRESS=${packing}`, '-co', 'TILED=YES', 'bowl.tif', `${packing}.tif`);
        const laid = lay(await read(grid(`${packing}.tif`)));
        expect(bedAt(laid, 5, 5)).toBeCloseTo(bowl(5, 5), 3);
      }
      for (const epsg of ['4326', '3857', '26916', '32615']) {
        run(
          'gdalwarp',
          '-q',
          '-r',
          'bilinear',
          '-dstnodata',
          '-9999',
          '-t_srs',
          `EPSG:${epsg}`,
          'bowl.tif',
          `${epsg}.tif`,
        );
        const laid = lay(await read(grid(`${epsg}.tif`)));
        expect(Math.max(...errors(laid))).toBeLessThan(0.8);
      }
    } finally {
      rmSync(folder, { recursive: true });
    }
  });
});

describe('soundings', () => {
  const random = seededNumbers(4);
  const PLACES = Array.from({ length: 3000 }, () => [(random() - 0.5) * 760, (random() - 0.5) * 760] as const);
  const rows = (row: (longitude: number, latitude: number, bed: number) => string) =>
    PLACES.map(([east, north]) => {
      const [longitude, latitude] = toLonLat([X + east, Y + north]);
      return row(longitude, latitude, bowl(east, north));
    }).join('\n');
  const rms = (laid: LaidBed) => {
    const found = errors(laid);
    return Math.hypot(...found) / Math.sqrt(found.length);
  };

  it('in a table are joined to a bed that is near the true one, and say how far off they are', async () => {
    const found = await read(
      `lat,lon,depth_ft\n${rows((x, y, bed) => `${y.toFixed(6)},${x.toFixed(6)},${(-bed / 0.3048).toFixed(2)}`)}`,
    );
    expect(found).toMatchObject({ from: 'soundings', unit: 'ft', sense: 'depth', count: 3000 });
    const laid = lay(found);
    expect(rms(laid)).toBeLessThan(0.25);
    const { awayM, grid } = laid;
    expect(awayM?.[cellAt(grid, [X + PLACES[0]![0], Y + PLACES[0]![1]])]).toBeLessThanOrEqual(grid.cellM);
    expect(grid.values[0]).toBeNaN();
  });

  it('without a head are told apart by where the water lies; in metres they are of its zone', async () => {
    const bare = await read(rows((x, y, bed) => `${bed.toFixed(2)};${y.toFixed(6)};${x.toFixed(6)}`));
    expect(guessChoices(bare).sense).toBe('height');
    expect(rms(lay(bare))).toBeLessThan(0.25);
    const metres = await read(
      `easting,northing,z\n${PLACES.map(([e, n]) => `${X + e},${Y + n},${bowl(e, n)}`).join('\n')}`,
    );
    expect(metres.crs).toBeNull();
    expect(rms(lay(metres))).toBeLessThan(0.25);
  });

  it('in GPX tell their depth among the extensions, or as heights', async () => {
    const track = (inside: (bed: number) => string) =>
      `<gpx version="1.1"><trk><trkseg>${rows((x, y, bed) => `<trkpt lat="${y}" lon="${x}">${inside(bed)}</trkpt>`)}</trkseg></trk></gpx>`;
    const own = await read(
      track((bed) => `<ele>180</ele><extensions><s:e xmlns:s="urn:s"><s:depth>${-bed}</s:depth></s:e></extensions>`),
    );
    expect(own.sense).toBe('depth');
    expect(rms(lay(own))).toBeLessThan(0.25);
    const heights = await read(track((bed) => `<ele>${bed}</ele>`));
    expect(heights.sense).toBe('height');
    expect(rms(lay(heights))).toBeLessThan(0.25);
  });

  it('along contours are joined across what lies between them', async () => {
    const features = [0, -2, -4, -6, -8, -10].map((bed) => {
      const radius = Math.sqrt((bed + 12) * 40_000);
      const ring = Array.from({ length: 73 }, (_, at) =>
        toLonLat([X + radius * Math.cos((at * Math.PI) / 36), Y + radius * Math.sin((at * Math.PI) / 36)]),
      );
      return { type: 'Feature', properties: { depth: -bed }, geometry: { type: 'LineString', coordinates: ring } };
    });
    const found = await read(JSON.stringify({ type: 'FeatureCollection', features }));
    expect(found).toMatchObject({ from: 'contours', sense: 'depth', least: 0, most: 10 });
    const laid = lay(found);
    // Half way between two of them, away from the hump that they do not know.
    for (const radius of [530, 330]) expect(bedAt(laid, -radius, 0)).toBeCloseTo(-12 + radius ** 2 / 40_000, 0);
  });

  it.each([
    [
      'a row that is cut',
      `lat,lon,depth\n${'35.9,-88.4,3\n'.repeat(11)}35.9,-88.4`,
      'line 13: expected 3 columns, got 2',
    ],
    ['a word for a depth', `lat,lon,depth\n35.9,-88.4,deep\n`, 'line 2: expected a depth, got "deep"'],
    ['no depths', 'lat,lon,temp\n35.9,-88.4,8\n', 'line 1: expected a column with a depth, got lat, lon, temp.'],
    ['too few', 'lat,lon,depth\n35.9,-88.4,3\n', 'expected at least 10 depths, got 1'],
    ['latitude and longitude swapped', 'lat,lon,depth\n-98.4,35.9,3\n', 'line 2: a latitude of -98.4 cannot be'],
    ['a GPX with no points', '<gpx version="1.1"></gpx>', 'There are no points in this GPX file.'],
    ['contours that tell no depth', '{"type":"FeatureCollection","features":[]}', 'expected at least 10 depths, got 0'],
    ['a picture of another kind', '\u0089PNG\u0000\u0001', 'none of the files that can be read here'],
  ])('with %s are refused', async (_, text, words) => {
    await expect(read(text)).rejects.toThrow(words);
  });

  it('that are swapped but could be places are known by where the water lies', async () => {
    const swapped = await read(`lat,lon,depth\n${rows((x, y) => `${x.toFixed(5)},${y.toFixed(5)},3`)}`);
    expect(() => lay(swapped)).toThrow('Latitude and longitude are swapped in this file');
  });
});

it('refuses a file of 500 MB and an empty one before it is read', () => {
  expect(() => checkSize('lake.asc', 500e6)).toThrow('lake.asc is 500 MB: expected at most 250.');
  expect(() => checkSize('lake.asc', 0)).toThrow('lake.asc is empty.');
  expect(() => checkSize('lake.asc', 40e6)).not.toThrow();
});

it('is a grid of the same numbers whichever way it came in', async () => {
  const one: Grid = lay(await read(tiff(bowlValues()))).grid;
  const HEAD = { ncols: SIDE, nrows: SIDE, xllcorner: X - 400, yllcorner: Y - 400, cellsize: CELL };
  const other: Grid = lay(await read(asciiGrid(HEAD, bowlValues()))).grid;
  expect(other.westM).toBe(one.westM);
  expect(other.northM).toBe(one.northM);
  expect(Math.max(...other.values.map((value, cell) => Math.abs(value - (one.values[cell] as number))))).toBeLessThan(
    1e-5,
  );
});
