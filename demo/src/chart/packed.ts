import { brotliCompressSync, brotliDecompressSync, constants } from 'node:zlib';

/** A bed as it is written down: each cell's difference from what its neighbours to the west and north foretell, packed. */
export function packBed(bed: Uint8Array, cols: number): string {
  const cells = new Int16Array(bed.buffer, bed.byteOffset, bed.byteLength / 2);
  const off = new Int16Array(cells.length);
  for (let cell = 0; cell < cells.length; cell++) off[cell] = (cells[cell] as number) - foretold(cells, cell, cols);
  const bytes = new Uint8Array(off.buffer);
  // Low bytes first, then high ones: those are nearly all the same.
  const parted = new Uint8Array(bytes.length);
  for (let cell = 0; cell < off.length; cell++) {
    parted[cell] = bytes[cell * 2] as number;
    parted[off.length + cell] = bytes[cell * 2 + 1] as number;
  }
  const params = { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_LGWIN]: 22 };
  return brotliCompressSync(parted, { params }).toString('base64');
}

/** The bed that was written down, two bytes a cell. */
export function unpackBed(text: string, cols: number): Uint8Array {
  const parted = brotliDecompressSync(Buffer.from(text, 'base64'));
  const cells = new Int16Array(parted.length / 2);
  for (let cell = 0; cell < cells.length; cell++) {
    const off = (parted[cell] as number) | ((parted[cells.length + cell] as number) << 8);
    cells[cell] = foretold(cells, cell, cols) + off;
  }
  return new Uint8Array(cells.buffer);
}

/** West plus north less north-west, as in Paeth's plane, wrapped to two bytes. */
function foretold(cells: Int16Array, cell: number, cols: number): number {
  const west = cell % cols ? (cells[cell - 1] as number) : 0;
  const north = cell >= cols ? (cells[cell - cols] as number) : 0;
  const corner = cell % cols && cell >= cols ? (cells[cell - cols - 1] as number) : 0;
  return west + north - corner;
}
