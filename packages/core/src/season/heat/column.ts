import { waterDensityKgM3 } from '../../water/density.js';
import type { HeatExchange } from './surface.js';
import { DAY_S, HEAT_PER_M3 } from './usual.js';
import type { ZoneHeat } from './zone.js';

/** Exchange between the two boxes when nothing holds them apart, and when a strong thermocline does, m/day. */
const MIXED_M_PER_DAY = 6;
const STABLE_M_PER_DAY = 0.02;
/** Density difference, kg/m3, at which a usual wind (3 m/s) mixes half as fast as with none. */
const HELD_APART_KGM3 = 0.03;
const USUAL_WIND_MPS = 3;

/**
 * Exchange between the mixed layer and the water under it, m/day: fast where the layer is as dense as the deep water,
 * ever slower the lighter it floats, faster under wind. The form is that of mixing against a bulk Richardson number
 * (Kraus & Turner 1967); the figures are judgement.
 */
export function exchangeMPerDay(surfaceC: number, deepC: number, windMps: number, salinityPsu = 0): number {
  const lighter = waterDensityKgM3(deepC, salinityPsu) - waterDensityKgM3(surfaceC, salinityPsu);
  if (lighter <= 0) return MIXED_M_PER_DAY;
  const wind = Math.max(0.3, windMps / USUAL_WIND_MPS);
  return STABLE_M_PER_DAY + MIXED_M_PER_DAY / (1 + (lighter / (HELD_APART_KGM3 * wind * wind)) ** 1.5);
}

/**
 * One day of a zone as a linear step: surface' = ss.surface + sd.deep + sp.(equilibrium + offset), deep' likewise.
 * The pull is solved exactly over the day, the exchange implicitly, so no depth makes it unstable.
 */
export interface DayStep {
  ss: number;
  sd: number;
  sp: number;
  ds: number;
  dd: number;
  dp: number;
}

export function dayStep(
  zone: ZoneHeat,
  pull: HeatExchange,
  surfaceC: number,
  deepC: number,
  windMps: number,
  into: DayStep,
): DayStep {
  const growth = Math.expm1((pull.exchangeWm2C * DAY_S) / (HEAT_PER_M3 * zone.surfaceDepthM));
  if (zone.deepDepthM <= 0) {
    into.ss = into.ds = 1 / (1 + growth);
    into.sp = into.dp = growth / (1 + growth);
    into.sd = into.dd = 0;
    return into;
  }
  const exchange = exchangeMPerDay(surfaceC, deepC, windMps * zone.windShare);
  const up = exchange / zone.surfaceDepthM;
  const down = exchange / zone.deepDepthM;
  const whole = (1 + growth + up) * (1 + down) - up * down;
  into.ss = (1 + down) / whole;
  into.sd = up / whole;
  into.sp = ((1 + down) * growth) / whole;
  into.ds = down / whole;
  into.dd = (1 + growth + up) / whole;
  into.dp = (down * growth) / whole;
  return into;
}

export const newStep = (): DayStep => ({ ss: 0, sd: 0, sp: 0, ds: 0, dd: 0, dp: 0 });
