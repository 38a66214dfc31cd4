import type { Water, Zone } from '../../contract/records.js';
import type { WaterKind } from '../../contract/ids.js';
import type { Exposure } from './surface.js';

/** A zone as the heat model sees it: two boxes of water, one over the other, under a share of wind and light. */
export interface ZoneHeat extends Exposure {
  readonly id: string;
  readonly name: string;
  readonly surfaceDepthM: number;
  /** Mean depth of the water under the mixed layer; 0 where wind mixes down to the bottom. */
  readonly deepDepthM: number;
}

const WIND_SHARE = { upstream: 0.75, mid: 0.9, lower: 1, protected: 0.5 } as const;
/** Water over a dark bottom takes up more of the light. Judgement. */
const DARK_BOTTOM_SHARE = 1.08;
/** A basin's mean depth as a share of its deepest. */
const MEAN_DEPTH_SHARE = 0.5;

/** Depth to which wind keeps a water mixed in summer, by its kind, where nothing is said. Judgement. */
const USUAL_MIXED_DEPTH_M: Record<WaterKind, number> = {
  'highland-reservoir': 5,
  'lowland-reservoir': 3.5,
  'natural-lake': 4.5,
  'grass-lake': 2,
  pond: 1.2,
  river: 3,
  'tidal-river': 2.5,
  estuary: 1.5,
};

/** The water as one zone, for waters whose zones are not told. Its id is the water's own. */
export const wholeWater = ({ id, name, waterKind, maxDepthM }: Water): Zone => ({
  id,
  name,
  position: 'mid',
  mixedDepthM: Math.min(USUAL_MIXED_DEPTH_M[waterKind], (maxDepthM ?? 20) * 0.7),
  maxDepthM,
});

/** The zones of a water, or the whole of it as one. */
export const zonesOf = (water: Water): readonly Zone[] => (water.zones?.length ? water.zones : [wholeWater(water)]);

/** What a zone's depths and place mean for its heat. */
export function zoneHeat({ id, name, position, mixedDepthM, maxDepthM = mixedDepthM, darkBottom }: Zone): ZoneHeat {
  const surfaceDepthM = Math.min(mixedDepthM, maxDepthM * 0.7);
  const deepDepthM = maxDepthM * MEAN_DEPTH_SHARE - surfaceDepthM;
  return {
    id,
    name,
    surfaceDepthM,
    deepDepthM: maxDepthM > mixedDepthM * 1.5 ? Math.max(deepDepthM, maxDepthM * 0.15) : 0,
    windShare: WIND_SHARE[position],
    solarShare: darkBottom ? DARK_BOTTOM_SHARE : 1,
  };
}

/** Steps from zone to zone over neighbours; zones that are not joined count as far apart as there are zones. */
export function zoneDistances(zones: readonly Zone[]): number[][] {
  const count = zones.length;
  const index = new Map(zones.map(({ id }, at) => [id, at]));
  const steps = zones.map((_, at) => zones.map((__, other) => (at === other ? 0 : count)));
  for (const [at, { neighbours = [] }] of zones.entries()) {
    for (const id of neighbours) {
      const other = index.get(id);
      if (other === undefined) continue;
      (steps[at] as number[])[other] = 1;
      (steps[other] as number[])[at] = 1;
    }
  }
  // Shortest ways between all pairs (Floyd 1962, Warshall 1962).
  for (let by = 0; by < count; by++)
    for (const row of steps)
      for (let to = 0; to < count; to++) {
        row[to] = Math.min(row[to] as number, (row[by] as number) + ((steps[by] as number[])[to] as number));
      }
  return steps;
}
