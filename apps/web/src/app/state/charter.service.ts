import { Injectable } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFrame, ReadingStep } from '@inky-shoal/core/chart';
import type { ChartDay, RunAsk, SpotFilter } from '@inky-shoal/core/spots';
import { proxy, transfer } from 'comlink';
import { defer, type Observable } from 'rxjs';
import type { ChartWindow, Rgb, Tints } from '../water/drawing';
import type { ChartPicture, HourPicture } from './chart-table';
import { charting } from './engine';

/** Reads and judges charts in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class CharterService {
  open = (frame: ChartFrame, bed: Uint8Array, readM: number | undefined, begin: (step: ReadingStep) => void) =>
    defer(() => charting().open(frame, transfer(bed, [bed.buffer as ArrayBuffer]), readM, proxy(begin)));
  prepare = (day: ChartDay, begin: (step: ReadingStep) => void) => defer(() => charting().prepare(day, proxy(begin)));
  tint = (tints: Tints, minute: number): Observable<ChartPicture> => defer(() => charting().tint(tints, minute));
  contours = (depthsM: readonly number[], minute: number, window: ChartWindow) =>
    defer(() => charting().contours(depthsM, minute, window));
  soundings = (everyCells: number, minute: number, window: ChartWindow) =>
    defer(() => charting().soundings(everyCells, minute, window));
  bestAt = (minute: number, units: UnitSystem) => defer(() => charting().bestAt(minute, units));
  scanAt = (minute: number, filter: SpotFilter, units: UnitSystem, colour: Rgb): Observable<HourPicture> =>
    defer(() => charting().scanAt(minute, filter, units, colour));
  spotAt = (lonLat: readonly [number, number], minute: number, units: UnitSystem) =>
    defer(() => charting().spotAt(lonLat, minute, units));
  alike = (cell: number, minute: number, units: UnitSystem) => defer(() => charting().alike(cell, minute, units));
  run = (ask: RunAsk) => defer(() => charting().run(ask));
}
