import { Unzlib } from 'fflate';
import { addDecoder, BaseDecoder, getDecoder, type ImageFileDirectory } from 'geotiff';
import { FileProblem } from '../file-problem.js';

/** Ways of packing that are read, by their numbers (TIFF 6.0, and Adobe's deflate): none, LZW, deflate, PackBits. */
const LZW = 5;
const DEFLATE = [8, 32946];
const PACK_BITS = 32773;
export const READABLE_PACKINGS: ReadonlySet<number> = new Set([1, LZW, ...DEFLATE, PACK_BITS]);

/** Packed bytes are taken in pieces, so that what swells is noticed before it is large. */
const PIECE_BYTES = 16_384;
const TOO_MUCH = 'one of its blocks unpacks to more than its cells hold: it is damaged, or was made to swell';

/** What is said of a block: its cells and how many bits each of its bands has. */
interface BlockParameters {
  readonly tileWidth: number;
  readonly tileHeight: number;
  readonly bitsPerSample: number | ArrayLike<number>;
  readonly planarConfiguration: number;
}

/** Bytes that an honest block unpacks to: its cells, all their bands where these stand together. */
export function blockBytes({ tileWidth, tileHeight, bitsPerSample, planarConfiguration }: BlockParameters): number {
  const bits = typeof bitsPerSample === 'number' ? [bitsPerSample] : Array.from(bitsPerSample);
  const perCell = planarConfiguration === 2 ? Math.max(...bits) : bits.reduce((sum, each) => sum + each, 0);
  return Math.ceil((tileWidth * perCell) / 8) * tileHeight;
}

function inflated(packed: Uint8Array, most: number): ArrayBuffer {
  const whole = new Uint8Array(most);
  let length = 0;
  const unpack = new Unzlib((piece) => {
    if (length + piece.length > most) throw new FileProblem(TOO_MUCH);
    whole.set(piece, length);
    length += piece.length;
  });
  for (let from = 0; from < packed.length; from += PIECE_BYTES) {
    unpack.push(packed.subarray(from, from + PIECE_BYTES), from + PIECE_BYTES >= packed.length);
  }
  return whole.buffer;
}

/** How many bytes LZW codes stand for, without unpacking them; counting ends above `most`. (TIFF 6.0, section 13) */
export function lzwLength(packed: Uint8Array, most: number): number {
  const [clear, end, first] = [256, 257, 258];
  const lengths = new Uint32Array(4097).fill(1, 0, 256);
  let [next, bits, before, total] = [first, 9, -1, 0];
  for (let at = 0; at + bits <= packed.length * 8 && total <= most;) {
    const byte = at >> 3;
    const three = ((packed[byte] ?? 0) << 16) | ((packed[byte + 1] ?? 0) << 8) | (packed[byte + 2] ?? 0);
    const code = (three >> (24 - (at & 7) - bits)) & ((1 << bits) - 1);
    at += bits;
    if (code === end) break;
    if (code === clear) {
      [next, bits, before] = [first, 9, -1];
      continue;
    }
    if (code > next || (code === next && before < 0)) break;
    const length = code < next ? (lengths[code] as number) : (lengths[before] as number) + 1;
    if (before >= 0 && next < 4096) lengths[next++] = (lengths[before] as number) + 1;
    if (next >= (1 << bits) - 1 && bits < 12) bits++;
    before = code;
    total += length;
  }
  return total;
}

/** How many bytes PackBits runs stand for. (TIFF 6.0, section 9) */
export function packBitsLength(packed: Uint8Array): number {
  let total = 0;
  for (let at = 0; at < packed.length;) {
    const run = ((packed[at] as number) << 24) >> 24;
    total += run >= 0 ? run + 1 : run === -128 ? 0 : 1 - run;
    at += run >= 0 ? run + 2 : run === -128 ? 1 : 2;
  }
  return total;
}

/** What a directory says of its blocks. A strip may be said to go on for ever: it ends with the picture. */
async function blocksOf(directory: ImageFileDirectory) {
  const of = (tag: Parameters<typeof directory.loadValue>[0]) =>
    directory.loadValue(tag) as Promise<number | undefined>;
  const tiled = !directory.hasTag('StripOffsets');
  const rows = (await of('ImageLength')) ?? 0;
  return {
    tileWidth: (await of(tiled ? 'TileWidth' : 'ImageWidth')) ?? 0,
    tileHeight: tiled ? ((await of('TileLength')) ?? 0) : Math.min((await of('RowsPerStrip')) || rows, rows),
    planarConfiguration: (await of('PlanarConfiguration')) ?? 1,
    bitsPerSample: (await directory.loadValue('BitsPerSample')) as number[],
    predictor: (await of('Predictor')) ?? 1,
  };
}

/** A last block may hold some bytes more than its cells, as padding. */
const PADDING_BYTES = 64;
const mostOf = (decoder: BaseDecoder): number =>
  blockBytes(decoder.parameters as unknown as BlockParameters) + PADDING_BYTES;

let ready: Promise<void> | undefined;

/** Has blocks of TIFFs unpacked to no more than their cells hold. */
export const boundUnpacking = (): Promise<void> =>
  (ready ??= (async () => {
    const plain = { tileWidth: 1, tileHeight: 1, predictor: 1, bitsPerSample: [8], planarConfiguration: 1 };
    type Decoder = new (parameters: never) => BaseDecoder;
    /** The package's own decoder of a packing, behind a look at how much comes out of it. */
    const counted = async (packing: number, lengthOf: (packed: Uint8Array, most: number) => number) => {
      const Usual = (await getDecoder(packing, plain)).constructor as Decoder;
      return class extends Usual {
        override decodeBlock(packed: ArrayBufferLike) {
          const most = mostOf(this);
          if (lengthOf(new Uint8Array(packed), most) > most) throw new FileProblem(TOO_MUCH);
          return super.decodeBlock(packed);
        }
      };
    };
    const [lzw, packBits] = [await counted(LZW, lzwLength), await counted(PACK_BITS, packBitsLength)];
    class Deflate extends BaseDecoder {
      override decodeBlock(packed: ArrayBufferLike) {
        return inflated(new Uint8Array(packed), mostOf(this)).slice(0, mostOf(this) - PADDING_BYTES);
      }
    }
    const use = (packing: number | number[], decoder: Decoder) =>
      addDecoder(packing, () => Promise.resolve(decoder as never), blocksOf as never);
    use(DEFLATE, Deflate as never);
    use(LZW, lzw as never);
    use(PACK_BITS, packBits as never);
  })());
