import { DEMO, TERN_CLIMATE, tideGaugeLevels } from '@inky-shoal/demo';

type Levels = ReturnType<typeof tideGaugeLevels>;

/** What the made-up gauge of the made-up sound reads by the quarter hour, metres over its station's datum. */
export function seaGauge(fromMs: number, toMs: number): Levels {
  const station = DEMO.waters.find(({ tideStation }) => tideStation)?.tideStation;
  return station ? tideGaugeLevels(TERN_CLIMATE, station, fromMs, toMs) : [];
}
