import { Injectable } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFrame, ReadingStep } from '@inky-shoal/core/chart';
import type { ChartDay, RunAsk, SpotFilter } from '@inky-shoal/core/spots';
import { defer, of } from 'rxjs';
import { ChartTable } from '../app/state/chart-table';
import type { ChartWindow, Rgb, Tints } from '../app/water/drawing';

/** Charts without a worker, which the test environment does not have. */
@Injectable({ providedIn: 'root' })
export class CharterService {
  private readonly table = new ChartTable();

  open = (frame: ChartFrame, bed: Uint8Array, readM: number | undefined, begin: (step: ReadingStep) => void) =>
    defer(() => of(this.table.open(frame, bed, readM, begin)));
  prepare = (day: ChartDay, begin: (step: ReadingStep) => void) => defer(() => of(this.table.prepare(day, begin)));
  tint = (tints: Tints, minute: number) => defer(() => of(this.table.tint(tints, minute)));
  contours = (depthsM: readonly number[], minute: number, window: ChartWindow) =>
    defer(() => of(this.table.contours(depthsM, minute, window)));
  soundings = (everyCells: number, minute: number, window: ChartWindow) =>
    defer(() => of(this.table.soundings(everyCells, minute, window)));
  bestAt = (minute: number, units: UnitSystem) => defer(() => of(this.table.bestAt(minute, units)));
  scanAt = (minute: number, filter: SpotFilter, units: UnitSystem, colour: Rgb) =>
    defer(() => of(this.table.scanAt(minute, filter, units, colour)));
  spotAt = (lonLat: readonly [number, number], minute: number, units: UnitSystem) =>
    defer(() => of(this.table.spotAt(lonLat, minute, units)));
  alike = (cell: number, minute: number, units: UnitSystem) => defer(() => of(this.table.alike(cell, minute, units)));
  run = (ask: RunAsk) => defer(() => of(this.table.run(ask)));
}
