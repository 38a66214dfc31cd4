import { normalAt, smoothNoise } from './noise.js';
import { weatherAt, type Climate } from './weather.js';

const HOUR_MS = 3_600_000;

export interface GaugeHour {
  /** Above the usual, metres. */
  readonly levelM: number;
  readonly inflowM3s: number;
  readonly turbidityNtu: number;
}

/** How fast the land gives its rain to the creek, and the lake lets its level go. */
const RUN_OFF_H = 30;
const LEVEL_H = 24 * 9;
const WARM_UP_H = 24 * 45;
const BASE_INFLOW_M3S = 9;

/**
 * The water gauge over a stretch of hours: rain runs off over a day or so (a linear reservoir), raises the lake and
 * muddies it; the lake is drawn down in the fall.
 */
export function gaugeHours(climate: Climate, firstMs: number, count: number): GaugeHour[] {
  let [stored, risen, mud] = [0, 0, 0];
  const hours: GaugeHour[] = [];
  for (let at = -WARM_UP_H; at < count; at++) {
    const timeMs = firstMs + at * HOUR_MS;
    stored += weatherAt(climate, timeMs).rainMm - stored / RUN_OFF_H;
    risen += stored * 0.0006 - risen / LEVEL_H;
    mud += stored * 0.05 - mud / 60;
    if (at < 0) continue;
    const index = Math.round(timeMs / HOUR_MS);
    const drawdown = 0.5 * Math.cos(((timeMs / 86_400_000 - 150) / 365.25) * 2 * Math.PI);
    hours.push({
      levelM: risen + drawdown + 0.01 * normalAt(climate.seed + 20, index),
      inflowM3s: Math.max(1, BASE_INFLOW_M3S + stored * 2.4 + 0.8 * smoothNoise(climate.seed + 21, index / 30)),
      turbidityNtu: Math.max(0.5, 4 + mud * 1.6 + 0.6 * smoothNoise(climate.seed + 22, index / 9)),
    });
  }
  return hours;
}
