import type { Conditions } from '../contract/conditions.js';
import { dayTide, type DayTide } from './tide.js';

const AIR_KG_M3 = 1.22;
const SEA_KG_M3 = 1020;
const GRAVITY_MPS2 = 9.81;
/** A sound or bay of a common size: water that the wind crosses, and how deep that is. Judgement. */
const FETCH_M = 30_000;
const BAY_DEPTH_M = 2.5;
/** A height that nobody would see, metres. */
const LEAST_M = 0.03;

/** Drag of wind on water (Large and Pond 1981). */
const dragOf = (windMps: number): number => (windMps < 11 ? 1.2e-3 : (0.49 + 0.065 * windMps) * 1e-3);

/**
 * How far a steady wind holds water in over the table, or out under it, metres: the slope that bears its stress over a
 * shallow bay (Dean and Dalrymple 1991, section 5.7).
 * @param seaDeg the way to the open sea
 */
export function windSetupM(windMps: number, windFromDeg: number, seaDeg: number): number {
  const stressPa = AIR_KG_M3 * dragOf(windMps) * windMps ** 2;
  const onshore = Math.cos(((windFromDeg - seaDeg) * Math.PI) / 180);
  return (stressPa * onshore * FETCH_M) / (SEA_KG_M3 * GRAVITY_MPS2 * BAY_DEPTH_M);
}

type Told = Pick<Conditions, 'waterOverTableM' | 'seaDeg' | 'windMps' | 'windFromDeg'>;

/** How far the day's water stands over its table, metres, as a gauge tells it, else as its wind has it. */
export function overTableM({ waterOverTableM, seaDeg, windMps, windFromDeg }: Told): number {
  if (waterOverTableM !== undefined) return waterOverTableM;
  if (seaDeg === undefined || windMps === undefined || windFromDeg === undefined) return 0;
  const setupM = windSetupM(windMps, windFromDeg, seaDeg);
  return Math.abs(setupM) < LEAST_M ? 0 : setupM;
}

/** The tide of a day as it is expected: what a gauge tells is in its levels already, what wind does is put on them. */
export function expectedTide({ hourlyTide, ...told }: Told & Pick<Conditions, 'hourlyTide'>): DayTide | null {
  if (!hourlyTide) return null;
  const overM = overTableM(told);
  const heldM = told.waterOverTableM === undefined ? overM : 0;
  return dayTide(heldM ? hourlyTide.map((level) => ({ ...level, levelM: level.levelM + heldM })) : hourlyTide, overM);
}
