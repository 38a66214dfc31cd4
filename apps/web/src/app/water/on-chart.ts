import { say, type Conditions, type UnitSystem } from '@inky-shoal/core';
import { chartProjection, type ChartFrame } from '@inky-shoal/core/chart';
import type { PlacedSpot } from '@inky-shoal/core/spots';
import { compassOf } from '../sheet/words';

/** The wind as it stands on the chart: where from, how the arrow turns, how strong; null where it is not known. */
export function windOn({ windFromDeg, windMps = 0 }: Partial<Conditions> = {}, units: UnitSystem) {
  if (windFromDeg === undefined) return null;
  return { from: compassOf(windFromDeg), turn: `rotate(${windFromDeg + 180}deg)`, speed: say('wind', windMps, units) };
}

/** Whether a chart covers a place. */
export function isOn({
  epsg,
  westM,
  northM,
  cols,
  rows,
  cellM,
}: ChartFrame): (lonLat: readonly [number, number]) => boolean {
  const { toChart } = chartProjection(epsg);
  return (lonLat) => {
    const [x, y] = toChart(lonLat);
    return x >= westM && x <= westM + cols * cellM && y <= northM && y >= northM - rows * cellM;
  };
}

/** What to choose from: what stands on the list, and what is chosen. */
export function listed<K extends 'structure' | 'cover', T extends string>(
  all: readonly T[],
  chosen: T | '',
  spots: readonly PlacedSpot[],
  kind: K,
): readonly T[] {
  const found = new Set<string | null>(spots.map((spot) => spot[kind]));
  return all.filter((each) => found.has(each) || each === chosen);
}
