import { inject, Injectable } from '@angular/core';
import type { UnitSystem } from '@inky-shoal/core';
import type { ChartFrame, ReadingStep } from '@inky-shoal/core/chart';
import type { ChartDay, Homeward, RunRequest, SpotFilter } from '@inky-shoal/core/spots';
import { proxy, transfer } from 'comlink';
import type { Observable } from 'rxjs';
import type { ChartWindow, Rgb, Tints } from './drawing';
import type { ChartHour, HourPicture } from './chart-api';
import { CHART_WORKER } from './chart-workers';

/** Reads and judges charts in a worker of the page. */
@Injectable({ providedIn: 'root' })
export class ChartEngineService {
  private readonly worker = inject(CHART_WORKER);

  open = (frame: ChartFrame, bed: Uint8Array, readM: number | undefined, begin: (step: ReadingStep) => void) =>
    this.worker.ask((chart) => chart.open(frame, transfer(bed, [bed.buffer as ArrayBuffer]), readM, proxy(begin)));
  prepare = (day: ChartDay, begin: (step: ReadingStep) => void) =>
    this.worker.ask((chart) => chart.prepare(day, proxy(begin)));
  hourAt = (tints: Tints, minute: number): Observable<ChartHour> =>
    this.worker.ask((chart) => chart.hourAt(tints, minute));
  contours = (depthsM: readonly number[], minute: number, window: ChartWindow) =>
    this.worker.ask((chart) => chart.contours(depthsM, minute, window));
  soundings = (everyCells: number, minute: number, window: ChartWindow) =>
    this.worker.ask((chart) => chart.soundings(everyCells, minute, window));
  bestAt = (minute: number, units: UnitSystem) => this.worker.ask((chart) => chart.bestAt(minute, units));
  scanAt = (minute: number, filter: SpotFilter, units: UnitSystem, colour: Rgb): Observable<HourPicture> =>
    this.worker.ask((chart) => chart.scanAt(minute, filter, units, colour));
  gradeSpot = (cell: number | null, minute: number, units: UnitSystem) =>
    this.worker.ask((chart) => chart.gradeSpot(cell, minute, units));
  spotAt = (lonLat: readonly [number, number], minute: number, units: UnitSystem) =>
    this.worker.ask((chart) => chart.spotAt(lonLat, minute, units));
  alike = (cell: number, minute: number, units: UnitSystem) =>
    this.worker.ask((chart) => chart.alike(cell, minute, units));
  homes = (cells: readonly number[], homeward: Homeward) => this.worker.ask((chart) => chart.homes(cells, homeward));
  run = (ask: RunRequest) => this.worker.ask((chart) => chart.run(ask));
}
