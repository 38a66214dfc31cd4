import type { UnitSystem } from '@inky-shoal/core';
import type { SpotFilter } from '@inky-shoal/core/spots';
import { expose, transfer } from 'comlink';
import type { ChartWindow, Rgb, Tints } from '../water/drawing';
import { ChartTable, type ChartPicture } from './chart-table';

/**
 * Charts beside the page: reading four million cells takes seconds and must not hold it up. Pictures are made ready to
 * be drawn here, and all that is large is handed over instead of copied.
 */
class Charting {
  private readonly table = new ChartTable();

  open = (...given: Parameters<ChartTable['open']>) => this.table.open(...given);
  prepare = (...given: Parameters<ChartTable['prepare']>) => this.table.prepare(...given);
  bestAt = (...given: Parameters<ChartTable['bestAt']>) => this.table.bestAt(...given);
  soundings = (...given: Parameters<ChartTable['soundings']>) => this.table.soundings(...given);
  spotAt = (...given: Parameters<ChartTable['spotAt']>) => this.table.spotAt(...given);
  alike = (...given: Parameters<ChartTable['alike']>) => this.table.alike(...given);
  run = (...given: Parameters<ChartTable['run']>) => this.table.run(...given);

  async tint(tints: Tints, minute: number) {
    const picture = await this.drawn(this.table.tint(tints, minute));
    return transfer(picture, [picture]);
  }

  async scanAt(minute: number, filter: SpotFilter, units: UnitSystem, colour: Rgb) {
    const { heat, ...found } = this.table.scanAt(minute, filter, units, colour);
    const picture = await this.drawn(heat);
    return transfer({ ...found, heat: picture }, [picture]);
  }

  contours(depthsM: readonly number[], minute: number, window: ChartWindow) {
    const lines = this.table.contours(depthsM, minute, window);
    return transfer(
      lines,
      lines.flatMap(({ points, ends }) => [points.buffer as ArrayBuffer, ends.buffer as ArrayBuffer]),
    );
  }

  private drawn(picture: ChartPicture): Promise<ImageBitmap> {
    if (picture instanceof ImageBitmap) return Promise.resolve(picture);
    const { cols, rows } = this.table.size;
    return createImageBitmap(new ImageData(picture, cols, rows));
  }
}
export type { Charting };

expose(new Charting());
