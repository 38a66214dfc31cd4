import { deflateSync } from 'node:zlib';
import { zlibSync } from 'fflate';
import { featuresOf, type RawFeature } from '../features/found';
import { crossingIn } from '../../chart/crossing';
import { toldInGpx } from '../features/gpx';
import { readGeoTiff } from './geotiff';
import { blockBytes, lzwLength, packBitsLength } from './tiff-unpacking';

/** One field of a TIFF: tag, type (3 for 16 bits, 4 for 32, 12 for doubles), values. */
type Field = readonly [tag: number, type: 3 | 4 | 12, values: readonly number[]];
const SIZES = { 3: 2, 4: 4, 12: 8 } as const;

/** A little-endian TIFF of one strip that holds 32-bit floats, in degrees; the fields may say what they like. */
function tiffOf(cols: number, rows: number, strip: Uint8Array, more: readonly Field[] = []): ArrayBuffer {
  const usual: Field[] = [
    [256, 4, [cols]],
    [257, 4, [rows]],
    [258, 3, [32]],
    [259, 3, [8]],
    [262, 3, [1]],
    [273, 4, [0]],
    [277, 3, [1]],
    [278, 4, [rows]],
    [279, 4, [strip.length]],
    [339, 3, [3]],
    [33550, 12, [0.0001, 0.0001, 0]],
    [33922, 12, [0, 0, 0, -88.4, 35.9, 0]],
    [34735, 3, [1, 1, 0, 2, 1024, 0, 1, 2, 2048, 0, 1, 4326]],
  ];
  const fields = [...new Map([...usual, ...more].map((field) => [field[0], field])).values()].sort(
    (a, b) => a[0] - b[0],
  );
  const head = 8 + 2 + fields.length * 12 + 4;
  const long = fields.reduce((sum, [, type, { length }]) => sum + Math.max(8, length * SIZES[type]), 0);
  const bytes = new ArrayBuffer(head + long + strip.length);
  const view = new DataView(bytes);
  const put = (at: number, type: Field[1], value: number) =>
    type === 3
      ? view.setUint16(at, value, true)
      : type === 4
        ? view.setUint32(at, value, true)
        : view.setFloat64(at, value, true);
  view.setUint16(0, 0x4949, true);
  view.setUint16(2, 42, true);
  view.setUint32(4, 8, true);
  view.setUint16(8, fields.length, true);
  let free = head;
  fields.forEach(([tag, type, values], index) => {
    const at = 10 + index * 12;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, values.length, true);
    const told = tag === 273 ? [head + long] : values;
    const inside = values.length * SIZES[type] <= 4;
    if (!inside) view.setUint32(at + 8, free, true);
    told.forEach((value, each) => put((inside ? at + 8 : free) + each * SIZES[type], type, value));
    if (!inside) free += Math.max(8, values.length * SIZES[type]);
  });
  new Uint8Array(bytes).set(strip, head + long);
  return bytes;
}

const depths = (cells: number) => new Uint8Array(Float32Array.from({ length: cells }, (_, at) => -1 - (at % 7)).buffer);

describe('a TIFF that was made to swell', () => {
  it('of honest rows is read whole, in one strip as in any', async () => {
    const found = await readGeoTiff(tiffOf(40, 30, deflateSync(depths(1200))));
    expect(found).toMatchObject({ from: 'geotiff', count: 1200 });
    expect(found.raster?.values[8]).toBe(-2);
  });

  it('unpacks a strip of all rows once, however many rows there are', async () => {
    const steps: number[] = [];
    await readGeoTiff(tiffOf(200, 600, deflateSync(depths(120_000))), (share) => steps.push(share));
    expect(steps).toEqual([1]);
  });

  it.each([
    ['deflate', 8, (): Uint8Array => deflateSync(new Uint8Array(80_000_000))],
    ['PackBits', 32773, (): Uint8Array => Uint8Array.from({ length: 200_000 }, (_, at) => (at % 2 ? 0 : 129))],
  ])('packed with %s is refused in a sentence before it is large', async (_name, packing, strip) => {
    await expect(readGeoTiff(tiffOf(40, 30, strip(), [[259, 3, [packing]]]))).rejects.toThrow(
      'one of its blocks unpacks to more than its cells hold',
    );
  });

  it('whose strip is said to go on for ever ends with its rows', async () => {
    const bytes = tiffOf(40, 30, deflateSync(depths(1200)), [[278, 4, [0xffffffff]]]);
    expect(await readGeoTiff(bytes)).toMatchObject({ count: 1200 });
  });

  it('packed in another way is refused with the way', async () => {
    await expect(readGeoTiff(tiffOf(4, 4, depths(16), [[259, 3, [50000]]]))).rejects.toThrow(
      'packed in way 50000, which is not read here',
    );
  });
});

describe('how much comes out of a packing', () => {
  it('is counted without unpacking: LZW', () => {
    // Codes of nine bits: clear, 65, 258 (65 65), 259 (three of them), end.
    const codes = [256, 65, 258, 259, 257];
    const bits = codes.map((code) => code.toString(2).padStart(9, '0')).join('');
    const packed = Uint8Array.from(bits.match(/.{1,8}/g) ?? [], (byte) => parseInt(byte.padEnd(8, '0'), 2));
    expect(lzwLength(packed, 1000)).toBe(1 + 2 + 3);
    expect(lzwLength(packed, 2)).toBeLessThanOrEqual(6);
  });

  it('PackBits: runs, copies and what means nothing', () => {
    expect(packBitsLength(Uint8Array.of(0xfe, 7, 0x02, 1, 2, 3, 0x80, 0x00, 9))).toBe(3 + 3 + 1);
  });

  it('an honest block holds its cells in all their bands, or in one where they stand apart', () => {
    const block = { tileWidth: 10, tileHeight: 4, bitsPerSample: [16, 16], planarConfiguration: 1 };
    expect(blockBytes(block)).toBe(160);
    expect(blockBytes({ ...block, planarConfiguration: 2 })).toBe(80);
    expect(blockBytes({ ...block, bitsPerSample: 1 })).toBe(8);
  });

  it('does not depend on who packed it', async () => {
    expect(await readGeoTiff(tiffOf(40, 30, zlibSync(depths(1200))))).toMatchObject({ count: 1200 });
  });
});

describe('large files of marks and tracks', () => {
  it('say the line of a problem, be it the forty thousandth', () => {
    const points = Array.from({ length: 40_000 }, (_, at) => `<trkpt lat="${35 + at * 1e-6}" lon="-88"/>\n`);
    const text = (last: string) => `<gpx>\n<trk><trkseg>\n${points.join('')}${last}</trkseg></trk></gpx>`;
    expect(toldInGpx(text(''))).toHaveLength(1);
    expect(() => toldInGpx(text('<trkpt lat="195" lon="0"/>'))).toThrow('line 40003: expected degrees');
  });

  it('have rings that zigzag over all their width looked through', () => {
    const ring: [number, number][] = Array.from({ length: 49_000 }, (_, at) => [at % 2 ? 1 : 0, at * 1e-5]);
    const whole = [...ring, [-1, 0.6], [-1, -0.1], [0, 0]] as [number, number][];
    expect(crossingIn(whole)).toBeNull();
    const crossed = [...ring, [0.5, -0.1], [0, 0]] as [number, number][];
    expect(crossingIn(crossed)).not.toBeNull();
    const told: RawFeature = { where: 'line 1', shape: { type: 'Polygon', coordinates: [[[0, 0], [1, 1], [1, 0], [0, 1], [0, 0]]] }, own: {} }; // prettier-ignore
    expect(() => featuresOf([told], () => '01950000-0000-7000-8000-000000000001')).toThrow('crosses itself');
  });
});
