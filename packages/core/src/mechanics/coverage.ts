import type * as z from 'zod';
import { quantity, record } from '../contract/fields.js';

export const CoverageInput = record('a bank with how it is fished', {
  castM: quantity('a cast in metres', 3, 120),
  speedMps: quantity('a speed in metres a second', 0.02, 4),
  /** Pauses on a cast, all together. */
  pausesS: quantity('pauses in seconds', 0, 600).default(0),
  /** From the lure at the rod to the next one in the water. */
  handlingS: quantity('seconds between casts', 0, 120).default(6),
  /** From one cast to the next along the bank. */
  spacingM: quantity('metres between casts', 0.2, 50),
  /** Casts at each place, as in muddy water. */
  castsPerPlace: quantity('casts at a place', 1, 20).default(1),
  /** How fast the boat can follow. */
  boatMps: quantity("the boat's speed in metres a second", 0.05, 3).default(0.8),
  bankM: quantity('a bank in metres', 1, 200_000).optional(),
  hours: quantity('hours', 0.1, 24).optional(),
});
export type CoverageInput = z.output<typeof CoverageInput>;

export interface Coverage {
  readonly secondsPerCast: number;
  readonly castsPerHour: number;
  readonly bankMPerHour: number;
  /** What holds it back: casting or the boat. */
  readonly heldBackBy: 'casting' | 'boat';
  /** Hours for the whole bank; null where its length is not given. */
  readonly hoursForBank: number | null;
  /** Share of the bank within the hours, 0 to 1; null where either is not given. */
  readonly shareOfBank: number | null;
}

/** How much bank is fished in an hour: the time of a cast and of the boat's move, whichever is longer, a place. */
export function coverage(input: CoverageInput): Coverage {
  const { castM, speedMps, pausesS, handlingS, spacingM, castsPerPlace, boatMps, bankM, hours } = input;
  const secondsPerCast = castM / speedMps + pausesS + handlingS;
  const casting = secondsPerCast * castsPerPlace;
  const moving = spacingM / boatMps;
  const perPlace = Math.max(casting, moving);
  const bankMPerHour = (3600 * spacingM) / perPlace;
  return {
    secondsPerCast,
    castsPerHour: (3600 * castsPerPlace) / perPlace,
    bankMPerHour,
    heldBackBy: moving > casting ? 'boat' : 'casting',
    hoursForBank: bankM === undefined ? null : bankM / bankMPerHour,
    shareOfBank: bankM === undefined || hours === undefined ? null : Math.min(1, (hours * bankMPerHour) / bankM),
  };
}
