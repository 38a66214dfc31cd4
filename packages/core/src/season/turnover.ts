import type { LakeZone } from './heat/lake.js';
import { waterDensityKgM3 } from '../water/density.js';
import { EDGE_SD } from './coming.js';

/** First and last day number on which a basin is mixing from top to bottom. */
export interface Turnover {
  readonly from: number;
  readonly to: number;
}

/** The surface counts as dense as the deep water within this, kg/m3; and as floating on it beyond the other. */
const EQUAL_KGM3 = 0.04;
const FLOATING_KGM3 = 0.4;
/** A basin that did not float for so long has nothing to turn over: it mixes with every wind. */
const FLOATED_DAYS = 30;
/** Mixing and its murk last so long after densities are equal. */
const LASTS_DAYS = 12;
/** Doubt about the day is told up to this much. */
const MAX_DOUBT_DAYS = 21;
/** Below this it is no longer turnover: the lake has been mixing for long, or stands under ice. */
const COLDEST_C = 4.5;

/**
 * When a stratified basin turns over: the first day after its summer on which the surface is as dense as the deep water,
 * from that day on the cool edge of what may be, up to that day on the warm edge and the days that mixing takes.
 * @param first day number at which the zone's series begin
 * @returns null where nothing floated for a month, or nothing sinks between `from` and `to`
 */
export function turnoverOf(zone: LakeZone, first: number, from: number, to: number): Turnover | null {
  if (zone.heat.deepDepthM <= 0) return null;
  const last = Math.min(zone.surfaceC.length - 1, to - first);
  const gap = (at: number, deviations: number): number => {
    const surfaceC = Math.max(COLDEST_C, (zone.surfaceC[at] as number) + deviations * (zone.sdC[at] as number));
    return waterDensityKgM3(zone.deepC[at] as number) - waterDensityKgM3(surfaceC);
  };
  let floated = 0;
  for (let at = 0; at <= last; at++) {
    if (gap(at, 0) > FLOATING_KGM3) floated++;
    if (gap(at, 0) > EQUAL_KGM3) continue;
    if (floated < FLOATED_DAYS) {
      floated = 0;
      continue;
    }
    floated = 0;
    let begun = at;
    while (begun > Math.max(0, at - MAX_DOUBT_DAYS) && gap(begun - 1, -EDGE_SD) <= EQUAL_KGM3) begun--;
    let ended = at;
    while (ended < Math.min(last, at + MAX_DOUBT_DAYS) && gap(ended, EDGE_SD) > EQUAL_KGM3) ended++;
    if (first + ended + LASTS_DAYS >= from)
      return { from: first + begun, to: Math.min(to, first + ended + LASTS_DAYS) };
  }
  return null;
}

const WEARS_OFF_DAYS = 5;

/** How far a basin is mixing on a day, 0 to 1: fully within its turnover, wearing off over its last days. */
export function mixingOn(turnover: Turnover | null, day: number): number {
  if (!turnover || day < turnover.from || day > turnover.to) return 0;
  return Math.min(1, (turnover.to - day + 1) / WEARS_OFF_DAYS);
}
