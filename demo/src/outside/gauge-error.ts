import { surgeOf, airOfDays, type TideStation } from '@inky-shoal/core/tide';
import { weatherDays } from './days.js';
import { tideGaugeLevels, trueSurgeM } from './tide-gauge.js';
import type { Climate } from './weather.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const RECORD_DAYS = 21;
/** In so many standard deviations lie four of five. */
const Z80 = 1.28;

/** How far off the expected level is some hours ahead, against the table alone. */
export interface GaugeError {
  /** Root mean square of what the water truly stands over the table, and over what was expected, metres. */
  readonly tableM: number;
  readonly expectedM: number;
  /** Share of the moments at which the truth lay within the range told as holding in four of five. */
  readonly within80: number;
}

const rms = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, each) => sum + each * each, 0) / values.length);

/**
 * Holds what is expected of a gauge against the stand-in's truth, six hours ahead, every nine hours. Wind and
 * pressure are known as pages know them: a mean of each day, and a forecast of those ahead.
 */
export function gaugeError(
  climate: Climate,
  station: TideStation,
  { startMs, days, timeZone, hasWind }: { startMs: number; days: number; timeZone: string; hasWind: boolean },
): GaugeError {
  const levels = tideGaugeLevels(climate, station, startMs - RECORD_DAYS * DAY_MS, startMs + (days + 1) * DAY_MS);
  const truths: number[] = [];
  const errors: number[] = [];
  let within = 0;
  for (let nowMs = startMs; nowMs < startMs + days * DAY_MS; nowMs += 9 * HOUR_MS) {
    const known = hasWind ? weatherDays(climate, nowMs - RECORD_DAYS * DAY_MS, nowMs, timeZone) : [];
    const record = levels.filter(({ atMs }) => atMs <= nowMs && atMs > nowMs - RECORD_DAYS * DAY_MS);
    const surge = surgeOf(station, record, nowMs, airOfDays(known, timeZone));
    const truth = trueSurgeM(climate, nowMs + 6 * HOUR_MS);
    // Where the gauge says nothing the table stands.
    const { overM, doubtM } = surge?.at(nowMs + 6 * HOUR_MS) ?? { overM: 0, doubtM: Infinity };
    truths.push(truth);
    errors.push(truth - overM);
    if (Math.abs(truth - overM) < Z80 * doubtM) within++;
  }
  return { tableM: rms(truths), expectedM: rms(errors), within80: within / truths.length };
}
