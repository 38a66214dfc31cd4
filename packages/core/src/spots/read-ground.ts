import type { ChartFeature } from '../contract/charts.js';
import type { WaterKind } from '../contract/ids.js';
import { fetchM } from '../chart/exposure.js';
import type { FormReading } from '../chart/reading.js';
import { drawnOn } from './drawn.js';
import { nameForms } from './forms.js';
import { groundOf, type Ground } from './ground.js';

/** What a reading, what was drawn and the wind make of a chart, ready to be judged hour by hour. */
export function readGround(
  reading: FormReading,
  {
    epsg,
    kind,
    features,
    windFromDeg,
  }: { epsg: number; kind: WaterKind; features: readonly ChartFeature[]; windFromDeg: number | undefined },
): Ground {
  const drawn = drawnOn(reading.grid, epsg, features);
  const named = nameForms(reading, kind, drawn);
  const { grid, depthM } = reading;
  const fetch = windFromDeg === undefined ? new Float32Array(depthM.length) : fetchM(grid, depthM, windFromDeg);
  return groundOf(reading, named, drawn.cover, fetch);
}
