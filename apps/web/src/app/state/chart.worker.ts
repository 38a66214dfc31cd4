import { expose, transfer } from 'comlink';
import { ChartTable } from './chart-table';

/** Charts beside the page: reading four million cells takes seconds and must not hold it up. Pixels are handed over. */
class Charting extends ChartTable {
  override tint(...given: Parameters<ChartTable['tint']>) {
    const pixels = super.tint(...given);
    return transfer(pixels, [pixels.buffer]);
  }

  override scanAt(...given: Parameters<ChartTable['scanAt']>) {
    const found = super.scanAt(...given);
    return transfer(found, [found.heat.buffer as ArrayBuffer]);
  }
}
export type { Charting };

expose(new Charting());
