import type * as z from 'zod';
import { quantity, record } from '../contract/fields.js';

export const RetrieveSpeedInput = record('a reel with how it is turned, or how fast the lure should go', {
  ratio: quantity('a gear ratio', 2, 12),
  /** Over the line that is on it: it shrinks as line goes out. */
  spoolDiameterMm: quantity('a spool diameter in mm', 15, 90),
  turnsPerS: quantity('turns of the handle a second', 0.05, 6).optional(),
  speedMps: quantity('a speed in metres a second', 0.02, 4).optional(),
  castM: quantity('a cast in metres', 3, 120).optional(),
  /** Share of the cast on which the lure is where the fish are. */
  shareInZone: quantity('a share', 0, 1).optional(),
}).superRefine(({ turnsPerS, speedMps }, context) => {
  if ((turnsPerS === undefined) === (speedMps === undefined)) {
    const message = `expected either turnsPerS or speedMps, got ${turnsPerS === undefined ? 'neither' : 'both'}`;
    context.addIssue({ code: 'custom', path: ['turnsPerS'], message });
  }
});
export type RetrieveSpeedInput = z.output<typeof RetrieveSpeedInput>;

export interface RetrieveSpeed {
  readonly lineMPerTurn: number;
  readonly turnsPerS: number;
  readonly secondsPerTurn: number;
  readonly speedMps: number;
  /** Time for the whole cast; null where its length is not given. */
  readonly secondsPerCast: number | null;
  /** Time among the fish on a cast; null where cast or share is not given. */
  readonly secondsInZone: number | null;
}

/** Line taken in by one turn of the handle, in m: the spool's circumference times the gear ratio. */
export const lineMPerTurn = (ratio: number, spoolDiameterMm: number): number =>
  (Math.PI * spoolDiameterMm * ratio) / 1000;

/** What a reel makes of turns, and what a speed asks of the hand. */
export function retrieveSpeed(input: RetrieveSpeedInput): RetrieveSpeed {
  const { ratio, spoolDiameterMm, castM, shareInZone } = input;
  const perTurn = lineMPerTurn(ratio, spoolDiameterMm);
  const speedMps = input.speedMps ?? (input.turnsPerS ?? 1) * perTurn;
  const turnsPerS = speedMps / perTurn;
  const secondsPerCast = castM === undefined ? null : castM / speedMps;
  return {
    lineMPerTurn: perTurn,
    turnsPerS,
    secondsPerTurn: 1 / turnsPerS,
    speedMps,
    secondsPerCast,
    secondsInZone: secondsPerCast === null || shareInZone === undefined ? null : secondsPerCast * shareInZone,
  };
}
