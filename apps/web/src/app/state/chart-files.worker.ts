import { expose, transfer } from 'comlink';
import type { WaterAt } from '@inky-shoal/core/formats/bathymetry';
import { ChartFilesTable } from './chart-files-table';

/** Packs with gzip, as beds are kept. */
async function pack(bytes: Uint8Array): Promise<Uint8Array> {
  const packed = new Blob([bytes as Uint8Array<ArrayBuffer>]).stream().pipeThrough(new CompressionStream('gzip'));
  return new Uint8Array(await new Response(packed).arrayBuffer());
}

/** Files of charts beside the page: they are large, and one may think better of it. Beds come out packed. */
class ChartFiling extends ChartFilesTable {
  readBedFile(file: Blob, water: WaterAt, step?: (share: number) => void) {
    return file.arrayBuffer().then((bytes) => this.readBed(bytes, water, step));
  }

  async layPacked(...given: Parameters<ChartFilesTable['layBed']>) {
    const laid = this.layBed(...given);
    if (typeof laid === 'string') return laid;
    const bed = await pack(laid.bed);
    return transfer({ ...laid, bed }, [bed.buffer as ArrayBuffer]);
  }

  async pack(bytes: Uint8Array) {
    const packed = await pack(bytes);
    return transfer(packed, [packed.buffer as ArrayBuffer]);
  }
}
export type { ChartFiling };

expose(new ChartFiling());
